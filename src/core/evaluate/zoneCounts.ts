import { reaches } from '../quantity';
import { zoneVerdict, type ZoneEvaluation } from './evaluateZone';

/** How many zones of a boat stand how. */
export interface ZoneCounts {
  all: number;
  failing: number;
  /** They hold, but not to the target. */
  thin: number;
  notProven: number;
  notChecked: number;
}

/** Count zones by what they come to; each under one head, but that one not proven may be thin as well. */
export function zoneCounts(evaluations: Iterable<ZoneEvaluation>, target: number): ZoneCounts {
  const all = [...evaluations];
  const reserves = all.flatMap(({ governing }) => (governing ? [governing.reserveFactor] : []));
  return {
    all: all.length,
    failing: reserves.filter((reserve) => !reaches(reserve, 1)).length,
    thin: reserves.filter((reserve) => reaches(reserve, 1) && !reaches(reserve, target)).length,
    notProven: all.filter((evaluation) => zoneVerdict(evaluation, target) === 'notProven').length,
    notChecked: all.filter(({ problem }) => problem !== null).length,
  };
}
