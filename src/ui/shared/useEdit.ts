'use client';
import { useCallback } from 'react';
import type { Edit } from '@/core/edit';
import { useBoatStore } from './boat';
import { useUnits } from './units';

/** Act on the boat in words of its own; returns the refusal in words, or nothing when the edits were taken. */
export function useEditAs(): (label: string | null, ...edits: Edit[]) => string | undefined {
  const store = useBoatStore();
  const { words } = useUnits();
  return useCallback(
    (label, ...edits) => {
      if (label === null ? store.act(...edits) : store.actAs(label, ...edits)) return undefined;
      const { notice } = store.getState();
      store.dismiss();
      return notice ? words(notice.text) : 'This change was refused.';
    },
    [store, words],
  );
}

/** Act on the boat; returns the refusal in words, or nothing when the edit was taken. */
export function useEdit(): (...edits: Edit[]) => string | undefined {
  const editAs = useEditAs();
  return useCallback((...edits) => editAs(null, ...edits), [editAs]);
}
