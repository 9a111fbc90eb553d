import { KeramosError, invalid } from '../error';
import {
  hullSurface,
  panelsOf,
  patchArea,
  regionPatch,
  zoneGeometrySchema,
  type BoatShape,
  type HullSurface,
  type Panel,
  type Region,
  type Supports,
  type ZoneGeometry,
} from '../geometry';
import {
  curvatureFactor,
  isHead,
  panelCoefficients,
  panelPressure,
  type SmallCraftPack,
  type ZoneLocation,
} from '../standard';
import { isOneHanded, type Boat, type Zone } from './boat';
import { craftOf, particularsOf } from './brief';

const surfaces = new WeakMap<object, Map<string, HullSurface>>();

/**
 * The boat's surfaces; null while it has no hull shape.
 * @throws KeramosError `invalid` when the particulars contradict each other.
 */
export function shapeOf({ hull, deck, brief }: Pick<Boat, 'hull' | 'deck' | 'brief'>): BoatShape | null {
  if (hull === null) return null;
  const particulars = particularsOf(brief);
  const key = hull.source === 'particulars' ? JSON.stringify(particulars) : '';
  const known = surfaces.get(hull) ?? new Map<string, HullSurface>();
  surfaces.set(hull, known);
  const surface = known.get(key) ?? hullSurface(hull, particulars);
  known.set(key, surface);
  return { hull: surface, deck };
}

/** What holds the boat's panels: its members, and its bulkheads where they stand. */
export function supportsOf({ supports, parts, hull }: Pick<Boat, 'supports' | 'parts' | 'hull'>): Supports {
  const bulkheads = parts.flatMap((part) =>
    part.zones.flatMap(({ name, region }) => (region?.surface === 'section' ? [{ x: region.x, name }] : [])),
  );
  return { members: supports, bulkheads, hardEdges: hull?.hardEdges ?? { keel: false, chine: false } };
}

/** The pack that gives the boat its pressures. */
export const methodOf = ({ packs }: Pick<Boat, 'packs'>): SmallCraftPack => packs[0] as SmallCraftPack;

const within = (key: keyof ZoneGeometry, value: number): number => {
  const schema = zoneGeometrySchema.shape[key];
  const bounds = ('unwrap' in schema ? schema.unwrap() : schema) as {
    minValue: number | null;
    maxValue: number | null;
  };
  // To a tenth of a millimetre: finer is noise.
  return Math.min(bounds.maxValue ?? Infinity, Math.max(bounds.minValue ?? -Infinity, Number(value.toFixed(4))));
};

/** A surface that a zone lies on, and how high it reaches (m over the baseline). */
interface Surface {
  shape: BoatShape;
  location: ZoneLocation;
  region: Region;
  top: number;
}
/** What panels are found on. */
interface Ground {
  shape: BoatShape;
  supports: Supports;
  boat: Pick<Boat, 'brief' | 'packs'>;
}

/**
 * Heights of the hull edge and of a panel over the waterline, and the head on a bulkhead, as the location needs them.
 */
function heightsOf(
  { shape: { hull }, location, region, top }: Surface,
  panel: Panel,
): Pick<ZoneGeometry, 'edgeHeight' | 'centreHeight' | 'head'> {
  const x = region.surface === 'transom' ? hull.aft : panel.centre[0];
  const sided = location === 'side' || location === 'transom';
  return {
    edgeHeight: sided ? hull.at(x, 2)[2] - hull.waterline : null,
    centreHeight: sided ? panel.centre[2] - hull.waterline : null,
    head: isHead(location) ? top - panel.top + (2 / 3) * (panel.top - panel.bottom) : null,
  };
}

/** Figures of a zone with one of its panels as the one that counts. */
function withPanel(
  surface: Surface,
  base: Pick<ZoneGeometry, 'area' | 'centroidX' | 'centroidZ'>,
  panel: Panel,
): ZoneGeometry {
  const short = panel.length <= panel.breadth ? panel.crownAlong : panel.crownAcross;
  const geometry: ZoneGeometry = {
    ...base,
    panelLength: panel.length,
    panelBreadth: panel.breadth,
    crown: short,
    panelX: panel.centre[0],
    ...heightsOf(surface, panel),
  };
  return Object.fromEntries(
    Object.entries(geometry).map(([key, value]) => [
      key,
      value === null ? null : within(key as keyof ZoneGeometry, value),
    ]),
  ) as ZoneGeometry;
}

/** The panels of a zone, the figures each would give, and which of them governs. */
export interface ZonePanels {
  panels: { panel: Panel; geometry: ZoneGeometry; pressure: number; demand: number }[];
  /** Index of the panel with the greatest bending moment under its pressure. */
  governing: number;
}

/**
 * All panels a zone has a share of, each with the pressure and clamped edge moment by the boat's method.
 *
 * @param construction for the pressures. The governing panel is found as for a sandwich, which favours the larger one,
 * whatever is laid: geometry does not move when a layer does.
 * @returns null for a zone without a region, on a boat without a shape.
 * @throws KeramosError `invalid` when the boat has no such surface, or the region lies off it.
 */
export function zonePanels(
  boat: Pick<Boat, 'hull' | 'deck' | 'brief' | 'supports' | 'parts' | 'packs'>,
  zone: Zone,
  construction: 'single' | 'sandwich' = 'sandwich',
): ZonePanels | null {
  const shape = shapeOf(boat);
  return shape && zone.region
    ? panelsIn({ shape, supports: supportsOf(boat), boat }, zone, zone.region, construction)
    : null;
}

/** Why a surface of the deck may be missing. */
const NO_SURFACE: Readonly<Record<string, string>> = {
  cockpit: 'the deck has no cockpit',
  coachroof: 'the deck has no coachroof',
};

function panelsIn(
  { shape, supports, boat }: Ground,
  zone: Zone,
  region: Region,
  construction: 'single' | 'sandwich' = 'sandwich',
): ZonePanels {
  const patch = regionPatch(shape, region);
  if (patch === null) {
    const lacking = NO_SURFACE[region.surface] ?? 'it lies off the hull, or is empty';
    throw invalid('zone.region', `${zone.name} has no surface: ${lacking}`);
  }
  const { area: all, centroid } = patchArea(patch);
  // A region lies on both hands; a zone of one hand has half of it.
  const area = patch.count % 2 === 0 && isOneHanded(zone) ? all / 2 : all;
  const base = { area, centroidX: centroid[0], centroidZ: centroid[2] };
  const top = patch.at(0.5, 1)[2];
  const panels = panelsOf(shape, supports, region, zone.id);
  if (panels.length === 0 || !(area > 1e-6))
    throw invalid('zone.region', `${zone.name} has no surface: its edges meet or cross`);
  const [craft, pack] = [craftOf(boat.brief), methodOf(boat)];
  const rated = panels.map((panel) => {
    const geometry = withPanel({ shape, location: zone.location, region, top }, base, panel);
    const short = Math.min(geometry.panelLength, geometry.panelBreadth);
    const under = (kind: 'single' | 'sandwich') => {
      try {
        return panelPressure({ craft, location: zone.location, geometry, construction: kind }, undefined, pack)
          .pressure;
      } catch (error) {
        // Outside the method there is no pressure; the widest panel then stands for the zone, and the check says why.
        if (!(error instanceof KeramosError)) throw error;
        return 0;
      }
    };
    const ranking = under('sandwich');
    const pressure = construction === 'sandwich' ? ranking : under(construction);
    const { k2 } = panelCoefficients(geometry.panelLength, geometry.panelBreadth);
    return {
      panel,
      geometry,
      pressure,
      demand: ((ranking || 1) * k2 * short ** 2 * curvatureFactor(geometry.crown, short) ** 2) / 6,
    };
  });
  return { panels: rated, governing: rated.reduce((best, one, i) => (one.demand > rated[best]!.demand ? i : best), 0) };
}

/** Figures a zone's region gives, before any override; null where its figures are typed in. */
export function derivedGeometry(
  boat: Pick<Boat, 'hull' | 'deck' | 'brief' | 'supports' | 'parts' | 'packs'>,
  zone: Zone,
): ZoneGeometry | null {
  const found = zonePanels(boat, zone);
  return found && found.panels[found.governing]!.geometry;
}

const sameZones = (a: Boat, b: Boat) =>
  a.parts === b.parts ||
  (a.parts.length === b.parts.length && a.parts.every((part, i) => part.zones === b.parts[i]!.zones));

/**
 * The boat with the figures of its zones taken anew from its geometry, overrides kept, when something they depend on
 * changed.
 *
 * @throws KeramosError `invalid` when the new geometry leaves a zone without surface or contradicts the particulars.
 */
export function settleGeometry(before: Boat, after: Boat): Boat {
  const same =
    before.hull === after.hull &&
    before.deck === after.deck &&
    before.supports === after.supports &&
    before.brief === after.brief &&
    before.packs[0] === after.packs[0] &&
    sameZones(before, after);
  if (same) return after;
  const shape = shapeOf(after);
  if (shape === null) {
    const lying = after.parts.flatMap((part) => part.zones).find(({ region }) => region !== null);
    if (lying)
      throw invalid(
        'hull',
        `${lying.name} takes its figures from the hull: give the boat a hull shape first, or type its figures in`,
      );
    return after;
  }
  const supports = supportsOf(after);
  const parts = after.parts.map((part) => {
    const zones = part.zones.map((zone) => {
      if (zone.region === null) return zone;
      const found = panelsIn({ shape, supports, boat: after }, zone, zone.region);
      const derived = found.panels[found.governing]!.geometry;
      const kept = Object.fromEntries(zone.overridden.map((key) => [key, zone.geometry[key]]));
      const geometry: ZoneGeometry = { ...derived, ...kept };
      const unchanged = (Object.keys(geometry) as (keyof ZoneGeometry)[]).every(
        (key) => geometry[key] === zone.geometry[key],
      );
      return unchanged ? zone : { ...zone, geometry };
    });
    return zones.every((zone, i) => zone === part.zones[i]) ? part : { ...part, zones };
  });
  return parts.every((part, i) => part === after.parts[i]) ? after : { ...after, parts };
}

/**
 * How much of the hull's skin the zones on it cover, transom included (m²): less than all leaves a gap, more overlaps.
 * @returns null without a hull shape or any zone on it.
 */
export function skinCover(
  boat: Pick<Boat, 'hull' | 'deck' | 'brief' | 'parts'>,
): { covered: number; skin: number } | null {
  const shape = shapeOf(boat);
  const zones = boat.parts.flatMap((part) =>
    part.zones.filter(({ region }) => region?.surface === 'hull' || region?.surface === 'transom'),
  );
  if (shape === null || zones.length === 0) return null;
  const whole: Region[] = [
    { surface: 'hull', from: -100, to: 100, lower: { kind: 'centreline' }, upper: { kind: 'deckEdge' } },
    { surface: 'transom' },
  ];
  const skin = whole.reduce((sum, region) => sum + patchArea(regionPatch(shape, region)!).area, 0);
  return { covered: zones.reduce((sum, { geometry }) => sum + geometry.area, 0), skin };
}
