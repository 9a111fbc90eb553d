'use client';
import * as Comlink from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Criterion } from '@/core/laminate';
import type { Boat } from '@/core/document';
import type { PanelAnalysis } from '@/core/evaluate';
import type { ProofWorker, ZoneProof } from '@/workers/proof.worker';

const startWorker = () => new Worker(new URL('../../workers/proof.worker.ts', import.meta.url), { type: 'module' });

/** Draws of every zone's band; the seed is fixed, so that the same boat shows the same band. */
export const BAND = { seed: 84, draws: 400 } as const;
/** The page comes first; the proofs may come a moment later. */
const WAIT_MILLISECONDS = 700;

/** Proofs of all zones, computed aside from the page once the boat has stood still for a moment. Those that are there belong to `of`. */
export function useProofs(boat: Boat): { proofs: ReadonlyMap<string, ZoneProof>; done: boolean } {
  const [state, setState] = useState<{ of: Boat; proofs: ReadonlyMap<string, ZoneProof>; done: boolean } | null>(null);
  useEffect(() => {
    let worker: Worker | null = null;
    const timer = setTimeout(() => {
      worker = startWorker();
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

/** The analysis of one zone's panel, computed aside; while the next is on its way the last one of the same zone stays in view. Null before the first. */
export function usePanel(
  boat: Boat,
  zoneId: string | null,
  criterion: Criterion,
): { analysis: PanelAnalysis | string | null; current: boolean } {
  const remote = useRef<Comlink.Remote<ProofWorker> | null>(null);
  const [state, setState] = useState<{
    boat: Boat;
    zoneId: string;
    criterion: Criterion;
    analysis: PanelAnalysis | string;
  } | null>(null);
  useEffect(() => {
    const worker = startWorker();
    remote.current = Comlink.wrap<ProofWorker>(worker);
    return () => worker.terminate();
  }, []);
  useEffect(() => {
    let wanted = zoneId !== null;
    if (zoneId !== null)
      void remote.current!.panel(boat, zoneId, criterion).then((analysis) => {
        if (wanted) setState({ boat, zoneId, criterion, analysis });
      });
    return () => {
      wanted = false;
    };
  }, [boat, zoneId, criterion]);
  const current = state !== null && state.boat === boat && state.zoneId === zoneId && state.criterion === criterion;
  return { analysis: state?.zoneId === zoneId ? state.analysis : null, current };
}
