import { Worker } from 'node:worker_threads';
import type { Boat } from '@/core/document';
import type { Progress } from '@/core/job';
import { inServer } from '../threads/inServer';
import { sharedThread, type AskOptions } from '../threads/thread';
import type { PrintOptions } from './schedulePdf';

const printer = sharedThread<{ boat: Boat; options: PrintOptions }, Uint8Array>('printer', {
  start: () =>
    new Worker(new URL('./print.thread.ts', import.meta.url), {
      resourceLimits: { maxOldGenerationSizeMb: 1024, maxYoungGenerationSizeMb: 64 },
    }),
  milliseconds: 120_000,
  tooMuch: 'The print took too long and was given up',
});

/** A print that is made or being made, and those who wait for it. */
interface Kept {
  print: Promise<Uint8Array>;
  waiting: Set<AskOptions>;
  latest: Progress | null;
  /** Gives it up when the last who waits has left. */
  leave: AbortController;
}

/** Prints of a version do not change: kept by what they show, the last few of them. */
const KEPT = 12;
const kept = new Map<string, Kept>();

/** After a restore the same version may be another state. */
export const forgetPrints = (): void => kept.clear();

/**
 * The laminate schedule of a boat as a PDF, made in a thread of its own while the server goes on answering; given up
 * when all who wait for it have left.
 *
 * @param key names the state that is printed, boat, version, units and edition; prints under one key are kept.
 */
export async function printSchedule(
  boat: Boat,
  options: PrintOptions,
  key?: string,
  asked: AskOptions = {},
): Promise<Uint8Array> {
  if (!inServer()) return (await import('./schedulePdf')).schedulePdf(boat, options, asked.onProgress);
  if (key === undefined) return printer().ask({ boat, options }, asked);
  const known = kept.get(key) ?? begun(boat, options, key, asked.who);
  kept.delete(key);
  kept.set(key, known);
  if (kept.size > KEPT) kept.delete(kept.keys().next().value!);
  return waitFor(known, asked);
}

function begun(boat: Boat, options: PrintOptions, key: string, who: string | undefined): Kept {
  const leave = new AbortController();
  const made: Kept = {
    print: printer().ask(
      { boat, options },
      {
        who,
        signal: leave.signal,
        onProgress: (step) => {
          made.latest = step;
          made.waiting.forEach(({ onProgress }) => onProgress?.(step));
        },
      },
    ),
    waiting: new Set(),
    latest: null,
    leave,
  };
  made.print.catch(() => {
    if (kept.get(key) === made) kept.delete(key);
  });
  return made;
}

async function waitFor(made: Kept, asked: AskOptions): Promise<Uint8Array> {
  const { signal, onProgress } = asked;
  const left = () => {
    made.waiting.delete(asked);
    if (made.waiting.size === 0) made.leave.abort();
  };
  made.waiting.add(asked);
  if (made.latest) onProgress?.(made.latest);
  signal?.addEventListener('abort', left, { once: true });
  try {
    return await made.print;
  } finally {
    signal?.removeEventListener('abort', left);
    made.waiting.delete(asked);
  }
}
