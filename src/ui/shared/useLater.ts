import { useMemo } from 'react';
import type { Boat } from '@/core/document';
import type { DetailEvaluation } from '@/core/detail/kinds';
import { makeEvaluator, type StiffenerEvaluation } from '@/core/evaluate';
import type { OpenPoint } from '@/core/revision';
import { fetchedCode } from './fetchedCode';

/**
 * A judgement on a boat by code that is fetched once the page stands.
 *
 * @param none what it comes to without that code, where the boat has nothing to judge.
 * @returns a hook that gives null until the code has come.
 */
function later<T>(none: (boat: Boat) => T | null, load: () => Promise<(boat: Boat) => T>) {
  const useJudge = fetchedCode(load);
  return function useLater(boat: Boat): T | null {
    const nothing = none(boat);
    const judge = useJudge(nothing === null);
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

/** What is open in a boat when it is issued: fails, thin, not proven, not checked, unverified. */
export const useOpenPoints = later<readonly OpenPoint[]>(
  () => null,
  () => import('@/core/revision').then(({ openPointsOf }) => openPointsOf),
);

/** Whether she weighs more in full load than her proofs stand on, and how much; empty where she does not. */
export const useHeavier = later<readonly { weighs: number; proven: number }[]>(
  () => null,
  () =>
    Promise.all([import('./judgements'), import('@/core/weight')]).then(
      ([{ evaluateDetails }, { heavierThanProven, massesOf }]) => {
        const evaluate = makeEvaluator();
        return (boat) => {
          const found = heavierThanProven(boat, massesOf(boat, evaluate(boat), evaluateDetails(boat)));
          return found ? [found] : [];
        };
      },
    ),
);
