import { zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { readTable } from './readTable';
import { writeCsv, writeWorkbook, writeXlsx } from './writeTable';

const bytes = (text: string) => new TextEncoder().encode(text);
const heads = ['Name', 'Density (kg/m³)', 'Note'];
const rows = [
  ['Foam, "own"', 80, '=SUM(A1)'],
  ['−45° tape', 0.05, ''],
];
const texts = rows.map((row) => row.map(String));

describe('tables of files', () => {
  it('come back from CSV and XLSX as they went out, formulas as plain text', async () => {
    expect(await readTable(bytes(writeCsv(heads, rows)), 'shelf.csv')).toEqual([{ name: '', rows: [heads, ...texts] }]);
    const xlsx = await writeXlsx('Shelf', heads, rows);
    expect(await readTable(xlsx, 'shelf.xlsx')).toEqual([{ name: 'Shelf', rows: [heads, ...texts] }]);
    expect(writeCsv(heads, rows)).toContain(`'=SUM`);
  });
  it('understand semicolons, tabs and a byte order mark', async () => {
    const rowsOf = async (file: Uint8Array, name: string) => (await readTable(file, name))[0]!.rows;
    expect(await rowsOf(bytes('\uFEFFName;Width\nA;1,5'), 'a.csv')).toEqual([
      ['Name', 'Width'],
      ['A', '1,5'],
    ]);
    expect(await rowsOf(bytes('Name\tWidth\nA\t2'), 'a.txt')).toEqual([
      ['Name', 'Width'],
      ['A', '2'],
    ]);
  });
  it('understand what older spreadsheets save, and every sheet that holds a table', async () => {
    const latin = new Uint8Array([...bytes('Name;Breite\nK'), 0xf6, ...bytes('per;5')]);
    expect((await readTable(latin, 'alt.csv'))[0]!.rows[1]).toEqual(['Köper', '5']);
    const wide = Buffer.from('\uFEFFName\tWidth\nA\t2', 'utf16le');
    expect((await readTable(wide, 'a.txt'))[0]!.rows[1]).toEqual(['A', '2']);
    const workbook = await writeWorkbook([
      { name: 'Notes', rows: [['Only this']] },
      {
        name: 'Fabrics',
        rows: [
          ['Name', 'gsm'],
          ['A', 600.1],
        ],
      },
      {
        name: 'Cores',
        rows: [
          ['Name', 'Density'],
          ['B', 80],
        ],
      },
    ]);
    const sheets = await readTable(workbook, 'list.xlsx');
    expect(sheets.map(({ name, rows }) => [name, rows[1]![1]])).toEqual([
      ['Fabrics', '600.1'],
      ['Cores', '80'],
    ]);
  });
  it.each([
    ['empty.csv', new Uint8Array(), 'empty'],
    ['heads.csv', bytes('Name,Width'), 'no rows'],
    ['photo.png', new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0, 1, 2, 0xe9]), 'neither text nor'],
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
