import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { contextOf } from '../context';
import { openDatabase } from '../database/open';
import { listRememberedTables, rememberTable } from './rememberedTables';

const fresh = async () => {
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-remembered-')), 'keramos.db');
  let at = 0;
  return {
    ...contextOf(await openDatabase(file), 'I. Hallin'),
    now: () => new Date(Date.UTC(2026, 0, 1) + (at += 1000)).toISOString(),
  };
};
const list = (heads: string[], kind = 'fabric') => ({ purpose: 'materials', heads, choices: { kind } });

describe('how tables were read', () => {
  it('is kept by their heads, the latest first and in the place of the one before', async () => {
    const context = await fresh();
    await rememberTable(context, list(['Name', 'GSM']));
    await rememberTable(context, list(['Name', 'Density'], 'core'));
    await rememberTable(context, list(['name', 'gsm'], 'consumable'));
    expect((await listRememberedTables(context)).map(({ choices }) => choices.kind)).toEqual(['consumable', 'core']);
  });
  it('of the longest unused is forgotten when there are more than a hundred', async () => {
    const context = await fresh();
    for (let i = 0; i < 103; i += 1) await rememberTable(context, list(['Name', `Column ${i}`]));
    const kept = await listRememberedTables(context);
    expect(kept).toHaveLength(100);
    expect(kept.at(-1)!.heads[1]).toBe('Column 3');
  });
  it.each([
    ['no heads', { ...list([]) }],
    ['another purpose', { ...list(['A']), purpose: 'boats' }],
    [
      'a flood of choices',
      { ...list(['A']), choices: Object.fromEntries(Array.from({ length: 300 }, (_, i) => [i, ''])) },
    ],
  ])('%s is refused', async (_, raw) => {
    await expect(rememberTable(await fresh(), raw)).rejects.toMatchObject({ code: 'invalid' });
  });
});
