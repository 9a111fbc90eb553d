import * as Comlink from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Boat } from '@/core/document';
import type { GridStep, ZoneFront } from '@/core/option';
import type { Known, OnStep, OptionsWorker } from '@/workers/options.worker';
import { useBoatStore } from '../shared/boat';

/** Where a search is. */
export interface Search<Result, Ask = unknown> {
  /** What was asked for. */
  asked: Ask | null;
  running: boolean;
  /** It was stopped before its end. */
  stopped: boolean;
  progress: GridStep | null;
  /** The zones that are found so far, by id, with the best of each. */
  found: readonly { zoneId: string; value: number; reserveFactor: number }[];
  /** What came out; why nothing did, in words; null before. */
  result: Result | string | null;
  /** The boat that it is of: what came out holds for that alone. */
  of: Boat | null;
}

const NOTHING: Search<never, never> = {
  asked: null,
  running: false,
  stopped: false,
  progress: null,
  found: [],
  result: null,
  of: null,
};

interface Left {
  mark: string;
  ask: unknown;
  known: Known;
}

/** A short mark of a text: the same text has the same. */
function markOf(text: string): string {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return `${text.length}.${(hash >>> 0).toString(36)}`;
}

/** What a search found before the page was left, where the tab still knows it and the boat is the same. */
function leftOf(key: string, boat: Boat): Left | null {
  try {
    const left = JSON.parse(window.sessionStorage.getItem(key) ?? 'null') as Left | null;
    return left?.mark === markOf(JSON.stringify(boat)) ? left : null;
  } catch {
    return null;
  }
}
function keepLeft(key: string, left: Left | null): void {
  try {
    if (left === null) window.sessionStorage.removeItem(key);
    else window.sessionStorage.setItem(key, JSON.stringify(left));
  } catch {
    // A tab that may keep nothing begins anew after a reload.
  }
}

/**
 * A search run aside of the page: it can be stopped, tells what it has found, and is taken up again after a reload
 * where it was.
 *
 * @param name of the search, one of its kind a boat.
 * @param start asks the worker; `ask` is what was asked for, plain data without the boat.
 */
export function useSearch<Ask, Result>(
  name: string,
  boat: Boat,
  start: (
    remote: Comlink.Remote<OptionsWorker>,
    ask: Ask,
    how: { boat: Boat; known: Known; onStep: OnStep },
  ) => Promise<Result | string>,
) {
  const store = useBoatStore();
  const key = `keramos.search.${store.getState().id}.${name}`;
  const [state, setState] = useState<Search<Result, Ask>>(NOTHING);
  const leave = useRef<() => void>(() => {});
  const startNow = useRef(start);
  useEffect(() => {
    startNow.current = start;
  }, [start]);

  const run = useCallback(
    (ask: Ask, of: Boat, known: Known = []) => {
      leave.current();
      let wanted = true;
      const worker = new Worker(new URL('../../workers/options.worker.ts', import.meta.url), { type: 'module' });
      const fronts = new Map<string, ZoneFront>(known);
      const mark = markOf(JSON.stringify(of));
      keepLeft(key, { mark, ask, known });
      const tell = (change: Partial<Search<Result, Ask>>) => wanted && setState((last) => ({ ...last, ...change }));
      setState({ ...NOTHING, running: true, of, asked: ask });
      const onStep: OnStep = (step) => {
        const { found, ...progress } = step;
        if (found) {
          fronts.set(found.zoneId, found.front);
          const kept = [...fronts].map(([id, front]) => [id, { ...front, refuted: new Map() }] as const);
          if (wanted) keepLeft(key, { mark, ask, known: kept });
        }
        tell({
          progress,
          found: [...fronts].flatMap(([zoneId, front]) => {
            const [best] = front.found;
            return best ? [{ zoneId, value: best.value, reserveFactor: best.reserveFactor }] : [];
          }),
        });
      };
      leave.current = () => {
        wanted = false;
        worker.terminate();
      };
      void startNow
        .current(Comlink.wrap<OptionsWorker>(worker), ask, { boat: of, known, onStep: Comlink.proxy(onStep) })
        .then(
          (result) => {
            if (wanted) keepLeft(key, null);
            tell({ running: false, result, progress: null });
          },
          () => tell({ running: false, result: 'The search broke off: look again', progress: null }),
        )
        .finally(() => worker.terminate());
    },
    [key],
  );
  const stop = useCallback(() => {
    leave.current();
    keepLeft(key, null);
    setState((last) => ({ ...last, running: false, stopped: true }));
  }, [key]);

  // Taken up where a reload left it; a page that is left for good ends it.
  useEffect(() => {
    const left = leftOf(key, boat);
    const timer = left && setTimeout(() => run(left.ask as Ask, boat, left.known));
    return () => {
      if (timer) clearTimeout(timer);
      leave.current();
    };
    // Once, when the page wakes up.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  return { ...state, run, stop };
}
