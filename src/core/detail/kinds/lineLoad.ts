import { invalid } from '../../error';
import { panelsToCheck, shapeOf, type Boat, type Part, type Zone } from '../../document';
import { regionPatch, runLength, shares } from '../../geometry';
import { isHead } from '../../standard';
import { evaluateZone, layAll } from '../../evaluate';
import type { Scene } from './scene';
import { sensesOf } from './senses';

/** N/m, load factors included; what opens the corner, and what may run along the joint, are part of it. */
export interface LineLoad {
  q: number;
  opens: number;
  along: number;
  from: string;
}

/** What a joint says of its load: typed per metre, and the bulkhead it ties. */
interface Joint {
  name: string;
  lineLoad: number | null;
  ties?: string | null;
}

/**
 * Load on a metre of a joint between panels: typed, or the load case over its length, or what the panels on both its
 * sides hand over under the design pressure, each half of itself, with the pack's factor from design to ultimate
 * strengths. The widest panel of the zone is taken on either side. A bulkhead that the joint ties adds its own
 * reaction, which stands square to theirs.
 *
 * @returns q N/m, of which `opens` opens the corner of the joint: all of what is typed; of a load case what does not
 * press on the inner face; of a pressure only what a bulkhead or tank bears from either side, for the sea presses the
 * hull onto what stands in it. `along` may run along the joint, whose direction is not said: all of what is typed, what
 * of a load case lies in the zone's plane; a pressure has nothing along it.
 * Source: docs/engineering.md, "Bonds".
 */
export function lineLoadOf(
  scene: Scene,
  { name: what, lineLoad: given, ties = null }: Joint,
  length: number,
): LineLoad {
  const { boat, part, zone, load, factor, book, inPlane, normal } = scene;
  if (given !== null) {
    const q = given * (load ? factor : 1);
    return { q, opens: q, along: q, from: 'as given' };
  }
  if (load) {
    const open = Math.hypot(...inPlane, sensesOf(zone.location, 'inner', normal).pulling);
    const per = (force: number) => (force * factor) / length;
    return { q: per(load.force), opens: per(open), along: per(Math.hypot(...inPlane)), from: scene.loadName };
  }
  const hull = reactionOf(scene, zone, part, 2);
  const tied = ties === null ? null : bulkheadOf(boat, ties, what);
  const own = tied && reactionOf(scene, tied.zone, tied.part, 1);
  if (hull === null && own === null)
    throw invalid('lineLoad', `${what}: ${zone.name} has no design pressure; give a load case or a load per metre`);
  const under = isHead(zone.location) ? 'their head of water' : 'their design pressure';
  const head = `the panels on both sides under ${under}`;
  const q = Math.hypot(hull ?? 0, own ?? 0) / book.pack.skinStrengthFactor;
  return {
    q,
    opens: isHead(zone.location) ? q : (own ?? 0) / book.pack.skinStrengthFactor,
    along: 0,
    from: tied ? `${head}, and ${tied.zone.name} under its own` : head,
  };
}

/**
 * What panels hand over along their edge under the design pressure (N/m), each half of itself over its short side: the
 * widest of a zone, on so many sides of the joint; null where the zone has no pressure.
 */
function reactionOf({ boat, book }: Scene, zone: Zone, part: Part, sides: 1 | 2): number | null {
  const pressure = evaluateZone(boat, part, zone).pressure?.pressure;
  if (pressure === undefined) return null;
  const cored = layAll(book, part, zone).some(({ material }) => material.kind === 'core');
  const widest = Math.max(
    ...panelsToCheck(boat, zone).map(({ geometry: { panelBreadth, panelLength }, pressures }) => {
      const own = pressures?.[cored ? 'sandwich' : 'single'].pressure ?? pressure;
      return own * Math.min(panelBreadth, panelLength);
    }),
  );
  return (sides * widest) / 2;
}

/** A bulkhead that tabbing ties to the hull. @throws KeramosError `invalid` where it is gone, or is no bulkhead. */
function bulkheadOf(boat: Boat, id: string, what: string): { part: Part; zone: Zone } {
  const part = boat.parts.find(({ zones }) => zones.some((zone) => zone.id === id));
  const zone = part?.zones.find((one) => one.id === id);
  if (!part || !zone) throw invalid('ties', `${what}: the bulkhead it ties is not in this boat any more`);
  if (zone.region?.surface !== 'section')
    throw invalid('ties', `${what}: ${zone.name} is no bulkhead with a place on the boat`);
  return { part, zone };
}

/**
 * Length of a joint (m): as typed, or the edge of the bulkhead that it ties along hull and deck.
 * @throws KeramosError `invalid` where that bulkhead is gone, or the boat has no shape.
 */
export function jointLength({ boat }: Scene, length: number, ties: string | null, what: string): number {
  if (ties === null) return length;
  const { zone } = bulkheadOf(boat, ties, what);
  const shape = shapeOf(boat);
  const patch = shape && regionPatch(shape, zone.region!);
  if (!patch) throw invalid('ties', `${what}: ${zone.name} lies off the hull`);
  // Up one side and down the other, and along the top where it reaches the deck.
  const sides = shares(200);
  const side = (u: 0 | 1) => runLength(sides.map((v) => patch.at(u, v)));
  const top =
    zone.region?.surface === 'section' && zone.region.top === null ? runLength([patch.at(0, 1), patch.at(1, 1)]) : 0;
  return side(0) + side(1) + top + runLength([patch.at(0, 0), patch.at(1, 0)]);
}
