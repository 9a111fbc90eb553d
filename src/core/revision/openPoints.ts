import { evaluateDetails } from '../detail/kinds';
import type { Boat } from '../document';
import { evaluateStiffeners, makeEvaluator, targetOf, verdictOf, zoneVerdict } from '../evaluate';
import { heavierThanProven, massesOf } from '../weight';

/** Why something is not simply well: what an issue is asked about. */
export const OPEN_STANDS = {
  fails: 'fails',
  notChecked: 'not checked',
  notProven: 'not proven',
  heavier: 'heavier than its proofs stand on',
  thin: 'thin',
  unverified: 'unverified',
} as const;
export type OpenStand = keyof typeof OPEN_STANDS;

/** One thing that whoever issues the boat has to know of. */
export interface OpenPoint {
  of: 'zone' | 'stiffener' | 'detail' | 'weight' | 'pack';
  name: string;
  stands: OpenStand;
  /** Null where there is none. */
  reserveFactor: number | null;
}

const ORDER = Object.keys(OPEN_STANDS) as OpenStand[];

/**
 * Everything in a boat that fails, is thin, is not proven, cannot be checked, or rests on a pack that nobody signed
 * for, and a boat that weighs more than its pressures are reckoned by; the worst first.
 *
 * @example openPointsOf(boat)[0] // { of: 'detail', name: 'Tow post', stands: 'fails', reserveFactor: 0.55 }
 */
export function openPointsOf(boat: Boat): OpenPoint[] {
  const target = targetOf(boat);
  const evaluations = makeEvaluator()(boat);
  const standOf = (reserveFactor: number | null, problem: string | null): OpenStand | null => {
    if (problem !== null || reserveFactor === null) return 'notChecked';
    const verdict = verdictOf(reserveFactor, target);
    return verdict === 'fails' || verdict === 'thin' ? verdict : null;
  };
  const zones = boat.parts
    .flatMap((part) => part.zones)
    .map(({ id, name }) => {
      const evaluation = evaluations.get(id)!;
      const reserveFactor = evaluation.governing?.reserveFactor ?? null;
      const unproven = zoneVerdict(evaluation, target) === 'notProven';
      const stands = unproven ? ('notProven' as const) : standOf(reserveFactor, evaluation.problem);
      return { of: 'zone' as const, name, stands, reserveFactor };
    });
  const stiffeners = evaluateStiffeners(boat)
    .filter(({ section }) => section !== null)
    .map(({ support: { name }, governing, problem }) => {
      const reserveFactor = governing?.reserveFactor ?? null;
      return { of: 'stiffener' as const, name, stands: standOf(reserveFactor, problem), reserveFactor };
    });
  const evaluated = evaluateDetails(boat);
  const details = evaluated.map(({ detail: { name }, governing, problem }) => {
    const reserveFactor = governing?.reserveFactor ?? null;
    return { of: 'detail' as const, name, stands: standOf(reserveFactor, problem), reserveFactor };
  });
  const packs = boat.packs
    .filter(({ signOff }) => signOff === null)
    .map(({ title }) => ({ of: 'pack' as const, name: title, stands: 'unverified' as const, reserveFactor: null }));
  const heavier = heavierThanProven(boat, massesOf(boat, evaluations, evaluated));
  const weight = heavier
    ? [{ of: 'weight' as const, name: 'Full load', stands: 'heavier' as const, reserveFactor: null }]
    : [];
  return [...zones, ...stiffeners, ...details, ...weight, ...packs]
    .flatMap((point): OpenPoint[] => (point.stands === null ? [] : [{ ...point, stands: point.stands }]))
    .sort(
      (a, b) => ORDER.indexOf(a.stands) - ORDER.indexOf(b.stands) || (a.reserveFactor ?? 0) - (b.reserveFactor ?? 0),
    );
}
