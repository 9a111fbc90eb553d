import { describe, expect, it } from 'vitest';
import { matched } from '../../../tests/helpers/matched';
import { merrow } from '../../../tests/helpers/merrow';
import { wooden } from '../../../tests/helpers/wooden';
import { newBoat, type Boat, type Brief } from '@/core/document';
import { makeEvaluator, STIFFENER_NOT_CHECKED } from '@/core/evaluate';
import { runToEnd } from '@/core/job';
import { CHECKS } from '@/core/standard';
import { scheduleCsv } from './scheduleCsv';
import { scheduleDefinition, type Edition } from './schedulePdf';
import { scheduleSheets } from './scheduleSheets';

const asking = (boat: Boat, proofs: Brief['proofs']): Boat => ({ ...boat, brief: { ...boat.brief, proofs } });
/** Every set of proofs that a brief may ask for: one of them at least. */
const PROOFS = [1, 2, 3, 4, 5, 6, 7].map((bits) => ({
  rule: (bits & 1) > 0,
  match: (bits & 2) > 0,
  analysis: (bits & 4) > 0,
}));
const ALL = PROOFS.at(-1)!;
const wordsOf = (boat: Boat, edition: Edition) =>
  JSON.stringify(
    runToEnd(scheduleDefinition(boat, { revision: null, units: 'metric', printedAt: '2026-12-01T08:00:00Z', edition }))
      .content,
  );

describe('a print of every brief', () => {
  it.each(PROOFS)('with proofs %o has every check of every zone', (proofs) => {
    const boat = asking(matched(), proofs);
    const words = wordsOf(boat, 'full');
    const found = [...makeEvaluator()(boat).values()].flatMap(({ checks }) => checks);
    expect(found.length).toBeGreaterThan(0);
    for (const { id, pack } of found) {
      const title = boat.packs.slice(1).find((one) => one.id === pack)?.title;
      expect(words).toContain(JSON.stringify(title ? `${CHECKS[id]} (${title})` : CHECKS[id]));
    }
    expect(found.some(({ id }) => id === 'byAnalysis')).toBe(proofs.analysis);
    expect(found.some(({ id }) => id === 'byMatch')).toBe(proofs.match);
  });
  it.each([merrow(), wooden(), newBoat('Tern')])('in both editions and as tables, with every proof: $name', (plain) => {
    const boat = asking(plain, ALL);
    for (const edition of ['short', 'full'] as const) {
      const words = wordsOf(boat, edition);
      for (const { name } of boat.parts.flatMap(({ zones }) => zones)) expect(words).toContain(name);
      // What no check of a stiffener looks at stands where its reserve does.
      expect(words.includes(STIFFENER_NOT_CHECKED)).toBe(boat.supports.some(({ section }) => section !== null));
    }
    expect(scheduleCsv(boat).length).toBeGreaterThan(200);
    expect(scheduleSheets(boat, null).length).toBeGreaterThan(boat.parts.length);
  });
});
