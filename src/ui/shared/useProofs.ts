'use client';
import * as Comlink from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Boat } from '@/core/document';
import type { MarginBand, PanelAnalysis, ProofStep, ZoneAnalysis, ZoneProof } from '@/core/evaluate';
import type { Criterion } from '@/core/laminate';
import type { Material } from '@/core/material';
import type { Edit } from '@/core/edit';
import type { Effect, LayerMove, MovesInput, NewBoat, NewBoatOrder, WholeBoat } from '@/core/option';
import type { ProofWorker } from '@/workers/proof.worker';

const startWorker = () => new Worker(new URL('../../workers/proof.worker.ts', import.meta.url), { type: 'module' });

/** Draws of every zone's band; the seed is fixed, so that the same boat shows the same band. */
export const BAND = { seed: 84, draws: 400 } as const;
/** The page comes first; the proofs may come a moment later. */
const WAIT_MILLISECONDS = 300;
/** Moves of layers wait until the hand rests. */
const REST_MILLISECONDS = 350;

/** One answer computed aside of the page. */
export async function onceAside<T>(ask: (remote: Comlink.Remote<ProofWorker>) => Promise<T>): Promise<T> {
  const worker = startWorker();
  try {
    return await ask(Comlink.wrap<ProofWorker>(worker));
  } finally {
    worker.terminate();
  }
}

interface Proofs {
  of: Boat;
  proofs: ReadonlyMap<string, ZoneProof>;
  /** Share of the zones that are proved. */
  share: number;
  done: boolean;
}

/**
 * Proofs of all zones, computed aside from the page once the boat has stood still for a moment. Those that are there
 * belong to `of`.
 */
export function useProofs(boat: Boat): Omit<Proofs, 'of'> {
  const [state, setState] = useState<Proofs | null>(null);
  useEffect(() => {
    let worker: Worker | null = null;
    const timer = setTimeout(() => {
      worker = startWorker();
      const remote = Comlink.wrap<ProofWorker>(worker);
      const found = new Map<string, ZoneProof>();
      // Steps and the end come by two channels: the end may overtake the last step, and stays the end.
      let ended = false;
      const tell = (share: number) => setState({ of: boat, proofs: new Map(found), share, done: ended });
      const onStep = Comlink.proxy(({ proof, done }: ProofStep) => {
        found.set(proof.zoneId, proof);
        tell(ended ? 1 : done);
      });
      void remote.prove(boat, BAND, onStep).then(() => {
        ended = true;
        tell(1);
      });
    }, WAIT_MILLISECONDS);
    return () => {
      clearTimeout(timer);
      worker?.terminate();
    };
  }, [boat]);
  return state?.of === boat ? state : { proofs: new Map(), share: 0, done: false };
}

interface Asked<T> {
  key: readonly unknown[];
  result: T;
}
const sameKey = (a: readonly unknown[], b: readonly unknown[]) => a.every((value, i) => value === b[i]);

/**
 * Something computed aside of the page, asked for again when its key changes; while the next is on its way the last
 * one stays.
 * @param ask null where there is nothing to ask for.
 */
function useAside<T>(
  key: readonly unknown[],
  ask: ((remote: Comlink.Remote<ProofWorker>) => Promise<T>) | null,
  wait = 0,
): { result: T | null; current: boolean } {
  const worker = useRef<{ own: Worker; remote: Comlink.Remote<ProofWorker> } | null>(null);
  const asking = useRef(ask);
  const [state, setState] = useState<Asked<T> | null>(null);
  useEffect(() => {
    asking.current = ask;
  });
  useEffect(
    () => () => {
      worker.current?.own.terminate();
      worker.current = null;
    },
    [],
  );
  useEffect(() => {
    let wanted = asking.current !== null;
    const timer = setTimeout(() => {
      if (!asking.current) return;
      // Started when it is first asked: a page that opens has other things to do.
      if (!worker.current) {
        const own = startWorker();
        worker.current = { own, remote: Comlink.wrap<ProofWorker>(own) };
      }
      void asking.current(worker.current.remote).then((result) => {
        if (wanted) setState({ key, result });
      });
    }, wait);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
    // The key is what decides: its values, not the array.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, key);
  return { result: state?.result ?? null, current: state !== null && sameKey(state.key, key) };
}

/** The analysis of one zone's panel. Null before the first. */
export function usePanel(boat: Boat, zoneId: string | null, criterion: Criterion) {
  const { result, current } = useAside<{ zoneId: string; analysis: PanelAnalysis | string }>(
    [boat, zoneId, criterion],
    zoneId === null
      ? null
      : async (remote) => ({
          zoneId,
          analysis: (await remote.panel(boat, zoneId, criterion)) as PanelAnalysis | string,
        }),
  );
  return { analysis: result?.zoneId === zoneId ? result!.analysis : null, current };
}

/** The laminate of one zone ply by ply. Null before the first. */
export function useLaminate(boat: Boat, zoneId: string | null, criterion: Criterion) {
  const { result, current } = useAside<{ zoneId: string; analysis: ZoneAnalysis | string }>(
    [boat, zoneId, criterion],
    zoneId === null
      ? null
      : async (remote) => ({
          zoneId,
          analysis: (await remote.laminate(boat, zoneId, criterion)) as ZoneAnalysis | string,
        }),
  );
  return { analysis: result?.zoneId === zoneId ? result!.analysis : null, current };
}

/** The band of one zone's least reserve, once the hand rests; null before that, and for any other state of the boat. */
export function useBand(boat: Boat, zoneId: string): MarginBand | null {
  const { result, current } = useAside<MarginBand | null>(
    [boat, zoneId],
    (remote) => remote.band(boat, zoneId, BAND),
    REST_MILLISECONDS,
  );
  return current ? result : null;
}

/** What each layer of a zone buys, once the hand rests; null before the first. */
export function useMoves(input: MovesInput): { moves: LayerMove[] | null; current: boolean } {
  const { boat, part, zone, evaluations, scope } = input;
  const { result, current } = useAside<{ zoneId: string; moves: LayerMove[] | null }>(
    [boat, zone.id, scope],
    async (remote) => ({
      zoneId: zone.id,
      moves: (await remote.moves({ boat, part, zone, evaluations, scope })) as LayerMove[] | null,
    }),
    REST_MILLISECONDS,
  );
  return { moves: result?.zoneId === zone.id ? result.moves : null, current };
}

/** A new boat as it would be, with its margins; the words of the refusal where it cannot be made. */
export type Begun = NewBoat & { whole: WholeBoat };

/** The boat that an order would make, found anew once the hand rests; null before the first. */
export function useBegun(
  source: Boat | null,
  order: NewBoatOrder,
  shelf: readonly Material[] | null,
): { begun: Begun | string | null; current: boolean } {
  const { result, current } = useAside<Begun | string>(
    [source, JSON.stringify(order), shelf],
    source && shelf ? async (remote) => (await remote.begin(source, order, shelf)) as Begun | string : null,
    REST_MILLISECONDS,
  );
  return { begun: source ? result : null, current };
}

/** What edits would do to the whole boat; null before the first, or where there is nothing to do. */
export function useEffectOf(boat: Boat, edits: readonly Edit[]): { effect: Effect | string | null; current: boolean } {
  const { result, current } = useAside<Effect | string>(
    [boat, JSON.stringify(edits)],
    edits.length > 0 ? async (remote) => (await remote.effect(boat, edits)) as Effect | string : null,
  );
  return { effect: edits.length > 0 ? result : null, current };
}

/** In what one state of a boat differs from another, in its results; null before the first. */
export function useEffectBetween(
  before: Boat | null,
  after: Boat | null,
): { effect: Effect | string | null; current: boolean } {
  const { result, current } = useAside<Effect>(
    [before, after],
    before && after ? async (remote) => (await remote.between(before, after)) as Effect : null,
  );
  return { effect: before && after ? result : null, current };
}
