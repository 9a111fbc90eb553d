import { existsSync, readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { BOAT_RULES, CAUTION_RULES, PART_RULES } from '../src/core/caution';

const cases = JSON.parse(readFileSync('tests/cases/failure.json', 'utf8')) as { cases?: unknown[] } | unknown[];
/** What can be counted in the handbook stands between marks, and is counted here. */
const COUNTS: Record<string, number> = {
  rules: CAUTION_RULES.length + PART_RULES.length + BOAT_RULES.length,
  failureCases: Array.isArray(cases) ? cases.length : cases.cases!.length,
};

it('the numbers of the handbook are those of the code', () => {
  const text = readFileSync('docs/engineering.md', 'utf8');
  for (const [name, count] of Object.entries(COUNTS)) {
    const found = [...text.matchAll(new RegExp(`<!-- ${name} -->(\\d+)<!-- -->`, 'g'))].map(([, number]) =>
      Number(number),
    );
    expect(found.length, name).toBeGreaterThan(0);
    expect(new Set(found), name).toEqual(new Set([count]));
  }
});

it('every file that a document names is there', () => {
  for (const file of [
    'CONTRIBUTING.md',
    'docs/engineering.md',
    'docs/decisions/008-one-description.md',
    'docs/reliability.md',
  ]) {
    const named = readFileSync(file, 'utf8').matchAll(/`((?:src|core|scripts|tests|data)\/[\w./-]+)`/g);
    for (const [, name] of named) {
      const path = name!.replace(/^core\//, 'src/core/');
      expect(existsSync(path), `${file} names ${name}`).toBe(true);
    }
  }
});
