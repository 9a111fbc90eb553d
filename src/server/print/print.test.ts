import Papa from 'papaparse';
import readSheets from 'read-excel-file/node';
import { describe, expect, it } from 'vitest';
import { largeBoat } from '../../../tests/helpers/largeBoat';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { formatWorkingValue, said, shownReserve, wordsIn } from '@/core/quantity';
import { boatDrawingSvg } from '@/core/drawing';
import { applyEdits } from '@/core/edit';
import type { Revision } from '@/core/revision';
import { drawDetail, evaluateDetail, evaluateDetails, type Detail } from '@/core/detail/kinds';
import { texToText } from '@/core/working';
import { ENGINE, evaluateStiffeners, evaluateZone, makeEvaluator, stackWorking, zoneWorking } from '@/core/evaluate';
import type { Boat } from '@/core/document';
import { writeWorkbook } from '../table/writeTable';
import { scheduleCsv } from './scheduleCsv';
import { scheduleSheets } from './scheduleSheets';
import { runToEnd } from '@/core/job';
import { scheduleDefinition, schedulePdf } from './schedulePdf';
import { detailDxf } from './detailDxf';
import { detailPdf, detailSheet } from './detailPdf';
import { workingPages } from './pages/workingPages';
import { inUnits } from './pdfStyle';
import { sectionSvg } from './sectionSvg';
import DxfParser from 'dxf-parser';

const boat = merrow();
const revision: Revision = {
  id: 'r',
  number: 1,
  label: 'A',
  hash: 'f'.repeat(64),
  author: 'I. Hallin',
  note: 'First',
  engine: null,
  state: 'stands' as const,
  onFloor: false,
  events: [],
  open: null,
  issuedAt: '2026-11-25T10:00:00Z',
};
const printedAt = new Date('2026-11-25T12:00:00Z');
const rowsOf = (text: string) => Papa.parse<string[]>(text).data;

describe('the schedule as a workbook', () => {
  it('has a sheet for what it is, each part, stiffeners, details and materials; numbers are numbers', async () => {
    const sheets = await readSheets(Buffer.from(await writeWorkbook(scheduleSheets(boat, revision))));
    const names = ['About', ...boat.parts.map(({ name }) => name), 'Stiffeners', 'Details', 'Materials'];
    expect(sheets.map(({ sheet }) => sheet)).toEqual(names);
    const rowsOfSheet = (name: string) => sheets.find(({ sheet }) => sheet === name)!.data;
    expect(rowsOfSheet('About').flat()).toContain('A, stands');
    const [heads, ...members] = rowsOfSheet('Stiffeners');
    expect(heads).toContain('Height (mm)');
    const engine = members.find(([name]) => name === 'Inner girder')!;
    expect(engine.slice(9, 11)).toEqual(['peel ply, then abrade', 'carries Engine on its beds']);
    const evaluated = evaluateStiffeners(boat);
    expect(members).toHaveLength(evaluated.length);
    members.forEach((row, i) => {
      const { section, governing } = evaluated[i]!;
      expect(row[3]).toBe(section ? Number((section.height * 1000).toFixed(1)) : null);
      expect(row[11]).toBe(governing ? shownReserve(governing.reserveFactor) : 'not checked');
    });
    const details = rowsOfSheet('Details').slice(1);
    expect(details.map((row) => row[7])).toEqual(
      evaluateDetails(boat).map(({ governing }) => shownReserve(governing!.reserveFactor)),
    );
    expect(details.find(([name]) => name === 'Tow post')![8]).toBe('fails');
  });
  it('calls parts of one name apart, and takes names that no spreadsheet would', async () => {
    const [hull, deck] = boat.parts;
    const odd: Boat = {
      ...boat,
      parts: [hull!, { ...deck!, name: hull!.name }, { ...boat.parts[2]!, name: 'Port/starboard: [1]?' }],
      details: [],
      supports: [],
    };
    const sheets = await readSheets(Buffer.from(await writeWorkbook(scheduleSheets(odd, null))));
    expect(sheets.map(({ sheet }) => sheet)).toEqual(['About', 'Hull', 'Hull 2', 'Port starboard   1', 'Materials']);
    expect(sheets[0]!.data.flat().join(' ')).toContain('DRAFT, not issued');
  });
});

describe('the schedule as CSV', () => {
  const rows = rowsOf(scheduleCsv(boat));
  it('has every layer of every part, with an x where it covers a zone', () => {
    const layers = rows.filter(([number]) => /^\d+$/.test(number!));
    expect(layers).toHaveLength(boat.parts.reduce((sum, part) => sum + part.layers.length, 0));
    const hull = boat.parts[0]!;
    hull.layers.forEach((layer, i) => {
      const row = layers[i]!;
      expect(row[0]).toBe(String(i + 1));
      expect(Number(row[3])).toBe(layer.angleDeg);
      expect(row.slice(8).map((cell) => cell === 'x')).toEqual(hull.zones.map((zone) => layer.zones.includes(zone.id)));
    });
  });
  it('has stiffeners, details, materials and the revision after them', () => {
    const issued = rowsOf(scheduleCsv(boat, { ...revision, open: { points: [], answer: 'As quoted' } }));
    expect(issued.slice(0, 3).map((row) => row.slice(0, 2))).toEqual([
      ['Merrow 84', 'laminate schedule, laying order from the mould face'],
      ['Revision', 'A, stands'],
      ['Issued', '2026-11-25 by I. Hallin'],
    ]);
    expect(issued.some(([head, text]) => head === 'Issued with' && text!.includes('As quoted'))).toBe(true);
    for (const { name } of [...boat.supports, ...boat.details])
      expect(
        rows.some(([first]) => first === name),
        name,
      ).toBe(true);
    expect(rows[1]).toEqual(['Revision', 'DRAFT, not issued: nothing is laid from it']);
  });
  it('states the results that the screen shows', () => {
    const reserves = rows
      .find(([, label]) => label === 'Least reserve factor')!
      .slice(8)
      .map(Number);
    const [part] = boat.parts;
    expect(reserves).toEqual(
      part!.zones.map((zone) => shownReserve(evaluateZone(boat, part!, zone).governing!.reserveFactor)),
    );
    expect(rows.some(([, label]) => label === 'Fibre fraction by volume')).toBe(true);
  });
  it('runs nothing in a spreadsheet', () => {
    const { boat: sly } = applyEdits(boat, [{ type: 'boat.rename', name: '=HYPERLINK("x")' }]);
    expect(rowsOf(scheduleCsv(sly))[0]![0]).toBe(`'=HYPERLINK("x")`);
  });
});

describe('the sheet of a detail', () => {
  const evaluations = evaluateDetails(boat);
  it('says why a detail is refused', () => {
    const tow = boat.details.find(({ id }) => id === 'tow-post')!;
    const refused = evaluateDetail(boat, { ...tow, edgeDistance: 0.004 } as Detail);
    expect(JSON.stringify(detailSheet(boat, refused, 'us'))).toContain('Not checked: ');
  });
  // Content first: printing leaves its marks on the table layout that all share.
  it('is a page or two with its drawing as vectors, its weakest link and its checks', async () => {
    const tow = evaluations.find(({ detail }) => detail.id === 'tow-post')!;
    const words = JSON.stringify(detailSheet(boat, tow, 'metric'));
    expect(words).toContain('(weakest)');
    expect(words).toContain('× FAILS');
    expect(words).toContain('<svg');
    for (const evaluation of evaluations) {
      const pdf = await detailPdf(boat, evaluation, { revision: null, units: 'metric', printedAt });
      expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
      expect(pdf.toString('latin1').match(/\/Type \/Page\b/g)!.length).toBeLessThanOrEqual(2);
    }
  });
  it('is drawn in DXF true to size, in millimetres, on layers of its own', () => {
    for (const { detail } of evaluations) {
      const dxf = new DxfParser().parseSync(detailDxf(drawDetail(boat, detail)!, detail.name))!;
      expect(dxf.header['$INSUNITS']).toBe(4);
      expect(Object.keys(dxf.tables.layer.layers)).toEqual(expect.arrayContaining(['outline', 'dimension', 'text']));
      expect(dxf.entities.length).toBeGreaterThan(8);
    }
    const sheer = new DxfParser().parseSync(
      detailDxf(
        drawDetail(
          boat,
          boat.details.find(({ id }) => id === 'sheer')!,
        )!,
        'Sheer',
      ),
    )!;
    const texts = sheer.entities
      .filter(({ type }) => type === 'TEXT')
      .map((entity) => (entity as unknown as { text: string }).text);
    expect(texts).toEqual(expect.arrayContaining(['60', 'pitch 150']));
  });
});

it('a print says its quantities in its units, however deep they stand, and leaves all else', () => {
  const footer = () => 'foot';
  const content = {
    footer,
    at: printedAt,
    body: [[{ text: `lap ${said(0.05, 'shortLength')}`, width: 3 }], null, 'plain'],
  };
  expect(inUnits(content, 'metric')).toEqual({
    footer,
    at: printedAt,
    body: [[{ text: 'lap 50 mm', width: 3 }], null, 'plain'],
  });
  expect(inUnits(content, 'us').body[0]).toEqual([{ text: 'lap 1.97 in', width: 3 }]);
});

describe('the editions of the schedule', () => {
  const wordsOf = (edition: 'short' | 'full', rev: Revision | null = null) =>
    JSON.stringify(
      runToEnd(
        scheduleDefinition(boat, { revision: rev, units: 'metric', printedAt: printedAt.toISOString(), edition }),
      ).content,
    );
  it('the short one has what a shop builds from, on few pages, and no workings', async () => {
    const [short, full] = [wordsOf('short'), wordsOf('full')];
    for (const part of [
      'Zones and their limits',
      'to the stem; ',
      'Bottom forward',
      'Frame hat 140',
      'Tow post',
      'Materials, net',
      'Cautions',
      'Specified',
      'Members without a section hold panels',
      'nothing is laid from it',
    ])
      expect(short, part).toContain(part);
    expect(short.match(/Not checked: /g)!.length).toBeGreaterThan(boat.details.length);
    expect(short).not.toContain('Every number in SI');
    expect(full).toContain('Every number in SI');
    for (const [what, most] of [
      [boat, 9],
      [brant(), 8],
    ] as const) {
      const options = { revision: null, units: 'us', printedAt: printedAt.toISOString(), edition: 'short' } as const;
      const pdf = await schedulePdf(what, options);
      expect(pdf.toString('latin1').match(/\/Type \/Page\b/g)!.length).toBeLessThanOrEqual(most);
    }
  });
  it('the full one has every step of every zone, its formula once by its number, or says where it stands', () => {
    interface Cell {
      text: string;
    }
    interface Rows {
      table: { body: (string | Cell)[][] };
    }
    const content = runToEnd(workingPages(boat, makeEvaluator()(boat))) as unknown as (Rows & Cell)[];
    const at = (title: string) => content.findIndex((one) => one.text === title);
    const formulas = content
      .slice(at('Formulas'))
      .find((one) => one.table)!
      .table.body.slice(1);
    const zones = content.slice(at('Workings'));
    for (const part of boat.parts)
      for (const zone of part.zones) {
        const where = `${part.name}: ${zone.name}`;
        for (const { title, steps } of [...zoneWorking(boat, part, zone), ...stackWorking(boat, part, zone)]) {
          const from = (name: string) => zones.slice(zones.findIndex(({ text }) => text === name) + 1);
          const there = from(where).find(({ text }) => text === title || text?.startsWith(`${title}: as in `))!;
          const place = there.text === title ? where : there.text.slice(`${title}: as in `.length);
          const own = from(place);
          const rows = own.slice(own.findIndex(({ text }) => text === title))[1]!.table.body;
          steps.forEach((step, i) => {
            const [quantity, , figure, number] = rows[i] as [string, string, Cell, Cell];
            expect(quantity).toBe(step.quantity);
            expect(figure.text).toBe(`${texToText(step.symbol)} = ${formatWorkingValue(step.value, step.unit)}`);
            const formula = formulas[Number(number.text.slice(1, -1)) - 1]!;
            expect(formula[2]).toBe(`${texToText(step.symbol)} = ${texToText(step.formula)}`);
            expect(JSON.stringify(formula[3])).toContain(JSON.stringify(step.source).slice(1, -1));
          });
        }
      }
    expect(new Set(formulas.map((row) => JSON.stringify(row.slice(2)))).size).toBe(formulas.length);
    expect(runToEnd(workingPages({ ...boat, parts: [] }, new Map()))).toEqual([]);
  });
  it('the short one draws every zone that has a place, in the units of the reader', () => {
    for (const what of [boat, brant()]) {
      const svg = boatDrawingSvg(what)!;
      for (const zone of what.parts.filter(({ kind }) => kind === 'hull').flatMap(({ zones }) => zones))
        if (zone.region?.surface === 'hull') expect(svg, zone.name).toContain(`>${zone.name}<`);
      expect(svg).not.toMatch(/NaN|undefined|Infinity/);
      expect(wordsIn(svg, 'us')).toMatch(/>[\d.]+ ft<|>[\d.]+ in</);
    }
    expect(boatDrawingSvg({ ...boat, hull: null } as Boat)).toBeNull();
  });
  it('say with which engine they were computed, and that of the issue where it was another', () => {
    expect(wordsOf('short', { ...revision, engine: ENGINE })).toContain(`engine ${ENGINE}"`);
    expect(wordsOf('short', { ...revision, engine: '2020.1.1' })).toContain('issued with engine 2020.1.1');
    expect(wordsOf('short', revision)).toContain('issued before results were kept');
  });
  it('tell how far they are, and never step back', () => {
    const options = { revision: null, units: 'metric' as const, printedAt: printedAt.toISOString() };
    const steps = [...scheduleDefinition(boat, { ...options, edition: 'full' })].map(({ done }) => done);
    expect(steps.length).toBeGreaterThan(10);
    expect(steps).toEqual([...steps].sort((a, b) => a - b));
  });
});

describe('the schedule as PDF', () => {
  const print = (what: Boat, rev: Revision | null = null, units: 'metric' | 'us' = 'metric') =>
    schedulePdf(what, { revision: rev, units, printedAt: printedAt.toISOString(), edition: 'full' });
  it('is made for a draft, a revision, in both unit systems', async () => {
    const [draft, issued, us] = [await print(boat), await print(boat, revision), await print(boat, null, 'us')];
    for (const pdf of [draft, issued, us]) {
      expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
      expect(pdf.subarray(-6).toString()).toContain('%%EOF');
    }
    expect(Math.abs(draft.length - issued.length)).toBeGreaterThan(200);
    expect(us.equals(draft)).toBe(false);
  });
  it('is made for wide parts, empty parts and zones that cannot be checked', async () => {
    const wide = largeBoat(20, 40);
    const bare = applyEdits(
      boat,
      boat.parts[0]!.layers.map((layer) => ({ type: 'layer.remove', layerId: layer.id })),
    ).boat;
    for (const what of [wide, bare, { ...boat, parts: [] }]) {
      expect((await print(what)).subarray(0, 5).toString()).toBe('%PDF-');
      const short = { revision: null, units: 'metric', printedAt: printedAt.toISOString(), edition: 'short' } as const;
      const { content } = runToEnd(scheduleDefinition(what, short));
      expect(JSON.stringify(content)).not.toMatch(/width=\\"-|NaN/);
      expect((await schedulePdf(what, short)).subarray(0, 5).toString()).toBe('%PDF-');
    }
  });
});

it('a printed section is to scale and holds no markup from names', () => {
  const [part] = boat.parts;
  const evaluation = evaluateZone(boat, part!, part!.zones[0]!);
  const svg = sectionSvg(
    {
      ...evaluation,
      layers: evaluation.layers.map((laid) => ({ ...laid, material: { ...laid.material, code: '<b>&' } })),
    },
    5000,
  );
  const heights = [...svg.matchAll(/<rect [^>]*height="([\d.]+)"/g)].map((match) => Number(match[1]));
  expect(heights.reduce((a, b) => a + b)).toBeCloseTo(evaluation.thickness * 5000, 6);
  expect(svg).not.toContain('<b>');
});
