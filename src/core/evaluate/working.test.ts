import katex from 'katex';
import { expect, it } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import { makeEvaluator, stackWorking, zoneWorking } from '.';
import { texToText } from '../working';

const boat = merrow();
const evaluations = makeEvaluator()(boat);
const zones = boat.parts.flatMap((part) => part.zones.map((zone) => ({ part, zone })));

it('every number of every zone has a working that ends in it, with formula, unit and source', () => {
  for (const { part, zone } of zones) {
    for (const check of evaluations.get(zone.id)!.checks) {
      const [result, ...rest] = zoneWorking(boat, part, zone, { check: check.id });
      expect(result!.steps.at(-1)).toMatchObject({ symbol: 'RF', value: check.reserveFactor });
      expect(rest.length, `${zone.name} ${check.id}`).toBeGreaterThan(0);
    }
    for (const { steps } of [...zoneWorking(boat, part, zone), ...stackWorking(boat, part, zone)])
      for (const step of steps) {
        expect(step.source).not.toBe('');
        expect(Number.isFinite(step.value), step.quantity).toBe(true);
        for (const tex of [`${step.symbol} = ${step.formula}`, ...step.inputs.map((input) => input.symbol)]) {
          expect(() => katex.renderToString(tex, { throwOnError: true, strict: 'ignore' }), tex).not.toThrow();
          expect(texToText(tex), tex).not.toMatch(/[\\{}]/);
        }
      }
  }
});

it('the working of a check can be followed with a pencil: the outer skin of the bottom', () => {
  const { part, zone } = zones[0]!;
  const steps = zoneWorking(boat, part, zone, { check: 'outerSkin' }).flatMap((section) => section.steps);
  const value = (symbol: string) => steps.find((step) => step.symbol === symbol)!.value;
  const input = (symbol: string) =>
    steps.flatMap((step) => step.inputs).find((candidate) => candidate.symbol === symbol)!.value;
  const required = (input('b') ** 2 * value('k_C') ** 2 * value('P') * value('k_2')) / (6 * input('\\sigma_{dt}'));
  expect(required).toBeCloseTo(value('SM_o'), 9);
  const there = steps.find((step) => step.quantity === 'Section modulus there, outer skin')!.value;
  expect(there / required).toBeCloseTo(value('RF'), 6);
});
