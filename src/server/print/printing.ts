import { Worker } from 'node:worker_threads';
import type { Boat } from '@/core/document';
import { inServer, once } from '../threads/inServer';
import { Thread, type AskOptions } from '../threads/thread';
import type { PrintOptions } from './schedulePdf';

const printer = () =>
  once(
    'printer',
    () =>
      new Thread<{ boat: Boat; options: PrintOptions }, Uint8Array>({
        start: () =>
          new Worker(new URL('./print.thread.ts', import.meta.url), {
            resourceLimits: { maxOldGenerationSizeMb: 1024 },
          }),
        milliseconds: 120_000,
        tooMuch: 'The print took too long and was given up',
      }),
  );

/** Prints of a version do not change: kept by what they show, the last few of them. */
const KEPT = 12;
const kept = new Map<string, Promise<Uint8Array>>();

/** After a restore the same version may be another state. */
export const forgetPrints = (): void => kept.clear();

/**
 * The laminate schedule of a boat as a PDF, made in a thread of its own while the server goes on answering.
 *
 * @param key names the state that is printed, boat, version, units and edition; prints under one key are kept.
 */
export async function printSchedule(
  boat: Boat,
  options: PrintOptions,
  key?: string,
  { who }: AskOptions = {},
): Promise<Uint8Array> {
  if (!inServer()) return (await import('./schedulePdf')).schedulePdf(boat, options);
  const ask = () => printer().ask({ boat, options }, { who });
  if (key === undefined) return ask();
  const known = kept.get(key) ?? ask();
  kept.delete(key);
  kept.set(key, known);
  if (kept.size > KEPT) kept.delete(kept.keys().next().value!);
  known.catch(() => kept.delete(key));
  return known;
}
