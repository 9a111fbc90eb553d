import { edgeAt, type BoatShape } from '../geometry';
import { isOneHanded, type Boat, type Part, type Zone, shapeOf } from '../document';
import type { ZoneEvaluation } from '../evaluate';
import { type LineState, coreBeyond, coreRun, linesOfPart } from './joins';

/**
 * Where a part is cut: along the boat at a share of the girth from keel (0) over chine (1) to deck edge (2) on a
 * hand, port unless said; or across it at x (m).
 */
export type Cut = { kind: 'along'; s: number; hand?: Hand } | { kind: 'across'; x: number };
type Hand = 'port' | 'starboard';

/** One layer over a stretch of the section: thickness (m) at each station. */
export interface SectionBand {
  layerId: string;
  index: number;
  thickness: number[];
}
/**
 * What a section shows at one line: true to scale across it. Stations in m from the line, negative in the zone before
 * it.
 */
export interface SectionWindow {
  state: LineState;
  /** The section passes the line from b to a. */
  reversed: boolean;
  stations: number[];
  bands: SectionBand[];
}
export interface PartSection {
  zones: {
    zoneId: string;
    name: string;
    thickness: number;
    layers: { layerId: string; index: number; thickness: number }[];
  }[];
  /** Between zone i and i + 1; null where they do not meet on a line. */
  windows: (SectionWindow | null)[];
  /** At the first and the last zone: the centreline, or the core's run to a solid edge. */
  edge: { zoneId: string; solid: number; bevel: number; core: number } | null;
}

/** How abruptly the end of a layer is drawn (m). */
const END = 0.001;
const LEAST_VIEW = 0.06;

const OTHER = { port: 'starboard', starboard: 'port' } as const;
const STEPS = 200;

/** Zones of the hull that a cut passes on one hand, in its order: from aft, or from the keel up. */
function hullZones({ hull }: BoatShape, zones: readonly Zone[], cut: Cut, hand: Hand): Zone[] {
  const onHand = zones.filter((zone) => zone.hand !== OTHER[hand]);
  const transom = onHand.find(({ region }) => region?.surface === 'transom');
  const found: Zone[] = cut.kind === 'along' && transom ? [transom] : [];
  for (let i = 1; i < STEPS; i++) {
    const [x, s] =
      cut.kind === 'along' ? [hull.aft + ((hull.bow - hull.aft) * i) / STEPS, cut.s] : [cut.x, (2 * i) / STEPS];
    const zone = onHand.find(
      ({ region }) =>
        region?.surface === 'hull' &&
        x > region.from &&
        x < region.to &&
        s >= edgeAt(hull, region.lower, x) &&
        s <= edgeAt(hull, region.upper, x),
    );
    if (zone && !found.includes(zone)) found.push(zone);
  }
  return found;
}

/**
 * Zones that a cut passes, in its order. Across a hull: out from its keel, and where the hands differ from deck edge
 * to deck edge, port to starboard.
 */
function zonesAlong(shape: BoatShape | null, part: Part, cut: Cut): Zone[] {
  if (shape === null) return part.zones;
  if (part.zones.some(({ region }) => region?.surface === 'hull')) {
    if (cut.kind === 'along') return hullZones(shape, part.zones, cut, cut.hand ?? 'port');
    const [port, starboard] = [
      hullZones(shape, part.zones, cut, 'port'),
      hullZones(shape, part.zones, cut, 'starboard'),
    ];
    return [...port, ...starboard].some(isOneHanded) ? [...port.reverse(), ...starboard] : port;
  }
  const reach = ({ region }: Zone): [number, number] | null => {
    if (!region) return null;
    if (region.surface === 'deck' || region.surface === 'pan') return [region.from, region.to];
    if (region.surface === 'cockpit') return shape.deck.cockpit && [shape.deck.cockpit.from, shape.deck.cockpit.to];
    if (region.surface === 'coachroof')
      return shape.deck.coachroof && [shape.deck.coachroof.from, shape.deck.coachroof.to];
    return null;
  };
  const order = ['cockpit sole', 'cockpit side', 'coachroof top', 'coachroof front', 'coachroof side', 'deck', 'pan'];
  const nameOf = ({ region }: Zone) =>
    region && 'piece' in region ? `${region.surface} ${region.piece}` : (region?.surface ?? '');
  const placed = part.zones.filter((zone) => reach(zone) !== null);
  if (placed.length === 0) return part.zones;
  if (cut.kind === 'along')
    return placed
      .filter(({ region }) => region!.surface === 'deck' || placed.length < 3)
      .sort((a, b) => reach(a)![0] - reach(b)![0]);
  return placed
    .filter((zone) => {
      const [from, to] = reach(zone)!;
      return cut.x > from && cut.x < to;
    })
    .sort((a, b) => order.indexOf(nameOf(a)) - order.indexOf(nameOf(b)));
}

/**
 * The layers about a line, as thickness over distance from it. `reversed` mirrors it so that the zone the section
 * comes from stands left.
 */
function windowOf(state: LineState, reversed: boolean): SectionWindow {
  const { layers, bevel } = state;
  const run = Math.max(0, ...layers.map((one) => coreRun(layers, one, bevel)));
  const view = Math.max(LEAST_VIEW, 1.25 * Math.max(run, state.lapWidth / 2, ...layers.map(({ past }) => past)));
  const stations = new Set([-view, 0, view, -END, END]);
  for (const one of layers) {
    const { lap, past, covers, laid } = one;
    if (lap !== null) for (const sign of [-1, 1]) [lap / 2 - END, lap / 2].forEach((at) => stations.add(sign * at));
    else if (covers !== 'both') {
      const sign = covers === 'a' ? 1 : -1;
      if (laid.material.kind === 'core') stations.add(-sign * coreRun(layers, one, bevel));
      // The one side fades out as the other comes in, so that nothing is drawn twice at the line itself.
      else [past, past + END].forEach((at) => stations.add(covers === 'a' ? at : END - at));
    }
  }
  const at = [...stations].sort((a, b) => a - b);
  const bands = layers.map(({ layer, index, laid, covers, lap, past }): SectionBand => ({
    layerId: layer.id,
    index,
    thickness: at.map((u) => {
      const t = laid.thickness;
      if (covers === 'both') return lap !== null && Math.abs(u) <= lap / 2 - END + 1e-9 ? 2 * t : t;
      const inside = covers === 'a' ? -u : u;
      if (laid.material.kind === 'core')
        return inside < (covers === 'a' ? 0 : END) - 1e-9
          ? 0
          : Math.min(t, coreBeyond(layers, covers) + Math.max(0, inside) / bevel);
      return inside >= (covers === 'a' ? 0 : END) - past - 1e-9 ? t : 0;
    }),
  }));
  if (!reversed) return { state, reversed, stations: at, bands };
  return {
    state,
    reversed,
    stations: at.map((u) => -u).reverse(),
    bands: bands.map((band) => ({ ...band, thickness: [...band.thickness].reverse() })),
  };
}

/**
 * A section through a part: the zones it passes and, at every line between them, how each layer drops, laps or tapers
 * there.
 *
 * @param cut along at s from 0 (keel) to 2 (deck edge), or across at x (m). A part without a shape is cut through its
 * zones in their order.
 * @example partSection(boat, hull, evaluations, { kind: 'across', x: 3 }).zones.map(({ name }) => name)
 * // ['Keel band', 'Bottom aft', 'Side aft']
 */
export function partSection(
  boat: Boat,
  part: Part,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
  cut: Cut,
): PartSection {
  const lines = linesOfPart(boat, part, evaluations);
  const zones = zonesAlong(shapeOf(boat), part, cut);
  const windows = zones.slice(1).map((zone, i) => {
    const before = zones[i]!;
    const direct = lines.find(({ line }) => line.a === before.id && line.b === zone.id);
    const back = lines.find(({ line }) => line.a === zone.id && line.b === before.id);
    if (direct) return windowOf(direct, false);
    return back ? windowOf(back, true) : null;
  });
  const keel =
    cut.kind === 'across' && zones[0]
      ? lines.find(({ line }) => line.a === zones[0]!.id && line.b === line.a)
      : undefined;
  const last = zones.at(-1);
  const core = last && evaluations.get(last.id)!.layers.find(({ material }) => material.kind === 'core');
  const passed = [...(keel ? [zones[0]!] : []), ...zones];
  return {
    zones: passed.map((zone, i) => {
      const { thickness, layers } = evaluations.get(zone.id)!;
      return {
        zoneId: zone.id,
        name: passed.indexOf(zone, i + 1) > 0 ? `${zone.name}, other hand` : zone.name,
        thickness,
        layers: layers.map((laid) => ({ layerId: laid.layer.id, index: laid.index, thickness: laid.thickness })),
      };
    }),
    windows: [...(keel ? [windowOf(keel, false)] : []), ...windows],
    edge:
      last && core && last.solidEdge !== null
        ? { zoneId: last.id, solid: last.solidEdge, bevel: part.coreBevel, core: core.thickness }
        : null,
  };
}
