import { Worker } from 'node:worker_threads';
import { evaluateDetails } from '@/core/detail/kinds';
import type { Boat } from '@/core/document';
import { invalid } from '@/core/error';
import { makeEvaluator } from '@/core/evaluate';
import { kitPieces, labelsOf, type Cutting, type KitPieces, type Piece } from '@/core/kit';
import type { BoatBook } from '@/core/log';
import { bookPdf, type BookOptions } from '../print/bookPdf';
import { kitSheets, type KitYard } from '../print/kitSheets';
import { labelsPdf, type LabelsOptions } from '../print/labelsPdf';
import { sheetsPdf } from '../print/sheetsPdf';
import type { Sheet } from '../print/scheduleSheets';
import { inServer } from '../threads/inServer';
import { sharedThread } from '../threads/thread';

/** Which labels are asked for: of the boat as it stands or of a frozen kit, all or of one part and layer. */
export interface LabelsAsk {
  boat: Boat;
  cutting: Cutting;
  frozen: { hull: string; pieces: readonly Piece[] } | null;
  group: string | null;
  layer: number | null;
  options: LabelsOptions;
}
export type KitAsk =
  | { as: 'sheets'; boat: Boat; yard: KitYard }
  | { as: 'book'; boat: Boat; yard: KitYard }
  | { as: 'pieces'; boat: Boat; cutting: Cutting }
  | { as: 'labels'; asked: LabelsAsk }
  | { as: 'boatBook'; book: BoatBook; options: BookOptions };
export type KitAnswer =
  | { as: 'sheets'; sheets: Sheet[] }
  | { as: 'pieces'; pieces: KitPieces }
  | { as: 'labels' | 'book' | 'boatBook'; pdf: Uint8Array };

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

/** The same lists as a PDF, made likewise. */
export async function bookOfKit(boat: Boat, yard: KitYard): Promise<Uint8Array> {
  if (!inServer()) return bookHere(boat, yard);
  const answer = await kitter().ask({ as: 'book', boat, yard });
  return (answer as Extract<KitAnswer, { pdf: Uint8Array }>).pdf;
}

/** The boat's book as a PDF, made likewise. */
export async function printBook(book: BoatBook, options: BookOptions): Promise<Uint8Array> {
  if (!inServer()) return bookPdf(book, options);
  const answer = await kitter().ask({ as: 'boatBook', book, options });
  return (answer as Extract<KitAnswer, { pdf: Uint8Array }>).pdf;
}

/** The lists as a PDF, made in this thread. */
export const bookHere = (boat: Boat, yard: KitYard): Promise<Uint8Array> =>
  sheetsPdf(`${boat.name}, kit`, kitSheets(boat, yard));

/** The pieces of a boat, found likewise. */
export async function piecesOfKit(boat: Boat, cutting: Cutting): Promise<KitPieces> {
  if (!inServer()) return piecesHere(boat, cutting);
  const answer = await kitter().ask({ as: 'pieces', boat, cutting });
  return (answer as Extract<KitAnswer, { as: 'pieces' }>).pieces;
}

/** Labels as a PDF, made likewise. @throws KeramosError `invalid` where nothing is asked for that has a piece. */
export async function labelsOfKit(asked: LabelsAsk): Promise<Uint8Array> {
  if (!inServer()) return labelsHere(asked);
  const answer = await kitter().ask({ as: 'labels', asked });
  return (answer as Extract<KitAnswer, { pdf: Uint8Array }>).pdf;
}

/** Pieces that were found last, by what they were found of: lists, labels and books ask for the same again. */
const found = new Map<string, KitPieces>();
const KEPT = 4;

/** The pieces of a boat, found in this thread. */
export function piecesHere(boat: Boat, cutting: Cutting): KitPieces {
  const key = JSON.stringify([boat, cutting]);
  const known = found.get(key);
  if (known) return known;
  const pieces = kitPieces({ boat, evaluations: makeEvaluator()(boat), details: evaluateDetails(boat), cutting });
  found.set(key, pieces);
  if (found.size > KEPT) found.delete(found.keys().next().value!);
  return pieces;
}

/** Labels, made in this thread. */
export async function labelsHere({ boat, cutting, frozen, group, layer, options }: LabelsAsk): Promise<Uint8Array> {
  const all = frozen ? frozen.pieces : piecesHere(boat, cutting).pieces;
  const own = all.filter(
    (piece) =>
      (group === null || (piece.partId ?? piece.kind) === group) && (layer === null || piece.layerNumber === layer),
  );
  if (own.length === 0) throw invalid('group', 'There are no such pieces');
  const name = frozen ? `${boat.name}, hull ${frozen.hull}` : boat.name;
  return new Uint8Array(await labelsPdf(labelsOf(boat, own, name), options));
}
