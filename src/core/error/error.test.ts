import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { merrow } from '../../../tests/helpers/merrow';
import { boltJoint } from '../detail';
import { evaluateDetail, type Detail } from '../detail/kinds';
import { bounded } from '../field';
import { wordsIn } from '../quantity';
import { fromZod, invalid, KeramosError, parseOrThrow } from '.';

const refusal = (work: () => unknown): KeramosError => {
  try {
    work();
  } catch (error) {
    expect(error).toBeInstanceOf(KeramosError);
    return error as KeramosError;
  }
  throw new Error('It was taken');
};

describe('a refusal', () => {
  const schema = z.object({
    layers: z.array(z.object({ thickness: bounded('Thickness', [0.001, 0.2], 'm', { quantity: 'thickness' }) })),
    kind: z.enum(['a', 'b']),
  });
  const good = { layers: [{ thickness: 0.01 }], kind: 'a' };

  it('of a number says where, what was given and the limit as data, and is said in the units of the reader', () => {
    const error = refusal(() => parseOrThrow(schema, { ...good, layers: [{ thickness: 0.3 }] }, 'part'));
    expect(error).toMatchObject({
      code: 'invalid',
      path: 'part.layers.0.thickness',
      details: { rule: 'too_big', maximum: 0.2, given: 0.3 },
      message: 'part.layers.0.thickness: Thickness must be between 1 mm and 200 mm',
    });
    expect(wordsIn(error.text, 'us')).toContain('between 0.0393701 in and 7.87402 in');
    const below = refusal(() => parseOrThrow(schema, { ...good, layers: [{ thickness: 0 }] }));
    expect(below.details).toEqual({ rule: 'too_small', minimum: 0.001, given: 0 });
  });
  it('of a choice says what may be chosen', () => {
    const error = refusal(() => parseOrThrow(schema, { ...good, kind: 'c' }));
    expect(error).toMatchObject({ path: 'kind', details: { rule: 'invalid_value', allowed: ['a', 'b'], given: 'c' } });
  });
  it('gives back no more than a line of what was given, and nothing that is no plain value', () => {
    const long = refusal(() => parseOrThrow(schema, { ...good, kind: 'x'.repeat(10_000) }));
    expect(String(long.details!['given'])).toHaveLength(120);
    const shape = refusal(() => parseOrThrow(schema, { ...good, kind: { deep: [1] } }));
    expect(shape.details).not.toHaveProperty('given');
    expect(refusal(() => parseOrThrow(schema, undefined)).path).toBe('');
  });
  it.each([
    [{ type: z.number() }, {}, 'type: is missing: a number is needed'],
    [{ type: z.string() }, { type: 4 }, 'type: must be text'],
    [{ type: z.boolean() }, { type: null }, 'type: must be true or false'],
    [{ type: z.array(z.string()) }, { type: {} }, 'type: must be a list'],
    [{ type: z.int().min(1) }, { type: 0 }, 'type: must be at least 1'],
    [{ type: z.string().max(3) }, { type: 'long' }, 'type: must have at most 3 characters'],
    [{ type: z.array(z.int()).min(2) }, { type: [1] }, 'type: must have at least 2 entries'],
    [{ type: z.enum(['a', 'b']) }, { type: 'c' }, 'type: must be one of: a, b'],
    [{ type: z.literal('a') }, { type: 'c' }, 'type: must be a'],
    [{ type: z.string().regex(/^x/) }, { type: 'c' }, 'type: is not what belongs here'],
    [{ type: z.string().optional() }, { other: 1 }, 'input: has no field other'],
    [{ type: z.string('Give it a name') }, {}, 'type: Give it a name'],
  ])('without words of its own is said plainly: %#', (shape, value, words) => {
    expect(refusal(() => parseOrThrow(z.strictObject(shape as z.ZodRawShape), value)).message).toBe(words);
  });
  it('counts what else is wrong', () => {
    const error = refusal(() => parseOrThrow(schema, { layers: [{ thickness: 9 }, { thickness: 9 }], kind: 'z' }));
    expect(error.message).toMatch(/\(and 2 more\)$/);
    const { error: raw } = schema.safeParse({});
    expect(fromZod(raw!).message).toMatch(/\(and 1 more\)$/);
  });
  it('of geometry carries the same data as one of a schema', () => {
    expect(invalid('a.b', 'No', { given: 1, minimum: 2 })).toMatchObject({
      code: 'invalid',
      path: 'a.b',
      details: { given: 1, minimum: 2 },
    });
    const near = refusal(() =>
      boltJoint({
        load: 1000,
        boltDiameter: 0.012,
        boltCount: 1,
        width: 0.06,
        edgeDistance: 0.01,
        thickness: 0.01,
        bearingStrength: 2e8,
        tensionStrength: 1e8,
        shearStrength: 8e7,
      }),
    );
    expect(near).toMatchObject({ path: 'edgeDistance', details: { given: 0.01, minimum: 0.012 } });
    expect(near.message).toBe('The edge is 10 mm from the hole, less than one bolt diameter of 12 mm');
    expect(wordsIn(near.text, 'us')).toBe('The edge is 0.39 in from the hole, less than one bolt diameter of 0.47 in');
  });
  it('of a detail is said in the units of the reader too', () => {
    const boat = merrow();
    const tow = boat.details.find(({ id }) => id === 'tow-post')!;
    const { problem } = evaluateDetail(boat, { ...tow, base: [0.6, 0.18] } as Detail);
    expect(wordsIn(problem!, 'metric')).toContain('smaller than the base of 600 mm × 180 mm');
    expect(wordsIn(problem!, 'us')).toContain('smaller than the base of 23.62 in × 7.09 in');
  });
});
