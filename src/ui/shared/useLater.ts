import { useEffect, useMemo, useState } from 'react';
import type { Boat } from '@/core/document';
import type { DetailEvaluation } from '@/core/detail/kinds';
import type { StiffenerEvaluation } from '@/core/evaluate';

/**
 * A judgement on a boat whose code is fetched once the page stands: no part of what the page waits for, nor of what
 * the server renders.
 *
 * @param none what it comes to without that code, where the boat has nothing to judge.
 * @returns a hook that gives null until the code has come.
 */
function later<T>(none: (boat: Boat) => T | null, load: () => Promise<(boat: Boat) => T>) {
  let fetched: ((boat: Boat) => T) | null = null;
  return function useLater(boat: Boat): T | null {
    const [judge, setJudge] = useState(() => fetched);
    const nothing = none(boat);
    const wanted = judge === null && nothing === null;
    useEffect(() => {
      if (!wanted) return;
      void load().then((own) => {
        fetched = own;
        setJudge(() => own);
      });
    }, [wanted]);
    return useMemo(() => nothing ?? judge?.(boat) ?? null, [boat, judge, nothing]);
  };
}

const NO_DETAILS: readonly DetailEvaluation[] = [];
const NO_STIFFENERS: readonly StiffenerEvaluation[] = [];

/** The details of a boat, each judged. */
export const useDetails = later<readonly DetailEvaluation[]>(
  (boat) => (boat.details.length === 0 ? NO_DETAILS : null),
  () =>
    import('./judgements').then(
      ({ evaluateDetails }) =>
        (boat) =>
          evaluateDetails(boat),
    ),
);

/** The stiffeners of a boat, each on its worst span. */
export const useStiffeners = later<readonly StiffenerEvaluation[]>(
  (boat) => (boat.supports.some(({ section }) => section !== null) ? null : NO_STIFFENERS),
  () => import('./judgements').then(({ evaluateStiffeners }) => evaluateStiffeners),
);
