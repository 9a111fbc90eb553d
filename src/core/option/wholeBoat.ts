import { reaches } from '../quantity';
import { evaluateDetails } from '../detail/kinds';
import { evaluateStiffeners, type ZoneEvaluation } from '../evaluate';
import { boatWeight } from '../weight';
import type { Boat } from '../document';

/** A margin of the boat: a zone's, a stiffener's or a detail's least reserve. */
export interface Margin {
  of: 'zone' | 'stiffener' | 'detail';
  id: string;
  name: string;
  /** Null where it cannot be checked, or is not proven. */
  reserveFactor: number | null;
}
/** A margin that a change moves. */
export interface MarginChange extends Omit<Margin, 'reserveFactor'> {
  before: number | null;
  after: number | null;
}

/** Every margin of a boat, and its mass (kg). */
export interface WholeBoat {
  margins: Margin[];
  mass: number;
}

/**
 * Every margin of a boat and its mass, zones, stiffeners and details together.
 * @param evaluations of every zone by id.
 * @example wholeBoat(boat, evaluations).margins.length // zones, supports with a section, details
 */
export function wholeBoat(boat: Boat, evaluations: ReadonlyMap<string, ZoneEvaluation>): WholeBoat {
  const details = evaluateDetails(boat);
  const margins: Margin[] = [
    ...boat.parts
      .flatMap(({ zones }) => zones)
      .map(({ id, name }): Margin => {
        const { governing, unproven } = evaluations.get(id)!;
        return { of: 'zone', id, name, reserveFactor: unproven.length > 0 ? null : (governing?.reserveFactor ?? null) };
      }),
    ...evaluateStiffeners(boat)
      .filter(({ section }) => section !== null)
      .map(({ support: { id, name }, governing }): Margin => {
        return { of: 'stiffener', id, name, reserveFactor: governing?.reserveFactor ?? null };
      }),
    ...details.map(({ detail: { id, name }, governing }): Margin => {
      return { of: 'detail', id, name, reserveFactor: governing?.reserveFactor ?? null };
    }),
  ];
  return { margins, mass: boatWeight(boat, evaluations, details).mass };
}

/** The same to a thousandth is no change. */
const SAME = 1e-3;
const moved = (before: number | null, after: number | null) =>
  before === null || after === null ? before !== after : Math.abs(after / before - 1) > SAME;

/** The margins in which two states of a boat differ, the least after it first. */
export function marginChanges(before: WholeBoat, after: WholeBoat): MarginChange[] {
  const key = ({ of, id }: Margin) => `${of}|${id}`;
  const was = new Map(before.margins.map((margin) => [key(margin), margin.reserveFactor]));
  return after.margins
    .map(({ reserveFactor, ...rest }): MarginChange => {
      const known = was.get(key({ ...rest, reserveFactor }));
      return { ...rest, before: known ?? null, after: reserveFactor };
    })
    .filter((change) => moved(change.before, change.after))
    .sort((a, b) => (a.after ?? 0) - (b.after ?? 0));
}

/**
 * Whether a change harms nothing: every margin that it moves stays at the target, or is no worse than it was.
 * @example harmless([{ of: 'detail', id: 'd', name: 'Bitt', before: 0.8, after: 0.82 }], 1.1) // true
 */
export const harmless = (changes: readonly MarginChange[], target: number): boolean =>
  changes.every(
    ({ before, after }) => after !== null && (reaches(after, target) || (before !== null && after >= before)),
  );
