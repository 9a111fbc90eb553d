import { signedArea, type At } from '../nest/convexParts';
import { boxOf, clipped } from './outline';

export interface RollCut {
  /** Width of the roll that may be used (m). */
  width: number;
  lap: number;
  /** Least distance of this layer's joints from those of the layer before (m). */
  offset: number;
  /** Joints of the layer before, across the roll from the same zero (m). */
  before: readonly number[];
  /** Joints that somebody placed, from the left edge (m): taken as they are where every width fits the roll. */
  placed?: readonly number[] | undefined;
}

/** How finely places of joints are tried, as a share of the offset. */
const STEPS = 4;

/**
 * An outline cut into widths of a roll that runs along y: as few as do, each over the next by the lap, joints clear of
 * those of the layer before where a place is found that leaves them so.
 *
 * @returns parts from the left, and where the joints lie (the middle of each lap); `apart` is whether they keep clear,
 * `asPlaced` whether they lie where somebody placed them.
 * @example cutToRoll(twoMetresWide, { width: 1.27, lap: 0.05, offset: 0.15, before: [] }).joints // [1.245]
 */
export function cutToRoll(
  outline: readonly At[],
  { width, lap, offset, before, placed }: RollCut,
): { parts: At[][]; joints: number[]; apart: boolean; asPlaced: boolean } {
  const { minX, maxX, minY, maxY } = boxOf(outline);
  const wide = maxX - minX;
  if (wide <= width + 1e-9 && !placed) return { parts: [[...outline]], joints: [], apart: true, asPlaced: false };
  const pitch = width - lap;
  const least = Math.ceil((wide - lap) / pitch - 1e-9);
  const clear = (joints: readonly number[]) =>
    joints.every((x) => before.every((other) => Math.abs(x - other) >= offset - 1e-9));
  const jointsFrom = (first: number): number[] => {
    const joints: number[] = [];
    for (let x = first; x < maxX - lap / 2 - 1e-9; x += pitch) joints.push(x);
    return joints;
  };
  const edgesOf = (joints: readonly number[]) => [minX - lap / 2, ...joints, maxX + lap / 2];
  const byHand = (placed ?? []).map((x) => x + minX).sort((a, b) => a - b);
  const asPlaced =
    byHand.length > 0 &&
    byHand.every((x) => x > minX + lap && x < maxX - lap) &&
    [...byHand, maxX - lap / 2].every((right, i) => right - (byHand[i - 1] ?? minX + lap / 2) + lap <= width + 1e-6);
  if (wide <= width + 1e-9 && !asPlaced) return { parts: [[...outline]], joints: [], apart: true, asPlaced };
  // The first joint: a whole width from the edge at first, then ever less of it.
  let best: { joints: number[]; apart: boolean } | null = null;
  const tries = Math.ceil((pitch / offset) * STEPS);
  for (let k = 0; k <= tries; k++) {
    const first = minX + width - lap / 2 - (k * pitch) / Math.max(1, tries);
    if (first < minX + lap) break;
    const joints = jointsFrom(first);
    const apart = clear(joints);
    const better =
      best === null || (apart && !best.apart) || (apart === best.apart && joints.length < best.joints.length);
    if (better) best = { joints, apart };
    if (apart && joints.length + 1 <= least) break;
  }
  const { joints, apart } = asPlaced ? { joints: byHand, apart: clear(byHand) } : best!;
  const edges = edgesOf(joints);
  const parts = edges
    .slice(1)
    .flatMap((right, i) =>
      clipped(outline, [edges[i]! - lap / 2, minY - 1], [right + lap / 2, maxY + 1]).map((part) =>
        signedArea(part) < 0 ? part.reverse() : part,
      ),
    );
  return { parts, joints, apart, asPlaced };
}
