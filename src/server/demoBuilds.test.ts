import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { beforeAll, expect, it } from 'vitest';
import { isFinished } from '@/core/build';
import { contextOf } from './context';
import { database } from './database/open';
import { seedDemo } from './demo';
import { seedDemoBuilds } from './demoBuilds';
import { boardOf } from '@/core/build';
import { listBuilds } from './stores/builds';

beforeAll(async () => {
  delete (globalThis as { keramosDatabase?: unknown }).keramosDatabase;
  process.env['KERAMOS_DATA'] = mkdtempSync(path.join(tmpdir(), 'keramos-demo-builds-'));
});

it('the demo has a hull that is laid, two open defects, a passed window, and one that is finished', async () => {
  const context = contextOf(await database());
  await seedDemo(context);
  await seedDemoBuilds(context);
  const builds = await listBuilds(context);
  const of = (id: string) => builds.find((one) => one.id === id)!;
  const [merrow, brant] = [of('demo-merrow-3'), of('demo-brant-1')];
  for (const { state } of builds) expect(state.clashes).toEqual([]);
  expect([...brant.state.steps.values()].every(isFinished)).toBe(true);
  expect([...merrow.state.defects.values()].filter(({ open }) => open)).toHaveLength(2);
  const [board] = boardOf([merrow], '2026-11-30T08:00:00.000Z');
  expect(board!.atHand.find(({ part }) => part === 'Hull')).toMatchObject({ running: true });
  expect(board!.atHand.find(({ part }) => part === 'Deck')!.held).toMatch(/window after “Gelcoat” passed/);
  // Seeding again adds nothing.
  await seedDemoBuilds(context);
  expect(await listBuilds(context)).toHaveLength(2);
});
