import { KeramosError, invalid } from '../error';
import {
  panelsOf,
  patchArea,
  regionPatch,
  zoneGeometrySchema,
  type BoatShape,
  type Panel,
  type Patch,
  type Region,
  type Supports,
  type ZoneGeometry,
} from '../geometry';
import { taperedDeflection } from '../panel';
import { curvatureFactor, isHead, panelCoefficients, panelPressure, type ZoneLocation } from '../standard';
import { isOneHanded, type Boat, type Zone } from './boat';
import { craftOf } from './brief';
import { methodOf, shapeOf, supportsOf } from './shape';

/** What the panels of a boat's zones depend on. */
export type PanelsBoat = Pick<Boat, 'hull' | 'deck' | 'brief' | 'supports' | 'parts' | 'packs'>;

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
export interface Ground {
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

/**
 * Girths that differ by less than this share of their mean make a rectangle. The broad end of a long panel bears as the
 * square of its own breadth: at a tenth it bore a tenth more than the rectangle of the same area.
 */
const TAPER = 0.01;
/** From here on analysis solves a panel in its own shape; below it, as the rectangle that deflects as much. */
const SHAPED = 0.1;
const tapers = new Map<string, number>();

const meanOf = (girths: readonly number[]): number =>
  girths.reduce((sum, girth, i) => sum + (i % (girths.length - 1) ? girth : girth / 2), 0) / (girths.length - 1);
const variesBy = (share: number, girths: readonly number[]): boolean => {
  const mean = meanOf(girths);
  return girths.some((girth) => Math.abs(girth / mean - 1) >= share);
};
/** Breadths of a panel that tapers so much that analysis solves it in its own shape (m); null for any other. */
export const shapeOfPanel = (panel: Pick<Panel, 'length' | 'girths'>): readonly number[] | null =>
  taperOf(panel) !== null && variesBy(SHAPED, panel.girths) ? panel.girths : null;

/**
 * Breadth of the rectangle that stands for a panel that tapers: its mean girth, and that of the clamped isotropic
 * rectangle, as long to as broad as the panel is on the mean, that deflects as much under the same pressure. The
 * greater counts; null for a panel that is a rectangle as it is.
 * Source: docs/engineering.md, "Panels that taper".
 */
export function taperOf({ length, girths }: Pick<Panel, 'length' | 'girths'>): TaperedBreadth | null {
  const meanGirth = meanOf(girths);
  if (!(meanGirth > 1e-3 && length > 1e-3)) return null;
  if (!variesBy(TAPER, girths)) return null;
  // By the very figures: what was asked before, of this boat or another, must not change an answer.
  const key = [length, ...girths].join();
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

type Construction = 'single' | 'sandwich';
/** Pressure on a panel by the boat's method, as single skin and as sandwich. */
export type PanelPressures = Readonly<Record<Construction, ReturnType<typeof panelPressure>>>;

/** A panel with the figures it would give, its pressure (Pa) and its clamped edge moment (N). */
export interface RatedPanel {
  panel: Panel;
  geometry: ZoneGeometry;
  /** Null outside the method. */
  pressures: PanelPressures | null;
  pressure: number;
  demand: number;
}

/** The panels of a zone, the figures each would give, and which of them governs. */
export interface ZonePanels {
  panels: RatedPanel[];
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
export function zonePanels(boat: PanelsBoat, zone: Zone, construction: Construction = 'sandwich'): ZonePanels | null {
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

/** Pressures on a panel; null outside the method, where the check says why. */
export function pressuresOn(
  { brief, packs }: Pick<Boat, 'brief' | 'packs'>,
  { location, designPressure: typed, overflow }: Pick<Zone, 'location' | 'designPressure' | 'overflow'>,
  geometry: ZoneGeometry,
): PanelPressures | null {
  const [craft, pack] = [craftOf(brief), methodOf({ packs })];
  const as = (construction: Construction) =>
    panelPressure({ craft, location, geometry, construction, typed, overflow }, undefined, pack);
  try {
    return { single: as('single'), sandwich: as('sandwich') };
  } catch (error) {
    if (!(error instanceof KeramosError)) throw error;
    return null;
  }
}

/** Sizes of regions by the surface they lie on: an edit elsewhere leaves them as they are. */
const sizes = new WeakMap<BoatShape['hull'], Map<string, ReturnType<typeof patchArea>>>();
const MOST_SIZES = 500;
function sizeOf({ hull, deck }: BoatShape, region: Region, patch: Patch): ReturnType<typeof patchArea> {
  const known = sizes.get(hull) ?? new Map<string, ReturnType<typeof patchArea>>();
  sizes.set(hull, known);
  const key = JSON.stringify([deck, region]);
  const size = known.get(key) ?? patchArea(patch);
  if (known.size >= MOST_SIZES) known.clear();
  known.set(key, size);
  return size;
}

export function panelsIn(
  { shape, supports, boat }: Ground,
  zone: Zone,
  region: Region,
  construction: Construction = 'sandwich',
): ZonePanels {
  const patch = regionPatch(shape, region);
  if (patch === null) {
    const lacking = NO_SURFACE[region.surface] ?? 'it lies off the hull, or is empty';
    throw invalid('zone.region', `${zone.name} has no surface: ${lacking}`);
  }
  const { area: all, centroid } = sizeOf(shape, region, patch);
  // A region lies on both hands; a zone of one hand has half of it.
  const area = patch.count % 2 === 0 && isOneHanded(zone) ? all / 2 : all;
  const base = { area, centroidX: centroid[0], centroidZ: centroid[2] };
  const top = patch.at(0.5, 1)[2];
  const panels = panelsOf(shape, supports, region, zone.id);
  if (panels.length === 0 || !(area > 1e-6))
    throw invalid('zone.region', `${zone.name} has no surface: its edges meet or cross`);
  const rated = panels.map((panel) => {
    const geometry = withPanel({ shape, location: zone.location, region, top }, base, panel);
    const short = Math.min(geometry.panelLength, geometry.panelBreadth);
    const pressures = pressuresOn(boat, zone, geometry);
    // Without a pressure the widest panel stands for the zone.
    const ranking = pressures?.sandwich.pressure ?? 0;
    const { k2 } = panelCoefficients(geometry.panelLength, geometry.panelBreadth);
    return {
      panel,
      geometry,
      pressures,
      pressure: pressures?.[construction].pressure ?? 0,
      demand: ((ranking || 1) * k2 * short ** 2 * curvatureFactor(geometry.crown, short) ** 2) / 6,
    };
  });
  return { panels: rated, governing: rated.reduce((best, one, i) => (one.demand > rated[best]!.demand ? i : best), 0) };
}

/** Figures a zone's region gives, before any override; null where its figures are typed in. */
export function derivedGeometry(boat: PanelsBoat, zone: Zone): ZoneGeometry | null {
  const found = zonePanels(boat, zone);
  return found && found.panels[found.governing]!.geometry;
}
