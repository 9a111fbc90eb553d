import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { wooden } from '../../../tests/helpers/wooden';
import { makeEvaluator, OWN_PROOFS } from '@/core/evaluate';
import { CHECKS, type CheckId } from '@/core/standard';
import { checkColumns, checkIn } from './checkColumns';

/** Match and analysis have columns of their own, whether or not the brief asks for them. */
const OWN: readonly CheckId[] = ['byMatch', 'byAnalysis', 'analysisDeflection', 'typedLoad'];

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
  it('hold strength under a load that is typed for a zone, beside the packs', () => {
    const boat = merrow();
    const load = { N: [20e3, 0, 0], M: [0, 0, 0], V: 0 } as const;
    const zones = boat.parts[0]!.zones.map((zone, i) =>
      i === 0 ? { ...zone, load: { ...load, N: [...load.N], M: [...load.M] } as typeof zone.load } : zone,
    );
    const typed = { ...boat, parts: [{ ...boat.parts[0]!, zones }, ...boat.parts.slice(1)] };
    const column = checkColumns(typed, makeEvaluator()(typed)).at(-1)!;
    expect(column).toMatchObject({ pack: OWN_PROOFS, ids: ['typedLoad'], head: 'Load typed under Analysis' });
    expect(checkColumns(boat, makeEvaluator()(boat)).some(({ pack }) => pack === OWN_PROOFS)).toBe(false);
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
