import { KeramosError, invalid } from '../error';
import { same } from '../field';
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
import { taperedDeflection } from '../panel';
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

/** Ends that differ by less than this share of the middle make a rectangle. */
const TAPER = 0.1;
const tapers = new Map<string, number>();

/**
 * Breadth of the rectangle that stands for a panel that tapers: its mean girth, and that of the clamped isotropic
 * rectangle, as long to as broad as the panel is on the mean, that deflects as much under the same pressure. The
 * greater counts; null for a panel that is a rectangle as it is.
 * Source: docs/engineering.md, "Panels that taper".
 */
export function taperOf({ length, girths }: Pick<Panel, 'length' | 'girths'>): TaperedBreadth | null {
  const meanGirth =
    girths.reduce((sum, girth, i) => sum + (i % (girths.length - 1) ? girth : girth / 2), 0) / (girths.length - 1);
  if (!(meanGirth > 1e-3 && length > 1e-3)) return null;
  if (girths.every((girth) => Math.abs(girth / meanGirth - 1) < TAPER)) return null;
  const key = [length, ...girths].map((value) => value.toFixed(3)).join();
  let equal = tapers.get(key);
  if (equal === undefined) {
    const { k3 } = panelCoefficients(length, meanGirth);
    // A clamped rectangle of short side b deflects by k3/10.92 p b⁴/D; the panel's long side may lie across it.
    const short = (taperedDeflection({ length, breadths: girths }) / (k3 / 10.92)) ** 0.25;
    equal = meanGirth <= length ? short : (short * meanGirth) / length;
    if (tapers.size > 2000) tapers.clear();
    tapers.set(key, equal);
  }
  return { meanGirth, equalDeflection: equal };
}
/** m */
export interface TaperedBreadth {
  meanGirth: number;
  equalDeflection: number;
}

/** Figures of a zone with one of its panels as the one that counts. */
function withPanel(
  surface: Surface,
  base: Pick<ZoneGeometry, 'area' | 'centroidX' | 'centroidZ'>,
  panel: Panel,
): ZoneGeometry {
  const taper = taperOf(panel);
  const breadth = taper ? Math.max(taper.meanGirth, taper.equalDeflection, panel.breadth) : panel.breadth;
  const short = panel.length <= breadth ? panel.crownAlong : panel.crownAcross;
  const geometry: ZoneGeometry = {
    ...base,
    panelLength: panel.length,
    panelBreadth: breadth,
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

/** Pressure on a panel (Pa); 0 outside the method: the widest panel then stands for the zone, the check says why. */
function pressureOn(
  { craft, pack, location }: { craft: ReturnType<typeof craftOf>; pack: SmallCraftPack; location: ZoneLocation },
  geometry: ZoneGeometry,
  construction: 'single' | 'sandwich',
): number {
  try {
    return panelPressure({ craft, location, geometry, construction }, undefined, pack).pressure;
  } catch (error) {
    if (!(error instanceof KeramosError)) throw error;
    return 0;
  }
}

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
    const under = (kind: 'single' | 'sandwich') => pressureOn({ craft, pack, location: zone.location }, geometry, kind);
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

/** A panel as the checks of a zone take it. */
export interface CheckedPanel {
  /** What it stands between, in words; empty where the zone's figures are typed in. */
  name: string;
  geometry: ZoneGeometry;
  /** By the boat's method, as single skin and as sandwich; null where it has to be asked for, and may be refused. */
  pressures: Readonly<Record<'single' | 'sandwich', PanelPressure>> | null;
}
type PanelPressure = ReturnType<typeof panelPressure>;

type PanelsBoat = Pick<Boat, 'hull' | 'deck' | 'brief' | 'supports' | 'parts' | 'packs'>;

/** What the panels of a zone depend on besides the zone. */
interface PanelsOf {
  hull: Boat['hull'];
  deck: Boat['deck'];
  brief: Boat['brief'];
  supports: Boat['supports'];
  pack: SmallCraftPack;
  bulkheads: string;
  panels: readonly CheckedPanel[];
}
const checkedPanels = new WeakMap<Zone, PanelsOf>();
const bulkheadsOf = new WeakMap<Boat['parts'][number]['zones'], string>();
const bulkheadKey = (parts: Boat['parts']): string =>
  parts
    .map(({ zones }) => {
      const known =
        bulkheadsOf.get(zones) ??
        zones.flatMap(({ name, region }) => (region?.surface === 'section' ? [`${name}@${region.x}`] : [])).join();
      bulkheadsOf.set(zones, known);
      return known;
    })
    .join();

/**
 * Every panel of a zone that a check may fail at, with the zone's typed figures in the place of its own. Left out is a
 * panel that another one of the zone outdoes in every respect: as broad and as long or more, as flat or flatter, under
 * as much pressure or more, whatever is laid. A zone whose panel is typed has that one.
 *
 * Which of them is the worst depends on the laminate.
 */
export function panelsToCheck(boat: PanelsBoat, zone: Zone): readonly CheckedPanel[] {
  const ground = groundOf(boat);
  const known = checkedPanels.get(zone);
  if (known && GROUND.every((key) => known[key] === ground[key])) return known.panels;
  return keepPanels(ground, zone, findPanels(boat, zone));
}

const GROUND = ['hull', 'deck', 'brief', 'supports', 'pack', 'bulkheads'] as const;
const groundOf = (boat: PanelsBoat): Omit<PanelsOf, 'panels'> => ({
  hull: boat.hull,
  deck: boat.deck,
  brief: boat.brief,
  supports: boat.supports,
  pack: methodOf(boat),
  bulkheads: bulkheadKey(boat.parts),
});

/** Keep the panels of a zone; the very list of before where nothing of it changed, so that what hangs on it stands. */
function keepPanels(ground: Omit<PanelsOf, 'panels'>, zone: Zone, found: CheckedPanel[]): readonly CheckedPanel[] {
  const before = checkedPanels.get(zone)?.panels;
  const panels = before && same(before, found) ? before : found;
  checkedPanels.set(zone, { ...ground, panels });
  return panels;
}

function findPanels(boat: PanelsBoat, zone: Zone): CheckedPanel[] {
  const shape = shapeOf(boat);
  if (!shape || !zone.region) return [typedPanel(zone)];
  try {
    return ratedPanels(boat, zone, panelsIn({ shape, supports: supportsOf(boat), boat }, zone, zone.region).panels);
  } catch (error) {
    // A zone that lost its surface is refused where it is edited; its figures stand until then.
    if (!(error instanceof KeramosError)) throw error;
    return [typedPanel(zone)];
  }
}

const typedPanel = (zone: Zone): CheckedPanel => ({ name: '', geometry: zone.geometry, pressures: null });

/** Of the panels of a zone those that no other outdoes, each with its pressures and the zone's typed figures. */
function ratedPanels(boat: PanelsBoat, zone: Zone, panels: ZonePanels['panels']): CheckedPanel[] {
  if (zone.overridden.some((key) => key === 'panelLength' || key === 'panelBreadth')) return [typedPanel(zone)];
  const typed = Object.fromEntries(zone.overridden.map((key) => [key, zone.geometry[key]]));
  const [craft, pack] = [craftOf(boat.brief), methodOf(boat)];
  const rated = panels.map(({ panel, geometry: derived }) => {
    const geometry: ZoneGeometry = { ...derived, ...typed };
    const under = (construction: 'single' | 'sandwich') =>
      panelPressure({ craft, location: zone.location, geometry, construction }, undefined, pack);
    const { along, across } = panel.between;
    const name = `${along[0]} to ${along[1]}, ${across[0]} to ${across[1]}`;
    try {
      return { name, geometry, pressures: { single: under('single'), sandwich: under('sandwich') } };
    } catch (error) {
      // Outside the method there is no pressure; the check says why.
      if (!(error instanceof KeramosError)) throw error;
      return { name, geometry, pressures: null };
    }
  });
  const outdone = (one: (typeof rated)[number], i: number) =>
    rated.some((other, j) => j !== i && outdoes(other, one) && (j < i || !outdoes(one, other)));
  return rated.filter((one, i) => !outdone(one, i));
}

const sidesOf = ({ panelLength, panelBreadth, crown }: ZoneGeometry) => {
  const [short, long] = [Math.min(panelLength, panelBreadth), Math.max(panelLength, panelBreadth)];
  return { short, long, flat: -crown / short, turned: panelBreadth <= panelLength };
};
/** Whether a panel asks at least as much of every laminate as another. */
function outdoes(a: CheckedPanel, b: CheckedPanel): boolean {
  const [p, q] = [sidesOf(a.geometry), sidesOf(b.geometry)];
  const atLeast = (kind: 'single' | 'sandwich') =>
    a.pressures !== null && b.pressures !== null && a.pressures[kind].pressure >= b.pressures[kind].pressure;
  return (
    p.turned === q.turned &&
    p.short >= q.short &&
    p.long >= q.long &&
    p.flat >= q.flat &&
    atLeast('single') &&
    atLeast('sandwich')
  );
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
  const ground = groundOf(after);
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
      const settled = unchanged ? zone : { ...zone, geometry };
      keepPanels(ground, settled, ratedPanels(after, settled, found.panels));
      return settled;
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
