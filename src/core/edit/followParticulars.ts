import { defaultChineBeam, defaultWaterline, particularsOf, USUAL_PLACES, type Boat, type Brief } from '../document';
import { shapeFor, type DrawnHull, type Region, type Support } from '../geometry';
import type { Edit } from './editSchema';

const same = (a: unknown, b: unknown) =>
  typeof a === 'number' && typeof b === 'number' ? Math.abs(a - b) < 1e-9 : JSON.stringify(a) === JSON.stringify(b);

/** The brief with what stands at its usual value taken along; what was typed, in this edit or before, stays. */
function briefAfter(brief: Brief, patch: Partial<Brief>): Partial<Brief> {
  const after = { ...brief, ...patch };
  const follows: Partial<Brief> = {};
  if (after.hullLength !== brief.hullLength && same(brief.waterlineLength, defaultWaterline(brief.hullLength)))
    follows.waterlineLength = defaultWaterline(after.hullLength);
  if (after.maximumBeam !== brief.maximumBeam && same(brief.chineBeam, defaultChineBeam(brief.maximumBeam)))
    follows.chineBeam = defaultChineBeam(after.maximumBeam);
  return { ...follows, ...patch };
}

/** A place along the boat when its length changes: ends past the bow keep their distance, usual places their share. */
function placeAfter(x: number, was: number, is: number): number {
  if (x >= was) return is + (x - was);
  const usual = USUAL_PLACES.find((share) => same(share * was, x));
  return usual === undefined ? x : Number((usual * is).toFixed(3));
}

/** An entity with its places along the boat moved. */
function moved<T extends object>(one: T, was: number, is: number): T {
  const places = Object.entries(one).filter(
    ([key, value]) => ['x', 'from', 'to'].includes(key) && typeof value === 'number',
  ) as [string, number][];
  return { ...one, ...Object.fromEntries(places.map(([key, x]) => [key, placeAfter(x, was, is)])) };
}

/**
 * A change of the brief with all that follows it: figures of the drawn hull, lengths and places that stand at their
 * usual values go to those of the new particulars; whatever was typed over stays.
 *
 * @returns edits for one action, the brief's own first.
 * @example followParticulars(newBoat('Tern'), { hullLength: 9 }) // waterline, freeboards, ends of zones, bulkhead
 */
export function followParticulars(boat: Boat, patch: Partial<Brief>): Edit[] {
  const { brief, hull } = boat;
  const whole = briefAfter(brief, patch);
  const after = { ...brief, ...whole };
  const edits: Edit[] = [{ type: 'brief.set', patch: whole }];
  if (hull?.source !== 'particulars') return edits;

  const [was, is] = [shapeFor(particularsOf(brief), brief.kind), shapeFor(particularsOf(after), after.kind)];
  const fields = (Object.keys(was) as (keyof DrawnHull)[]).filter(
    (key) => same(hull[key], was[key]) && !same(was[key], is[key]),
  );
  if (fields.length > 0)
    edits.push({ type: 'hull.set', hull: { ...hull, ...Object.fromEntries(fields.map((key) => [key, is[key]])) } });

  const [old, now] = [brief.hullLength, after.hullLength];
  if (old === now) return edits;
  for (const { id, region } of boat.parts.flatMap(({ zones }) => zones)) {
    const next: Region | null = region && moved(region, old, now);
    if (!same(region, next)) edits.push({ type: 'zone.set', zoneId: id, patch: { region: next } });
  }
  for (const support of boat.supports) {
    const next: Support = moved(support, old, now);
    if (!same(support, next)) edits.push({ type: 'support.set', item: next });
  }
  return edits;
}
