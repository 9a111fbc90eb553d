import { describe, expect, it } from 'vitest';
import { USUAL_HABITS } from '@/core/option';
import { contextOf } from '../context';
import { openDatabase } from '../database/open';
import { dropHabits, keepHabits, listHabits } from './habits';

const context = async () => contextOf(await openDatabase(':memory:'), 'I. Hallin');

describe('the habits of a yard', () => {
  it('are the usual ones until it says otherwise, and again when it drops its own', async () => {
    const yard = await context();
    const before = await listHabits(yard);
    expect(before.map(({ process, version, own }) => [process, version, own])).toEqual(
      Object.keys(USUAL_HABITS).map((process) => [process, 0, null]),
    );
    const { infusion } = USUAL_HABITS;
    const own = { ...infusion, rules: { ...infusion.rules, alike: 2, solid: ['bottom' as const] } };
    const kept = await keepHabits(yard, 'infusion', { habits: own, version: 0 });
    expect(kept).toMatchObject({ version: 1, own: { author: 'I. Hallin' } });
    expect((await listHabits(yard)).find(({ process }) => process === 'infusion')).toEqual(kept);
    await dropHabits(yard, 'infusion');
    expect(await listHabits(yard)).toEqual(before);
  });
  it('are changed by one at a time', async () => {
    const yard = await context();
    const { prepreg } = USUAL_HABITS;
    await keepHabits(yard, 'prepreg', { habits: prepreg, version: 0 });
    await expect(keepHabits(yard, 'prepreg', { habits: prepreg, version: 0 })).rejects.toMatchObject({
      code: 'conflict',
      details: { version: 1 },
    });
    await keepHabits(yard, 'prepreg', { habits: prepreg, version: 1 });
  });
  it.each([
    ['no cloth', { single: [] }, 'Name at least one cloth'],
    ['a core of no thickness', { core: { material: 'pvc-80', thicknesses: [] } }, 'Give at least one thickness'],
    ['plies upside down', { rules: { ...USUAL_HABITS.infusion.rules, ply: { least: 1, most: 0.5 } } }, 'heavier than'],
    ['a rule nobody knows', { rules: { ...USUAL_HABITS.infusion.rules, other: 1 } }, 'other'],
  ])('are refused with %s, and nothing is lost', async (_, change, reason) => {
    const yard = await context();
    const habits = { ...USUAL_HABITS.infusion, ...change };
    await expect(keepHabits(yard, 'infusion', { habits, version: 0 })).rejects.toThrow(reason);
    expect((await listHabits(yard)).every(({ own }) => own === null)).toBe(true);
  });
  it('are of a process that there is', async () => {
    const yard = await context();
    await expect(keepHabits(yard, 'spray', { habits: USUAL_HABITS.infusion, version: 0 })).rejects.toThrow(
      'There is no process "spray"',
    );
    await expect(dropHabits(yard, 'constructor')).rejects.toThrow('There is no process');
  });
});
