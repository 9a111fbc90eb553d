import { useState } from 'react';
import { api, wordsOf } from './api';

export interface Kept<B> {
  body: B;
  version: number;
  own: { author: string; at: string } | null;
}

/** A setting of the yard as it is being changed: kept when it is said, refused in words, and then still on the page. */
export function useSetting<B>(
  name: 'rates' | 'prices' | 'cutting' | 'mixing' | 'filling' | 'curing' | 'steps' | 'shop',
  kept: Kept<B>,
  onKept: (kept: Kept<B>) => void,
) {
  const [draft, setDraft] = useState<B>(kept.body);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const keep = async () => {
    setBusy(true);
    setRefusal(null);
    try {
      const saved = await api<Kept<B>>('PUT', `/api/yard/${name}`, { body: draft, version: kept.version });
      setDraft(saved.body);
      onKept(saved);
    } catch (error) {
      setRefusal(wordsOf(error));
    } finally {
      setBusy(false);
    }
  };
  const changed = JSON.stringify(draft) !== JSON.stringify(kept.body);
  return { draft, setDraft, refusal, setRefusal, busy, changed, keep };
}
