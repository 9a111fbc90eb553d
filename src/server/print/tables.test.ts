import readSheets from 'read-excel-file/node';
import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { boatCost, USUAL_RATES } from '@/core/cost';
import { evaluateDetails } from '@/core/detail/kinds';
import type { Boat, Space } from '@/core/document';
import { makeEvaluator } from '@/core/evaluate';
import { USUAL_FILLING } from '@/core/fill';
import { kitPieces, mixingPlan, purchaseList, USUAL_CUTTING, USUAL_MIXING } from '@/core/kit';
import { floatIn, massesOf, swamped } from '@/core/weight';
import { writeWorkbook } from '../table/writeTable';
import { kitSheets } from './kitSheets';
import type { Cell, Sheet } from './scheduleSheets';
import { weightSheets } from './weightSheets';

const YARD = { cutting: USUAL_CUTTING, mixing: USUAL_MIXING, filling: USUAL_FILLING, rates: USUAL_RATES, offers: [] };
const sheetOf = (sheets: readonly Sheet[], name: string) => {
  const found = sheets.find((sheet) => sheet.name === name);
  if (!found) throw new Error(`No sheet ${name}: ${sheets.map((sheet) => sheet.name).join(', ')}`);
  return found.rows;
};
const rowOf = (rows: readonly (readonly Cell[])[], name: string): readonly Cell[] => {
  const found = rows.find((row) => row.some((cell) => cell === name));
  if (!found) throw new Error(`No row ${name}`);
  return found;
};
const numbers = (row: readonly Cell[]) => row.filter((cell): cell is number => typeof cell === 'number');
/** Cells that a spreadsheet would take for a formula. */
const formulas = (sheets: readonly Sheet[]) =>
  sheets.flatMap(({ rows }) => rows.flat()).filter((cell) => typeof cell === 'string' && /^[=+\-@\t\r]/.test(cell));
/** Everything that a person may have named, named as an attacker would. */
const hostile = (boat: Boat): Boat => {
  const name = (was: string, i: number) =>
    [`=1+1 ${was}`, `@SUM(A1) ${was}`, `+${was}`, `-${was}`][i % 4]!.slice(0, 60);
  return {
    ...boat,
    name: '=cmd|boat',
    parts: boat.parts.map((part, i) => ({ ...part, name: name(part.name, i) })),
    items: boat.items.map((item, i) => ({ ...item, name: name(item.name, i) })),
    spaces: boat.spaces.map((space, i) => ({ ...space, name: name(space.name, i) })),
    materials: boat.materials.map((one, i) => ({ ...one, name: name(one.name, i) })),
    details: boat.details.map((one, i) => ({ ...one, name: name(one.name, i) })),
  };
};

describe.each([
  ['Merrow 84', merrow],
  ['Brant 56', brant],
])('%s: weights, costs and buoyancy as tables', (_, boatOf) => {
  const boat = boatOf();
  const evaluations = makeEvaluator()(boat);
  const details = evaluateDetails(boat);
  const masses = massesOf(boat, evaluations, details);
  const sheets = weightSheets(boat, { rates: USUAL_RATES, offers: [] });

  it('has every mass once, and their sum is that of core', () => {
    const [heads, ...rows] = sheetOf(sheets, 'Weights');
    expect(heads!.slice(0, 3)).toEqual(['Group', 'What', 'Mass (kg)']);
    const total = masses.reduce((sum, { mass }) => sum + mass, 0);
    const listed = rows.slice(0, masses.length).reduce((sum, row) => sum + Number(row[2]), 0);
    expect(Math.abs(listed - total)).toBeLessThan(0.005 * masses.length + 0.01);
    expect(Number(rowOf(rows, 'Everything aboard')[2])).toBeCloseTo(total, 1);
    const [least, most] = numbers(rowOf(rows, 'Nine in ten between'));
    expect(least!).toBeLessThan(total);
    expect(most!).toBeGreaterThan(total);
  });
  it('says of each condition what the screen says, in three columns', () => {
    const rows = sheetOf(sheets, 'Loading conditions');
    const states = (['light', 'half', 'full'] as const).map((condition) => floatIn(boat, masses, condition));
    for (const [name, of] of [
      ['Mass (kg)', (state) => state.loading.mass],
      ['Draught amidships (m)', (state) => state.draughts.middle],
      ['Metacentric height, less slack tanks (m)', (state) => state.gmAcross],
      ['Least freeboard (m)', (state) => state.least.height],
    ] as [string, (state: Exclude<ReturnType<typeof floatIn>, { reason: string }>) => number][]) {
      const row = rowOf(rows, name);
      states.forEach((state, i) => {
        if ('reason' in state) expect(row[i + 1]).toBe(state.reason);
        else expect(Number(row[i + 1]), name).toBeCloseTo(of(state), 2);
      });
    }
    expect(rowOf(rows, 'Upright').slice(1)).toEqual(
      states.map((state) => {
        if ('reason' in state) return state.reason;
        return state.stable ? 'comes back' : 'does not come back';
      }),
    );
    expect(rows.at(-1)!.join()).toContain('Not checked: stability criteria of any rule');
  });
  it('adds up to what the boat costs, and names what is not in it', () => {
    const cost = boatCost(boat, evaluations, details, { rates: USUAL_RATES, offers: [] });
    const rows = sheetOf(sheets, 'Cost and hours');
    expect(rowOf(rows, 'cost')[1]).toBe(Math.round(cost.totals.cost));
    const listed = cost.materials.reduce((sum, { cost: own }) => sum + (own ?? 0), 0);
    expect(Number(rowOf(rows, 'materials')[1])).toBeCloseTo(listed, -1);
    expect(rows.filter(([what]) => what === 'Not in it')).toHaveLength(cost.unpriced.length);
  });
  it('counts in the boat full of water what core counts, and nothing that may be open', () => {
    const rows = sheetOf(sheets, 'Full of water');
    const found = swamped(boat, masses, { openable: false, foamDensity: 35 });
    expect(Number(rowOf(rows, 'All of it')[2])).toBeCloseTo(found.lifted, 1);
    for (const { name, leftOut } of found.lifts)
      if (leftOut !== null) expect(rowOf(rows, name).slice(2), name).toEqual([0, leftOut]);
  });
  it('has soundings that only rise, from nothing to all of it', () => {
    for (const space of boat.spaces.filter(({ kind }) => kind === 'tank')) {
      const [, ...rows] = sheetOf(sheets, `Soundings ${space.name}`);
      const columns = [0, 1, 2, 3].map((k) => rows.map((row) => Number(row[k])));
      for (const column of columns)
        column.slice(1).forEach((value, i) => expect(value).toBeGreaterThanOrEqual(column[i]!));
      expect(columns.map((column) => column[0])).toEqual([0, 0, 0, 0]);
      expect(columns[3]!.at(-1)).toBe(100);
    }
  });
});

describe('the kit of a boat as tables', () => {
  const boat = brant();
  const evaluations = makeEvaluator()(boat);
  const details = evaluateDetails(boat);
  const { pieces, counts } = kitPieces({ boat, evaluations, details, cutting: USUAL_CUTTING });
  const sheets = kitSheets(boat, YARD);

  it('has every piece with its copies, and every layer with its count', () => {
    const [, ...cut] = sheetOf(sheets, 'Cut list');
    expect(cut).toHaveLength(pieces.length);
    expect(cut.reduce((sum, row) => sum + Number(row[10]), 0)).toBe(pieces.reduce((sum, { count }) => sum + count, 0));
    const [, ...counted] = sheetOf(sheets, 'Counts');
    expect(counted.map((row) => row.at(-1))).toEqual(counts.map(({ problem }) => problem ?? 'yes'));
  });
  it('mixes as much as the plan does, batch by batch', () => {
    const plan = mixingPlan(boat, evaluations, USUAL_MIXING, { details });
    const [, ...rows] = sheetOf(sheets, 'Mixing');
    const batches = plan.stages.flatMap((stage) => stage.batches);
    expect(rows.length).toBeGreaterThanOrEqual(batches.length);
    const resin = rows.slice(0, batches.length).reduce((sum, row) => sum + Number(row[5]), 0);
    expect(Math.abs(resin - plan.resin)).toBeLessThan(0.001 * batches.length);
  });
  it('buys what the purchase list does', () => {
    const cost = boatCost(boat, evaluations, details, { rates: USUAL_RATES, offers: [] });
    const plan = mixingPlan(boat, evaluations, USUAL_MIXING, { details });
    const list = purchaseList(cost, plan, { cutting: USUAL_CUTTING, pieces, materials: boat.materials });
    const [, ...rows] = sheetOf(sheets, 'To buy');
    expect(rows.slice(0, list.length).map(([name]) => name)).toEqual(list.map(({ name }) => name));
    for (const [i, { need }] of list.entries()) expect(Number(rows[i]![1])).toBeCloseTo(need, 1);
  });
  it('says why nothing is mixed, and still has its pieces', () => {
    const none = kitSheets(boat, { ...YARD, mixing: { ...USUAL_MIXING, hardeners: [] } });
    expect(sheetOf(none, 'Mixing').flat().join()).toMatch(/No hardener for/);
    expect(sheetOf(none, 'Cut list').length).toBe(pieces.length + 1);
  });
});

describe('tables that leave the house', () => {
  it('run nothing in a spreadsheet, whatever anything is called', () => {
    for (const boat of [hostile(merrow()), hostile(brant())]) {
      expect(formulas(weightSheets(boat, { rates: USUAL_RATES, offers: [] }))).toEqual([]);
      expect(formulas(kitSheets(boat, YARD))).toEqual([]);
    }
  });
  it('are read back as they were written; tanks of one odd, long name each on a sheet of its own', async () => {
    const boat = merrow();
    const tank = boat.spaces.find((space): space is Extract<Space, { kind: 'tank' }> => space.kind === 'tank')!;
    const name = 'Fuel: port [wing], the one beside the engine room / aft';
    const spaces = [1, 2].map((n) => ({ ...tank, id: `tank-${n}`, name }));
    const sheets = weightSheets({ ...boat, spaces }, { rates: USUAL_RATES, offers: [] });
    const back = await readSheets(Buffer.from(await writeWorkbook(sheets)));
    expect(back).toHaveLength(sheets.length);
    const names = back.map(({ sheet }) => sheet);
    expect(new Set(names).size).toBe(names.length);
    for (const one of names) expect(one, one).toMatch(/^[^:\\/?*[\]]{1,31}$/);
    const soundings = back.filter(({ sheet }) => sheet.startsWith('Soundings'));
    expect(soundings).toHaveLength(2);
    for (const { data } of soundings) expect(data.at(-1)!.at(-1)).toBe(100);
  });
});
