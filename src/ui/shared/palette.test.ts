import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { expect, it } from 'vitest';
import { PALETTE } from './palette';

const ui = readdirSync('src/ui', { recursive: true, withFileTypes: true })
  .filter((entry) => entry.isFile() && /\.tsx?$/.test(entry.name) && !entry.name.includes('.test.'))
  .map((entry) => path.join(entry.parentPath, entry.name));

it('the style sheet has every colour of the palette, with the same value', () => {
  const sheet = readFileSync('src/ui/shared/theme.css', 'utf8');
  for (const [name, value] of Object.entries(PALETTE)) expect(sheet).toContain(`--${name}: ${value};`);
});

it('no component types a colour of its own', () => {
  const typed = ui
    .filter((file) => !file.endsWith('palette.ts'))
    .filter((file) => /#[0-9a-f]{6}\b/i.test(readFileSync(file, 'utf8')));
  expect(typed).toEqual([]);
});

it('every colour that a component names is one of the palette or of the style sheet', () => {
  const sheet = readFileSync('src/ui/shared/theme.css', 'utf8');
  const named = new Set(
    ui.flatMap((file) => [...readFileSync(file, 'utf8').matchAll(/var\(--([\w-]+)\)/g)].map(([, name]) => name!)),
  );
  expect([...named].filter((name) => !sheet.includes(`--${name}:`))).toEqual([]);
});
