import { integrate } from './integrate';
import { cureRate, type Kinetics } from './kinetics';

/**
 * Degree of cure at one temperature: at times (s), and the times (s) at which degrees are reached; null where a degree
 * is not reached in ten years.
 *
 * @param startDegree from 0 to 1. @example cureAtOneTemperature({ kinetics, celsius: 20, times: [3600] }).degreeAt
 */
export function cureAtOneTemperature({
  kinetics,
  celsius,
  startDegree = 0,
  times = [],
  degrees = [],
}: {
  kinetics: Kinetics;
  celsius: number;
  startDegree?: number | undefined;
  times?: readonly number[] | undefined;
  degrees?: readonly number[] | undefined;
}): { degreeAt: number[]; timeTo: (number | null)[] } {
  const rate = (degree: number) => cureRate(kinetics, degree, celsius);
  const upTo = (from: number, to: number, degree: number) =>
    to <= from ? degree : integrate((_, [a]) => [rate(a!)], { from, to, start: [degree], scales: [1] })[0]!;
  const order = times.map((time, i) => ({ time, i })).sort((a, b) => a.time - b.time);
  const degreeAt: number[] = [];
  let [now, degree] = [0, startDegree];
  for (const { time, i } of order) {
    // A law that changes at a degree is taken up to it, and on from there.
    degree = throughSwitch(kinetics, { now, time, degree }, upTo, rate);
    now = time;
    degreeAt[i] = degree;
  }
  return { degreeAt, timeTo: degrees.map((wanted) => timeTo(kinetics, startDegree, wanted, rate)) };
}

/** Degree after a time, the switch of the law hit exactly. */
function throughSwitch(
  kinetics: Kinetics,
  { now, time, degree }: { now: number; time: number; degree: number },
  upTo: (from: number, to: number, degree: number) => number,
  rate: (degree: number) => number,
): number {
  if (kinetics.model !== 'leeLoosSpringer' || degree > kinetics.switch) return upTo(now, time, degree);
  const reached = timeTo(kinetics, degree, kinetics.switch, rate);
  if (reached === null || now + reached >= time) return upTo(now, time, degree);
  return upTo(now + reached, time, kinetics.switch + 1e-12);
}

const TEN_YEARS = 3.2e8;

/** Time from one degree to another (s): dα over the rate, which at one temperature depends on the degree alone. */
function timeTo(kinetics: Kinetics, from: number, to: number, rate: (degree: number) => number): number | null {
  if (to <= from) return 0;
  const parts =
    kinetics.model === 'leeLoosSpringer' && from < kinetics.switch && to > kinetics.switch
      ? [
          [from, kinetics.switch],
          [kinetics.switch + 1e-12, to],
        ]
      : [[from, to]];
  let sum = 0;
  for (const [low, high] of parts) {
    const [own] = integrate((a) => [1 / rate(a)], { from: low!, to: high!, start: [0], scales: [Math.max(1, sum)] });
    sum += own!;
    if (!(sum < TEN_YEARS)) return null;
  }
  return sum;
}
