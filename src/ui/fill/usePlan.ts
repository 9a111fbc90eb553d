import { useMemo } from 'react';
import type { Boat, FillPlan, Part } from '@/core/document';
import { shapeOf } from '@/core/document';
import { KeramosError } from '@/core/error';
import { makeEvaluator } from '@/core/evaluate';
import { fillCase, skinsOf, type FillCase, type FillSkin, type Filling } from '@/core/fill';
import { shortMark } from '../shared/shortMark';

const marks = new WeakMap<Boat, string>();
/** Of all of a boat that a fill depends on. */
function boatMark(boat: Boat): string {
  const known = marks.get(boat);
  if (known) return known;
  const { parts, hull, deck, materials, brief } = boat;
  const made = shortMark(JSON.stringify([parts, hull, deck, materials, brief]));
  marks.set(boat, made);
  return made;
}

/** Triangles of a simulation: to try things, and to hold to. */
export const FINENESS = { quick: 4000, fine: 8000 } as const;
export type Fineness = keyof typeof FINENESS;

/** Changes when anything changes that the simulation of a plan depends on. */
export function planMark(boat: Boat, plan: FillPlan, filling: Filling, fineness: Fineness): string {
  const { name: _name, target: _target, volume: _volume, ...rest } = plan;
  return `${boatMark(boat)}.${shortMark(JSON.stringify([rest, filling, fineness]))}`;
}

const known = new WeakMap<Part, { shape: unknown; skins: FillSkin[] }>();
/** The skins of a part, found once. */
export function useSkins(boat: Boat, part: Part | undefined): FillSkin[] {
  return useMemo(() => {
    if (!part) return [];
    const shape = shapeOf(boat);
    const there = known.get(part);
    if (there?.shape === shape) return there.skins;
    const skins = skinsOf(shape, part);
    known.set(part, { shape, skins });
    return skins;
  }, [boat, part]);
}

/** A plan with all that it stands on, or why it cannot be filled; null without one. */
export function useFillCase(boat: Boat, plan: FillPlan | undefined, filling: Filling): FillCase | string | null {
  return useMemo(() => {
    if (!plan) return null;
    try {
      return fillCase({ boat, plan, filling, evaluations: makeEvaluator()(boat) });
    } catch (error) {
      if (error instanceof KeramosError) return error.text;
      throw error;
    }
  }, [boat, plan, filling]);
}
