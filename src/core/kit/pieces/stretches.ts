import { develop, patchArea, runLength, shares, type Patch } from '../../geometry';
import { signedArea, type At } from '../nest/convexParts';
import { shearOf } from './shear';
import { dartsFor, shearMap, type Dart, type ShearAt } from './shearMap';

/** A surface flattened in stretches along it. */
export interface Stretches {
  /** Outlines from the aft one on, with half a lap at every cut; m² without it; how far cloth shears where in it. */
  flat: { outline: At[]; net: number; map: ShearAt[]; darts: (limit: number) => Dart[] }[];
  /** The most that cloth shears in one of them (degrees). */
  shear: number;
  /** Developed over surface area, less 1. */
  off: number;
}

const within = ({ at, jumps, flat }: Patch, from: number, to: number): Patch => ({
  count: 1,
  at: (u, v) => at(from + (to - from) * u, v),
  ...(flat !== undefined && { flat }),
  ...(jumps && { jumps: jumps.map((u) => (u - from) / (to - from)).filter((u) => u > 1e-4 && u < 1 - 1e-4) }),
});

/** Of a place among three: layers after each other are cut at different ones. */
const TURNS = [0, 1, -1] as const;
export const turnOf = (turn: number): number => TURNS[turn % TURNS.length]!;
/** A cut is moved by no more than this share of a stretch. */
const MOST_MOVED = 0.3;

/**
 * Where a surface of a length (m) is cut in so many stretches, as shares of it: evenly, moved aft or forward by the
 * least distance that joints keep from those of the layer before, a turn each layer.
 *
 * @returns the cuts, and whether those of the next turn keep so far apart.
 * @example cutsFor(2, { length: 6, offset: 0.15, turn: 1 }).cuts // [0.525]
 */
export function cutsFor(
  stretches: number,
  { length, offset, turn }: { length: number; offset: number; turn: number },
): { cuts: number[]; apart: boolean } {
  const wanted = offset / Math.max(length, 1e-9);
  const moved = Math.min(wanted, MOST_MOVED / stretches) * turnOf(turn);
  const cuts = Array.from({ length: stretches - 1 }, (_, i) => (i + 1) / stretches + moved);
  return { cuts, apart: stretches === 1 || wanted <= MOST_MOVED / stretches + 1e-12 };
}

/** Length of a patch along the middle of it (m). */
export const lengthOf = ({ at }: Patch): number => runLength(shares(24).map((u) => at(u, 0.5)));

/**
 * A surface cut at some shares of its length, each stretch developed by itself and reaching half a lap (m) over its
 * cuts.
 */
export function inStretches(patch: Patch, cuts: readonly number[], lap: number): Stretches {
  const ends = [0, ...cuts, 1];
  const over = lap / 2 / Math.max(lengthOf(patch), 1e-9);
  let shear = 0;
  let [sum, surface] = [0, 0];
  const flat = ends.slice(1).map((to, i) => {
    const from = ends[i]!;
    const own = cuts.length === 0 ? patch : within(patch, from, to);
    const wide = cuts.length === 0 ? patch : within(patch, Math.max(0, from - over), Math.min(1, to + over));
    const development = develop(wide, 32, wide.jumps ?? []);
    const { outline } = development;
    const bare = over > 0 && cuts.length > 0 ? develop(own, 32, own.jumps ?? []).outline : outline;
    const sheared = patch.flat ? null : shearOf(wide);
    if (sheared) shear = Math.max(shear, sheared.most);
    const net = Math.abs(signedArea(bare));
    sum += net;
    surface += patchArea({ ...own, count: 1 }).area;
    return {
      outline: signedArea(outline) < 0 ? [...outline].reverse() : outline,
      net,
      map: sheared ? shearMap(development, sheared) : [],
      darts: (limit: number) => (sheared ? dartsFor(development, sheared, limit) : []),
    };
  });
  return { flat, shear, off: surface > 0 ? sum / surface - 1 : 0 };
}
