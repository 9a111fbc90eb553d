import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { KeramosError } from '../error';
import { CALCULATIONS, calculate, costOf } from '.';

interface Case {
  calc: string;
  input: unknown;
}
type Path = readonly (string | number)[];

const folder = path.join(process.cwd(), 'tests/cases');
const cases = readdirSync(folder)
  .filter((file) => file.endsWith('.json'))
  .flatMap((file) => JSON.parse(readFileSync(path.join(folder, file), 'utf8')) as Case[]);
/** What takes long is tried by tests of its own. */
const QUICK = 40;
const LEAVES = 60;

/** The shortest input of each calculation that is quick. */
const inputs = CALCULATIONS.flatMap(({ name, needsSolver }) => {
  const own = cases.filter(({ calc, input }) => calc === name && !Array.isArray(input));
  const [shortest] = own.sort((a, b) => JSON.stringify(a.input).length - JSON.stringify(b.input).length);
  return shortest && !needsSolver && costOf(name, shortest.input) < QUICK ? [[name, shortest.input] as const] : [];
});

/** Every value of an input, by where it stands; of a long list the first and the last. */
function leavesOf(value: unknown, at: Path = []): Path[] {
  if (typeof value !== 'object' || value === null) return [at];
  const entries = Object.entries(value);
  const some = Array.isArray(value) && entries.length > 3 ? [entries[0]!, entries.at(-1)!] : entries;
  return [at, ...some.flatMap(([key, own]) => leavesOf(own, [...at, Array.isArray(value) ? Number(key) : key]))];
}
function written(value: unknown, [key, ...rest]: Path, put: unknown): unknown {
  if (key === undefined) return put;
  const copy = (Array.isArray(value) ? [...value] : { ...(value as object) }) as Record<string | number, unknown>;
  copy[key] = written(copy[key], rest, put);
  if (copy[key] === undefined && !Array.isArray(copy)) delete copy[key];
  return copy;
}
/** Numbers of an answer that no JSON can tell. */
function untold(value: unknown, at = ''): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [`${at}: ${value}`];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, own]) => untold(own, `${at}.${key}`));
}
function frozen<T>(value: T): T {
  if (typeof value === 'object' && value !== null) {
    Object.values(value).forEach(frozen);
    Object.freeze(value);
  }
  return value;
}
/** An answer, or the refusal; anything else is a fault of the calculation. */
function answer(name: string, input: unknown): { refused: KeramosError } | { found: unknown } {
  try {
    return { found: calculate(name, input) };
  } catch (error) {
    if (error instanceof KeramosError) return { refused: error };
    throw error;
  }
}

const HOSTILE: readonly [string, unknown][] = [
  ['nothing', undefined],
  ['null', null],
  ['a text', 'x'],
  ['no number', NaN],
  ['endless', Infinity],
  ['none', 0],
  ['less than none', -1],
  ['a hair', 1e-300],
  ['far too much', 1e308],
  ['a list', []],
  ['an object', {}],
  ['a truth', true],
];

describe('a calculation that is asked something odd', () => {
  it('is tried for most calculations there are', () => {
    expect(inputs.length).toBeGreaterThan(0.75 * CALCULATIONS.length);
  });
  it.each(inputs)('%s answers in numbers or refuses in words, wherever it is', (name, input) => {
    const leaves = leavesOf(input).slice(0, LEAVES);
    for (const leaf of leaves)
      for (const [what, put] of HOSTILE) {
        const asked = frozen(written(input, leaf, put));
        const said = `${name}: ${leaf.join('.') || 'all of it'} is ${what}`;
        const got = answer(name, asked);
        if ('refused' in got) expect(got.refused.message.length, said).toBeGreaterThan(3);
        else expect(untold(got.found), said).toEqual([]);
      }
  });
  it.each(inputs)('%s leaves its input as it is, and says the same again', (name, input) => {
    const before = JSON.stringify(input);
    const [one, other] = [calculate(name, frozen(structuredClone(input))), calculate(name, structuredClone(input))];
    expect(JSON.stringify(other)).toBe(JSON.stringify(one));
    expect(JSON.stringify(input)).toBe(before);
    // As one of several it is what it is alone.
    expect(JSON.stringify(calculate(name, [input, input]))).toBe(JSON.stringify([one, one]));
  });
  it.each(inputs)('%s names a field that it does not know', (name, input) => {
    const got = answer(name, { ...(input as object), 'no such field': 1 });
    // Either it is refused by its name, or it changes nothing.
    if ('refused' in got) expect(`${got.refused.path} ${got.refused.message}`).toContain('no such field');
    else expect(JSON.stringify(got.found)).toBe(JSON.stringify(calculate(name, input)));
  });
});
