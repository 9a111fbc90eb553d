import * as Comlink from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { CutInput, CutStep, CutWay } from '@/core/kit';
import type { KitWorker } from '@/workers/kit.worker';
import { kitWorker } from './usePieces';

interface State {
  running: boolean;
  stopped: boolean;
  progress: CutStep | null;
  result: CutWay[] | string | null;
  /** What was laid out is cut and booked. */
  booked: boolean;
}
interface Marked {
  mark: string;
  state: State;
}
const NOTHING: State = { running: false, stopped: false, progress: null, result: null, booked: false };

/** What was laid out last of each fabric, for a tab that is opened again; it holds while its mark is the same. */
const kept = new Map<string, Marked>();

/**
 * Ways to cut a fabric, looked for aside of the page; it can be stopped, tells how far it is, and what came out stays
 * when the tab is left.
 *
 * @param mark of all that it depends on: with another one nothing is known.
 */
export function useCutPlan(fabricId: string, mark: string) {
  const [{ mark: of, state: last }, setState] = useState<Marked>(() => kept.get(fabricId) ?? { mark, state: NOTHING });
  const state = of === mark ? last : NOTHING;
  const leave = useRef<() => void>(() => {});
  const set = (change: Partial<State>, from?: State) =>
    setState((before) => {
      const next = { mark, state: { ...(from ?? before.state), ...change } };
      if (!next.state.running) kept.set(fabricId, next);
      return next;
    });
  const run = (asked: CutInput) => {
    leave.current();
    let wanted = true;
    const worker = kitWorker();
    leave.current = () => {
      wanted = false;
      worker.terminate();
    };
    const tell = (change: Partial<State>) => {
      if (wanted) set(change);
    };
    set({ running: true }, NOTHING);
    void Comlink.wrap<KitWorker>(worker)
      .cut(
        asked,
        Comlink.proxy((progress: CutStep) => tell({ progress })),
      )
      .then(
        (result) => tell({ running: false, result: result as CutWay[] | string }),
        () => tell({ running: false, result: 'The nesting broke off: look again' }),
      )
      .finally(() => worker.terminate());
  };
  const stop = () => {
    leave.current();
    set({ running: false, stopped: true });
  };
  useEffect(() => () => leave.current(), []);
  return { ...state, run, stop, book: () => set({ booked: true }) };
}
