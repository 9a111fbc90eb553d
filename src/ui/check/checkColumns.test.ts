import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { wooden } from '../../../tests/helpers/wooden';
import { makeEvaluator, OWN_PROOFS } from '@/core/evaluate';
import { CHECKS, type CheckId } from '@/core/standard';
import { checkColumns, checkIn } from './checkColumns';

/** Match and analysis have columns of their own, whether or not the brief asks for them. */
const OWN: readonly CheckId[] = ['byMatch', 'byAnalysis', 'analysisDeflection'];

describe('the columns of the compliance sheet', () => {
  it.each([merrow(), brant(), wooden()])('hold every check of every zone once: $name', (boat) => {
    const evaluations = makeEvaluator()(boat);
    const columns = checkColumns(boat, evaluations);
    expect(new Set(columns.map(({ key }) => key)).size).toBe(columns.length);
    for (const evaluation of evaluations.values())
      for (const check of evaluation.checks) {
        const own = columns.filter(({ ids, pack }) => pack === check.pack && ids.includes(check.id));
        expect(own, check.id).toHaveLength(1);
        // The least of a column is what it shows.
        expect(checkIn(evaluation, own[0]!)!.reserveFactor).toBeLessThanOrEqual(check.reserveFactor);
      }
  });
  it('have a place for every check that there is', () => {
    const boat = merrow();
    const [pack] = boat.packs;
    const ids = (Object.keys(CHECKS) as CheckId[]).filter((id) => !OWN.includes(id));
    for (const id of ids) {
      const check = { id, pack: pack!.id, panel: '', demand: 1, capacity: 2, quantity: 'ratio' as const };
      const evaluation = {
        ...makeEvaluator()(boat).values().next().value!,
        checks: [{ ...check, reserveFactor: 2, governs: '' }],
      };
      expect(checkColumns(boat, new Map([['z', evaluation]])), id).toHaveLength(1);
    }
  });
  it('leave out what no zone of the boat has, and what no pack asks for', () => {
    expect(checkColumns(merrow(), new Map())).toEqual([]);
    const boat = merrow();
    const asked = { ...boat, brief: { ...boat.brief, proofs: { rule: true, match: false, analysis: true } } };
    const evaluations = makeEvaluator()(asked);
    expect([...evaluations.values()].some(({ checks }) => checks.some(({ pack }) => pack === OWN_PROOFS))).toBe(true);
    expect(checkColumns(asked, evaluations)).toEqual(checkColumns(boat, makeEvaluator()(boat)));
  });
});
