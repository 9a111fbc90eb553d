import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { calculate, costOf } from '@/core/calc';
import { KeramosError } from '@/core/error';
import { readMesh } from '@/server/mesh/readMesh';
import { readTable } from '@/server/table/readTable';
import { compute } from '@/server/threads/compute';

/** Small files that would hang or kill a server. None may take long or much; each ends in an answer or in words. */
const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
const OFFICE = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
const PACKAGE = 'http://schemas.openxmlformats.org/package/2006';
const relation = (type: string, target: string) =>
  strToU8(
    `<Relationships xmlns="${PACKAGE}/relationships">` +
      `<Relationship Id="rId1" Type="${OFFICE}/${type}" Target="${target}"/></Relationships>`,
  );
const workbook = (sheet: string) =>
  zipSync({
    '[Content_Types].xml': strToU8(`<Types xmlns="${PACKAGE}/content-types"></Types>`),
    '_rels/.rels': relation('officeDocument', 'xl/workbook.xml'),
    'xl/workbook.xml': strToU8(
      `<workbook xmlns="${MAIN}" xmlns:r="${OFFICE}">` +
        '<sheets><sheet name="S" sheetId="1" r:id="rId1"/></sheets></workbook>',
    ),
    'xl/_rels/workbook.xml.rels': relation('worksheet', 'worksheets/sheet1.xml'),
    'xl/worksheets/sheet1.xml': strToU8(`<worksheet xmlns="${MAIN}">${sheet}</worksheet>`),
  });
const cell = (place: string, value: string) => `<c r="${place}" t="inlineStr"><is><t>${value}</t></is></c>`;
const rows =
  `<row r="1">${cell('A1', 'Name')}${cell('B1', 'Width')}</row>` +
  `<row r="2">${cell('A2', 'Tape')}${cell('B2', '0.05')}</row>`;
const table = { heads: ['Name', 'Width'], rows: [['Tape', '0.05']] };
const many = (count: number, of: (i: number) => string) => Array.from({ length: count }, (_, i) => of(i)).join('');

const READ: [string, string][] = [
  ['a merged range over the whole sheet', `<mergeCells count="1"><mergeCell ref="A1:XFD1048576"/></mergeCells>`],
  [
    'a list to choose from over the whole sheet',
    '<dataValidations count="1"><dataValidation type="list" sqref="A1:XFD1048576"><formula1>"a"</formula1>' +
      '</dataValidation></dataValidations>',
  ],
  ['a format over the whole sheet', '<conditionalFormatting sqref="A1:XFD1048576"></conditionalFormatting>'],
  ['many columns of a width', `<cols>${many(3000, (i) => `<col min="${i + 1}" max="16384" width="9"/>`)}</cols>`],
];
const REFUSED: [string, string, string][] = [
  [
    'a cell in the last column of many rows',
    many(900, (i) => `<row r="${i + 3}">${cell(`XFD${i + 3}`, 'x')}</row>`),
    'column 16384',
  ],
  ['a cell in the last row', `<row r="1048576">${cell('A1048576', 'x')}</row>`, 'row 1048576'],
  ['an empty row far below', '<row r="900000"></row>', 'row 900000'],
];

describe('workbooks', () => {
  it.each(READ)('with %s are read as what stands in their cells', async (_what, extra) => {
    const before = extra.startsWith('<cols') ? extra : '';
    const after = before ? '' : extra;
    const [sheet] = await readTable(workbook(`${before}<sheetData>${rows}</sheetData>${after}`), 'a.xlsx');
    expect(sheet!.rows).toEqual([table.heads, ...table.rows]);
  });
  it.each(REFUSED)('with %s are refused with the place', async (_what, more, words) => {
    const file = workbook(`<sheetData>${rows}${more}</sheetData>`);
    await expect(readTable(file, 'a.xlsx')).rejects.toMatchObject({
      code: 'tooLarge',
      message: expect.stringContaining(words) as string,
    });
  });
  it('whose tags lie across the pieces in which they are unpacked are counted all the same', async () => {
    const file = workbook(
      `<sheetData>${' '.repeat(65_530)}${rows}${many(5100, (i) => `<row r="${i + 3}"/>`)}</sheetData>`,
    );
    await expect(readTable(file, 'a.xlsx')).rejects.toThrow('row 5002');
  });
  it('packed of thousands of files are refused', async () => {
    const files = Object.fromEntries(Array.from({ length: 2500 }, (_, i) => [`xl/media/${i}.bin`, strToU8('x')]));
    await expect(readTable(zipSync(files), 'a.xlsx')).rejects.toThrow('more than 2000 files');
  });
});

const bytes = (text: string) => new TextEncoder().encode(text);
const PLACED = { unit: 'm', forward: '+x', up: '+z' } as const;
const facet = 'facet normal 0 0 1 outer loop vertex 0 0 0 vertex 1 0 0 vertex 0 1 1 endloop endfacet\n';
const refusal = (work: () => unknown): string => {
  try {
    work();
  } catch (error) {
    expect(error).toBeInstanceOf(KeramosError);
    return (error as KeramosError).message;
  }
  throw new Error('It was read');
};

describe('meshes', () => {
  it.each([
    ['has no end', `solid hull\n${facet.repeat(3)}${'facet '.repeat(400_000)}`, 'damaged'],
    ['opens a solid again and again', 'solid facet endfacet '.repeat(200_000), 'cut off'],
    ['holds one facet without end', `solid hull\nfacet ${'vertex 1 '.repeat(400_000)}`, 'no end'],
    ['holds a facet as long as a book', `solid hull\nfacet ${'1'.repeat(5000)} endfacet endsolid`, 'too long'],
    ['holds nothing', 'solid facet\nendsolid', 'stands where it cannot'],
    ['holds too many', `solid hull\n${'facet endfacet\n'.repeat(200_001)}endsolid`, 'more than the 200000'],
  ])('an STL text that %s is refused in one pass', (_what, text, words) => {
    expect(refusal(() => readMesh(bytes(text), 'a.stl', PLACED))).toContain(words);
  });
  it.each([
    ['of 300,000 objects', 'o a\nv 0 0 0\nf 1 1 1\n'.repeat(300_000), 'pieces'],
    ['of too many corners', `${'v 0 0 0\n'.repeat(600_001)}f 1 2 3`, 'corners'],
    ['of one face of too many corners', `v 0 0 0\nf ${'1 '.repeat(200_010)}`, 'triangles'],
    ['of one endless line', `v 0 0 0 ${'1'.repeat(3_000_000)}`, 'no faces'],
  ])('an OBJ %s is refused in one pass', (_what, text, words) => {
    expect(refusal(() => readMesh(bytes(text), 'a.obj', PLACED))).toContain(words);
  });
});

describe('calculations', () => {
  const plate = { length: 1.2, breadth: 0.8, pressure: 1e4, edges: 'clamped', D11: 1000, D12: 300, D22: 900, D66: 350 };
  it('that would take hours are refused with how long, before they begin', async () => {
    const batch = Array.from({ length: 10_000 }, () => ({ ...plate, terms: 32 }));
    await expect(compute('panel.pressure', batch)).rejects.toMatchObject({
      code: 'tooLarge',
      message: expect.stringMatching(/about \d+ (hours|minutes); a request is given a minute/) as string,
    });
  });
  it('cost more the more is asked, and a few small ones nothing', () => {
    const cost = (terms: number) => costOf('panel.buckling', { ...plate, load: 'uniaxialX', terms });
    expect(cost(32)).toBeGreaterThan(10 * cost(20));
    expect(costOf('panel.pressure', [plate, plate])).toBeCloseTo(2 * costOf('panel.pressure', plate), 9);
    expect(costOf('tabbing.shear', { load: 1, length: 1, overlap: 1, strips: 1 })).toBeLessThan(1);
  });
  it.each([null, 7, 'x', [], [null, { plies: 'many' }], { terms: 'NaN' }, { terms: 1e308 }])(
    'have a finite cost whatever is asked: %j',
    (input) => {
      for (const name of ['panel.pressure', 'laminate.progressive', 'bolt.joint']) {
        expect(Number.isFinite(costOf(name, input))).toBe(true);
        expect(costOf(name, input)).toBeGreaterThanOrEqual(0);
      }
    },
  );
  it('within the limit are answered as ever', async () => {
    const input = { load: 45_000, length: 1.2, overlap: 0.075, strips: 2 };
    expect(await compute('tabbing.shear', input)).toEqual(calculate('tabbing.shear', input));
  });
});
