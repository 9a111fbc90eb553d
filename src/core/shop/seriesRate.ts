import type { StepKind } from '../build';

/** Work of one hull by kind (h), and who may do it for how many hours a week. */
export interface SeriesInput {
  /** Turn of every mould of a hull (days of the calendar), and how many such moulds there are. */
  moulds: readonly { name: string; days: number }[];
  work: Readonly<Partial<Record<StepKind, number>>>;
  people: readonly { name: string; hours: number; may: readonly StepKind[] }[];
}
export interface SeriesRate {
  /** Hulls a week that moulds and hands allow, and each by itself; null where nothing limits or is known. */
  perWeek: number | null;
  byMould: { name: string; perWeek: number }[];
  byHands: { kinds: StepKind[]; hours: number; capacity: number; perWeek: number } | null;
  /** What limits, in words. */
  limit: string;
}

/** Most kinds of work, each of which is with or without: two to that power are tried. */
const subsets = (kinds: readonly StepKind[]): StepKind[][] =>
  Array.from({ length: 2 ** kinds.length - 1 }, (_, i) => kinds.filter((__, k) => ((i + 1) >> k) & 1));

/**
 * How many hulls a week a series comes to at most. A mould gives one part a turn. Hands may be shared out in any way
 * as long as everybody does only what they may: that works exactly while for every choice of kinds of work, all who
 * may do any of them have the hours for all of it.
 *
 * @example seriesRate({ moulds: [{ name: 'M1', days: 7 }], work: {}, people: [] }).perWeek // 1
 * Source: feasibility of a transport of goods (Gale 1957): supply of every set of sinks covers its demand.
 */
export function seriesRate({ moulds, work, people }: SeriesInput): SeriesRate {
  const byMould = moulds
    .filter(({ days }) => days > 0)
    .map(({ name, days }) => ({ name, perWeek: 7 / days }))
    .sort((a, b) => a.perWeek - b.perWeek);
  const kinds = (Object.keys(work) as StepKind[]).filter((kind) => (work[kind] ?? 0) > 0);
  const byHands =
    people.length === 0
      ? null
      : subsets(kinds).reduce<SeriesRate['byHands']>((least, some) => {
          const hours = some.reduce((sum, kind) => sum + work[kind]!, 0);
          const able = people.filter(({ may }) => may.some((kind) => some.includes(kind)));
          const capacity = able.reduce((sum, person) => sum + person.hours, 0);
          const found = { kinds: some, hours, capacity, perWeek: capacity / hours };
          // Of two that limit alike, the one with fewer kinds says more.
          return least === null || found.perWeek < least.perWeek - 1e-12 ? found : least;
        }, null);
  const mould = byMould[0];
  const candidates = [mould?.perWeek, byHands?.perWeek].filter((value) => value !== undefined);
  if (candidates.length === 0) return { perWeek: null, byMould, byHands, limit: 'nothing known limits it' };
  const perWeek = Math.min(...candidates);
  const limit = mould && mould.perWeek <= perWeek ? `mould ${mould.name}` : 'hands';
  return { perWeek, byMould, byHands, limit };
}
