import type { ProcessRates, Rates } from '../cost';
import type { Process } from '../material';
import { posterior, type Normal } from '../record';
import type { LearnedRate } from '../shop';
import type { BuildLog } from './buildLog';

/** What one part of one hull says: hours over those by the rates, or resin mixed over resin that stays. */
export interface RateObservation {
  rate: LearnedRate;
  process: Process;
  ratio: number;
  hull: string;
  part: string;
}

/** Of the resin that a part takes so much at least was written down, or the record is not whole. */
const WHOLE = 0.85;

/**
 * What a hull says of the rates: of the parts that are laid.
 * @param hoursOf hours of a part by the rates of today, by its id.
 */
export function rateObservations(
  { hull, process, hoursOf }: { hull: string; process: Process; hoursOf: (partId: string) => number },
  { parts }: BuildLog,
): RateObservation[] {
  return parts.flatMap(({ partId, name, hours, resin, isLaid }) => {
    if (!isLaid) return [];
    const own = { process, hull, part: name };
    const planned = hoursOf(partId);
    return [
      ...(hours.read !== null && planned > 0 ? [{ ...own, rate: 'hours' as const, ratio: hours.read / planned }] : []),
      // Less than what stays in it cannot have been mixed: not every pot was written down.
      ...(resin.mixed > WHOLE * resin.planned && resin.planned > 0
        ? [{ ...own, rate: 'resinWaste' as const, ratio: resin.mixed / resin.planned }]
        : []),
    ];
  });
}

/** What is known by now of a rate: a factor on the hours, or resin mixed over resin that stays. */
export interface LearnedRates {
  rate: LearnedRate;
  process: Process;
  observations: RateObservation[];
  prior: Normal;
  posterior: Normal & { predictiveStandardDeviation: number };
}

/** Resin by what is mixed may be off by so much before anything was weighed (share). */
const RESIN_SPREAD = 0.15;

/** @param rates of the yard, which are the prior. @param observations of all hulls. */
export function learnRates(rates: Rates, observations: readonly RateObservation[]): LearnedRates[] {
  const groups = new Map<string, RateObservation[]>();
  for (const one of observations) {
    const key = `${one.rate}|${one.process}`;
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  return [...groups.values()].map((own): LearnedRates => {
    const { rate, process } = own[0]!;
    const spread = rate === 'hours' ? Math.max(0.05, rates.scatterHours) : RESIN_SPREAD;
    const mean = rate === 'hours' ? 1 : 1 + rates.processes[process].resinWaste;
    const prior = { mean, standardDeviation: spread };
    const ratios = own.map(({ ratio }) => ratio);
    return { rate, process, observations: own, prior, posterior: posterior(prior, ratios, spread) };
  });
}

/** Rates that are hours, in a process. */
const HOURS = [
  'mould',
  'coat',
  'cut',
  'layMat',
  'layWoven',
  'layStitched',
  'core',
  'bag',
  'setUp',
  'fill',
  'debulk',
  'cure',
  'demould',
] as const satisfies (keyof ProcessRates)[];
const round = (value: number) => Math.round(value * 1e4) / 1e4;

/** A rate put to use: a factor on the hours, or resin mixed over resin that stays. */
export interface RateUse {
  rate: LearnedRate;
  process: Process;
  value: number;
}
type Keys = Record<string, number>;

/** The figures of the rates that a use takes the place of. */
export function ratesBefore(rates: Rates, { rate, process }: RateUse): Keys {
  const own = rates.processes[process];
  return rate === 'hours' ? Object.fromEntries(HOURS.map((key) => [key, own[key]])) : { resinWaste: own.resinWaste };
}
const changedBy = (was: Keys, { rate, value }: RateUse): Keys =>
  rate === 'hours'
    ? Object.fromEntries(Object.entries(was).map(([key, hours]) => [key, round(hours * value)]))
    : { resinWaste: round(Math.min(2, Math.max(0, value - 1))) };
const withKeys = (rates: Rates, process: Process, keys: Keys): Rates => {
  const own: ProcessRates = { ...rates.processes[process], ...keys };
  return { ...rates, processes: { ...rates.processes, [process]: own } };
};

/**
 * The rates with what was learned: the hours of a process times their factor, or its waste of resin.
 * @example ratesWithLearned(rates, { rate: 'hours', process: 'handLayUp', value: 1.2 }).processes.handLayUp.cut
 */
export const ratesWithLearned = (rates: Rates, use: RateUse): Rates =>
  withKeys(rates, use.process, changedBy(ratesBefore(rates, use), use));

/** The rates as they were before, but for those that somebody changed since. */
export function ratesTakenBack(rates: Rates, use: RateUse & { was: Readonly<Keys> }): Rates {
  const now = ratesBefore(rates, use);
  const ours = changedBy(use.was, use);
  const back = Object.entries(use.was).filter(([key]) => Object.hasOwn(now, key) && now[key] === ours[key]);
  return withKeys(rates, use.process, Object.fromEntries(back));
}
