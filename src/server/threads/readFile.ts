import { Worker } from 'node:worker_threads';
import { answerFile, type FileQuestion } from './fileQuestion';
import { inServer } from './inServer';
import { sharedThread, type AskOptions } from './thread';

const reader = sharedThread<FileQuestion, unknown>('reader', {
  start: () =>
    new Worker(new URL('./file.thread.ts', import.meta.url), { resourceLimits: { maxOldGenerationSizeMb: 512 } }),
  milliseconds: 20_000,
  tooMuch:
    'Reading this file takes more time or memory than a file may have: save it smaller, without what it does not need',
});

/** What a file holds, read in a thread with limits on time and memory. @throws KeramosError in words. */
export const readFileSafely = (question: FileQuestion, options?: AskOptions): Promise<unknown> =>
  inServer() ? reader().ask(question, options) : answerFile(question);
