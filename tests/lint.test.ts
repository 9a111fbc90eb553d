import { ESLint } from 'eslint';
import { describe, expect, it } from 'vitest';

/** What the rules say of a text that stood in a file of the tree. */
async function said(filePath: string, text: string): Promise<string[]> {
  const eslint = new ESLint({ overrideConfig: { linterOptions: { reportUnusedDisableDirectives: 'off' } } });
  const [result] = await eslint.lintText(text, { filePath });
  return result!.messages.map(({ ruleId }) => ruleId ?? 'parse');
}
const ALLOWED: [file: string, text: string][] = [
  ['src/core/evaluate/evaluateZone.ts', "import type { Boat } from '../document';\nexport type Own = Boat;\n"],
  ['src/core/evaluate/stiffener/loadSpan.ts', "import { said } from '../../quantity';\nexport const own = said;\n"],
  ['src/ui/check/CheckScreen.tsx', "import { targetOf } from '@/core/evaluate';\nexport const own = targetOf;\n"],
];
const BREACHES: [why: string, file: string, text: string, rule: string][] = [
  [
    'a subject that builds on one after it',
    'src/core/document/check.ts',
    "import { applyEdits } from '../edit';\nexport const own = applyEdits;\n",
    'boundaries/dependencies',
  ],
  [
    'the same, from a room further in',
    'src/core/geometry/deep/room.ts',
    "import { targetOf } from '../../evaluate';\nexport const own = targetOf;\n",
    'boundaries/dependencies',
  ],
  [
    'another subject past its face',
    'src/core/evaluate/stiffener/loadSpan.ts',
    "import { applyEdits } from '../../material/process';\nexport const own = applyEdits;\n",
    'no-restricted-syntax',
  ],
  [
    'core past its face from a screen',
    'src/ui/check/CheckScreen.tsx',
    "import { applyEdits } from '@/core/edit/applyEdits';\nexport const own = applyEdits;\n",
    'no-restricted-syntax',
  ],
  [
    'the server from a screen',
    'src/ui/check/CheckScreen.tsx',
    "import { context } from '@/server/context';\nexport const own = context;\n",
    'boundaries/dependencies',
  ],
  ['React in core', 'src/core/weight/rollUp.ts', "import 'react';\n", 'no-restricted-imports'],
  ['the clock in core', 'src/core/weight/rollUp.ts', 'export const now = Date.now();\n', 'no-restricted-properties'],
  ['chance in core', 'src/core/weight/rollUp.ts', 'export const any = Math.random();\n', 'no-restricted-properties'],
  [
    'a choice within a choice',
    'src/core/weight/rollUp.ts',
    'export const of = (a: number) => (a > 1 ? 1 : a > 0 ? 0 : -1);\n',
    'no-nested-ternary',
  ],
  [
    'a list of arguments to count',
    'src/core/weight/rollUp.ts',
    'export const of = (a: number, b: number, c: number, d: number, e: number) => a + b + c + d + e;\n',
    'max-params',
  ],
  [
    'a line that runs off',
    'src/core/weight/rollUp.ts',
    `export const own = ${Array.from({ length: 50 }, (_, i) => i).join(' + ')};\n`,
    'max-len',
  ],
];

describe('the rules of the house', () => {
  it.each(ALLOWED)('let %s stand', async (file, text) => {
    expect(await said(file, text)).toEqual([]);
  });
  it.each(BREACHES)('refuse %s', async (_why, file, text, rule) => {
    expect(await said(file, text)).toContain(rule);
  });
});
