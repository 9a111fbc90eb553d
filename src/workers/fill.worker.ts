import * as Comlink from 'comlink';
import type { Boat, FillPlan } from '@/core/document';
import { makeEvaluator } from '@/core/evaluate';
import {
  fillCase,
  fillOutcome,
  fillSimulation,
  resinToHave,
  thickerBy,
  WHAT_IFS,
  whatIf,
  type FillMesh,
  type FillOutcome,
  type FillResult,
  type Filling,
  type ResinToHave,
  type WhatIf,
} from '@/core/fill';
import { runInSlices } from '@/core/job';
import { clock, pause, told } from './told';

export interface FillAsked {
  boat: Boat;
  plan: FillPlan;
  filling: Filling;
  cells: number;
}

/** How far a fill has come, with the front as it stands (s by flow time). */
export interface FillNews {
  time: number;
  filled: number;
  mesh: FillMesh;
  arrived: Float64Array;
}

/** A plan that was simulated, with what the page draws of it. */
export interface Filled {
  outcome: FillOutcome;
  resin: ResinToHave;
  mesh: FillMesh;
  arrival: Float64Array;
  saturation: Float64Array;
  /** Per cent that the pack is thicker than by the vacuum when it is full; not a number where it is dry. */
  thicker: Float64Array;
  course: FillResult['course'];
  /** s of pot life left when the clamp opens. */
  life: number;
  problems: string[];
  notes: string[];
}

/** One thing otherwise: what the fill comes to then. */
export interface WhatIfFound {
  kind: WhatIf;
  fillTime: number | null;
  wetTime: number | null;
  margin: number | null;
  /** m² that stay dry. */
  dry: number;
}

const caseOf = ({ boat, plan, filling, cells }: FillAsked) =>
  fillCase({ boat, plan, filling, cells, evaluations: makeEvaluator()(boat) });
/** Least of a node's pores that is full where it is drawn as such. */
const FULL = 0.98;
/** Between two pictures of the front (ms). */
const NEWS_EVERY = 200;

const api = {
  /** How a plan fills; `onNews` is told how far it is. */
  fill: (asked: FillAsked, onNews: (news: FillNews) => void): Promise<Filled | string> =>
    told(async () => {
      const own = caseOf(asked);
      let last = clock();
      const result = (await runInSlices(fillSimulation(own.input), {
        clock,
        pause,
        onProgress: ({ time, filled, mesh, arrived }) => {
          if (clock() - last < NEWS_EVERY) return;
          last = clock();
          onNews({ time, filled, mesh, arrived: Float64Array.from(arrived) });
        },
      }))!;
      const { mesh, arrival, saturation, pressure, course } = result;
      return {
        outcome: fillOutcome(own, result),
        resin: resinToHave(own, result),
        mesh,
        arrival,
        saturation,
        thicker: thickerBy(pressure, own.filling.springBack).map((share, i) => {
          return saturation[i]! > FULL ? 100 * share : NaN;
        }),
        course,
        life: own.flow.life,
        problems: own.problems,
        notes: own.notes,
      };
    }),

  /** The same with one thing otherwise, one after the other. */
  whatIfs: (asked: FillAsked, onFound: (found: WhatIfFound) => void): Promise<true | string> =>
    told(async () => {
      const own = caseOf(asked);
      for (const kind of Object.keys(WHAT_IFS) as WhatIf[]) {
        const { input, life } = whatIf(kind, own);
        const result = (await runInSlices(fillSimulation(input), { clock, pause }))!;
        const { fillTime, wetTime, zones } = fillOutcome(own, result);
        const dry = zones.reduce((sum, zone) => sum + zone.dry, 0);
        onFound({ kind, fillTime, wetTime, margin: wetTime === null ? null : life / wetTime, dry });
      }
      return true as const;
    }),
};
export type FillWorker = typeof api;

Comlink.expose(api);
