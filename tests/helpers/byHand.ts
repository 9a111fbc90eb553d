import { expect } from 'vitest';
import { newDetail, type DetailEvaluation, type DetailKind, type DetailOf } from '@/core/detail/kinds';
import type { Boat, Zone } from '@/core/document';
import type { Material } from '@/core/material';
import { merrow, zoneOf } from './merrow';

/**
 * Each kind of detail worked by hand beside the product: the formulas stand here again as a textbook has them, with
 * figures that divide well. What both share is the strength of a laminate alone, which has tests of its own.
 */
export const [, bottom] = zoneOf(merrow(), 'Bottom aft');
export const FORCE = 10_000;
export const FACTOR = 2;

/** A boat with one load more, of {@link FORCE} times {@link FACTOR}, in a direction: forward, outboard, up. */
export function loaded(home: Boat, forward: number, outboard: number, up: number): Boat {
  const load = {
    id: 'given',
    name: 'Given',
    cause: { kind: 'given' as const, force: FORCE },
    direction: { how: 'ratio' as const, forward, outboard, up },
    height: 0,
    along: 0,
    across: 0,
    factor: FACTOR,
    source: 'worked by hand',
  };
  return { ...home, loads: [...home.loads, load] };
}
export const boat = loaded(merrow(), 1, 0, 0);

export function detailOf<K extends DetailKind>(
  home: Boat,
  kind: K,
  zone: Zone,
  given: Partial<DetailOf<K>>,
): DetailOf<K> {
  return { ...newDetail(home, kind, 'x', zone), load: 'given', ...given } as DetailOf<K>;
}
export function found({ checks, problem }: DetailEvaluation, id: string) {
  expect(problem).toBeNull();
  const one = checks.find((check) => check.id === id);
  expect(one, `${id} is checked`).toBeDefined();
  expect(one!.reserveFactor).toBeCloseTo(one!.capacity / one!.demand, 9);
  return one!;
}
/** Demand and capacity of a check as expected by hand. */
export function agrees(evaluation: DetailEvaluation, id: string, demand: number, capacity: number) {
  const one = found(evaluation, id);
  expect(one.demand / demand, `${id}, asked`).toBeCloseTo(1, 9);
  expect(one.capacity / capacity, `${id}, there`).toBeCloseTo(1, 9);
}
export const material = <K extends Material['kind']>(home: Boat, kind: K, id: string | null) =>
  home.materials.find((one) => one.kind === kind && one.id === id) as Extract<Material, { kind: K }>;
