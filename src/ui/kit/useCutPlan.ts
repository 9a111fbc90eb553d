import * as Comlink from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { CutInput, CutStep, CutWay } from '@/core/kit';
import type { KitWorker } from '@/workers/kit.worker';
import { kitWorker } from './usePieces';

interface State {
  asked: CutInput | null;
  running: boolean;
  stopped: boolean;
  progress: CutStep | null;
  result: CutWay[] | string | null;
}
const NOTHING: State = { asked: null, running: false, stopped: false, progress: null, result: null };

/** Ways to cut a fabric, looked for aside of the page; it can be stopped, and tells how far it is. */
export function useCutPlan() {
  const [state, setState] = useState(NOTHING);
  const leave = useRef<() => void>(() => {});
  const run = (asked: CutInput) => {
    leave.current();
    let wanted = true;
    const worker = kitWorker();
    leave.current = () => {
      wanted = false;
      worker.terminate();
    };
    const tell = (change: Partial<State>) => wanted && setState((last) => ({ ...last, ...change }));
    setState({ ...NOTHING, asked, running: true });
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
    setState((last) => ({ ...last, running: false, stopped: true }));
  };
  useEffect(() => () => leave.current(), []);
  return { ...state, run, stop };
}
