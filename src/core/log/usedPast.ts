import { pastLots, type BuildState, type DatedLot } from '../build';

/** A lot that was used in a build after its last day. */
export interface PastUse extends DatedLot {
  /** The first and the last time that it was used so, ISO 8601. */
  first: string;
  last: string;
  /** In which steps, and by whom. */
  steps: string[];
  people: string[];
}

/**
 * Lots of batches and of pieces that were over on the day on which they went into the boat.
 *
 * @param dated lots of the store that have a last day, as {@link DatedLot} has them.
 * @returns each lot once, the one that was first used so first.
 */
export function usedPast({ pots, steps }: BuildState, dated: readonly DatedLot[]): PastUse[] {
  const nameOf = (step: string) => steps.get(step)?.step.name ?? '';
  const uses = [
    ...pots.map(({ record }) => ({ record, text: record.body.lots })),
    ...[...steps.values()].flatMap(({ laid }) =>
      [...laid.values()].map((record) => ({ record, text: record.body.lot })),
    ),
  ].sort((a, b) => a.record.at.localeCompare(b.record.at));
  const found = new Map<string, PastUse>();
  for (const { record, text } of uses)
    for (const lot of pastLots(text, dated, record.at.slice(0, 10))) {
      const { at, person } = record;
      const key = `${lot.lot}|${lot.material}`;
      const known = found.get(key) ?? { ...lot, first: at, last: at, steps: [], people: [] };
      const own = nameOf(record.body.step);
      if (!known.steps.includes(own)) known.steps.push(own);
      if (!known.people.includes(person)) known.people.push(person);
      found.set(key, { ...known, last: at });
    }
  return [...found.values()];
}
