import { Clipper, EndType, FillRule, JoinType, type Path64, type Paths64 } from '@countertype/clipper2-ts';
import type { Part, Zone } from '../../document';
import {
  deckPoint,
  edgeAt,
  hullPoint,
  mix,
  openHalfBreadth,
  regionPatch,
  runLength,
  shares,
  signedArea,
  type BoatShape,
  type FlatPoint,
  type Patch,
  type Point,
} from '../../geometry';
import type { Lift } from '../simulate/network';

/** A zone where it lies on the picture of its skin (m). */
export interface SkinZone {
  id: string;
  name: string;
  outline: FlatPoint[];
}

/**
 * A surface of a part that resin is drawn into as one: drawn flat, x forward (or across the boat), y up the skin; where
 * each place of the picture lies on the boat is `lift`.
 */
export interface FillSkin {
  /** 'hull', 'deck' or the id of its one zone. */
  id: string;
  name: string;
  zones: SkinZone[];
  /** Round it once; the largest where its zones do not hang together. */
  outline: FlatPoint[];
  holes: FlatPoint[][];
  lift: Lift;
  /** Drawn is one hand of two. */
  half: boolean;
  /** Both hands hang together on the centreline, at y = 0: nothing flows over it where both are fed alike. */
  mirrored: boolean;
  /** What x and y of the picture are. */
  axes: { x: string; y: string };
  notes: string[];
}

/** Stations along an edge, and across a patch whose edges bend. */
const ALONG = 40;
/** Micrometres, in which outlines are joined; zones that meet are grown by so much for it (m). */
const MICRO = 1e6;
const MEET = 1e-4;
/** A band that is narrower has run out (m). */
const NARROW = 1e-3;
/** What is smaller is no skin and no hole (m²). */
const LEAST = 1e-4;

/**
 * The skins of a part. Zones of the hull are one, over their half girth; deck zones are one; every other zone is one by
 * itself: nothing is taken to flow round a corner of the deck or the cockpit.
 *
 * @param shape null where the boat has none: then every zone is a rectangle of its area.
 */
export function skinsOf(shape: BoatShape | null, part: Part): FillSkin[] {
  const on = (surface: string) => part.zones.filter(({ region }) => shape && region?.surface === surface);
  const [hull, deck] = [on('hull'), on('deck')];
  const rest = part.zones.filter((zone) => !hull.includes(zone) && !deck.includes(zone));
  return [
    ...(shape && hull.length > 0 ? [hullSkin(shape, hull)] : []),
    ...(shape && deck.length > 0 ? [deckSkin(shape, deck)] : []),
    ...rest.flatMap((zone) => zoneSkin(shape, part, zone) ?? []),
  ];
}

type Bare = Pick<FillSkin, 'id' | 'name' | 'zones' | 'lift' | 'half' | 'mirrored' | 'axes' | 'notes'>;

const shrunk = (paths: Paths64) => Clipper.inflatePaths(paths, -MEET * MICRO, JoinType.Miter, EndType.Polygon);

/** A skin with the outline that its zones make together. */
function joined(skin: Bare): FillSkin {
  const paths = skin.zones.map(({ outline }): Path64 =>
    outline.map(([x, y]) => ({ x: Math.round(x * MICRO), y: Math.round(y * MICRO) })),
  );
  // Grown by a hair, joined, and shrunk again: zones that meet do so to rounding only.
  const grown = Clipper.inflatePaths(
    Clipper.union(paths, FillRule.NonZero),
    MEET * MICRO,
    JoinType.Miter,
    EndType.Polygon,
  );
  const rings = shrunk(Clipper.union(grown, FillRule.NonZero)).map((path) =>
    Clipper.simplifyPath(path, (MEET * MICRO) / 2, true).map(({ x, y }): FlatPoint => [x / MICRO, y / MICRO]),
  );
  const outer = rings.filter((ring) => signedArea(ring) > LEAST).sort((a, b) => signedArea(b) - signedArea(a));
  const notes = [...skin.notes];
  if (outer.length > 1) notes.push(`its zones lie apart in ${outer.length} places: the largest is drawn`);
  return { ...skin, outline: outer[0] ?? [], holes: rings.filter((ring) => signedArea(ring) < -LEAST), notes };
}

function hullSkin({ hull }: BoatShape, zones: readonly Zone[]): FillSkin {
  const skinZones = zones.flatMap(({ id, name, region }): SkinZone[] => {
    if (region?.surface !== 'hull') return [];
    const [from, to] = [Math.max(region.from, hull.aft), Math.min(region.to, hull.bow)];
    if (to - from < 1e-6) return [];
    const xs = shares(ALONG).map((t) => mix(from, to, t));
    const girthAt = (x: number, s: number) => hull.girth(x, s);
    const band = xs
      .map((x) => ({
        x,
        low: girthAt(x, edgeAt(hull, region.lower, x)),
        high: girthAt(x, edgeAt(hull, region.upper, x)),
      }))
      // Where a band has run out there is no skin; rings that only touch themselves are none.
      .filter(({ low, high }) => high - low > NARROW);
    if (band.length < 2) return [];
    const lower = band.map(({ x, low }): FlatPoint => [x, low]);
    const upper = band.map(({ x, high }): FlatPoint => [x, high]);
    return [{ id, name, outline: [...lower, ...upper.reverse()] }];
  });
  return joined({
    id: 'hull',
    name: 'Hull',
    zones: skinZones,
    lift: (x, y) => hullPoint(hull, x, hull.sAtGirth(x, Math.max(0, y))),
    half: true,
    mirrored: true,
    axes: { x: 'forward of the aft end of the waterline', y: 'up the skin from the centreline' },
    notes: [],
  });
}

function deckSkin(shape: BoatShape, zones: readonly Zone[]): FillSkin {
  const { hull, deck } = shape;
  const skinZones = zones.flatMap(({ id, name, region }): SkinZone[] => {
    if (region?.surface !== 'deck') return [];
    const [from, to] = [Math.max(region.from, hull.aft), Math.min(region.to, hull.bow)];
    if (to - from < 1e-6) return [];
    const patch = regionPatch(shape, region);
    const jumps = (patch?.jumps ?? []).flatMap((u) => [u - 1e-4, u + 1e-4]);
    const xs = [...shares(ALONG), ...jumps.filter((u) => u > 0 && u < 1)].sort((a, b) => a - b);
    const edges = xs
      .map((t) => {
        const x = mix(from, to, t);
        const edge = hull.at(x, 2)[1];
        return { x, inner: Math.min(edge, openHalfBreadth(deck, x)), edge };
      })
      .filter(({ inner, edge }) => edge - inner > NARROW);
    if (edges.length < 2) return [];
    const inner = edges.map(({ x, inner: y }): FlatPoint => [x, y]);
    const outer = edges.map(({ x, edge }): FlatPoint => [x, edge]);
    return [{ id, name, outline: [...inner, ...outer.reverse()] }];
  });
  return joined({
    id: 'deck',
    name: 'Deck',
    zones: skinZones,
    lift: (x, y) => deckPoint(hull, deck, x, y),
    half: true,
    mirrored: true,
    axes: { x: 'forward of the aft end of the waterline', y: 'out from the centreline' },
    notes: [],
  });
}

/** One zone by itself: a bulkhead as it stands, any other surface over its length and breadth. */
function zoneSkin(shape: BoatShape | null, { hands }: Part, zone: Zone): FillSkin | null {
  const { id, name, region, geometry } = zone;
  const base = { id, name, mirrored: false };
  const patch = shape && region && regionPatch(shape, region);
  if (!patch || !region) {
    const area = geometry.area / (hands === 'two' ? 2 : 1);
    const length = Math.max(geometry.panelLength, Math.sqrt(area));
    const outline = rectangle(length, area / length);
    return joined({
      ...base,
      zones: [{ id, name, outline }],
      lift: (x, y) => [x, y, 0],
      half: hands === 'two',
      axes: { x: 'along', y: 'across' },
      notes: [`${name} has no place on the boat: a rectangle of its area`],
    });
  }
  if (region.surface === 'section' || region.surface === 'transom') return standing(patch, zone);
  const length = runLength(shares(ALONG).map((u) => patch.at(u, 0.5)));
  const breadth = runLength(shares(12).map((v) => patch.at(0.5, v)));
  return joined({
    ...base,
    zones: [{ id, name, outline: rectangle(length, breadth) }],
    lift: (x, y) => patch.at(x / length, y / breadth),
    half: patch.count === 2,
    axes: { x: 'along', y: 'across' },
    notes: patch.count > 2 ? [`one of ${patch.count}`] : [],
  });
}

/** A bulkhead or a transom: x across the boat, y up. */
function standing(patch: Patch, { id, name }: Zone): FillSkin {
  const [foot, head] = [patch.at(0.5, 0), patch.at(0.5, 1)];
  const vs = shares(ALONG);
  const flat = ([, y, z]: Point): FlatPoint => [y, z];
  const outline = [...vs.map((v) => flat(patch.at(1, v))), ...vs.map((v) => flat(patch.at(0, 1 - v)))];
  const lean = (head[0] - foot[0]) / Math.max(1e-9, head[2] - foot[2]);
  return joined({
    id,
    name,
    zones: [{ id, name, outline }],
    lift: (x, y) => [foot[0] + (y - foot[2]) * lean, x, y],
    half: false,
    mirrored: false,
    axes: { x: 'across from the centreline, port to the left', y: 'above the baseline' },
    notes: [],
  });
}

const rectangle = (length: number, breadth: number): FlatPoint[] => [
  [0, 0],
  [length, 0],
  [length, breadth],
  [0, breadth],
];
