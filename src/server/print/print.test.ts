import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { largeBoat } from '../../../tests/helpers/largeBoat';
import { merrow } from '../../../tests/helpers/merrow';
import { applyEdits, evaluateZone, type Boat, type Revision } from '@/core/schedule';
import { scheduleCsv } from './scheduleCsv';
import { schedulePdf } from './schedulePdf';
import { sectionSvg } from './sectionSvg';

const boat = merrow();
const revision: Revision = {
  id: 'r',
  number: 1,
  label: 'A',
  hash: 'f'.repeat(64),
  author: 'I. Hallin',
  note: 'First',
  state: 'stands' as const,
  onFloor: false,
  events: [],
  issuedAt: '2026-11-25T10:00:00Z',
};
const printedAt = new Date('2026-11-25T12:00:00Z');
const rowsOf = (text: string) => Papa.parse<string[]>(text).data;

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
      expect(row.slice(6).map((cell) => cell === 'x')).toEqual(hull.zones.map((zone) => layer.zones.includes(zone.id)));
    });
  });
  it('states the results that the screen shows', () => {
    const reserves = rows
      .find(([, label]) => label === 'Least reserve factor')!
      .slice(6)
      .map(Number);
    const [part] = boat.parts;
    expect(reserves).toEqual(part!.zones.map((zone) => Number(evaluateZone(boat, part!, zone).governing!.reserveFactor.toFixed(2))));
    expect(rows.some(([, label]) => label === 'Fibre fraction by volume')).toBe(true);
  });
  it('runs nothing in a spreadsheet', () => {
    const { boat: sly } = applyEdits(boat, [{ type: 'boat.rename', name: '=HYPERLINK("x")' }]);
    expect(rowsOf(scheduleCsv(sly))[0]![0]).toBe(`'=HYPERLINK("x")`);
  });
});

describe('the schedule as PDF', () => {
  const print = (what: Boat, rev: Revision | null = null, units: 'metric' | 'us' = 'metric') => schedulePdf(what, { revision: rev, units, printedAt });
  it('is made for a draft, a revision, in both unit systems', async () => {
    const [draft, issued, us] = [await print(boat), await print(boat, revision), await print(boat, null, 'us')];
    for (const pdf of [draft, issued, us]) {
      expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
      expect(pdf.subarray(-6).toString()).toContain('%%EOF');
    }
    expect(Math.abs(draft.length - issued.length)).toBeGreaterThan(200);
    expect(us.equals(draft)).toBe(false);
  }, 60_000);
  it('is made for wide parts, empty parts and zones that cannot be checked', async () => {
    const wide = largeBoat(20, 16);
    const bare = applyEdits(
      boat,
      boat.parts[0]!.layers.map((layer) => ({ type: 'layer.remove', layerId: layer.id })),
    ).boat;
    for (const what of [wide, bare, { ...boat, parts: [] }]) expect((await print(what)).subarray(0, 5).toString()).toBe('%PDF-');
  }, 60_000);
});

it('a printed section is to scale and holds no markup from names', () => {
  const [part] = boat.parts;
  const evaluation = evaluateZone(boat, part!, part!.zones[0]!);
  const svg = sectionSvg({ ...evaluation, layers: evaluation.layers.map((laid) => ({ ...laid, material: { ...laid.material, code: '<b>&' } })) }, 5000);
  const heights = [...svg.matchAll(/<rect [^>]*height="([\d.]+)"/g)].map((match) => Number(match[1]));
  expect(heights.reduce((a, b) => a + b)).toBeCloseTo(evaluation.thickness * 5000, 6);
  expect(svg).not.toContain('<b>');
});
