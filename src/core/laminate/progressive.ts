import { KeramosError, invalid } from '../error';
import { complianceOf } from './complianceOf';
import { reserveOf, type Criterion } from './failure';
import type { Ply } from './ply';
import { cosSin, reducedStiffness } from './reducedStiffness';
import type { Load } from './response';
import { checkStack } from './stiffness';
import { stiffnessSums } from './stiffnessSums';

export interface ProgressiveFailure {
  /** Multiplier on the load at which the first ply fails. */
  firstPly: number;
  /** The largest multiplier the laminate bears on the way. */
  lastPly: number;
  /** Plies that fail together, in order, with the multiplier at which they do. */
  sequence: { reserveFactor: number; plies: number[] }[];
}

const TOGETHER = 1e-6;
const NEVER = Infinity;

/**
 * Progressive failure under a growing load: the plies that fail lose all stiffness, keep their place, and the load
 * goes on.
 *
 * A laminate whose remaining plies cannot carry the load any more ends the sequence. Numbers only: no state of a ply is
 * kept between one failure and the next.
 *
 * @throws KeramosError `invalid` for a stack without stiffness, or in which no ply has strengths.
 * @example progressiveFailure(crossPly, { N: [1e5, 0, 0] }, 'tsaiWu') // { firstPly: 1.70, lastPly: 7.8, … }
 * Source: total ply discount (Jones, ch. 4.5; Daniel & Ishai, ch. 9).
 */
export function progressiveFailure(plies: readonly Ply[], load: Load, criterion: Criterion): ProgressiveFailure {
  if (!plies.some((ply) => ply.strength ?? ply.failureStrain))
    throw invalid('plies', 'No ply of this stack has strengths: give strength or failureStrain to at least one');
  checkStack(plies);
  const reserveAt = plies.map((ply) => faceReserveOf(ply, criterion));
  const failed = new Set<number>();
  const sequence: ProgressiveFailure['sequence'] = [];
  while (failed.size < plies.length) {
    const reserves = nextReserves(plies, reserveAt, load, failed);
    if (reserves === null) break;
    let least = NEVER;
    for (let k = 0; k < reserves.length; k++) if (reserves[k]! < least) least = reserves[k]!;
    if (!Number.isFinite(least)) break;
    const together: number[] = [];
    for (let k = 0; k < reserves.length; k++) if (reserves[k]! <= least * (1 + TOGETHER)) together.push(k);
    sequence.push({ reserveFactor: least, plies: together });
    for (const index of together) failed.add(index);
  }
  return {
    firstPly: sequence[0]?.reserveFactor ?? NEVER,
    lastPly: sequence.reduce((most, step) => Math.max(most, step.reserveFactor), -NEVER),
    sequence,
  };
}

/** Reserve of a ply under a strain in laminate axes (engineering shear); null for a ply without strengths. */
type FaceReserveOf = (ex: number, ey: number, gxy: number) => number;

function faceReserveOf(ply: Ply, criterion: Criterion): FaceReserveOf | null {
  const reserve = reserveOf(ply, criterion);
  if (reserve === null) return null;
  const [c, s] = cosSin(ply.angleDeg);
  const [c2, s2, cs] = [c * c, s * s, c * s];
  const [[q11, q12], [, q22], [, , q66]] = reducedStiffness(ply);
  return (ex, ey, gxy) => {
    const e1 = c2 * ex + s2 * ey + cs * gxy;
    const e2 = s2 * ex + c2 * ey - cs * gxy;
    const g12 = 2 * cs * (ey - ex) + (c2 - s2) * gxy;
    return reserve({ e1, e2, g12, s1: q11 * e1 + q12 * e2, s2: q12 * e1 + q22 * e2, t12: q66 * g12 });
  };
}

/**
 * The lesser reserve of the two faces of every ply that still stands; null when what is left has no stiffness against
 * the load.
 */
function nextReserves(
  plies: readonly Ply[],
  reserveAt: readonly (FaceReserveOf | null)[],
  { N = [0, 0, 0], M = [0, 0, 0] }: Load,
  failed: ReadonlySet<number>,
): Float64Array | null {
  const { thickness, A, B, D } = stiffnessSums(plies, failed);
  let compliance: number[][];
  try {
    compliance = complianceOf(A, B, D);
  } catch (error) {
    if (error instanceof KeramosError && failed.size > 0) return null;
    throw error;
  }
  const row = (i: number): number => {
    const c = compliance[i]!;
    return c[0]! * N[0] + c[1]! * N[1] + c[2]! * N[2] + c[3]! * M[0] + c[4]! * M[1] + c[5]! * M[2];
  };
  const [ex, ey, gxy, kx, ky, kxy] = [row(0), row(1), row(2), row(3), row(4), row(5)];
  const reserves = new Float64Array(plies.length).fill(NEVER);
  let z = -thickness / 2;
  for (let k = 0; k < plies.length; k++) {
    const top = z + plies[k]!.thickness;
    const reserve = reserveAt[k];
    if (reserve && !failed.has(k))
      reserves[k] = Math.min(
        reserve(ex + z * kx, ey + z * ky, gxy + z * kxy),
        reserve(ex + top * kx, ey + top * ky, gxy + top * kxy),
      );
    z = top;
  }
  return reserves;
}
