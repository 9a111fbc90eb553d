import * as Comlink from 'comlink';
import { evaluateDetails } from '@/core/detail/kinds';
import type { Boat } from '@/core/document';
import { makeEvaluator } from '@/core/evaluate';
import { runInSlices } from '@/core/job';
import {
  cutPlan,
  kitPieces,
  sheetNest,
  type Board,
  type CutInput,
  type CutStep,
  type CutWay,
  type Cutting,
  type KitPieces,
  type Piece,
  type SheetPlan,
} from '@/core/kit';
import { clock, pause, told } from './told';

export interface SheetsInput {
  board: Board;
  pieces: readonly Piece[];
  cutting: Cutting;
  looks: number;
  seed: number;
}

const api = {
  /** Every piece of a boat. */
  pieces: (boat: Boat, cutting: Cutting): Promise<KitPieces | string> =>
    told(async () => kitPieces({ boat, evaluations: makeEvaluator()(boat), details: evaluateDetails(boat), cutting })),

  /** The ways to cut the pieces of a fabric; `onStep` is told how far it is. */
  cut: (input: CutInput, onStep: (step: CutStep) => void): Promise<CutWay[] | string> =>
    told(async () => (await runInSlices(cutPlan(input), { clock, pause, onProgress: onStep }))!),

  /** Pieces on sheets by their true shapes. */
  sheets: (input: SheetsInput, onStep: (step: { done: number; sheets: number }) => void): Promise<SheetPlan | string> =>
    told(async () => {
      const { board, pieces, ...how } = input;
      return (await runInSlices(sheetNest(board, pieces, how), { clock, pause, onProgress: onStep }))!;
    }),
};
export type KitWorker = typeof api;

Comlink.expose(api);
