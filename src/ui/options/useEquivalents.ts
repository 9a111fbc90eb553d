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
  /** Leaves what is under way, whether it has begun or not. */
  const leave = useRef<() => void>(() => {});
  const { partId = null, zoneId = null } = zone ?? {};
  useEffect(() => {
    if (partId === null || zoneId === null) return;
    const key = [boat, partId, zoneId, match, turn];
    let wanted = true;
    let worker: Worker | null = null;
    const timer = setTimeout(() => {
      worker = new Worker(new URL('../../workers/proof.worker.ts', import.meta.url), { type: 'module' });
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
    leave.current = () => {
      wanted = false;
      clearTimeout(timer);
      worker?.terminate();
    };
    return () => leave.current();
  }, [boat, partId, zoneId, match, shelf, turn]);
  const wantedKey = [boat, partId, zoneId, match, turn];
  const current = state !== null && state.key.every((value, i) => value === wantedKey[i]);
  const shown = current ? state : null;
  return {
    progress: shown?.progress ?? null,
    result: shown?.result ?? null,
    stopped: shown?.stopped ?? false,
    stop: () => {
      leave.current();
      setState({ key: wantedKey, progress: shown?.progress ?? null, result: null, stopped: true });
    },
    again: () => setTurn((count) => count + 1),
  };
}
