import { Worker } from 'node:worker_threads';
import { calculate, costOf, toolsFor } from '@/core/calc';
import { KeramosError } from '@/core/error';
import { inServer } from './inServer';
import { sharedThread, type AskOptions } from './thread';

/** What is computed at once, on the thread that answers everybody (ms, estimated). */
const AT_ONCE = 50;
/** What is computed of one request (ms, estimated and measured). */
const MINUTE = 60_000;

const computer = sharedThread<{ name: string; input: unknown }, unknown>('computer', {
  start: () =>
    new Worker(new URL('./calc.thread.ts', import.meta.url), { resourceLimits: { maxOldGenerationSizeMb: 1024 } }),
  milliseconds: MINUTE,
  tooMuch: 'This takes more than a minute or more memory than a calculation may have: ask for less at a time',
});

/**
 * Run a calculation: a small one where it stands, a larger one in a thread, given up when whoever asked has left.
 * @throws KeramosError as `calculate` does; `tooLarge` beyond its cost limit; `busy` when too many wait.
 */
export async function compute(name: string, input: unknown, options?: AskOptions): Promise<unknown> {
  const cost = costOf(name, input);
  if (cost > MINUTE)
    throw new KeramosError(
      'tooLarge',
      `This would take about ${inWords(cost)}; a request is given a minute: ask for less at a time`,
      '',
      { milliseconds: Math.round(cost), most: MINUTE },
    );
  if (inServer() && cost > AT_ONCE) return computer().ask({ name, input }, options);
  return calculate(name, input, await toolsFor(name));
}

function inWords(milliseconds: number): string {
  const minutes = milliseconds / MINUTE;
  return minutes < 90 ? `${Math.ceil(minutes)} minutes` : `${Math.round(minutes / 60)} hours`;
}
