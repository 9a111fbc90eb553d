import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import { boatFromFile, boatToJson } from '../document';
import { packFromJson, packToJson, SHIPPED_PACKS } from '../standard';
import { cleaned, cleanText, KeramosError, refuseBrokenText } from '.';

const refused = (value: unknown): string | null => {
  try {
    refuseBrokenText(value);
    return null;
  } catch (error) {
    return (error as KeramosError).path;
  }
};

describe('text from outside', () => {
  it.each([
    ['a zero byte', 'Keel\u0000band'],
    ['half of a character that takes two', 'Keel \ud83d band'],
    ['the other half', '\udea2'],
    ['a control character', 'Keel\u001bband'],
    ['what is no character', 'Keel\uffff'],
    ['a delete', 'Keel\u007f'],
  ])('with %s is refused with its place, and clean it passes', (_what, text) => {
    expect(refused({ parts: [{ zones: [{ name: 'Side' }, { name: text }] }] })).toBe('parts.0.zones.1.name');
    expect(refused({ parts: [{ zones: [{ name: cleanText(text) || 'x' }] }] })).toBeNull();
  });
  it.each(['Ångström 300 g/m² ±45°', 'カーボン', '🚢 hull', 'line\nbreak\tand tab', 'e\u0301 and \u200d joiner'])(
    'passes as it is: %s',
    (text) => {
      expect(refused({ name: text })).toBeNull();
      expect(cleanText(text)).toBe(text);
    },
  );
  it.each(['   ', '\u200b\u200b', '\u00a0', '\u2060 \u3000', '\u202e'])(
    'that nobody can see is no name: %j',
    (text) => {
      for (const key of ['name', 'title', 'by', 'author', 'askedBy', 'decidedBy'])
        expect(refused({ signed: { [key]: text } })).toBe(`signed.${key}`);
      expect(refused({ note: text })).toBeNull();
    },
  );
  it('in a key is refused as well', () => {
    expect(refused({ 'a\u0000b': 1 })).toBe('');
    expect(refused([{ materials: { 'x\ud800': 1 } }])).toBe('0.materials');
  });
  it('however deep: ten thousand levels are walked, not climbed', () => {
    let deep: unknown = 'a\u0000';
    for (let i = 0; i < 10_000; i++) deep = [deep];
    expect(refused(deep)).not.toBeNull();
  });
  it('of any kind passes once it is clean, and what passed before is not changed by cleaning', () => {
    const anything = fc.string({ unit: 'binary', maxLength: 40 });
    fc.assert(
      fc.property(fc.array(fc.record({ note: anything, marks: fc.array(anything) })), (value) => {
        if (refused(value) === null) expect(cleaned(value)).toEqual(value);
        expect(refused(cleaned(value))).toBeNull();
      }),
    );
  });
});

describe('a file from outside', () => {
  it('of a boat with a zero byte in a name is refused by the name', () => {
    const text = boatToJson(merrow()).replace('"Keel band"', '"Keel\\u0000band"');
    expect(() => boatFromFile(text)).toThrow(/name.*U\+0000/);
  });
  it('of a pack with half a character is refused', () => {
    const text = packToJson(SHIPPED_PACKS[0]!).replace('"statement": "', '"statement": "\\ud800');
    expect(() => packFromJson(text)).toThrow('U+D800');
  });
});
