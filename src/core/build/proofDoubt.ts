import { KeramosError } from '../error';
import { proofResult, type ProofResult } from '../record';
import type { BuildRecordOf } from './record';

type Proof = BuildRecordOf<'proof'>['body'];
/** A reason for which a pull went beyond its stop load is no shorter. */
const LEAST_REASON = 3;

/** What the readings of a pull say against it, what they do not tell, and whether it went beyond its stop load. */
function foundIn({ points, set, load, stop }: Proof): Pick<ProofResult, 'failures' | 'notChecked' | 'beyondStop'> {
  try {
    return proofResult({ points, set, load, stop });
  } catch (error) {
    if (!(error instanceof KeramosError)) throw error;
    return { failures: [error.text], notChecked: [], beyondStop: false };
  }
}

/** Whether a pull passed: by who signed it, and by its own readings; and what these do not tell, in words. */
export function proofFound(proof: Proof): { passed: boolean; notChecked: string[] } {
  const { failures, notChecked } = foundIn(proof);
  return { passed: proof.passed && failures.length === 0, notChecked };
}

/** Why a pull cannot be signed so; null where it can. One that its readings let pass may be signed as not passed. */
export function proofDoubt(proof: Proof): string | null {
  const { failures, beyondStop } = foundIn(proof);
  if (proof.passed && failures.length > 0)
    return `It is signed as passed, and its readings say otherwise: ${failures.join('; ')}`;
  return beyondStop && proof.note.trim().length < LEAST_REASON ? 'It was pulled beyond its stop load: say why' : null;
}
