import { describe, expect, it } from 'vitest';
import { CALCULATIONS, calculate, calculationSchema } from '.';

const glass = { fibreDensity: 2560, resinDensity: 1200, fibreWeightFraction: 0.3 };

describe('the calc contract', () => {
  it('answers in kind, with errors in their place', () => {
    const answers = calculate('ply.fractions', [glass, { ...glass, fibreWeightFraction: 3 }, glass]) as {
      error?: { path: string; message: string };
    }[];
    expect(answers[0]).toMatchObject({ fibreWeightFraction: 0.3 });
    expect(answers[1]!.error).toMatchObject({ code: 'invalid', path: 'fibreWeightFraction' });
    expect(answers[2]).toEqual(answers[0]);
    expect(() => calculate('ply.fractions', { ...glass, fibreWeightFraction: 3 })).toThrow(
      expect.objectContaining({ path: 'fibreWeightFraction' }),
    );
  });
  it('names what there is when the name is wrong, and refuses endless arrays', () => {
    expect(() => calculate('ply.nothing', {})).toThrow(/ply\.fractions/);
    expect(() => calculate('ply.fractions', Array(10_001).fill(glass))).toThrow(/10000/);
  });
  it.each(CALCULATIONS.map(({ name }) => name))('%s has schemas, and says what is missing', (name) => {
    const schema = calculationSchema(name);
    expect(schema.input).toMatchObject({ type: 'object' });
    expect(Object.keys(schema.output).length).toBeGreaterThan(0);
    for (const bad of [{}, null, 'text', 7])
      expect(() => calculate(name, bad)).toThrow(expect.objectContaining({ name: 'KeramosError', code: 'invalid' }));
  });
  it('adds its working on request', () => {
    const { working } = calculate('ply.fractions', { ...glass, working: true }) as { working: { value: number }[] };
    expect(working.at(-1)!.value).toBeCloseTo(0.1673, 4);
    expect(calculate('ply.fractions', glass)).not.toHaveProperty('working');
  });
});
