import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { makeEvaluator } from '@/core/evaluate';
import { checkColumns, checkIn } from './checkColumns';

describe('the columns of the compliance sheet', () => {
  it.each([merrow(), brant()])('hold every check of every zone once: $name', (boat) => {
    const evaluations = makeEvaluator()(boat);
    const columns = checkColumns(boat, evaluations);
    expect(new Set(columns.map(({ key }) => key)).size).toBe(columns.length);
    for (const evaluation of evaluations.values()) {
      const shown = columns.flatMap((column) => checkIn(evaluation, column) ?? []);
      expect(new Set(shown)).toEqual(new Set(evaluation.checks));
      expect(shown).toHaveLength(evaluation.checks.length);
    }
  });
  it('leave out what no zone of the boat has', () => {
    expect(checkColumns(merrow(), new Map())).toEqual([]);
  });
});
