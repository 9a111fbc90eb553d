import { useMemo } from 'react';
import type { Caution } from '@/core/caution';
import type { Boat } from '@/core/document';
import type { ZoneEvaluation } from '@/core/evaluate';
import { fetchedCode } from './fetchedCode';

const useRules = fetchedCode(() => import('./cautionsOf').then(({ cautionsOf }) => cautionsOf));

/** Cautions of a boat; null until the rules have been fetched. */
export function useCautions(boat: Boat, evaluations: ReadonlyMap<string, ZoneEvaluation>): Caution[] | null {
  const find = useRules();
  return useMemo(() => find?.(boat, evaluations) ?? null, [find, boat, evaluations]);
}
