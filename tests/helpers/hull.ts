import { expect } from 'vitest';
import { applyEdits, type Edit } from '../../src/core/edit';
import type { Boat, Part } from '../../src/core/document';
import { merrow } from './merrow';

/** Merrow 84, its hull, the id of a layer by its number, and ids nobody has yet. */
export const boat = merrow();
export const hull = boat.parts[0]!;
export const id = (number: number) => hull.layers[number - 1]!.id;
let n = 0;
export const fresh = () => () => `fresh-${++n}`;

/** The hull after edits; every set of edits must be taken back exactly by its inverse. */
export function after(edits: Edit[], from: Boat = boat, part = 'Hull'): Part {
  const { boat: next, inverse } = applyEdits(from, edits);
  expect(applyEdits(next, inverse).boat).toEqual(from);
  return next.parts.find(({ name }) => name === part)!;
}
