import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decimalSign, findHeads, guessColumns, headUnits, numberText, recall, takeTable } from '.';

const isUnit = (cell: string) => ['mm', 'g/m²', '(kg)'].includes(cell);

describe('where a table is in a sheet', () => {
  const sheet = {
    name: 'Prices',
    rows: [
      ['Estuary Supplies', '', ''],
      ['Valid from 2026-10-01', '', '', 'page 1'],
      [],
      ['Article', 'Weight', 'Width', 'Price'],
      ['', 'g/m²', 'mm', ''],
      ['BIAXIAL'],
      ['Bias 600', '600', '1270', '4.10'],
      [],
      ['Article', 'Weight', 'Width', 'Price'],
      ['ROVINGS', ''],
      ['WR 800', '800', '1000', '3.20'],
    ],
  };
  it('heads stand below titles and dates; units below them join them; titles go with their rows', () => {
    const at = findHeads(sheet.rows);
    expect(at).toBe(3);
    const table = takeTable(sheet, at, isUnit);
    expect(table.heads).toEqual(['Article', 'Weight (g/m²)', 'Width (mm)', 'Price']);
    expect(table.rows.map(([name]) => name)).toEqual(['Bias 600', 'WR 800']);
    expect(table.numbers).toEqual([7, 11]);
    expect(table.titles).toEqual(['BIAXIAL', 'ROVINGS']);
  });
  it('heads that stand twice, or nowhere, are told apart', () => {
    expect(
      takeTable(
        {
          name: '',
          rows: [
            ['Price', '', 'Price'],
            ['1', '2', '3'],
          ],
        },
        0,
      ).heads,
    ).toEqual(['Price', 'Column 2', 'Price (2)']);
  });
  it('of a grid of figures the first row is taken', () => {
    expect(
      findHeads([
        ['', '0', '1', '2'],
        ['Keel', '0.1', '0.2', '0.3'],
        ['WL 1', '1', '1', '1'],
      ]),
    ).toBe(0);
  });
  it('never fails, whatever stands in the cells', () => {
    fc.assert(
      fc.property(fc.array(fc.array(fc.string(), { maxLength: 6 }), { maxLength: 12 }), (rows) => {
        const table = takeTable({ name: '', rows }, findHeads(rows), isUnit);
        expect(new Set(table.heads).size).toBe(table.heads.length);
        expect(table.rows.every((row) => row.length === table.heads.length)).toBe(true);
      }),
    );
  });
});

describe('how numbers are written', () => {
  it.each([
    [[['3,85', '1.200']], ','],
    [[['3.85', '1,200']], '.'],
    [[['1.200.000']], ','],
    [[['1,200']], '.'],
    [[['0,125 €']], ','],
    [[['600/300', '3/4 oz', 'text, with commas']], '.'],
    [[['€ 12,50', '1.200,00']], ','],
  ] as const)('%j parts the fraction with %s', (rows, sign) => expect(decimalSign(rows)).toBe(sign));
  it.each([
    ['€ 1.200,50 /kg', ',', '1200.50 /kg'],
    ["1'200.5", '.', '1200.5'],
    ['1 200,5 g/m²', ',', '1200.5 g/m²'],
    ['17 oz/yd2', '.', '17 oz/yd2'],
    ['3/4 oz', '.', '3/4 oz'],
    ['600/300', '.', '600/300'],
    ['−0,5', ',', '-0.5'],
    ['on request', '.', 'on request'],
    ['$4.10', '.', '4.10'],
  ] as const)('%s with %s is %s', (cell, sign, text) => expect(numberText(cell, sign)).toBe(text));
  it('any number comes back from either way of writing it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 5_000_000 }), (thousandths) => {
        const value = thousandths / 1000;
        const [whole, part] = value.toFixed(3).split('.') as [string, string];
        const grouped = whole.replace(/\B(?=(\d{3})+$)/g, '.');
        expect(Number(numberText(`${grouped},${part}`, ','))).toBe(value);
        expect(Number(numberText(`${grouped.replaceAll('.', ',')}.${part}`, '.'))).toBe(value);
      }),
    );
  });
});

describe('what heads mean', () => {
  it('is told by their words in any order, each head once, best fits first', () => {
    const names = { name: ['name', 'artikel'], weight: ['weight', 'gewicht', 'poids'], roll: ['roll weight'] };
    expect(guessColumns(['Roll weight', 'ARTIKEL Nr', 'Gewicht (g/m²)', 'Colour'], names)).toEqual({
      roll: 'Roll weight',
      name: 'ARTIKEL Nr',
      weight: 'Gewicht (g/m²)',
    });
    expect(guessColumns(['Poids'], names)).toEqual({ weight: 'Poids' });
  });
  it('and the unit at their end', () => {
    expect(headUnits('Areal weight (oz/yd²)')[0]).toBe('oz/yd²');
    expect(headUnits('Width, mm')).toContain('mm');
    expect(headUnits('Width in mm')).toContain('mm');
  });
  it('is remembered for a table with the same heads, for the same purpose', () => {
    const kept = [{ purpose: 'materials' as const, heads: ['Name', 'GSM'], choices: { kind: 'fabric' } }];
    expect(recall(kept, 'materials', ['name', 'gsm'])).toEqual({ kind: 'fabric' });
    expect(recall(kept, 'offsets', ['Name', 'GSM'])).toBeNull();
    expect(recall(kept, 'materials', ['Name', 'GSM', 'Price'])).toBeNull();
  });
});
