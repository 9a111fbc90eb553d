import { beforeAll, describe, expect, it } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import { boatFromJson, boatToJson } from '../document';
import { GENERIC_MATERIALS } from '../material';
import { takeMaterials } from '../option';
import { calculate, toolsFor, type Tools } from '.';

let tools: Tools;
beforeAll(async () => {
  tools = await toolsFor('boat.optimise');
});

const boat = () => {
  const book = takeMaterials(merrow(), ['bx45-600', 'bx0-600', 'csm-300', 'pvc-80'], GENERIC_MATERIALS);
  return JSON.parse(boatToJson(book)) as Record<string, unknown>;
};
const ask = (change: Record<string, unknown> = {}) => ({
  boat: boat(),
  part: merrow().parts[0]!.id,
  choices: { fabrics: ['csm-300', 'bx45-600', 'bx0-600'], angles: [0], cores: ['pvc-80'] },
  objective: { mass: 1 },
  ...change,
});
interface Answer {
  edits: unknown[];
  before: { objective: number; mass: number };
  after: { objective: number; mass: number; reserveFactor: number };
  bound: number;
  gap: number;
  proven: boolean;
  evaluated: number;
  binding: { zone: string; check: string; reserveFactor: number }[];
}
const run = (input: unknown) => calculate('boat.optimise', input, tools) as Answer;

describe('boat.optimise', () => {
  it('gives edits that the ordinary evaluation confirms, zone by zone', () => {
    const input = ask();
    const answer = run(input);
    expect(answer.proven).toBe(true);
    expect(answer.after.mass).toBeLessThan(0.6 * answer.before.mass);
    expect(answer.after.objective).toBeCloseTo(answer.after.mass, 9);
    const { boat: after } = calculate('boat.apply', { boat: input.boat, edits: answer.edits }) as { boat: unknown };
    const { zones } = calculate('boat.evaluate', { boat: after }) as {
      zones: {
        id: string;
        part: string;
        area: number;
        laminateArealWeight: number;
        reserveFactor: number;
        governs: string;
      }[];
    };
    const own = zones.filter(({ part }) => part === input.part);
    expect(own.reduce((sum, { area, laminateArealWeight }) => sum + area * laminateArealWeight, 0)).toBeCloseTo(
      answer.after.mass,
      6,
    );
    for (const { zone, reserveFactor } of answer.binding)
      expect(own.find(({ id }) => id === zone)!.reserveFactor).toBeCloseTo(reserveFactor, 9);
    expect(Math.min(...own.map(({ reserveFactor }) => reserveFactor))).toBeCloseTo(answer.after.reserveFactor, 9);
  });
  it('keeps layers that are not free, and zones that were not asked for', () => {
    const from = merrow();
    const hull = from.parts[0]!;
    const zones = [hull.zones[0]!.id];
    const fixed = hull.layers.slice(0, 3).map(({ id }) => id);
    const free = hull.layers.slice(3).map(({ id }) => id);
    const input = ask({ zones, free });
    const { boat: after } = calculate('boat.apply', { boat: input.boat, edits: run(input).edits }) as { boat: unknown };
    const { layers } = boatFromJson(JSON.stringify(after)).parts[0]!;
    expect(layers.slice(0, 3).map(({ id }) => id)).toEqual(fixed);
    for (const zone of hull.zones.slice(1)) {
      const of = (list: readonly { id: string; zones: readonly string[] }[]) =>
        list.filter((layer) => layer.zones.includes(zone.id)).map(({ id }) => id);
      expect(of(layers)).toEqual(of(hull.layers));
    }
  });
  it.each([
    ['no fabric', { choices: { fabrics: [], angles: [0] } }, 'No fabric may be laid'],
    ['no angle', { choices: { fabrics: ['csm-300'], angles: [] } }, 'No angle is allowed'],
    ['a fabric the boat has not', { choices: { fabrics: ['nowhere'], angles: [0] } }, 'not among the materials'],
    ['a core as fabric', { choices: { fabrics: ['pvc-80'], angles: [0] } }, 'is no fabric'],
    ['nothing to make least', { objective: {} }, 'Nothing is to be made least'],
    ['a target beyond reach', { targetReserve: 20 }, 'No stack of these choices holds in Bottom forward'],
    ['a part that is not there', { part: 'nowhere' }, 'no part "nowhere"'],
    ['a zone that is not there', { zones: ['nowhere'] }, 'no zone "nowhere"'],
    ['a layer that is not there', { free: ['nowhere'] }, 'no layer "nowhere"'],
  ])('refuses %s with a reason', (_, change, reason) => {
    expect(() => run(ask(change))).toThrow(reason);
  });
  it('ends no more layers at a line than it may', () => {
    const input = ask({ maxDropPerBoundary: 1 });
    const free = run(ask());
    const answer = run(input);
    expect(answer.after.objective).toBeGreaterThanOrEqual(free.after.objective * (1 - 1e-9));
    expect(answer.bound).toBeLessThanOrEqual(answer.after.objective * (1 + 1e-9));
  });
});
