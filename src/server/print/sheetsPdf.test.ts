import { describe, expect, it } from 'vitest';
import { sheetsPdf } from './sheetsPdf';

const pagesOf = (pdf: Buffer) => (pdf.toString('latin1').match(/\/Type \/Page\b/g) ?? []).length;
const rows = (count: number) => [
  ['Piece', 'Length (m)', 'Note'],
  ...Array.from({ length: count }, (_, i) => [i + 1, 1.2345, 'σ ≥ 3']),
];

describe('lists as a PDF', () => {
  it('begin each on a page of its own', async () => {
    const one = await sheetsPdf('Brant 56, kit', [{ name: 'Cut list', rows: rows(3) }]);
    const two = await sheetsPdf('Brant 56, kit', [
      { name: 'Cut list', rows: rows(3) },
      { name: 'Counts', rows: rows(3) },
    ]);
    expect(one.subarray(0, 5).toString()).toBe('%PDF-');
    expect([pagesOf(one), pagesOf(two)]).toEqual([1, 2]);
  });
  it('run on over pages, and bear rows shorter than their head, and no row at all', async () => {
    const long = await sheetsPdf('Long', [{ name: 'Cut list', rows: [...rows(200), ['the end']] }]);
    expect(pagesOf(long)).toBeGreaterThan(3);
    expect(pagesOf(await sheetsPdf('Empty', [{ name: 'Nothing', rows: [] }]))).toBe(1);
  });
});
