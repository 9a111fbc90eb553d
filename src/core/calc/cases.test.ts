import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { CALCULATIONS, calculate } from '.';

interface Case {
  id: string;
  calc: string;
  source: string;
  input: unknown;
  expected: unknown;
  relativeTolerance?: number;
  absoluteTolerance?: number;
  /** Of a top-level field, in place of both. */
  tolerances?: Record<string, { relative?: number; absolute?: number }>;
}

/** Every place where `actual` departs from `expected` beyond the case's tolerance. */
function departures(actual: unknown, expected: unknown, c: Case, at = ''): string[] {
  if (typeof expected === 'number') {
    const own = c.tolerances?.[at.split(/[.[]/)[1] ?? ''];
    const [absolute, relative] = own
      ? [own.absolute ?? 0, own.relative ?? 0]
      : [c.absoluteTolerance ?? 0, c.relativeTolerance ?? 1e-4];
    const allowed = Math.max(absolute, relative * Math.abs(expected));
    return typeof actual === 'number' && Math.abs(actual - expected) <= allowed
      ? []
      : [`${at}: ${actual}, expected ${expected}`];
  }
  if (Array.isArray(expected)) {
    if (!Array.isArray(actual) || actual.length !== expected.length)
      return [`${at}: not an array of ${expected.length}`];
    return expected.flatMap((value, index) => departures(actual[index], value, c, `${at}[${index}]`));
  }
  if (expected !== null && typeof expected === 'object')
    return Object.entries(expected).flatMap(([key, value]) =>
      departures((actual as Record<string, unknown> | undefined)?.[key], value, c, `${at}.${key}`),
    );
  return actual === expected ? [] : [`${at}: ${String(actual)}, expected ${String(expected)}`];
}

const known = new Set(CALCULATIONS.map((calculation) => calculation.name));
const FOLDER = 'tests/cases';
const cases = readdirSync(FOLDER)
  .filter((file) => file.endsWith('.json'))
  .flatMap((file) => JSON.parse(readFileSync(path.join(FOLDER, file), 'utf8')) as Case[]);

describe('reference cases through the calc contract', () => {
  // How short a nest is, is tried by its own test (kit/nest).
  const matching = cases.filter((c) => known.has(c.calc) && !c.calc.startsWith('kit.nest'));
  it('has a case for every calculation', () => {
    const covered = new Set(matching.map((c) => c.calc));
    // Those of a whole boat are tried on the demo boats (boat.test.ts).
    expect([...known].filter((name) => !covered.has(name) && !/^(boat\.|kit\.nest)/.test(name))).toEqual([]);
  });
  it.each(matching.map((c) => [c.id, c] as const))('%s', (_id, c) => {
    expect(departures(calculate(c.calc, c.input), c.expected, c), c.source).toEqual([]);
  });
});
