import { expect, it } from 'vitest';
import { chanceOf } from './generators/chance';
import { killedWhileWriting } from './generators/kills';

it('kill -9 during saves: the database opens, nothing acknowledged is lost, and no boat is half saved', async () => {
  const figures = await killedWhileWriting(chanceOf(14), { most: 15, until: Infinity });
  console.log(`${figures['kills']} kills, ${figures['midway']} of them between commit and acknowledgement`);
  expect(figures['kills']).toBe(15);
  // Each writer that was heard has acknowledged a version more, whatever the speed of the machine.
  expect(figures['writing']).toBeGreaterThan(8);
  expect(figures['acknowledged']).toBeGreaterThan(figures['writing']!);
});
