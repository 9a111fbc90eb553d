'use client';
import * as Comlink from 'comlink';
import { useEffect, useState } from 'react';
import type { Boat } from '@/core/schedule';
import type { ProofWorker, ZoneProof } from '@/workers/proof.worker';

/** Draws of every zone's band; the seed is fixed, so that the same boat shows the same band. */
export const BAND = { seed: 84, draws: 400 } as const;
const WAIT_MILLISECONDS = 300;

/** Proofs of all zones, computed aside from the page once the boat has stood still for a moment. Those that are there belong to `of`. */
export function useProofs(boat: Boat): { proofs: ReadonlyMap<string, ZoneProof>; done: boolean } {
  const [state, setState] = useState<{ of: Boat; proofs: ReadonlyMap<string, ZoneProof>; done: boolean } | null>(null);
  useEffect(() => {
    let worker: Worker | null = null;
    const timer = setTimeout(() => {
      worker = new Worker(new URL('../../workers/proof.worker.ts', import.meta.url), { type: 'module' });
      const remote = Comlink.wrap<ProofWorker>(worker);
      const found = new Map<string, ZoneProof>();
      const tell = (done: boolean) => setState({ of: boat, proofs: new Map(found), done });
      void remote
        .prove(
          boat,
          BAND,
          Comlink.proxy(async (proof: ZoneProof) => {
            found.set(proof.zoneId, proof);
            tell(false);
          }),
        )
        .then(() => tell(true));
    }, WAIT_MILLISECONDS);
    return () => {
      clearTimeout(timer);
      worker?.terminate();
    };
  }, [boat]);
  return state?.of === boat ? state : { proofs: new Map(), done: false };
}
