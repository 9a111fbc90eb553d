import { describe, expect, it } from 'vitest';
import { calculate, calculationSchema } from '.';

const plate = { length: 1.2, breadth: 0.8, pressure: 1000, edges: 'clamped', D11: 100, D12: 30, D22: 100, D66: 35 };
const error = (name: string, input: unknown) => {
  try {
    calculate(name, input);
    return 'no error';
  } catch (caught) {
    return (caught as Error).message;
  }
};

describe('panel, stiffener and beam calculations at their border', () => {
  it.each([
    ['panel.pressure', { ...plate, edges: 'welded' }, 'edges must be'],
    ['panel.pressure', { ...plate, D22: undefined }, 'Give plies, or D11, D12, D22 and D66'],
    ['panel.pressure', { ...plate, A44: 1e5 }, 'both A44 and A55'],
    ['panel.pressure', { ...plate, D12: 200 }, 'no stable plate'],
    ['panel.pressure', { ...plate, terms: 100 }, 'terms'],
    ['panel.pressure', { ...plate, plies: [] }, 'stack is empty'],
    ['panel.buckling', { ...plate, load: 'twist' }, 'load must be'],
    ['stiffener.section', { elements: [] }, 'section is empty'],
    ['stiffener.topHat', { plating: { E: 1e10, thickness: 0.005, effectiveBreadth: 0.2 } }, 'flange'],
    ['beam.uniform', { length: 1, load: 1, EI: -1, ends: 'fixed' }, 'EI'],
    ['beam.uniform', { length: 1, load: 1, EI: 1, ends: 'free' }, 'ends must be'],
    [
      'smallCraft.stiffener',
      { pressure: 1e4, spacing: 0.4, span: 0.9, tensileStrength: 1e8, compressiveStrength: 1e8, E: 1e10 },
      'shearStrength',
    ],
  ])('%s refuses %j: %s', (name, input, words) => {
    expect(error(name, input)).toContain(words);
  });
  it('which side is called long follows the sides, not the names', () => {
    const one = calculate('panel.pressure', plate) as {
      momentEdge: { longEdge: number; shortEdge: number };
      shearEdge: { longEdge: number };
    };
    const turned = calculate('panel.pressure', { ...plate, length: 0.8, breadth: 1.2 }) as typeof one;
    expect(turned.momentEdge.longEdge).toBeCloseTo(one.momentEdge.longEdge, 6);
    expect(one.momentEdge.longEdge).toBeGreaterThan(one.momentEdge.shortEdge);
    expect(turned.shearEdge.longEdge).toBeCloseTo(one.shearEdge.longEdge, 6);
  });
  it('a beam with much shear stiffness is one without shear, whatever its ends', () => {
    for (const ends of ['fixed', 'simple', 'cantilever', 'propped']) {
      const [plain, stiff, soft] = [undefined, 1e14, 1e4].map(
        (shearStiffness) =>
          calculate('beam.uniform', {
            length: 1.3,
            load: 900,
            EI: 4000,
            ends,
            ...(shearStiffness ? { shearStiffness } : {}),
          }) as { deflection: number; momentEnd: number },
      );
      expect(stiff!.deflection).toBeCloseTo(plain!.deflection, 9);
      expect(soft!.deflection).toBeGreaterThan(plain!.deflection);
    }
  });
  it(
    'a top-hat leans without losing its place: a steeper web ' + 'stands stiffer than a flatter one of the same height',
    () => {
      const hat = (angleDeg: number) =>
        calculate('stiffener.topHat', {
          plating: { E: 9e9, thickness: 0.008, effectiveBreadth: 0.2 },
          flange: { E: 1e10, thickness: 0.004, width: 0.05 },
          web: { E: 1e10, thickness: 0.004, height: 0.1, angleDeg },
          crown: { E: 1e10, thickness: 0.004, width: 0.06 },
        }) as { EA: number; webArea: number };
      expect(hat(30).EA).toBeGreaterThan(hat(0).EA);
      expect(hat(30).webArea).toBe(hat(0).webArea);
    },
  );
  it('explain themselves: working of a stiffener, schema of every new calculation', () => {
    const { working } = calculate('smallCraft.stiffener', {
      pressure: 36020,
      spacing: 0.38,
      span: 0.9,
      tensileStrength: 124.4e6,
      compressiveStrength: 124.4e6,
      shearStrength: 66e6,
      E: 8.961e9,
      working: true,
    }) as { working: { symbol: string; value: number }[] };
    // The worked example of the restatement: web area 1.87 cm², section modulus 14.84 cm³, second moment 5.79 cm⁴.
    const value = (symbol: string) => working.find((step) => step.symbol === symbol)!.value;
    expect(value('A_W') * 1e4).toBeCloseTo(1.87, 2);
    expect(value('SM_c') * 1e6).toBeCloseTo(14.84, 1);
    expect(value('I') * 1e8).toBeCloseTo(5.79, 2);
    for (const name of [
      'panel.pressure',
      'panel.buckling',
      'stiffener.section',
      'stiffener.topHat',
      'beam.uniform',
      'smallCraft.stiffener',
    ])
      expect(calculationSchema(name).input).toHaveProperty('properties');
  });
});
