import { useEffect, useMemo, useState } from 'react';
import type { Caution } from '@/core/caution';
import type { Boat } from '@/core/document';
import type { ZoneEvaluation } from '@/core/evaluate';

type Find = (boat: Boat, evaluations: ReadonlyMap<string, ZoneEvaluation>) => Caution[];
let fetched: Find | null = null;

/** Cautions of a boat; null until the rules have been fetched. */
export function useCautions(boat: Boat, evaluations: ReadonlyMap<string, ZoneEvaluation>): Caution[] | null {
  const [find, setFind] = useState<Find | null>(() => fetched);
  useEffect(() => {
    if (find) return;
    void import('./cautionsOf').then(({ cautionsOf }) => {
      fetched = cautionsOf;
      setFind(() => cautionsOf);
    });
  }, [find]);
  return useMemo(() => find?.(boat, evaluations) ?? null, [find, boat, evaluations]);
}
