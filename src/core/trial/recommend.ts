import { said } from '../quantity';
import { sampleOf, toleranceFactor } from '../record';
import type { TrialPrediction } from './predictTrial';
import type { TrialResult } from './readTrial';
import type { Trial } from './trial';

/** A sample of a series with what it was thought to do and what it did. */
export interface TriedSample {
  id: string;
  trial: Trial;
  prediction: TrialPrediction | null;
  result: TrialResult;
}
export interface Recommendation {
  /** Whether it met the target, held it without breaking, failed it, or says nothing yet; by sample. */
  standing: Record<string, 'meets' | 'fails' | 'tooStrong' | 'open'>;
  /** The lightest that met the target; null where none did. */
  best: string | null;
  says: string[];
  /** Measured over predicted strength of the samples that broke: mean, and what to count on by so few. */
  factor: { n: number; mean: number; bound: number | null } | null;
}

/** So much over the target that a lighter one is worth a trial. */
const TOO_STRONG = 1.5;

const weightOf = ({ trial, prediction }: TriedSample) => trial.arealWeight ?? prediction?.arealWeight ?? Infinity;

/** What a sample bore at least: where it broke, or the highest load that it was given. */
const boreOf = ({ result }: TriedSample) => result.failure?.load ?? result.highest;

function standingOf(sample: TriedSample): Recommendation['standing'][string] {
  const { trial, result } = sample;
  if (trial.points.length === 0 && trial.breaks.length === 0) return 'open';
  const isStiff =
    trial.mostDeflection === null || (result.atTarget !== null && result.atTarget <= trial.mostDeflection);
  if (result.failure && result.failure.load < trial.target) return 'fails';
  if (result.highest < trial.target && !result.failure) return 'open';
  if (!isStiff) return 'fails';
  return boreOf(sample) > TOO_STRONG * trial.target ? 'tooStrong' : 'meets';
}

/**
 * What a series proves so far, and what to do next: the lightest sample that bore the target and bent no more than it
 * may; whether a lighter one is worth a trial; what strength to count on by the samples that broke.
 */
export function recommend(samples: readonly TriedSample[]): Recommendation {
  const standing = Object.fromEntries(samples.map((sample) => [sample.id, standingOf(sample)]));
  const good = samples
    .filter(({ id }) => standing[id] === 'meets' || standing[id] === 'tooStrong')
    .sort((a, b) => weightOf(a) - weightOf(b));
  const best = good[0] ?? null;
  const broken = samples.filter(({ result, prediction }) => result.failure !== null && prediction !== null);
  const ratios = broken.map(({ result, prediction }) => result.failure!.load / prediction!.failure);
  const says: string[] = [];
  if (!best) says.push('No sample has borne the target yet: try the next heavier one.');
  else {
    const { trial, result } = best;
    const target = said(trial.target, 'force');
    const bore = `${said(boreOf(best), 'force')}${result.failure ? '' : ' without breaking'}`;
    says.push(
      `${trial.name} is the lightest that bears ${target}: ${said(weightOf(best), 'laminateWeight')}, ${bore}.`,
    );
    if (result.firstCrack !== null && result.firstCrack < trial.target)
      says.push(`It cracked first at ${said(result.firstCrack, 'force')}, below what it must bear: look what went.`);
    if (standing[best.id] === 'tooStrong')
      says.push(`It bears more than ${TOO_STRONG} times the target: one layer less is worth a trial.`);
    const lighter = samples.filter((one) => standing[one.id] === 'fails' && weightOf(one) < weightOf(best));
    if (lighter.length > 0)
      says.push(`${lighter.map(({ trial: one }) => one.name).join(', ')} did not hold: that is the bound below.`);
  }
  if (ratios.length > 0 && ratios.length < 3)
    says.push(`${ratios.length} broken ${ratios.length === 1 ? 'sample says' : 'samples say'} little of the next one.`);
  const mean = ratios.reduce((sum, ratio) => sum + ratio, 0) / Math.max(1, ratios.length);
  const bound = ratios.length < 2 ? null : mean - toleranceFactor(ratios.length) * sampleOf(ratios).standardDeviation;
  return {
    standing,
    best: best?.id ?? null,
    says,
    factor: ratios.length === 0 ? null : { n: ratios.length, mean, bound },
  };
}
