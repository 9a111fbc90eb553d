import { DEFECT_KINDS, type BuildState, type DefectKind } from '../build';
import { control, outlier } from '../record';
import { shareRead, type BuildLog } from './buildLog';

/** A hull with its log, as the yard looks back on it. */
export interface LoggedBuild {
  boat: string;
  hull: string;
  state: BuildState;
  log: BuildLog;
}

/** One figure over the hulls in the order in which they were built, with the limits of chance. */
export interface Series {
  name: string;
  unit: '' | 'share';
  /** What was planned: 1 for ratios; null where nothing is. */
  target: number | null;
  points: { hull: string; value: number }[];
  limits: { centre: number; lower: number; upper: number; outside: number[] } | null;
  /** Of three or more, the one that chance does not explain (Grubbs, 5 %). */
  outlier: number | null;
}

/** @param points in order; limits from three points on: two always agree with one another. */
function seriesOf(name: string, target: number | null, points: Series['points']): Series {
  const values = points.map(({ value }) => value);
  return {
    name,
    unit: '',
    target,
    points,
    limits: values.length > 2 ? control(values) : null,
    outlier: values.length > 2 ? outlier(values).index : null,
  };
}

export interface YardView {
  series: Series[];
  /** Steps that were done without anything taken back or released, of those that are done. */
  firstPass: { passed: number; done: number };
  defects: { kind: DefectKind; name: string; number: number; steps: string[] }[];
  hours: { planned: number; read: number };
  /** Resin mixed and thrown away (kg). */
  resin: { mixed: number; thrown: number };
}

const has = <T>(values: readonly (T | null)[]): T[] => values.filter((value) => value !== null);

/** All hulls of one boat together. @param builds in the order in which they were begun. */
export function yardView(builds: readonly LoggedBuild[]): YardView {
  const over = (name: string, target: number | null, of: (build: LoggedBuild) => number | null): Series[] => {
    const points = builds.flatMap((build) => {
      const value = of(build);
      return value === null ? [] : [{ hull: build.hull, value }];
    });
    return points.length > 0 ? [seriesOf(name, target, points)] : [];
  };
  const partIds = [...new Set(builds.flatMap(({ log }) => log.parts.map(({ partId }) => partId)))];
  const partOf = ({ log }: LoggedBuild, id: string) => log.parts.find(({ partId }) => partId === id);
  const nameOf = (id: string) => has(builds.map((build) => partOf(build, id)?.name ?? null))[0]!;
  const series = partIds.flatMap((id) => [
    ...over(`${nameOf(id)}: weighed over planned`, 1, (build) => {
      const part = partOf(build, id);
      return part?.mass.weighed ? part.mass.weighed.mass / part.mass.planned : null;
    }),
    ...over(`${nameOf(id)}: resin mixed over planned`, 1, (build) => {
      const part = partOf(build, id);
      return part && part.resin.mixed > 0 && part.resin.planned > 0 ? part.resin.mixed / part.resin.planned : null;
    }),
    ...over(`${nameOf(id)}: bag’s loss over its limit`, null, (build) => {
      const drop = partOf(build, id)?.drop;
      return drop ? drop.perMinute / drop.limit : null;
    }),
    ...over(`${nameOf(id)}: fibre share over planned`, 1, (build) => {
      const zones = partOf(build, id)?.zones ?? [];
      const ratios = has(
        [...new Set(zones.map(({ zone }) => zone))].map((zone) => {
          const read = shareRead(zones, zone.id);
          return read && zone.fibreShare > 0 ? read.share / zone.fibreShare : null;
        }),
      );
      return ratios.length > 0 ? ratios.reduce((a, b) => a + b, 0) / ratios.length : null;
    }),
  ]);
  const steps = builds.flatMap(({ state }) => [...state.steps.values()]).filter(({ done }) => done !== null);
  const faulty = new Set(
    builds.flatMap(({ state, hull }) => [...state.defects.values()].map(({ record }) => `${hull}|${record.body.step}`)),
  );
  const passed = builds.reduce(
    (sum, { state, hull }) =>
      sum +
      [...state.steps.values()].filter(
        ({ done, released, step }) => done !== null && released.length === 0 && !faulty.has(`${hull}|${step.id}`),
      ).length,
    0,
  );
  const kinds = Object.keys(DEFECT_KINDS) as DefectKind[];
  const all = builds.flatMap(({ state }) =>
    [...state.defects.values()].map(({ record }) => {
      const step = record.body.step === null ? undefined : state.steps.get(record.body.step);
      return { kind: record.body.kind, step: step?.step.name ?? 'no step' };
    }),
  );
  const parts = builds.flatMap(({ log }) => log.parts);
  const sum = (of: (part: (typeof parts)[number]) => number) => parts.reduce((total, part) => total + of(part), 0);
  return {
    series,
    firstPass: { passed, done: steps.length },
    defects: kinds
      .map((kind) => {
        const own = all.filter((one) => one.kind === kind);
        const names = [...new Set(own.map(({ step }) => step))];
        return { kind, name: DEFECT_KINDS[kind], number: own.length, steps: names };
      })
      .filter(({ number }) => number > 0)
      .sort((a, b) => b.number - a.number),
    // Hours count where both are known: a hull whose hours nobody wrote down says nothing.
    hours: {
      planned: sum(({ hours }) => (hours.read === null ? 0 : hours.planned)),
      read: sum(({ hours }) => hours.read ?? 0),
    },
    resin: { mixed: sum(({ resin }) => resin.mixed), thrown: sum(({ resin }) => resin.thrown) },
  };
}
