import { invalid } from '../../error';

export interface BatchesInput {
  /** kg of resin to be laid. */
  resinMass: number;
  /** Most resin in a pot (kg): what heats itself up no further than it may. */
  maximumBatch: number;
  /** From mixing until it must be wetted out (min). */
  workingMinutes: number;
  /** Mixed resin that the team wets out (kg/min). */
  wetOutRate: number;
  /** Hardener by mass of resin. */
  hardenerShare: number;
}

export interface Batch {
  /** kg */
  resin: number;
  hardener: number;
  /** From the first (min). */
  startMinute: number;
}

export interface Batches {
  batches: Batch[];
  /** Most resin that is wetted out inside the working time (kg). */
  largestByTime: number;
}

/** Nobody mixes more in one go; what asks for them has a figure wrong. */
const MOST = 5000;
/** Rounding may not add a batch. */
const HAIR = 1e-9;

/**
 * The least number of batches, all of a size, each used up inside its working time and no larger than a pot may be;
 * each mixed when the one before is used up.
 *
 * Derived: n batches of R/n kg; R/n ≤ limit by mass, and (R/n)(1 + h)/rate ≤ working time.
 * @throws KeramosError `invalid` where no batch can be laid at all, or they would be thousands.
 * @example batchesOf({ resinMass: 5, maximumBatch: 2, workingMinutes: 30, wetOutRate: 0.26, hardenerShare: 0.3 })
 */
export function batchesOf(input: BatchesInput): Batches {
  const { resinMass, maximumBatch, workingMinutes, wetOutRate, hardenerShare } = input;
  for (const [key, value] of Object.entries({ maximumBatch, workingMinutes, wetOutRate }))
    if (!(value > 0)) throw invalid(key, 'A batch needs a size, a working time and a team: give more than 0');
  if (resinMass < 0 || hardenerShare < 0) throw invalid('resinMass', 'Less than none cannot be mixed');
  const largestByTime = (workingMinutes * wetOutRate) / (1 + hardenerShare);
  const count = Math.ceil(resinMass / Math.min(maximumBatch, largestByTime) - HAIR);
  if (!(count <= MOST))
    throw invalid('maximumBatch', `More than ${MOST} batches: a pot is too small, or what is laid of it too little`);
  const resin = resinMass / count;
  const minutes = (resin * (1 + hardenerShare)) / wetOutRate;
  const batches = Array.from({ length: Math.max(0, count) }, (_, i): Batch => {
    return { resin, hardener: resin * hardenerShare, startMinute: i * minutes };
  });
  return { batches, largestByTime };
}
