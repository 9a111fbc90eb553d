import * as Comlink from 'comlink';
import { KeramosError } from '@/core/error';
import type { WorkingStep } from '@/core/working';
import type { Criterion } from '@/core/laminate';
import {
  analysePanel,
  marginBand,
  matchZone,
  panelWorking,
  type MarginBand,
  type PanelAnalysis,
  type PanelReserve,
} from '@/core/evaluate';
import type { Boat } from '@/core/document';

/** What a zone's proof comes to besides the rule: its band, direct analysis, and the reference it is matched against. */
export interface ZoneProof {
  zoneId: string;
  band: MarginBand | null;
  analysis: PanelReserve | null;
  /** The steps behind the analysis. */
  working: WorkingStep[];
  /** Place in the laying order of the layer whose plies fail first. */
  layer: number | null;
  /** Why there is no analysis. */
  problem: string | null;
  match: { reference: string; ratio: number; name: string } | null;
}

const attempt = <T>(work: () => T): T | string => {
  try {
    return work();
  } catch (error) {
    if (error instanceof KeramosError) return error.message;
    throw error;
  }
};

const api = {
  /** The panel of one zone in full, or why there is none. */
  async panel(boat: Boat, zoneId: string, criterion: Criterion): Promise<PanelAnalysis | string> {
    const part = boat.parts.find((candidate) => candidate.zones.some(({ id }) => id === zoneId));
    const zone = part?.zones.find(({ id }) => id === zoneId);
    return part && zone
      ? attempt(() => analysePanel(boat, part, zone, { criterion, terms: 16 }))
      : 'This zone is gone.';
  },

  /** Prove every zone of a boat, one after the other; `onZone` gets each as it is done. */
  async prove(
    boat: Boat,
    options: { seed: number; draws: number },
    onZone: (proof: ZoneProof) => Promise<void>,
  ): Promise<void> {
    for (const part of boat.parts)
      for (const zone of part.zones) {
        const band = marginBand(boat, part, zone, options);
        const analysis = attempt(() => analysePanel(boat, part, zone, { terms: 10, detail: false }));
        const match = attempt(() => matchZone(boat, part, zone));
        await onZone({
          zoneId: zone.id,
          band,
          analysis: typeof analysis === 'string' ? null : analysis.governing,
          working: typeof analysis === 'string' ? [] : panelWorking(analysis),
          layer:
            typeof analysis === 'string' ? null : (analysis.reserves.find(({ id }) => id === 'plies')?.layer ?? null),
          problem: typeof analysis === 'string' ? analysis : null,
          match:
            match === null || typeof match === 'string'
              ? null
              : { reference: match.reference.name, ratio: match.governing.ratio, name: match.governing.name },
        });
      }
  },
};
export type ProofWorker = typeof api;

Comlink.expose(api);
