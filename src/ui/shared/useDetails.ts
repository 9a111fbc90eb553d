import { useEffect, useMemo, useState } from 'react';
import type { Boat, DetailEvaluation } from '@/core/schedule';

type Evaluate = (boat: Boat) => DetailEvaluation[];
let fetched: Evaluate | null = null;

/** The details of a boat; null until what computes them has been fetched. A boat without any needs nothing. */
export function useDetails(boat: Boat): readonly DetailEvaluation[] | null {
  const [evaluate, setEvaluate] = useState<Evaluate | null>(() => fetched);
  const wanted = boat.details.length > 0 && evaluate === null;
  useEffect(() => {
    if (!wanted) return;
    void import('./detailsOf').then(({ evaluateDetails }) => {
      fetched = (one) => evaluateDetails(one);
      setEvaluate(() => fetched);
    });
  }, [wanted]);
  return useMemo(() => (boat.details.length === 0 ? [] : (evaluate?.(boat) ?? null)), [boat, evaluate]);
}
