import type { FlatPoint } from '../../geometry';
import { hangingTogether } from '../simulate/hangingTogether';
import { inside, type FillMesh } from '../simulate/mesh';
import type { FillResult } from '../simulate/simulate';
import type { FillCase } from './fillCase';
import { throughTime } from './stackFlow';

/** A place that stays dry. */
export interface DryPlace {
  at: FlatPoint;
  /** m² on the skin. */
  area: number;
  /** Whether no vacuum draws from it any more; else the resin stopped short. */
  trapped: boolean;
  zone: string | null;
}

export interface ZoneOutcome {
  id: string;
  name: string;
  /** s until the front at the mesh has passed all of it, and until the last sheet on the mould is wet; null: never. */
  front: number | null;
  wet: number | null;
  /** m² of the skin that stays dry. */
  dry: number;
}

/** What a simulated plan comes to. */
export interface FillOutcome {
  /** s; null where it never fills. */
  fillTime: number | null;
  /** s until the last sheet on the mould is wet. */
  wetTime: number | null;
  zones: ZoneOutcome[];
  /** Dry places; those smaller than a cell of the mesh are not told apart from how its corners are drawn. */
  dry: DryPlace[];
  unresolved: number;
  /** m² of the skin drawn, and of a cell. */
  area: number;
  cell: number;
  /** Pot life left at the open clamp over `wetTime`; null where it never fills. */
  margin: number | null;
  /** When each line's clamp opens (s), in order of the plan's lines; null: it never does. */
  opens: { id: string; name: string; opens: number | null; closes: number | null; points: readonly FlatPoint[] }[];
  /** Thicker by the feed than by the vacuum while it is full and not yet clamped (share). */
  thicker: number;
  /** Thicker all over where half of the vacuum is lost before gel (share). */
  halfLost: number;
}

/** Least of a node's pores that is full where it counts as filled. */
const FULL = 0.98;
/** Pressure by which a pack is held at least, as a share: what lies under a feed line bears none. */
const HELD = 0.05;

/**
 * How much thicker a pack is than by the vacuum (share), where resin bears a share of the pressure and the pack the
 * rest: thickness goes as that rest to the power −springBack.
 */
export const thickerBy = (pressure: Float64Array, springBack: number): Float64Array =>
  pressure.map((share) => Math.max(HELD, 1 - share) ** -springBack - 1);

/** What a simulated plan comes to: for whom it fails, where, and by how much. */
export function fillOutcome(own: FillCase, result: FillResult): FillOutcome {
  const { skin, stacks, flow, plan, filling, part } = own;
  const { mesh, arrival, saturation, network } = result;
  const areas = network.area;
  const zoneAt = (x: number, y: number) => skin.zones.findLast(({ outline }) => inside(outline, x, y))?.id ?? null;
  const byZone = new Map(skin.zones.map(({ id }) => [id, { front: 0, dry: 0 }]));
  const zoneOf = zonesOf(mesh, zoneAt);
  for (let i = 0; i < mesh.x.length; i++) {
    const zone = byZone.get(zoneOf[i] ?? '');
    if (!zone || areas[i] === 0) continue;
    if (saturation[i]! < FULL) zone.dry += areas[i]! * (1 - saturation[i]!);
    else if (Number.isFinite(arrival[i]!)) zone.front = Math.max(zone.front, arrival[i]!);
  }
  const area = areas.reduce((sum, one) => sum + one, 0);
  const cell = (3 * area) / mesh.triangles.length;
  const every = dryPlaces(result, zoneAt);
  // Many small ones in a zone count as well.
  const places = every.filter((one) => one.area >= cell || (byZone.get(one.zone ?? '')?.dry ?? 0) > cell);
  const zones = skin.zones.map(({ id, name }): ZoneOutcome => {
    const { front, dry } = byZone.get(id)!;
    if (dry > cell || places.some(({ zone }) => zone === id)) return { id, name, front: null, wet: null, dry };
    const viscosity = flow.viscosity * Math.exp(flow.rate * front);
    const lag = throughTime(stacks.get(id)!, { viscosity, pressure: plan.pressure });
    return { id, name, front, wet: front + lag, dry: 0 };
  });
  const fillTime = places.length > 0 ? null : (result.fillTime ?? Math.max(...zones.map(({ front }) => front ?? 0)));
  const filled = fillTime !== null && zones.every(({ wet }) => wet !== null);
  const wetTime = filled ? Math.max(...zones.map(({ wet }) => wet!)) : null;
  const feeds = plan.lines.filter(({ role }) => role === 'feed');
  return {
    fillTime: filled ? fillTime : null,
    wetTime,
    zones: zones.map((zone) => ({ ...zone, name: part.zones.find(({ id }) => id === zone.id)?.name ?? zone.name })),
    dry: places,
    unresolved: every.length - places.length,
    area,
    cell,
    margin: wetTime === null ? null : flow.life / wetTime,
    opens: feeds.map(({ id, name, points, closes }, i) => ({
      id,
      name,
      points,
      opens: result.opened[i] ?? null,
      closes: closes ?? fillTime,
    })),
    thicker: thickerBy(Float64Array.of(1), filling.springBack)[0]!,
    halfLost: thickerBy(Float64Array.of(0.5), filling.springBack)[0]!,
  };
}

/** The zone in which each node lies, by a triangle that it is a corner of: on the rim it lies in none by itself. */
function zonesOf({ x, y, triangles }: FillMesh, zoneAt: (x: number, y: number) => string | null): (string | null)[] {
  const zones: (string | null)[] = Array.from(x, () => null);
  for (let t = 0; t < triangles.length; t += 3) {
    const corners = [...triangles.subarray(t, t + 3)];
    const middle = [x, y].map((axis) => corners.reduce((sum, i) => sum + axis[i]! / 3, 0)) as [number, number];
    const zone = zoneAt(...middle);
    for (const i of corners) zones[i] ??= zone;
  }
  return zones;
}

/** Smallest dry place that is told (m²). */
const TOLD = 5e-4;

/** Nodes that are not full and hang together. */
function dryPlaces(
  { mesh: { x, y }, saturation, network, cutOff }: FillResult,
  zoneAt: (x: number, y: number) => string | null,
): DryPlace[] {
  const { area: areas } = network;
  return hangingTogether(network, (i) => areas[i]! > 0 && saturation[i]! < FULL)
    .flatMap((nodes): DryPlace[] => {
      const sumOf = (of: (i: number) => number) => nodes.reduce((sum, i) => sum + areas[i]! * of(i), 0);
      const area = sumOf((i) => 1 - saturation[i]!);
      if (area < TOLD) return [];
      const whole = sumOf(() => 1);
      const at: FlatPoint = [sumOf((i) => x[i]!) / whole, sumOf((i) => y[i]!) / whole];
      return [{ at, area, trapped: nodes.some((i) => cutOff[i] === 1), zone: zoneAt(...at) }];
    })
    .sort((a, b) => b.area - a.area);
}
