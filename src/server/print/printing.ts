import { Worker } from 'node:worker_threads';
import { KeramosError } from '@/core/error';
import type { Boat } from '@/core/document';
import type { PrintOptions } from './schedulePdf';

export interface PrintRequest {
  id: number;
  boat: Boat;
  options: PrintOptions;
}
export type PrintAnswer = { id: number; pdf: Uint8Array } | { id: number; problem: string };

/** Longest a print may take, waiting included (milliseconds). */
const TIME_LIMIT = 120_000;

interface Thread {
  worker: Worker;
  next: number;
  waiting: Map<number, { done: (pdf: Uint8Array) => void; failed: (error: Error) => void }>;
}
const shared = globalThis as { keramosPrintThread?: Thread };

/** The one thread that prints; it comes with the first print and comes again when it dies. */
function thread(): Thread {
  if (shared.keramosPrintThread) return shared.keramosPrintThread;
  const worker = new Worker(new URL('./print.thread.ts', import.meta.url));
  const started: Thread = { worker, next: 1, waiting: new Map() };
  worker.unref();
  worker.on('message', (answer: PrintAnswer) => {
    const asked = started.waiting.get(answer.id);
    started.waiting.delete(answer.id);
    if ('pdf' in answer) asked?.done(answer.pdf);
    else asked?.failed(new Error(answer.problem));
  });
  const end = (error: Error) => {
    if (shared.keramosPrintThread === started) delete shared.keramosPrintThread;
    for (const { failed } of started.waiting.values()) failed(error);
    started.waiting.clear();
  };
  worker.on('error', end);
  worker.on('exit', () => end(new Error('The print thread ended')));
  return (shared.keramosPrintThread = started);
}

/** Prints of a version do not change: kept by what they show, the last few of them. */
const KEPT = 12;
const kept = new Map<string, Promise<Uint8Array>>();

function ask(boat: Boat, options: PrintOptions): Promise<Uint8Array> {
  const { worker, waiting, next: id } = thread();
  shared.keramosPrintThread!.next += 1;
  return new Promise((resolve, reject) => {
    const timer = setTimeout(() => {
      waiting.delete(id);
      reject(new KeramosError('tooLarge', 'The print took too long and was given up'));
      void worker.terminate();
    }, TIME_LIMIT);
    waiting.set(id, {
      done: (pdf) => (clearTimeout(timer), resolve(pdf)),
      failed: (error) => (clearTimeout(timer), reject(error)),
    });
    worker.postMessage({ id, boat, options } satisfies PrintRequest);
  });
}

/**
 * The laminate schedule of a boat as a PDF, made in a thread of its own while the server goes on answering.
 *
 * @param key names the state that is printed, boat, version, units and edition; prints under one key are kept.
 */
export async function printSchedule(boat: Boat, options: PrintOptions, key?: string): Promise<Uint8Array> {
  // Outside the server (command line, tests) there is nobody to keep waiting.
  if (process.env.NEXT_RUNTIME !== 'nodejs') return (await import('./schedulePdf')).schedulePdf(boat, options);
  if (key === undefined) return ask(boat, options);
  const known = kept.get(key) ?? ask(boat, options);
  kept.delete(key);
  kept.set(key, known);
  if (kept.size > KEPT) kept.delete(kept.keys().next().value!);
  known.catch(() => kept.delete(key));
  return known;
}
