import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { wordsIn } from '../quantity';
import {
  bounded,
  choice,
  compareFields,
  flag,
  formFields,
  nameOf,
  noted,
  readAt,
  refer,
  referencesIn,
  same,
  shortLength,
  since,
  text,
  whole,
  writeAt,
} from '.';

const refusal = (schema: z.ZodType, value: unknown) => {
  const parsed = schema.safeParse(value);
  return parsed.success ? null : wordsIn(parsed.error.issues[0]!.message, 'metric');
};

describe('what a field is', () => {
  it('a bounded number is refused with its label, its range and why', () => {
    const angle = bounded('Slope', [0, 60], '°', { reason: 'steeper it is a wall' });
    expect(refusal(angle, 30)).toBeNull();
    expect(refusal(angle, 61)).toMatch(/^Slope must be between 0.* and 60.*: steeper it is a wall$/);
    expect(refusal(angle, '30')).toMatch(/^Slope must be a number between/);
    expect(refusal(angle, Number.NaN)).toMatch(/^Slope must be a number between/);
    expect(refusal(angle, Infinity)).not.toBeNull();
  });
  it('takes both ends of its range and nothing beyond, whatever the range', () => {
    const ends = fc.tuple(
      fc.double({ min: -1e6, max: 1e6, noNaN: true }),
      fc.double({ min: 1e-3, max: 1e6, noNaN: true }),
    );
    fc.assert(
      fc.property(ends, ([least, span]) => {
        const field = bounded('Figure', [least, least + span]);
        expect(refusal(field, least)).toBeNull();
        expect(refusal(field, least + span)).toBeNull();
        expect(refusal(field, least - span)).not.toBeNull();
        expect(refusal(field, least + 2 * span)).not.toBeNull();
      }),
    );
  });
  it('says its range in the units of the reader', () => {
    const width = shortLength('Width', 0.01, 1);
    const message = width.safeParse(2).error!.issues[0]!.message;
    expect(wordsIn(message, 'metric')).toContain('10 mm');
    expect(wordsIn(message, 'us')).toMatch(/in\b/);
  });
  it('a choice names what may be chosen, a whole number what it must be', () => {
    expect(refusal(choice('Side', { port: 'to port', starboard: 'to starboard' }), 'up')).toBe(
      'Side must be one of: to port, to starboard',
    );
    expect(refusal(whole('Strips', 1, 60), 2.5)).toBe('Strips must be a whole number');
    expect(refusal(whole('Strips', 1, 60), 0)).toBe('Strips must be at least 1');
    expect(refusal(whole('Strips', 1, 60), 61)).toBe('Strips must be at most 60');
    expect(refusal(nameOf('Name'), '   ')).toBe('Name must not be empty');
    expect(refusal(text('Note', 3), 'long')).toBe('Note must have at most 3 characters');
  });
  it('that came later takes its default where an earlier document has none', () => {
    const entry = z.object({ hands: since(4, choice('Hands', { one: 'one', two: 'two' }), 'one') });
    expect(entry.parse({})).toEqual({ hands: 'one' });
    expect(entry.parse({ hands: 'two' })).toEqual({ hands: 'two' });
  });
});

const part = z.object({
  name: nameOf('Name'),
  breadth: shortLength('Breadth', 0.01, 3),
  hidden: flag('Hidden'),
  zone: refer('Zone', 'zones').nullable(),
  plate: noted(z.object({ thickness: shortLength('Plate thickness', 0.001, 0.05) }).nullable(), { label: 'Plate' }),
  base: noted(z.tuple([shortLength('Base along', 0, 3), shortLength('Base across', 0, 3)]), { label: 'Base' }),
});
const PART: z.infer<typeof part> = {
  name: 'Bitt',
  breadth: 0.12,
  hidden: false,
  zone: 'foredeck',
  plate: null,
  base: [0.2, 0.1],
};
const naming = { before: () => 'Foredeck', after: () => 'Foredeck' } as never;

describe('what follows from a description', () => {
  it('its form has an entry for each field, with range, words and reference', () => {
    const fields = formFields(part, '', [], {});
    expect(fields.map(({ key }) => key)).toEqual(['name', 'breadth', 'hidden', 'zone', 'plate', 'base.0', 'base.1']);
    expect(fields.find(({ key }) => key === 'breadth')).toMatchObject({ as: 'number', minimum: 0.01, maximum: 3 });
    expect(fields.find(({ key }) => key === 'zone')).toMatchObject({ as: 'reference', optional: true });
    expect(formFields(part, '', ['name', 'zone'], {}).map(({ key }) => key)).not.toContain('name');
  });
  it('a value is read and put at a path, and nothing else is touched', () => {
    expect(readAt(PART, 'base.1')).toBe(0.1);
    const moved = writeAt(PART, 'base.1', 0.3);
    expect(moved.base).toEqual([0.2, 0.3]);
    expect(PART.base).toEqual([0.2, 0.1]);
    expect(writeAt(PART, 'plate', { thickness: 0.006 }).plate).toEqual({ thickness: 0.006 });
    fc.assert(
      fc.property(fc.constantFrom('name', 'breadth', 'base.0', 'base.1'), fc.nat(100), (path, value) => {
        const written = writeAt(PART, path, value);
        expect(readAt(written, path)).toBe(value);
        expect(same(writeAt(written, path, readAt(PART, path)), PART)).toBe(true);
      }),
    );
  });
  it('a difference tells every field that changed, by its label', () => {
    const lines = compareFields(
      part,
      [PART, { ...PART, name: 'Cleat', breadth: 0.14, hidden: true, base: [0.2, 0.15] }],
      naming,
    ).map((line) => wordsIn(line, 'metric'));
    expect(lines).toHaveLength(4);
    expect(lines[0]).toBe('Name: Bitt → Cleat');
    expect(lines[1]).toMatch(/^Breadth: 120.* → 140/);
    expect(lines[2]).toBe('Hidden: no → yes');
    expect(lines[3]).toMatch(/Base/);
    expect(compareFields(part, [PART, { ...PART }], naming)).toEqual([]);
    expect(compareFields(part, [PART, { ...PART, name: 'Cleat' }], naming, ['name'])).toEqual([]);
  });
  it('two figures that look the same still differ', () => {
    const [line] = compareFields(part, [PART, { ...PART, breadth: 0.12 + 1e-12 }], naming);
    expect(wordsIn(line!, 'metric')).toContain('changed beyond the digits shown');
  });
  it('knows what an entry refers to', () => {
    expect(referencesIn(part, PART).map(({ id, reference }) => [id, reference.list])).toEqual([['foredeck', 'zones']]);
    expect(referencesIn(part, { ...PART, zone: null })).toEqual([]);
  });
});
