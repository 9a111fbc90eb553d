import { Clipper, EndType, JoinType } from '@countertype/clipper2-ts';
import type { FlatPoint } from '../../geometry';
import type { FillInput, FillRegion } from '../simulate/simulate';
import type { FillCase } from './fillCase';
import { resinFlowAt } from './resinAt';

/** What may go otherwise than planned: how cold, how late, how much vacuum is lost, how resin runs along an edge. */
export const WHAT_IFS = {
  cold: { name: 'Shop at 12 °C', celsius: 12 },
  late: { name: 'Every later clamp opened 5 min late', delay: 300 },
  leak: { name: 'A leak takes 10 kPa of the vacuum', lost: 10_000 },
  edge: { name: 'Resin races along the edges', width: 0.015, times: 15 },
} as const;
export type WhatIf = keyof typeof WHAT_IFS;

const MICRO = 1e6;

/** The same plan with one thing otherwise, and how long the resin then lives from the open clamp (s). */
export function whatIf(kind: WhatIf, own: FillCase): { input: FillInput; life: number } {
  const { input, flow, plan, filling, resin } = own;
  switch (kind) {
    case 'cold': {
      const celsius = Math.min(plan.celsius, WHAT_IFS.cold.celsius);
      const cold = resinFlowAt(resin, { celsius, potLife: plan.potLife }, filling);
      const given = {
        viscosity: cold.viscosity,
        viscosityRate: cold.rate,
        maximumTime: 2 * (cold.life + filling.lead),
      };
      return { input: { ...input, ...given }, life: cold.life };
    }
    case 'late': {
      const { delay } = WHAT_IFS.late;
      const inlets = input.inlets.map((inlet) => {
        if (inlet.onArrival) return { ...inlet, onArrival: { delay } };
        return inlet.openAt ? { ...inlet, openAt: inlet.openAt + delay } : inlet;
      });
      return { input: { ...input, inlets }, life: flow.life };
    }
    case 'leak':
      return { input: { ...input, pressure: Math.max(5000, input.pressure - WHAT_IFS.leak.lost) }, life: flow.life };
    case 'edge': {
      const { width, times } = WHAT_IFS.edge;
      const rims = (input.regions ?? []).flatMap((region): FillRegion[] => {
        const k = region.permeability;
        if (typeof k === 'number') return [];
        const fast = { ...k, k1: times * k.k1, k2: times * k.k2 };
        return rimOf(input.outline, width).map((outline) => ({ ...region, outline, permeability: fast }));
      });
      // One rim round the whole: that of the zone that lets most through.
      const [most] = rims.sort((a, b) => (b.permeability as { k1: number }).k1 - (a.permeability as { k1: number }).k1);
      return { input: { ...input, regions: [...(input.regions ?? []), ...(most ? [most] : [])] }, life: flow.life };
    }
  }
}

/** A strip along an outline, inside it, as one ring: out and back over a cut. */
function rimOf(outline: readonly FlatPoint[], width: number): FlatPoint[][] {
  const path = outline.map(([x, y]) => ({ x: Math.round(x * MICRO), y: Math.round(y * MICRO) }));
  const inner = Clipper.inflatePaths([path], -width * MICRO, JoinType.Miter, EndType.Polygon);
  return inner.map((ring) => {
    const back = ring.map(({ x, y }): FlatPoint => [x / MICRO, y / MICRO]);
    return [...outline, outline[0]!, ...back, back[0]!];
  });
}
