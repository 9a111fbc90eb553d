import { hoursOfLayer, USUAL_RATES, type Rates } from '../../cost';
import { newLayer, type Boat, type Layer, type Part, type Zone } from '../../document';
import { usualRole } from '../../edit';
import { invalid } from '../../error';
import { evaluateZone, heldOnTrust, probeZone, type ZoneEvaluation } from '../../evaluate';
import { joinAt, neighboursOf, piecesOf } from '../../lines';
import type { LayerMaterial } from '../../material';
import { reaches } from '../../quantity';
import type { SolveInteger } from './coupleZones';
import { slotsOf, type Places } from './gridEdits';
import { layersOfRows, type RowKey, type StackSpace } from './stackSpace';
import type { ZoneFront, ZoneProblem } from './zoneFront';

/** What is made least: each per its unit. */
export interface Weights {
  /** Per kg of laminate in the zones looked at, all parts of the number-off together. */
  mass: number;
  /** Per unit of money of materials in them. */
  cost: number;
  /** Per hour that cutting and laying takes in them. */
  hours: number;
  /** Per piece of the part. */
  pieces: number;
}

export interface GridQuestion {
  boat: Boat;
  partId: string;
  /** All zones of the part where it is null. */
  zoneIds: readonly string[] | null;
  /** Layers that may go; all of the structure where it is null. */
  free: readonly string[] | null;
  spaceOf: (zone: Zone) => StackSpace;
  weights: Weights;
  target: number;
  mostDropped: number | null;
  mostMaterials: number | null;
  stock: ReadonlyMap<string, number>;
  /** What the yard reckons hours by; the usual ones where it is left out. */
  rates?: Rates | undefined;
  effort: Effort;
  solve: SolveInteger;
  /** Zones found before, by id, of the very same question. */
  known?: ReadonlyMap<string, ZoneFront>;
}
export interface Effort {
  /** Most stacks looked at in a zone. */
  budget: number;
  /** Most stacks of a zone that are weighed against those of others. */
  list: number;
  /** Share of the best by which a zone may lie above its bound. */
  gap: number;
  /** Share by which a choice may come to more, if it has fewer pieces. */
  tidy: number;
}

/** The zone as it would be with these layers and no others. */
const laidWith = (part: Part, zone: Zone, layers: Layer[]): Part => ({
  ...part,
  layers,
  groups: [],
  joins: [],
  zones: [zone],
});

/**
 * Whether a zone holds, as far as its laminate can say: what is not proven for want of something else than layers (a
 * support that nothing is laid for yet) is told with the answer, and no stack is refused for it.
 */
export const holds = (
  { governing, unproven, problem }: ZoneEvaluation,
  target: number,
  trusted: ReadonlySet<string>,
): boolean =>
  problem === null &&
  governing !== null &&
  unproven.every((text) => trusted.has(text)) &&
  reaches(governing.reserveFactor, target);

/** Hours of a square metre of a layer in a zone, by the rates of the yard and the boat's process. */
export const hoursIn = ({ boat, rates = USUAL_RATES }: GridQuestion, zone: Zone, material: LayerMaterial): number =>
  hoursOfLayer(zone, material, rates.processes[boat.brief.process], rates);

/** What of a zone no stack proves: it hangs on what the zone is held by. */
export const trustedIn = (boat: Boat, zone: Zone): ReadonlySet<string> => new Set(heldOnTrust(boat, zone).unproven);

/** A part of a question made ready: its zones as problems, and how they hang together. */
export interface ReadyPart {
  part: Part;
  zones: Zone[];
  problems: ZoneProblem[];
  places: Places;
  layerOf: (key: RowKey) => Layer;
  /** Pairs of zones that meet, as indices, and those over whose line a layer runs on. */
  meets: [number, number][];
  runsOver: [number, number][];
  sides: { sides: 1 | 2; overCentre: boolean }[];
}

/** A part of a question made ready. */
export function readyPart(question: GridQuestion): ReadyPart {
  const { boat, partId, zoneIds, weights, target } = question;
  const part = boat.parts.find(({ id }) => id === partId);
  if (!part) throw invalid('part', `There is no part "${partId}" in this boat`);
  if (part.zones.length === 0) throw invalid('part', `${part.name} has no zones yet: add one under Zones`);
  const strange = zoneIds?.find((id) => part.zones.every((zone) => zone.id !== id));
  if (strange !== undefined) throw invalid('zones', `${part.name} has no zone "${strange}"`);
  const zones = part.zones.filter(({ id }) => zoneIds === null || zoneIds.includes(id));
  const materials = new Map(boat.materials.map((material) => [material.id, material]));
  const structural = part.layers.filter(({ role, material }) => {
    return role === 'structure' && materials.get(material)!.kind !== 'coating';
  });
  const gone = question.free?.find((id) => part.layers.every((layer) => layer.id !== id));
  if (gone !== undefined) throw invalid('free', `${part.name} has no layer "${gone}"`);
  const free = new Set(question.free ?? structural.map(({ id }) => id));
  const heldCore =
    part.layers.find(
      ({ id, material, zones: covered }) =>
        !free.has(id) && materials.get(material)!.kind === 'core' && zones.some((zone) => covered.includes(zone.id)),
    )?.id ?? null;
  const places: Places = { free, heldCore };
  const slots = slotsOf(part, places);
  const spaces = new Map(zones.map((zone) => [zone.id, question.spaceOf(zone)]));
  const [first] = [...spaces.values()];
  // What is laid again must not be called like what lies there.
  const ids = new Set(boat.parts.flatMap(({ layers }) => layers.map(({ id }) => id)));
  let turn = 1;
  while ([...ids].some((id) => id.startsWith(`${prefixOf(part)}-o${turn}-`))) turn += 1;
  const layerOf = layersOfRows(first!, {
    prefix: `${prefixOf(part)}-o${turn}`,
    roleOf: (material) => usualRole(materials.get(material) as LayerMaterial),
    zones: zones.map(({ id }) => id),
  });

  const problems = zones.map((zone): ZoneProblem => {
    const probe = probeZone(boat, zone, target);
    const trusted = trustedIn(boat, zone);
    const kept = part.layers.flatMap((layer, at) =>
      layer.zones.includes(zone.id) && !free.has(layer.id) ? [{ layer, at }] : [],
    );
    const under = kept.filter(({ at }) => at < slots.outer).map(({ layer }) => layer);
    const middle = kept.filter(({ at }) => at >= slots.outer && at < slots.inner).map(({ layer }) => layer);
    const over = kept.filter(({ at }) => at >= slots.inner).map(({ layer }) => layer);
    const stackOf = (rows: readonly RowKey[]): Layer[] => {
      const at = rows.findIndex((row) => row.startsWith('inner'));
      const outer = at < 0 ? rows : rows.slice(0, at);
      const inner = at < 0 ? [] : rows.slice(at);
      return [...under, ...outer.map(layerOf), ...middle, ...inner.map(layerOf), ...over];
    };
    const area = zone.geometry.area * part.number;
    const worth = (layer: Layer): number => {
      const { mass, cost } = probe.figures(layer);
      if (weights.cost > 0 && cost === null) {
        const material = materials.get(layer.material)!;
        throw invalid('objective.cost', `${material.name} has no price: give it one on the Shelf`);
      }
      const hours = weights.hours > 0 ? hoursIn(question, zone, materials.get(layer.material) as LayerMaterial) : 0;
      return area * (weights.mass * mass + weights.cost * (cost ?? 0) + weights.hours * hours);
    };
    const values = new Map<RowKey, number>();
    return {
      space: spaces.get(zone.id)!,
      layerOf,
      valueOf: (row) => {
        let value = values.get(row);
        if (value === undefined) values.set(row, (value = worth(layerOf(row))));
        return value;
      },
      base: kept.reduce((sum, { layer }) => sum + worth(layer), 0),
      failing: (rows, only) => probe.failing(stackOf(rows), only),
      confirm: (rows) => {
        const e = evaluateZone(boat, laidWith(part, zone, stackOf(rows)), zone);
        return holds(e, target, trusted)
          ? { reserveFactor: e.governing!.reserveFactor, governs: e.governing!.id }
          : null;
      },
    };
  });
  return {
    part,
    zones,
    problems,
    places,
    layerOf,
    meets: meetingZones(boat, part, zones),
    runsOver: meetingZones(boat, part, zones, (lap) => lap === 0),
    sides: zones.map((zone) => sidesOf(boat, part, zone)),
  };
}

const prefixOf = ({ id }: Part) => id.slice(0, 20);

/** Pairs of zones of a part that meet, as indices into a choice of them; those that lap as is asked. */
export function meetingZones(
  boat: Boat,
  part: Part,
  zones: readonly Zone[],
  laps: (lap: number) => boolean = () => true,
): [number, number][] {
  const at = new Map(zones.map(({ id }, i) => [id, i]));
  const pairs = neighboursOf(boat, part).flatMap((line): [number, number][] => {
    const [i, j] = [at.get(line.a), at.get(line.b)];
    if (i === undefined || j === undefined || i === j || !laps(joinAt(part, line).lap ?? 0)) return [];
    return [[Math.min(i, j), Math.max(i, j)]];
  });
  return [...new Map(pairs.map((pair) => [pair.join(), pair])).values()];
}

/** On how many hands a layer of a zone lies, and whether it runs on over the centreline. */
function sidesOf(boat: Boat, part: Part, zone: Zone): { sides: 1 | 2; overCentre: boolean } {
  const alone: Part = { ...part, number: 1, layers: [newLayer({ id: 'one', material: '', zones: [zone.id] })] };
  const [pieces] = piecesOf(boat, alone);
  if (pieces!.count === 2) return { sides: 2, overCentre: false };
  const overCentre = neighboursOf(boat, part).some(({ a, b }) => a === zone.id && b === zone.id);
  return { sides: overCentre ? 2 : 1, overCentre };
}

/** Pieces of a part, those of all its layers. */
export const piecesIn = (boat: Boat, partId: string): number =>
  piecesOf(
    boat,
    boat.parts.find(({ id }) => id === partId)!,
  ).reduce((sum, { count }) => sum + count, 0);
