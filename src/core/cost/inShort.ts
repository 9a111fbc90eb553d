import { evaluateDetails } from '../detail/kinds';
import type { Boat } from '../document';
import type { ZoneEvaluation } from '../evaluate';
import { floatIn, loadingOf, massesOf } from '../weight';
import { boatCost } from './boatCost';
import type { Offer } from './offers';
import type { Rates } from './rates';

/** A whole boat in a line: kg, m, degrees, money, hours; null where it is not known. */
export interface BoatInShort {
  light: number | null;
  full: number | null;
  centreHeight: number | null;
  trimDeg: number | null;
  leastFreeboard: number | null;
  cost: number;
  costScatter: number;
  hours: number;
  hoursScatter: number;
}

/** What a change in the lay-up moves besides its margins: masses, centre, waterline, cost and hours. */
export function boatInShort(
  boat: Boat,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
  yard: { rates: Rates; offers: readonly Offer[] },
): BoatInShort {
  const details = evaluateDetails(boat);
  const masses = massesOf(boat, evaluations, details);
  const full = loadingOf(masses, 'full');
  const state = floatIn(boat, masses, 'full');
  const afloat = 'reason' in state ? null : state;
  const { totals, scatter } = boatCost(boat, evaluations, details, yard);
  return {
    light: loadingOf(masses, 'light')?.mass ?? null,
    full: full?.mass ?? null,
    centreHeight: full?.centre[2] ?? null,
    trimDeg: afloat?.trimDeg ?? null,
    leastFreeboard: afloat?.least.height ?? null,
    cost: totals.cost,
    costScatter: scatter.cost,
    hours: totals.hours,
    hoursScatter: scatter.hours,
  };
}
