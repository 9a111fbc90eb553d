import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { makeEvaluator } from '@/core/evaluate';
import { checkColumns, checkIn } from './checkColumns';

describe('the columns of the compliance sheet', () => {
  it.each([merrow(), brant()])('hold every check of every zone once: $name', (boat) => {
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
  it('leave out what no zone of the boat has', () => {
    expect(checkColumns(merrow(), new Map())).toEqual([]);
  });
});
