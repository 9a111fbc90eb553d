import { zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { readTable } from './readTable';
import { writeCsv, writeXlsx } from './writeTable';

const bytes = (text: string) => new TextEncoder().encode(text);
const heads = ['Name', 'Density (kg/m³)', 'Note'];
const rows = [
  ['Foam, "own"', 80, '=SUM(A1)'],
  ['−45° tape', 0.05, ''],
];
const texts = rows.map((row) => row.map(String));

describe('tables of files', () => {
  it('come back from CSV and XLSX as they went out, formulas as plain text', async () => {
    expect(await readTable(bytes(writeCsv(heads, rows)), 'shelf.csv')).toEqual({ heads, rows: texts });
    const xlsx = await writeXlsx('Shelf', heads, rows);
    expect((await readTable(xlsx, 'shelf.xlsx')).rows).toEqual(texts);
    expect(writeCsv(heads, rows)).toContain(`'=SUM`);
  });
  it('understand semicolons, tabs and a byte order mark', async () => {
    expect(await readTable(bytes('\uFEFFName;Width\nA;1,5'), 'a.csv')).toEqual({
      heads: ['Name', 'Width'],
      rows: [['A', '1,5']],
    });
    expect((await readTable(bytes('Name\tWidth\nA\t2'), 'a.txt')).rows).toEqual([['A', '2']]);
  });
  it.each([
    ['empty.csv', new Uint8Array(), 'empty'],
    ['heads.csv', bytes('Name,Width'), 'no rows'],
    ['twice.csv', bytes('Name,Name\nA,B'), 'stands twice'],
    ['latin.csv', new Uint8Array([78, 97, 109, 101, 10, 0xe9]), 'UTF-8'],
    ['text.xlsx', bytes('Name,Width\nA,1'), 'no XLSX'],
    ['broken.xlsx', new Uint8Array([0x50, 0x4b, 3, 4, 9, 9, 9]), 'no XLSX'],
    ['other.xlsx', zipSync({ 'a.txt': bytes('hello') }), 'no sheet'],
    ['packed.csv', zipSync({ 'a.txt': bytes('hello') }), 'must be named .xlsx'],
    ['long.csv', bytes(`Name\n${'A\n'.repeat(5100)}`), '5000 rows'],
    ['bomb.xlsx', zipSync({ 'xl/worksheets/sheet1.xml': new Uint8Array(60 * 1024 * 1024) }), 'Unpacked'],
  ] as [string, Uint8Array, string][])('%s is refused in words', async (name, file, words) => {
    await expect(readTable(file, name)).rejects.toMatchObject({
      name: 'KeramosError',
      message: expect.stringContaining(words) as string,
    });
  });
});
