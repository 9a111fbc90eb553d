import type { Part, Zone } from '../../document';
import {
  deckPoint,
  edgeAt,
  hullPoint,
  mix,
  openingEnds,
  regionPatch,
  runLength,
  shares,
  type BoatShape,
  type Patch,
} from '../../geometry';

/** How far a piece reaches beyond its zones (m): over a lap, or past a line where it ends in the next zone. */
export interface Beyond {
  aft: number;
  fore: number;
  lower: number;
  upper: number;
}

type OnHull = Extract<NonNullable<Zone['region']>, { surface: 'hull' }>;

/** A station nearer to a jump than this lies on both sides of it (m). */
const BESIDE = 1e-9;

export interface RunInput {
  shape: BoatShape;
  part: Part;
  zones: readonly string[];
  overCentre: boolean;
  beyond: Beyond;
}
export interface RunPatch {
  patch: Patch;
  zones: string[];
  /** Whether what it reaches beyond its zones is in the patch. */
  beyondIn: boolean;
  /** Whether it is one hand of what lies on both, where its zones do; or a hull over its centreline in one. */
  half: boolean;
  acrossCentre: boolean;
  /** On what surface it lies, and where its first corner is on it (m along, m across from the centreline). */
  ground: string;
  datum: readonly [number, number];
  /** Across it in the middle of its length (m). */
  girth: number;
}

/** A surface as it stands, with what is reckoned of every one. */
const run = (own: Omit<RunPatch, 'girth'>): RunPatch => ({
  ...own,
  girth: runLength(shares(12).map((v) => own.patch.at(0.5, v))),
});

/**
 * The surface that one piece of a layer covers: zones of the hull as one, by what they span of the girth at each
 * station, over the centreline where the layer runs on; deck zones one behind the other; any other zone by itself.
 *
 * @returns a patch for each piece that can be developed by itself; `beyond` is in it on hull and deck.
 */
export function runPatches({ shape, part, zones, overCentre, beyond }: RunInput): RunPatch[] {
  const regions = zones.flatMap((id) => {
    const region = part.zones.find((zone) => zone.id === id)?.region;
    return region ? [{ id, region }] : [];
  });
  const onHull = regions.flatMap(({ id, region }) => (region.surface === 'hull' ? [{ id, region }] : []));
  const onDeck = regions.flatMap(({ id, region }) => (region.surface === 'deck' ? [{ id, region }] : []));
  const rest = regions.filter(({ region }) => region.surface !== 'hull' && region.surface !== 'deck');
  const idsOf = (group: readonly { id: string }[]) => group.map(({ id }) => id);
  return [
    ...connected(onHull).map((group): RunPatch => {
      const found = hullRun(shape, { regions: group.map(({ region }) => region), overCentre, beyond });
      const own = { zones: idsOf(group), beyondIn: true, half: !overCentre, acrossCentre: overCentre, ground: 'hull' };
      return run({ ...found, ...own });
    }),
    ...connected(onDeck).flatMap((group): RunPatch[] => {
      const { from, to } = spanOf(group.map(({ region }) => region));
      const found = deckRun(shape, from - beyond.aft, to + beyond.fore);
      if (!found) return [];
      // What reaches over a corner of the deck is not in the patch.
      const beyondIn = beyond.lower + beyond.upper === 0;
      const [, y] = found.patch.at(0, 0);
      const own = { zones: idsOf(group), beyondIn, acrossCentre: false, ground: 'deck', datum: [from, y] as const };
      return [run({ ...found, ...own })];
    }),
    ...rest.flatMap(({ id, region }): RunPatch[] => {
      const patch = regionPatch(shape, region);
      const half = region.surface === 'cockpit' || region.surface === 'coachroof' ? patch?.count === 2 : false;
      if (!patch) return [];
      return [run({ patch, zones: [id], beyondIn: false, half, acrossCentre: false, ground: id, datum: [0, 0] })];
    }),
  ];
}

/** Deck from one station to another: in one piece across where nothing is open there, else one hand. */
function deckRun(shape: BoatShape, from: number, to: number): { patch: Patch; half: boolean } | null {
  const { hull, deck } = shape;
  const open = openingEnds(deck).some((end, i, ends) => i % 2 === 0 && end < to && ends[i + 1]! > from);
  if (open) {
    const patch = regionPatch(shape, { surface: 'deck', from, to });
    return patch && { patch, half: true };
  }
  const [aft, fore] = [Math.max(hull.aft, from), Math.min(hull.bow, to)];
  return {
    half: false,
    patch: {
      count: 1,
      at: (u, v) => {
        const x = mix(aft, fore, u);
        const edge = hull.at(x, 2)[1];
        return deckPoint(hull, deck, x, mix(-edge, edge, v));
      },
    },
  };
}

const spanOf = (regions: readonly { from: number; to: number }[]) => ({
  from: Math.min(...regions.map(({ from }) => from)),
  to: Math.max(...regions.map(({ to }) => to)),
});

/** Regions that touch along the boat, group by group. */
function connected<R extends { region: { from: number; to: number } }>(all: readonly R[]): R[][] {
  const groups: R[][] = [];
  for (const one of [...all].sort((a, b) => a.region.from - b.region.from)) {
    const last = groups.at(-1);
    const end = last ? Math.max(...last.map(({ region }) => region.to)) : -Infinity;
    if (last && one.region.from <= end + 1e-3) last.push(one);
    else groups.push([one]);
  }
  return groups;
}

/** Zones of the hull as one patch. */
function hullRun(
  { hull }: BoatShape,
  { regions, overCentre, beyond }: { regions: readonly OnHull[]; overCentre: boolean; beyond: Beyond },
): { patch: Patch; datum: readonly [number, number] } {
  const { from, to } = spanOf(regions);
  const [aft, fore] = [Math.max(hull.aft, from - beyond.aft), Math.min(hull.bow, to + beyond.fore)];
  const bands = new Map<number, [number, number]>();
  const band = (x: number): [number, number] => {
    const there = bands.get(x);
    if (there) return there;
    const own = Math.min(Math.max(x, from), to);
    const here = regions.filter((one) => own >= one.from - BESIDE && own <= one.to + BESIDE);
    const low = Math.min(...here.map(({ lower }) => edgeAt(hull, lower, x)));
    const high = Math.max(...here.map(({ upper }) => edgeAt(hull, upper, x)));
    const girth = runLength(shares(8).map((t) => hull.at(x, 2 * t)));
    const per = girth > 1e-3 ? 2 / girth : 0;
    const found: [number, number] = [
      overCentre ? -Math.min(2, high + beyond.upper * per) : low - beyond.lower * per,
      Math.min(2, high + beyond.upper * per),
    ];
    bands.set(x, found);
    return found;
  };
  const jumps = [...new Set(regions.flatMap((one) => [one.from, one.to]))]
    .map((x) => (x - aft) / (fore - aft))
    .filter((u) => u > 1e-4 && u < 1 - 1e-4);
  const [low] = band(aft);
  const across = Math.sign(low) * runLength(shares(12).map((t) => hull.at(aft, Math.abs(low) * t)));
  return {
    datum: [aft, across],
    patch: {
      count: 1,
      jumps,
      at: (u, v) => {
        const x = mix(aft, fore, u);
        const [lower, upper] = band(x);
        return hullPoint(hull, x, mix(lower, upper, v));
      },
    },
  };
}
