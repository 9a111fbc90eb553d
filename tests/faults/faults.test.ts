import { describe, expect, it } from 'vitest';
import { chanceOf, type Figures } from './generators/chance';
import { fullDisk } from './generators/disk';
import { badLine } from './generators/dropOuts';
import { randomActions } from './generators/edits';

/** A short form of the fault suite (`npm run faults`), by counts and not by the clock; the seeds stay the same. */
const most = (count: number) => ({ most: count, until: Infinity });
const told = (name: string, figures: Figures) =>
  console.log(
    `${name}: ${Object.entries(figures)
      .map(([what, count]) => `${what} ${count}`)
      .join(', ')}`,
  );

describe('faults', () => {
  it('random actions are served as they were stored', async () => {
    const figures = await randomActions(chanceOf(11), most(160));
    told('Random actions', figures);
    expect(figures['accepted']).toBeGreaterThan(40);
    expect(figures['refused']).toBeGreaterThan(10);
    expect(figures['compared']).toBeGreaterThan(10);
  });
  it('one client alone on a bad line: every action once, in its order, no conflict', async () => {
    const figures = await badLine(chanceOf(12), most(40));
    told('Bad line', figures);
    expect(figures).toMatchObject({ sessions: 40, conflicts: 0 });
    for (const what of ['lostBefore', 'lostAfter', 'doubled', 'late']) expect(figures[what]).toBeGreaterThan(5);
  });
  it('a disk that fills up: nothing acknowledged is missing, and it goes on when there is room', async () => {
    const figures = await fullDisk(chanceOf(13), most(4));
    told('Full disk', figures);
    expect(figures['fills']).toBe(4);
    expect(figures['refused']).toBeGreaterThanOrEqual(12);
  });
  it('chance can be had again', () => {
    const [a, b] = [chanceOf(7), chanceOf(7)];
    const draws = Array.from({ length: 200 }, () => [a.below(1000), b.below(1000)] as const);
    expect(draws.every(([one, other]) => one === other)).toBe(true);
    expect(new Set(draws.map(([one]) => one)).size).toBeGreaterThan(150);
    expect(draws.every(([one]) => one >= 0 && one < 1000)).toBe(true);
  });
});
