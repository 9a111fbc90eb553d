import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { editOf } from '../../../tests/helpers/randomEdit';
import { cautionsOf } from '../caution';
import { drawDetail, evaluateDetails } from '../detail/kinds';
import { boatFromJson, boatToJson, checkBoat, type Boat } from '../document';
import { KeramosError } from '../error';
import { same } from '../field';
import { evaluateStiffeners, makeEvaluator } from '../evaluate';
import { linesOfPart } from '../lines';
import { applyEdits, describeEdits, difference } from '.';

/** Everything a screen or a print asks of a boat. */
function openEverywhere(boat: Boat): void {
  const evaluations = makeEvaluator()(boat);
  cautionsOf(boat, evaluations);
  evaluateStiffeners(boat);
  for (const { detail } of evaluateDetails(boat)) drawDetail(boat, detail);
  for (const part of boat.parts) linesOfPart(boat, part, evaluations);
}

describe('whatever is edited', () => {
  it.each([
    ['Merrow 84', merrow()],
    ['Brant 56', brant()],
  ])('%s exports, imports, evaluates and opens after any accepted edits, and each is undone exactly', (_, start) => {
    let [accepted, refused] = [0, 0];
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(400), fc.nat(400), fc.nat(400)), { minLength: 60, maxLength: 120 }),
        (steps) => {
          let boat = start;
          for (const [kind, n, m] of steps) {
            const edit = editOf(boat, kind, n, m);
            if (edit === null) continue;
            try {
              const { boat: after, inverse } = applyEdits(boat, [edit]);
              expect(describeEdits(boat, [edit]).length).toBeGreaterThan(3);
              expect(same(applyEdits(after, inverse).boat, boat)).toBe(true);
              expect(difference(boat, after).length === 0).toBe(same(boat, after));
              boat = after;
              accepted++;
            } catch (error) {
              if (!(error instanceof KeramosError)) throw error;
              refused++;
            }
          }
          checkBoat(boat);
          const document = boatToJson(boat);
          const back = boatFromJson(document);
          expect(boatToJson(back)).toBe(document);
          openEverywhere(back);
        },
      ),
      { numRuns: 20, seed: 84, endOnFailure: true },
    );
    expect(accepted).toBeGreaterThan(500);
    expect(refused).toBeGreaterThan(100);
  });
});
