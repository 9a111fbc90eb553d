import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { detailWorking } from '../detail/kinds';
import { evaluateStiffeners, stackWorking, stiffenerWorking, zoneWorking } from '../evaluate';
import { put, texToText, type WorkingStep } from '.';

describe('a formula as plain text', () => {
  it.each([
    ['t = b k_C \\sqrt{\\frac{P k_2}{\\sigma_d}}', 't = b kC √((P k2)/σd)'],
    ['\\tfrac12 \\rho v^2 A C', '1/2 ρv² A C'],
    ['\\sqrt[3]{x}', '∛(x)'],
    ['x^{n+1}', 'x^(n+1)'],
    ['20^{\\circ}', '20°'],
    ['\\frac{a+b}{c}', '(a+b)/c'],
    ['\\left|\\sigma_1\\right|', '|σ1|'],
    ['\\min\\left(a,b\\right)', 'min(a,b)'],
    ['\\text{there}', 'there'],
    ['a\\,b\\;c\\quad d', 'a b c d'],
    ['\\bar{\\varepsilon}_{1u} \\le 1', 'ε1u ≤1'],
    ['', ''],
    ['\\unknown', 'unknown'],
    ['\\frac{a}{b', 'a/b'],
  ])('%s', (tex, text) => {
    expect(texToText(tex)).toBe(text);
  });
});

it('what is put into a formula has a unit, or none said', () => {
  expect(put('m', 8400, 'kg')).toEqual({ symbol: 'm', value: 8400, unit: 'kg' });
  expect(put('k', 2)).toEqual({ symbol: 'k', value: 2, unit: '' });
});

/** Every step of every working of both boats. */
function everyStep(): { of: string; step: WorkingStep }[] {
  return [merrow(), brant()].flatMap((boat) => [
    ...boat.parts.flatMap((part) =>
      part.zones.flatMap((zone) =>
        [...zoneWorking(boat, part, zone), ...stackWorking(boat, part, zone)].flatMap(({ title, steps }) =>
          steps.map((step) => ({ of: `${zone.name}, ${title}`, step })),
        ),
      ),
    ),
    ...boat.details.flatMap((detail) => detailWorking(boat, detail).map((step) => ({ of: detail.name, step }))),
    ...evaluateStiffeners(boat)
      .filter(({ worst }) => worst !== null)
      .flatMap((one) => stiffenerWorking(boat, one).map((step) => ({ of: one.support.name, step }))),
  ]);
}

describe('the workings of both demo boats', () => {
  const all = everyStep();
  it('are many, each with its quantity, formula, source and a number', () => {
    expect(all.length).toBeGreaterThan(2000);
    for (const { of, step } of all) {
      expect(step.quantity.length, of).toBeGreaterThan(2);
      expect(step.formula.length, `${of}: ${step.quantity}`).toBeGreaterThan(0);
      expect(step.source.length, `${of}: ${step.quantity}`).toBeGreaterThan(2);
      expect(Number.isNaN(step.value), `${of}: ${step.quantity}`).toBe(false);
      for (const { value, symbol } of step.inputs) expect(Number.isNaN(value), `${of}: ${symbol}`).toBe(false);
    }
  });
  it('read as plain text without a trace of how they are set', () => {
    for (const { of, step } of all)
      for (const tex of [step.symbol, step.formula, ...step.inputs.map(({ symbol }) => symbol)])
        expect(texToText(tex), `${of}: ${tex}`).not.toMatch(/[\\{}]|frac|sqrt|mathrm/);
  });
  it('speak in SI: no unit of a yard in a working', () => {
    const units = new Set(all.flatMap(({ step }) => [step.unit, ...step.inputs.map(({ unit }) => unit)]));
    for (const unit of units) expect(unit).not.toMatch(/\b(mm|psi|lb|in|ft|kPa|MPa|GPa)\b/);
  });
});
