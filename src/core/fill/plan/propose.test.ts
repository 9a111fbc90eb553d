import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { boatFromJson, newFillPlan, shapeOf, templateFromJson, type Boat, type FillPlan } from '../../document';
import { makeEvaluator } from '../../evaluate';
import { runToEnd } from '../../job';
import { GENERIC_MATERIALS } from '../../material';
import { newBoatFrom } from '../../option';
import {
  fillCase,
  fillOutcome,
  fillSimulation,
  flowTime,
  onSkin,
  proposeFor,
  skinsOf,
  USUAL_FILLING,
  type ProposedLines,
} from '..';

const merrow = boatFromJson(readFileSync('data/demo/merrow-84.json', 'utf8'));
const evaluations = makeEvaluator()(merrow);
const filling = USUAL_FILLING;

/** A new boat of a template, infused, its laminates proposed. */
function infused(template: string): Boat {
  const { boat } = templateFromJson(readFileSync(`data/templates/${template}.json`, 'utf8'));
  const order = { name: 'X', particulars: {}, process: 'infusion', layup: 'first', parts: null } as const;
  return newBoatFrom(boat, order, GENERIC_MATERIALS).boat;
}

const withLines = (plan: FillPlan, { lines }: ProposedLines): FillPlan => ({
  ...plan,
  lines: lines.map((line, i) => ({ ...line, id: `l${i}` })),
});

/** The lines that are proposed for a plan, and what it comes to with them. */
function proposed(boat: Boat, plan: FillPlan, cells: number) {
  const input = { boat, plan, filling, evaluations: makeEvaluator()(boat), cells };
  const found = proposeFor(input)!;
  const own = fillCase({ ...input, plan: withLines(plan, found) });
  return { found, outcome: fillOutcome(own, runToEnd(fillSimulation(own.input))) };
}

describe('proposed lines', () => {
  it('are as many as the time asks: n c (B/n)² within it, never fewer for less time', () => {
    const plan = (target: number) =>
      newFillPlan({ id: 'p', name: 'P', part: 'hull', skin: 'hull', target, celsius: 20 });
    const linesFor = (target: number) => proposeFor({ boat: merrow, plan: plan(target), filling, evaluations });
    const slow = linesFor(3600)!;
    const own = fillCase({ boat: merrow, plan: withLines(plan(3600), slow), filling, evaluations });
    expect(slow.time).toBeLessThanOrEqual(flowTime(3600, own.flow.rate));
    const feeds = slow.lines.filter(({ role }) => role === 'feed');
    const fewer = feeds.length - 1;
    expect((slow.time * feeds.length) / fewer).toBeGreaterThan(flowTime(3600, own.flow.rate));
    expect(linesFor(1800)!.lines.length).toBeGreaterThan(slow.lines.length);
    expect(linesFor(60)).toBeNull();
    for (const { points } of slow.lines) for (const point of points) expect(onSkin(own.skin, point)).toBe(true);
  });
  it('keep clear of the vacuum where a skin narrows: transoms and a bulkhead fill', () => {
    for (const [name, part, skin] of [
      ['displacement-launch', 'hull', 'transom'],
      ['multihull-hull', 'hull', 'transom'],
      ['displacement-launch', 'bulkheads', 'collision'],
    ] as const) {
      const boat = infused(name);
      const own = boat.parts.find(({ id }) => id === part)!;
      const at = skinsOf(shapeOf(boat), own).find(({ id }) => id.includes(skin))!;
      const plan = newFillPlan({ id: 'p', name: 'P', part: own.id, skin: at.id, celsius: 20, target: 2700 });
      const { dry, area } = proposed(boat, plan, 1000).outcome;
      // A line that ran to the corner left nine tenths of the first dry; what is left is no larger than a cell.
      expect(dry.reduce((sum, one) => sum + one.area, 0) / area, `${name}, ${at.name}`).toBeLessThan(0.005);
    }
  });
  it('open one after the other on meshes of every size, places cut off on the way or not', () => {
    const yacht = infused('keel-yacht');
    for (const [name, boat, cells] of [
      ['launch', merrow, 600],
      ['launch', merrow, 1200],
      ['yacht', yacht, 1800],
      ['yacht', yacht, 2400],
    ] as const) {
      const plan = newFillPlan({ id: 'p', name: 'P', part: 'hull', skin: 'hull', celsius: 20, target: 2700 });
      const { found, outcome } = proposed(boat, plan, cells);
      const { dry, opens, fillTime } = outcome;
      const words = `${name} by ${cells}`;
      expect(dry, words).toEqual([]);
      // By the formula in the slowest zone a stretch takes as long as the next; nowhere a third of that.
      const least = found.time / opens.length / 3;
      const times = [...opens.map((one) => one.opens!), fillTime!];
      times.slice(1).forEach((time, i) => {
        expect(time - times[i]!, `${words}, stretch ${i + 1}`).toBeGreaterThan(least);
      });
    }
  });
  it('of a cockpit sole fill it: simulated no later than a third over the time that they were laid for', () => {
    const plan = newFillPlan({ id: 'p', name: 'P', part: 'deck', skin: 'cockpit-sole', celsius: 20, brake: 0 });
    expect(proposed(merrow, plan, 1000).outcome.wetTime!).toBeLessThan(plan.target * 1.33);
  });
});
