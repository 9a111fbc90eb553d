import * as Comlink from 'comlink';
import { KeramosError } from '@/core/error';
import { runInSlices, type Progress } from '@/core/job';
import { applyEdits, type Edit } from '@/core/edit';
import type { Criterion } from '@/core/laminate';
import type { Material } from '@/core/material';
import {
  analysePanel,
  analyseZone,
  makeEvaluator,
  marginBand,
  type MarginBand,
  proveBoat,
  type PanelAnalysis,
  type ProofStep,
  type ZoneAnalysis,
} from '@/core/evaluate';
import type { Boat, Part, Zone } from '@/core/document';
import {
  effectOf,
  layerMovesJob,
  newBoatFrom,
  wholeBoat,
  zoneEquivalentsJob,
  type Effect,
  type LayerMove,
  type MovesInput,
  type NewBoat,
  type NewBoatOrder,
  type WholeBoat,
  type ZoneEquivalents,
  type ZoneEquivalentsInput,
} from '@/core/option';

/** Computed of one zone, or why it cannot be, in words. */
function ofZone<T>(boat: Boat, zoneId: string, work: (part: Part, zone: Zone) => T): T | string {
  const part = boat.parts.find((candidate) => candidate.zones.some(({ id }) => id === zoneId));
  const zone = part?.zones.find(({ id }) => id === zoneId);
  if (!part || !zone) return 'This zone is gone.';
  try {
    return work(part, zone);
  } catch (error) {
    if (error instanceof KeramosError) return error.text;
    throw error;
  }
}

const pause = () => new Promise<void>((resolve) => setTimeout(resolve, 0));
const clock = () => performance.now();

const api = {
  /** The panel of one zone in full, or why there is none. */
  panel: async (boat: Boat, zoneId: string, criterion: Criterion): Promise<PanelAnalysis | string> =>
    ofZone(boat, zoneId, (part, zone) => analysePanel(boat, part, zone, { criterion, terms: 16 })),

  /** The laminate of one zone ply by ply, last-ply failure by every criterion included. */
  laminate: async (boat: Boat, zoneId: string, criterion: Criterion): Promise<ZoneAnalysis | string> =>
    ofZone(boat, zoneId, (part, zone) => analyseZone(boat, part, zone, criterion)),

  /** Where the least reserve of one zone lies when its materials scatter; null where it cannot be checked. */
  band: async (boat: Boat, zoneId: string, how: { seed: number; draws: number }): Promise<MarginBand | null> => {
    const band = ofZone(boat, zoneId, (part, zone) => marginBand(boat, part, zone, how));
    return typeof band === 'string' ? null : band;
  },

  /** What each layer of a zone buys. */
  moves: async (input: MovesInput): Promise<LayerMove[] | null> => runInSlices(layerMovesJob(input), { clock, pause }),

  /** A new boat made from another one, with every margin it has; or why that cannot be, in words. */
  begin: async (
    source: Boat,
    order: NewBoatOrder,
    shelf: readonly Material[],
  ): Promise<(NewBoat & { whole: WholeBoat }) | string> => {
    try {
      const made = newBoatFrom(source, order, shelf);
      return { ...made, whole: wholeBoat(made.boat, makeEvaluator()(made.boat)) };
    } catch (error) {
      if (error instanceof KeramosError) return error.text;
      throw error;
    }
  },

  /** What else a zone could be laid of; or why nothing can be said, in words. `onStep` is told how far it is. */
  equivalents: async (
    input: ZoneEquivalentsInput,
    onStep: (step: Progress) => void,
  ): Promise<ZoneEquivalents | string | null> => {
    try {
      return await runInSlices(zoneEquivalentsJob(input, 0), { clock, pause, onProgress: onStep });
    } catch (error) {
      if (error instanceof KeramosError) return error.text;
      throw error;
    }
  },

  /** In what one state of a boat differs from another. */
  between: async (before: Boat, after: Boat): Promise<Effect> => effectOf(before, after),

  /** What edits would do to the whole boat; or why they cannot be. */
  effect: async (boat: Boat, edits: readonly Edit[]): Promise<Effect | string> => {
    try {
      return effectOf(boat, applyEdits(boat, edits).boat);
    } catch (error) {
      if (error instanceof KeramosError) return error.text;
      throw error;
    }
  },

  /** Prove every zone of a boat, one after the other; `onStep` gets each as it is done. */
  async prove(
    boat: Boat,
    { seed, draws }: { seed: number; draws: number },
    onStep: (step: ProofStep) => void,
  ): Promise<void> {
    await runInSlices(proveBoat({ boat, draws }, seed), { clock, pause, onProgress: onStep, slice: 0 });
  },
};
export type ProofWorker = typeof api;

Comlink.expose(api);
