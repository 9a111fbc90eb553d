import { shapeOf, type Boat, type Part } from '../../document';
import type { Core, Fabric } from '../../material';
import type { Cutting } from '../cutting';
import type { At } from '../nest/convexParts';
import { girthOf, grown, rectangle } from './outline';
import { runPatches, type Beyond, type RunPatch } from './runPatch';
import type { Dart, ShearAt } from './shearMap';
import { cutsFor, inStretches, lengthOf, turnOf, type Stretches } from './stretches';

/** A piece as it lies flat, before it is turned to a roll. */
export interface Flat {
  outline: At[];
  zones: string[];
  /** On both hands where its zones are; on that one alone where it names it. */
  half: boolean;
  hand: 'starboard' | 'port' | null;
  /** Joints are compared among pieces of one ground, measured from this place on it (m along, m across). */
  ground: string;
  datum: At;
  shear: number;
  /** How far cloth shears where, and darts where it cannot; in the outline's own place. */
  map: ShearAt[];
  darts: Dart[];
  notes: string[];
  /** m² without laps, run-outs and trim. */
  net: number;
}

export interface FlattenInput {
  boat: Boat;
  part: Part;
  material: Fabric | Core;
  zones: string[];
  hands: 1 | 2;
  overCentre: boolean;
  beyond: Beyond;
  cutting: Cutting;
  /** Which of the layers of the part this is: joints move from one to the next. */
  turn: number;
}

/** A development may be so far from the surface (share of its area) before the surface is parted. */
const FLAT_ENOUGH = 0.01;
/** A piece that is cut larger by less than this does not say so (m). */
const TOLD = 0.002;
/** Most stretches that a piece is parted into for its shear. */
const MOST_STRETCHES = 4;
/** The joint on the centreline moves by no more than this share of a half girth. */
const MOST_OVER = 0.2;

const NOTHING_BEYOND: Beyond = { aft: 0, fore: 0, lower: 0, upper: 0 };

/** Surfaces that were developed once: layers after each other cover the same. */
const known = new WeakMap<Boat, Map<string, Stretches>>();

/** A patch cut at some shares of its length, remembered by what it is of. */
function developed(boat: Boat, key: string, work: () => Stretches): Stretches {
  const own = known.get(boat) ?? new Map<string, Stretches>();
  known.set(boat, own);
  const there = own.get(key) ?? work();
  own.set(key, there);
  return there;
}

/**
 * A run of zones as flat outlines: parted on the centreline where both hands do not lie flat in one, and in stretches
 * where the cloth cannot shear so far; lapped at every such joint, and joints of layers after each other apart. Core is
 * butted.
 */
export function flattened(input: FlattenInput): Flat[] {
  const { boat, part, material, zones, overCentre, beyond, cutting, turn } = input;
  const lap = material.kind === 'core' ? 0 : cutting.lap;
  const limit = material.kind === 'fabric' ? material.lockingAngle.value : Infinity;
  const shape = shapeOf(boat);
  const patchesFor = (across: boolean, reach: Beyond) =>
    shape ? runPatches({ shape, part, zones, overCentre: across, beyond: reach }) : [];
  const fits = ({ shear, off }: Stretches) => shear <= limit && Math.abs(off) <= FLAT_ENOUGH;
  const inOne = patchesFor(overCentre, beyond);
  const parted = overCentre && inOne.some((one) => one.acrossCentre && !fits(whole(one, beyond)));
  if (!parted) return [...inOne.flatMap((one) => laid(one, beyond)), ...placeless(input, inOne)];

  // Two hands lapped on the centreline, the joint a little to one side of it, a turn each layer.
  const most = MOST_OVER * Math.min(...patchesFor(false, NOTHING_BEYOND).map((one) => one.girth));
  const moved = lap === 0 ? 0 : movedJoint(Math.min(cutting.offset, most) * turnOf(turn));
  const notes = ['parted on the centreline, lapped: both hands do not lie flat in one'];
  if (lap === 0) notes[0] = 'parted on the centreline, butted';
  else if (turnOf(turn) !== 0 && Math.abs(moved) < cutting.offset - 1e-9)
    notes.push(`its joint there lies nearer than ${millimetres(cutting.offset)} to one below`);
  const halves = (moved === 0 ? ([null] as const) : (['starboard', 'port'] as const)).flatMap((hand) => {
    const reach = reachOf(hand === 'port' ? -moved : moved);
    return patchesFor(false, reach).flatMap((one): Flat[] => {
      // What lies over both hands in one piece (a transom) is laid once.
      if (!one.half) return hand === 'port' ? [] : laid(one, beyond);
      return laid(one, reach).map((flat) => ({ ...flat, hand, notes: [...notes, ...flat.notes] }));
    });
  });
  return [...halves, ...placeless(input, inOne)];

  function reachOf(past: number): Beyond {
    return { ...beyond, lower: lap / 2 + past };
  }
  /** The joint of both hands as far aside as is asked, or less where that would part them in more pieces. */
  function movedJoint(wanted: number): number {
    const stretchesAt = (past: number) =>
      patchesFor(false, reachOf(past))
        .filter(({ half }) => half)
        .reduce((sum, one) => sum + laid(one, reachOf(past)).length, 0);
    const plain = stretchesAt(0);
    const tried = [1, 0.5, 0.25].map((share) => share * wanted);
    return tried.find((past) => past !== 0 && stretchesAt(past) + stretchesAt(-past) <= 2 * plain) ?? 0;
  }
  /** A surface in one, remembered. */
  function whole(one: RunPatch, reach: Beyond): Stretches {
    const key = JSON.stringify([part.id, one.zones, one.acrossCentre, reach]);
    return developed(boat, key, () => inStretches(one.patch, [], 0));
  }
  /** Its zones alone, cut at the same places: m² of each stretch without what reaches beyond. */
  function netOf({ zones: own, acrossCentre }: RunPatch, cuts: readonly number[]): number[] {
    const key = JSON.stringify([part.id, own, acrossCentre, cuts]);
    const bare = developed(boat, key, () => {
      const found = patchesFor(acrossCentre, NOTHING_BEYOND).find((one) => one.zones.join() === own.join())!;
      return inStretches(found.patch, cuts, 0);
    });
    return bare.flat.map(({ net }) => net);
  }
  /** A surface laid in as few stretches as lie flat and can shear so far. */
  function laid(one: RunPatch, reach: Beyond): Flat[] {
    const length = lengthOf(one.patch);
    const at = (stretches: number) => {
      const placed = cutsFor(stretches, { length, offset: cutting.offset, turn });
      const key = JSON.stringify([part.id, one.zones, one.acrossCentre, reach, placed.cuts, lap]);
      const found =
        stretches === 1 ? whole(one, reach) : developed(boat, key, () => inStretches(one.patch, placed.cuts, lap));
      return { stretches, ...placed, ...found };
    };
    const tried = Array.from({ length: MOST_STRETCHES }, (_, i) => i + 1);
    // Parted where that helps; where it does not, in as few as lie flat, and darted.
    const flatIn = (n: number) => Math.abs(at(n).off) <= FLAT_ENOUGH;
    const best = at(tried.find((n) => fits(at(n))) ?? tried.find(flatIn) ?? MOST_STRETCHES);
    const furthest = Math.max(reach.aft, reach.fore, reach.lower, reach.upper);
    const notes = notesOf(best, { before: at(1).shear, limit, lap, offset: cutting.offset });
    const net = netOf(one, best.cuts);
    // What lies flat smaller than the surface is cut larger by as much, all round.
    const short = Math.max(0, -best.off);
    const wider = best.flat.map(({ outline, net: own }) => (short * own) / girthOf(outline));
    const most = Math.max(...wider);
    if (most >= TOLD)
      notes.push(`cut up to ${millimetres(most)} larger all round: flat it is smaller than the surface`);
    return best.flat.map(({ outline, map, darts }, i): Flat => {
      const by = (one.beyondIn ? 0 : Math.max(0, furthest)) + wider[i]!;
      const wide = by > 0 ? (grown(outline, by)[0] ?? outline) : outline;
      const { zones: own, half, ground } = one;
      const datum: At = [one.datum[0] + (best.cuts[i - 1] ?? 0) * length, one.datum[1]];
      return {
        outline: wide,
        zones: own,
        half,
        hand: null,
        ground,
        datum,
        shear: best.shear,
        map,
        darts: Number.isFinite(limit) ? darts(limit) : [],
        notes,
        net: net[i]! * (1 + short),
      };
    });
  }
}

const millimetres = (metres: number) => `${Math.round(1000 * metres)} mm`;

function notesOf(
  { stretches, shear, apart }: { stretches: number; shear: number; apart: boolean },
  { before, limit, lap, offset }: { before: number; limit: number; lap: number; offset: number },
): string[] {
  const degrees = (value: number) => `${value.toFixed(0)}°`;
  const notes: string[] = [];
  if (stretches > 1) {
    const why =
      before > limit ? `shears ${degrees(before)}, the cloth locks at ${degrees(limit)}` : 'does not lie flat';
    const joined = lap > 0 ? `lapped ${millimetres(lap)}` : 'butted';
    notes.push(`parted in ${stretches}, ${joined}: in one it ${why}`);
    if (!apart && lap > 0) notes.push(`its joints lie nearer than ${millimetres(offset)} to those below`);
  }
  if (shear > limit)
    notes.push(
      `shears ${degrees(shear)}, the cloth locks at ${degrees(limit)}: dart it as drawn, or where it wrinkles`,
    );
  return notes;
}

/** Zones that have no place on the boat, as rectangles of their area. */
function placeless({ part, zones, hands }: FlattenInput, surfaces: readonly RunPatch[]): Flat[] {
  const placed = new Set(surfaces.flatMap((one) => one.zones));
  return zones
    .filter((zone) => !placed.has(zone))
    .map((id): Flat => {
      const { geometry, name } = part.zones.find((zone) => zone.id === id)!;
      const net = geometry.area / hands;
      const length = Math.max(geometry.panelLength, Math.sqrt(net));
      return {
        outline: rectangle(length, net / length),
        zones: [id],
        half: hands === 2,
        hand: null,
        ground: id,
        datum: [0, 0],
        shear: 0,
        map: [],
        darts: [],
        notes: [`${name} has no place on the boat: a rectangle of its area`],
        net,
      };
    });
}
