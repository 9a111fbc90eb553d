import type { CurePlan, CureStep, Zone } from '../../document';
import type { LaidLayer, ZoneEvaluation } from '../../evaluate';
import type { Curing } from '../curing';
import { glassTransition, type ResinCure } from '../resinCure';
import { cureThrough, type AirStep, type CureCourse, type CureMoment } from '../throughThickness';
import { slicesOf } from './slices';

/** Layers that are laid and harden in one go. */
export interface Shot {
  /** Layers of the zone from the mould, the first is 0; up to but without `to`. */
  from: number;
  to: number;
  thickness: number;
  peak: number;
}

/** What a limit is of, what it is, how hot that gets, and when it first is too hot (s); null where it never is. */
export interface CureLimit {
  what: 'laminate' | 'core' | 'mould' | 'bag';
  name: string;
  limit: number;
  hottest: number;
}

/** How one zone cures by a schedule. */
export interface ZoneCure {
  zoneId: string;
  name: string;
  /** m of laminate, core not counted. */
  laminate: number;
  shots: Shot[];
  /** Of the last go; what follows is that of the go that is worst for it. */
  course: CureCourse;
  /** s from when the resin of a go is in; null where it is not reached by the end of the schedule. */
  gel: number | null;
  /** From when on it may be demoulded, to the end: what a later step softens again stays in the mould till then. */
  demould: number | null;
  /** Cured enough at the end, but too warm to be stiff: it has to cool in the mould. */
  warm: boolean;
  /** The next coat bonds by itself from gel to here; from `abrade` on it must be abraded. */
  tackEnds: number | null;
  abrade: number | null;
  /** Degree and glass transition at the end, where they are least. */
  degree: number;
  tg: number;
  /** K by which the coolest of it lags the air at most while it warms. */
  lag: number;
  limits: CureLimit[];
}

/** The air of a schedule over time, from when the resin is in. */
export function airOf({ start, steps }: { start: number; steps: readonly CureStep[] }): AirStep[] {
  const air: AirStep[] = [{ time: 0, celsius: start }];
  for (const { rate, to, hold } of steps) {
    const last = air.at(-1)!;
    const time = last.time + (Math.abs(to - last.celsius) / rate) * 3600;
    air.push({ time, celsius: to }, { time: time + hold, celsius: to });
  }
  return air;
}

export const lossOf = (place: CurePlan['place'], { lossShop, lossTent, lossOven }: Curing): number =>
  ({ shop: lossShop, tent: lossTent, oven: lossOven })[place];

/** Layers in goes of no more than a thickness of cloth; a go that holds nothing but a core goes with the one before. */
export function shotsOf(layers: readonly LaidLayer[], most: number | null): { from: number; to: number }[] {
  const goes: { from: number; to: number }[] = [];
  let [from, thick] = [0, 0];
  layers.forEach(({ material, thickness }, i) => {
    const own = material.kind === 'fabric' ? thickness : 0;
    if (most !== null && thick > 0 && thick + own > most + 1e-9) {
      goes.push({ from, to: i });
      [from, thick] = [i, 0];
    }
    thick += own;
  });
  if (thick > 0 || goes.length === 0) goes.push({ from, to: layers.length });
  else goes.at(-1)!.to = layers.length;
  return goes;
}

/**
 * A zone by a schedule: every go on what is hard already, how hot each gets, and of the last one gel, demould, the time
 * in which the next coat bonds, and what limit is broken.
 *
 * @param bagged whether a bag lies over it. @returns null where nothing in the zone hardens.
 */
export function zoneCure(
  { layers }: Pick<ZoneEvaluation, 'layers'>,
  {
    zone,
    plan,
    cure,
    curing,
    bagged,
  }: { zone: Pick<Zone, 'id' | 'name'>; plan: CurePlan; cure: ResinCure; curing: Curing; bagged: boolean },
): ZoneCure | null {
  const laminate = layers.reduce((sum, one) => sum + (one.material.kind === 'fabric' ? one.thickness : 0), 0);
  if (laminate <= 0) return null;
  const air = airOf(plan);
  const loss = lossOf(plan.place, curing);
  const goes = shotsOf(layers, plan.shot).filter(({ from, to }) =>
    layers.slice(from, to).some(({ material, resinMass }) => material.kind === 'fabric' && resinMass > 0),
  );
  if (goes.length === 0) return null;
  const runs = goes.map(({ from, to }) => {
    const { slices, cores } = slicesOf(layers, { mould: plan.mould, done: from, to });
    return { from, to, cores, course: cureThrough({ slices, cure, air, loss, start: plan.start }) };
  });
  const { course } = runs.at(-1)!;
  const { gelDegree, demould, tackEnds, abrade, most } = cure.family;
  const courses = runs.map((run) => run.course);
  // What must have come by: in the slowest place of the slowest go. What must not yet have: in the quickest of all.
  const slowest = (by: (moment: CureMoment) => boolean) => latest(courses.map((one) => timeOf(one, by)));
  const quickest = (degree: number) => earliest(courses.map((one) => timeOf(one, (now) => now.degreeMost >= degree)));
  const isCured = ({ degree }: CureMoment) => degree >= demould;
  const isStiff = ({ degree, hottest: warm }: CureMoment) => glassTransition(cure, degree) >= warm + curing.stiffer;
  const ends = courses.map(({ moments }) => moments.at(-1)!);
  const degree = Math.min(...courses.map((one) => one.degree));
  const hottest = (of: (run: (typeof runs)[number]) => number) => Math.max(...runs.map(of));
  const limits: CureLimit[] = [
    { what: 'laminate', name: 'the laminate', limit: most, hottest: hottest((run) => run.course.peak.celsius) },
    ...runs.at(-1)!.cores.map(({ code, limit }, k): CureLimit => {
      // The same core is another slice of each go; where it does not lie yet it is not warmed.
      const warmed = (run: (typeof runs)[number]) => run.course.slicePeaks[run.cores[k]?.slice ?? -1] ?? plan.start;
      return { what: 'core', name: code, limit, hottest: hottest(warmed) };
    }),
    { what: 'mould', name: 'the mould', limit: plan.mouldLimit, hottest: hottest((run) => run.course.slicePeaks[0]!) },
  ];
  if (bagged) {
    const surface = hottest((run) => Math.max(...run.course.moments.map((one) => Math.max(one.air, one.surface))));
    limits.push({ what: 'bag', name: 'bag and tape', limit: plan.bagLimit, hottest: surface });
  }
  const thickness = (from: number, to: number) =>
    layers.slice(from, to).reduce((sum, one) => sum + (one.material.kind === 'fabric' ? one.thickness : 0), 0);
  return {
    zoneId: zone.id,
    name: zone.name,
    laminate,
    shots: runs.map(({ from, to, course: own }) => ({
      from,
      to,
      thickness: thickness(from, to),
      peak: own.peak.celsius,
    })),
    course,
    gel: slowest((now) => now.degree >= gelDegree),
    demould: latest(courses.map((one) => sinceWhen(one, (now) => isCured(now) && isStiff(now)))),
    warm: ends.every(isCured) && !ends.every(isStiff),
    tackEnds: quickest(tackEnds),
    abrade: quickest(abrade),
    degree,
    tg: glassTransition(cure, degree),
    lag: Math.max(0, ...courses.flatMap(({ moments }) => moments.map(({ air: now, coolest }) => now - coolest))),
    limits,
  };
}

/** When something first holds (s); null where it does not by the end. */
const timeOf = ({ moments }: CureCourse, by: (moment: CureMoment) => boolean): number | null =>
  moments.find(by)?.time ?? null;

/** From when on something holds to the end (s); null where it does not at the end. */
const sinceWhen = ({ moments }: CureCourse, by: (moment: CureMoment) => boolean): number | null =>
  moments[moments.findLastIndex((now) => !by(now)) + 1]?.time ?? null;

/** The last of several times; null where one of them never comes. */
export const latest = (times: readonly (number | null)[]): number | null =>
  times.reduce((last, time) => (last === null || time === null ? null : Math.max(last, time)), 0);

/** The first of several times that come; null where none does. */
function earliest(times: readonly (number | null)[]): number | null {
  const there = times.filter((time) => time !== null);
  return there.length > 0 ? Math.min(...there) : null;
}

/**
 * Most cloth that may go down at once (m), in whole layers: no more than keeps laminate and cores below their limits;
 * null where even one layer is too much, or nothing has to wait.
 */
export function thickestShot(
  evaluation: Pick<ZoneEvaluation, 'layers'>,
  given: Parameters<typeof zoneCure>[1],
): { most: number | null; allAtOnce: boolean } {
  const tooHot = (shot: number | null) => {
    const found = zoneCure(evaluation, { ...given, plan: { ...given.plan, shot } });
    return found !== null && found.limits.some(({ what, limit, hottest }) => what !== 'bag' && hottest > limit);
  };
  if (!tooHot(null)) return { most: null, allAtOnce: true };
  const cloths = evaluation.layers.filter(({ material }) => material.kind === 'fabric').map((one) => one.thickness);
  const sums = [...new Set(cloths.map((_, i) => cloths.slice(0, i + 1).reduce((sum, one) => sum + one, 0)))];
  let [low, high] = [-1, sums.length - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (tooHot(sums[middle]! + 1e-9)) high = middle;
    else low = middle;
  }
  return { most: low < 0 ? null : sums[low]!, allAtOnce: false };
}
