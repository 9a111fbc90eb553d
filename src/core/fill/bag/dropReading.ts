import { z } from 'zod';
import { bounded, idSchema, text } from '../../field';
import { dropTest, type DropResult } from './dropTest';
import type { Filling } from '../filling';

const pressure = (label: string) => bounded(label, [1, 110_000], 'Pa', { quantity: 'pressure' });
const celsius = (label: string) => bounded(label, [-20, 60], '°C').nullable();

/** A drop test of the bag over one part of one hull: a fact, corrected by a later one and never changed. */
export const dropTestSchema = z.strictObject({
  /** Given by whoever reads it; the same again is the same fact. */
  id: idSchema,
  /** The plan by which the part is filled. */
  plan: z.string().min(1).max(60),
  /** Which hull of the series; empty where there is one. */
  hull: text('Hull', 40),
  day: z.iso.date('A day is wanted: 2026-11-29'),
  start: pressure('Under the bag at the start'),
  end: pressure('Under the bag at the end'),
  minutes: bounded('Minutes between', [0.5, 1440], 'min'),
  startCelsius: celsius('Temperature at the start'),
  endCelsius: celsius('Temperature at the end'),
  /** By what it was read. */
  instrument: text('Read by', 60),
  /** m³ under the bag and s until gel, as the plan had them. */
  volume: bounded('Volume under the bag', [1e-5, 20], 'm³', { quantity: 'volume' }),
  gel: bounded('Time until gel', [60, 1e6], 's', { quantity: 'duration' }),
  note: text('Note', 300),
  corrects: idSchema.nullable(),
  void: z.boolean(),
});
export type DropTest = z.infer<typeof dropTestSchema>;
export type KeptDropTest = DropTest & { author: string; at: string };

/** Drop tests that stand: without those that were corrected or taken back, the latest first. */
export function standingTests<T extends DropTest & { at: string }>(tests: readonly T[]): T[] {
  const corrected = new Set(tests.flatMap(({ corrects }) => (corrects === null ? [] : [corrects])));
  return tests.filter((one) => !corrected.has(one.id) && !one.void).sort((a, b) => b.at.localeCompare(a.at));
}

/**
 * Whether resin may be mixed for a hull: its last drop test counts, for a bag that is opened and closed again is
 * another one.
 *
 * @param gel s until gel as the plan has it now: of a resin that lives longer than that of the test, more air leaks in.
 * @param drives Pa that the plan counts on.
 */
export function mayBeMixed(
  tests: readonly KeptDropTest[],
  { plan, hull, filling, gel, drives }: { plan: string; hull: string; filling: Filling; gel: number; drives?: number },
): { test: KeptDropTest; result: DropResult } | null {
  const [last] = standingTests(tests).filter((one) => one.plan === plan && one.hull === hull);
  const given = last && { volume: last.volume, gel: Math.max(last.gel, gel), drives, filling };
  return given ? { test: last, result: dropTest(last, given) } : null;
}
