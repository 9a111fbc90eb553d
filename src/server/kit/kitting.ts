import { Worker } from 'node:worker_threads';
import { evaluateDetails } from '@/core/detail/kinds';
import type { Boat } from '@/core/document';
import { makeEvaluator } from '@/core/evaluate';
import { kitPieces, type Cutting, type KitPieces } from '@/core/kit';
import { kitSheets, type KitYard } from '../print/kitSheets';
import type { Sheet } from '../print/scheduleSheets';
import { inServer } from '../threads/inServer';
import { sharedThread } from '../threads/thread';

export type KitAsk = { as: 'sheets'; boat: Boat; yard: KitYard } | { as: 'pieces'; boat: Boat; cutting: Cutting };
export type KitAnswer = { as: 'sheets'; sheets: Sheet[] } | { as: 'pieces'; pieces: KitPieces };

const kitter = sharedThread<KitAsk, KitAnswer>('kitter', {
  start: () =>
    new Worker(new URL('./kit.thread.ts', import.meta.url), { resourceLimits: { maxOldGenerationSizeMb: 1024 } }),
  milliseconds: 60_000,
  tooMuch: 'The pieces took too long and were given up',
});

/** The lists of a kit, found in a thread of their own while the server goes on answering. */
export async function sheetsOfKit(boat: Boat, yard: KitYard): Promise<Sheet[]> {
  if (!inServer()) return kitSheets(boat, yard);
  const answer = await kitter().ask({ as: 'sheets', boat, yard });
  return (answer as Extract<KitAnswer, { as: 'sheets' }>).sheets;
}

/** The pieces of a boat, found likewise. */
export async function piecesOfKit(boat: Boat, cutting: Cutting): Promise<KitPieces> {
  if (!inServer())
    return kitPieces({ boat, evaluations: makeEvaluator()(boat), details: evaluateDetails(boat), cutting });
  const answer = await kitter().ask({ as: 'pieces', boat, cutting });
  return (answer as Extract<KitAnswer, { as: 'pieces' }>).pieces;
}
