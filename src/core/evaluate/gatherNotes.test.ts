import { describe, expect, it } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import { gatherNotes, makeEvaluator } from '.';

describe('notes of many zones', () => {
  it('are one list: what is said of several things is said once, in the order in which it first came', () => {
    expect(gatherNotes(['Openings', 'Held by: A', 'Point loads', 'Held by: B; A', 'Openings'])).toEqual([
      'Openings',
      'Held by: A; B',
      'Point loads',
    ]);
    expect(gatherNotes(['Time: 12: 30', 'Time: 12: 40'])).toEqual(['Time: 12: 30; 12: 40']);
    expect(gatherNotes([])).toEqual([]);
  });
  it('lose no word of the boat, and say each thing once', () => {
    const all = [...makeEvaluator()(merrow()).values()].flatMap(({ notChecked }) => notChecked);
    const gathered = gatherNotes(all);
    const text = gathered.join('\n');
    for (const note of all) for (const said of note.split(/: |; /)) expect(text, note).toContain(said);
    const heads = gathered.map((one) => one.split(': ')[0]);
    expect(new Set(heads).size).toBe(heads.length);
    expect(gathered.length).toBeLessThan(new Set(all).size / 2);
  });
});
