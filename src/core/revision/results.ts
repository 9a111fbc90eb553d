import { evaluateDetails } from '../detail/kinds';
import type { Boat } from '../document';
import { evaluateStiffeners, makeEvaluator, targetOf, whereGoverns } from '../evaluate';
import { boatWeight } from '../weight';
import type { IssuedOpen } from './records';

/** One check as it stood: reserve factor = capacity / demand. */
export interface CheckResult {
  id: string;
  governs: string;
  reserveFactor: number;
  pack?: string;
}

/** What a boat came to when it was issued. Masses kg, thickness m, areal weight kg/m². */
export interface RevisionResults {
  target: number;
  mass: number;
  weightTarget: number;
  zones: {
    part: string;
    zone: string;
    thickness: number;
    arealWeight: number;
    governs: string | null;
    reserveFactor: number | null;
    checks: CheckResult[];
    notChecked: string[];
    problem: string | null;
  }[];
  stiffeners: { name: string; governs: string | null; reserveFactor: number | null; problem: string | null }[];
  details: { name: string; governs: string | null; reserveFactor: number | null; problem: string | null }[];
  /** What was open when it was issued, and the answer given; revisions of before have none. */
  open?: IssuedOpen;
}

/** JSON has no Infinity: what nothing loads is kept as null. */
const kept = (value: number | null | undefined) =>
  value !== null && value !== undefined && Number.isFinite(value) ? value : null;

/**
 * Everything a revision keeps of what its boat comes to: every check of every zone, stiffener and detail, and the
 * planned mass.
 * @example resultsOf(boat).zones.find(({ zone }) => zone === 'Bottom forward')?.reserveFactor
 */
export function resultsOf(boat: Boat): RevisionResults {
  const evaluations = makeEvaluator()(boat);
  const details = evaluateDetails(boat);
  const weight = boatWeight(boat, evaluations, details);
  const zones = boat.parts.flatMap((part) =>
    part.zones.map((zone) => {
      const evaluation = evaluations.get(zone.id)!;
      return {
        part: part.name,
        zone: zone.name,
        thickness: evaluation.thickness,
        arealWeight: evaluation.laminatedArealWeight,
        governs: evaluation.governing && whereGoverns(evaluation.governing),
        reserveFactor: kept(evaluation.governing?.reserveFactor),
        checks: evaluation.checks.map((check) => ({
          id: check.id,
          governs: whereGoverns(check),
          reserveFactor: check.reserveFactor,
          pack: check.pack,
        })),
        notChecked: evaluation.notChecked,
        problem: evaluation.problem,
      };
    }),
  );
  return {
    target: targetOf(boat),
    mass: weight.mass,
    weightTarget: weight.target,
    zones,
    stiffeners: evaluateStiffeners(boat).map(({ support, governing, problem }) => ({
      name: support.name,
      governs: governing?.name ?? null,
      reserveFactor: kept(governing?.reserveFactor),
      problem,
    })),
    details: details.map(({ detail, governing, problem }) => ({
      name: detail.name,
      governs: governing?.name ?? null,
      reserveFactor: kept(governing?.reserveFactor),
      problem,
    })),
  };
}
