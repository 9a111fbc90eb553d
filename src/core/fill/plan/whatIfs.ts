import { Clipper, EndType, JoinType } from '@countertype/clipper2-ts';
import type { FlatPoint } from '../../geometry';
import type { FillInput, FillRegion } from '../simulate/simulate';
import type { FillCase } from './fillCase';
import { resinFlowAt } from './resinAt';

/** What may go otherwise than planned; how much is the yard's own. */
export const WHAT_IFS = {
  hot: 'A hotter shop',
  cold: 'A colder shop',
  late: 'Every later clamp opened late',
  leak: 'A leak',
  edge: 'Resin races along the edges',
} as const;
export type WhatIf = keyof typeof WHAT_IFS;

/** The strip along the edges in which resin races (m), and how much better it lets through. */
const EDGE = { width: 0.015, times: 15 };
const MICRO = 1e6;

/**
 * The same plan in a shop of another temperature: hotter, a resin runs more easily and gels sooner still; colder, it
 * lives longer and takes longer still to run.
 */
function shopAt(celsius: number, { input, plan, filling, resin }: FillCase): { input: FillInput; life: number } {
  const { viscosity, rate, life } = resinFlowAt(resin, { celsius, potLife: plan.potLife }, filling);
  const given = { viscosity, viscosityRate: rate, maximumTime: 2 * (life + filling.lead) };
  return { input: { ...input, ...given }, life };
}

/** The same plan with one thing otherwise, and how long the resin then lives from the open clamp (s). */
export function whatIf(kind: WhatIf, own: FillCase): { input: FillInput; life: number } {
  const { input, flow, plan, filling } = own;
  switch (kind) {
    case 'hot':
      return shopAt(Math.max(plan.celsius, filling.hotShop), own);
    case 'cold':
      return shopAt(Math.min(plan.celsius, filling.coldShop), own);
    case 'late': {
      const delay = filling.lateClamp;
      const inlets = input.inlets.map((inlet) => {
        if (inlet.onArrival) return { ...inlet, onArrival: { delay } };
        return inlet.openAt ? { ...inlet, openAt: inlet.openAt + delay } : inlet;
      });
      return { input: { ...input, inlets }, life: flow.life };
    }
    case 'leak':
      return { input: { ...input, pressure: Math.max(5000, input.pressure - filling.leak) }, life: flow.life };
    case 'edge': {
      const { width, times } = EDGE;
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
