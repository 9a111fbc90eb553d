import * as Comlink from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Boat } from '@/core/document';
import type { Progress } from '@/core/job';
import type { Material } from '@/core/material';
import type { ZoneEquivalents, ZoneMatch } from '@/core/option';
import type { ProofWorker } from '@/workers/proof.worker';

/** The hand comes to rest before it begins. */
const WAIT_MILLISECONDS = 400;

interface Asked {
  key: readonly unknown[];
  progress: Progress | null;
  result: ZoneEquivalents | string | null;
  stopped: boolean;
}

/** What else a zone could be laid of, looked for aside of the page; begun anew when what is asked changes. */
export function useEquivalents(
  boat: Boat,
  zone: { partId: string; zoneId: string } | null,
  match: ZoneMatch,
  shelf: readonly Material[],
) {
  const [turn, setTurn] = useState(0);
  const [state, setState] = useState<Asked | null>(null);
  const own = useRef<Worker | null>(null);
  const { partId = null, zoneId = null } = zone ?? {};
  useEffect(() => {
    if (partId === null || zoneId === null) return;
    const key = [boat, partId, zoneId, match, turn];
    let wanted = true;
    const timer = setTimeout(() => {
      const worker = new Worker(new URL('../../workers/proof.worker.ts', import.meta.url), { type: 'module' });
      own.current = worker;
      const tell = (change: Partial<Asked>) => {
        if (!wanted) return;
        setState((last) => ({
          progress: null,
          result: null,
          stopped: false,
          ...(last?.key === key ? last : {}),
          key,
          ...change,
        }));
      };
      const onStep = Comlink.proxy((progress: Progress) => tell({ progress }));
      void Comlink.wrap<ProofWorker>(worker)
        .equivalents({ boat, partId, zoneId, match, shelf: [...shelf] }, onStep)
        .then((result) => tell({ result: result as Asked['result'] }));
    }, WAIT_MILLISECONDS);
    return () => {
      wanted = false;
      clearTimeout(timer);
      own.current?.terminate();
      own.current = null;
    };
  }, [boat, partId, zoneId, match, shelf, turn]);
  const wantedKey = [boat, partId, zoneId, match, turn];
  const current = state !== null && state.key.every((value, i) => value === wantedKey[i]);
  const shown = current ? state : null;
  return {
    progress: shown?.progress ?? null,
    result: shown?.result ?? null,
    stopped: shown?.stopped ?? false,
    stop: () => {
      own.current?.terminate();
      setState((last) => last && { ...last, stopped: true });
    },
    again: () => setTurn((count) => count + 1),
  };
}
