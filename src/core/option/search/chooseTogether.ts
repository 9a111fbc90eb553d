import { invalid } from '../../error';
import { coupleZones, type Coupling } from './coupleZones';
import type { GridQuestion, ReadyPart } from './readyPart';
import type { ZoneFront } from './zoneFront';

/** Choices tried one after the other when fewest pieces count, of which the program sees the least only. */
const TURNS = 60;
const NEAR = 1e-9;

export interface Fronts {
  fronts: readonly ZoneFront[];
  /** Whether the zones hang together. */
  coupled: boolean;
  /** What a choice of stacks really comes to. */
  objectiveOf: (choice: readonly number[], fronts: readonly ZoneFront[]) => number;
}

/**
 * One stack for every zone, so that the whole comes to least; among those that come to about the same, as much as the
 * effort allows for it, the one of fewest pieces.
 *
 * @returns indices into the fronts, what they come to, and the least that anything may come to.
 * @throws KeramosError `invalid` where no stacks of the zones go together.
 */
export function chooseTogether(
  question: GridQuestion,
  { part, zones, meets, runsOver, sides, layerOf }: ReadyPart,
  { fronts, coupled, objectiveOf }: Fronts,
): { choice: number[]; objective: number; bound: number } {
  const { weights, solve, effort } = question;
  const frame: Omit<Coupling, 'forbidden'> = {
    zones: zones.map(({ geometry }, z) => ({
      area: geometry.area * part.number,
      found: fronts[z]!.found,
      ...sides[z]!,
    })),
    meets,
    runsOver,
    perPiece: weights.pieces * part.number,
    mostDropped: question.mostDropped,
    mostMaterials: question.mostMaterials,
    stock: question.stock,
    materialOf: (row) => layerOf(row).material,
  };
  const floor = fronts.reduce((sum, { bound }) => sum + bound, 0);
  const firsts = zones.map(() => 0);
  let best = coupled ? inTurn() : { choice: firsts, objective: objectiveOf(firsts, fronts), bound: floor };
  if (effort.tidy > 0 && weights.pieces === 0 && zones.length > 1) {
    const atMost = best.objective * (1 + effort.tidy) + NEAR;
    const neat = coupleZones({ ...frame, forbidden: [], atMost }, solve);
    if (neat) best = { ...best, choice: neat.choice, objective: objectiveOf(neat.choice, fronts) };
  }
  return best;

  /** The program's choices, the best first, until none can be better than the best that was found. */
  function inTurn() {
    const forbidden: number[][] = [];
    /** What a choice with a stack that is not listed would come to at least. */
    let bound = Math.min(...fronts.map((front) => floor - front.bound + front.listedTo));
    let found: { choice: number[]; objective: number } | null = null;
    for (let turn = 0; turn < TURNS; turn++) {
      const next = coupleZones({ ...frame, forbidden }, solve);
      if (!next || (found && next.least >= found.objective * (1 - NEAR))) break;
      if (turn === TURNS - 1) bound = Math.min(bound, next.least);
      const objective = objectiveOf(next.choice, fronts);
      if (found === null || objective < found.objective) found = { choice: next.choice, objective };
      if (weights.pieces === 0) break;
      forbidden.push(next.choice);
    }
    if (found === null)
      throw invalid(
        'choices',
        `No stacks of the zones of ${part.name} go together: ` +
          'allow more layers to end at a line, more materials, or more stock',
      );
    return { ...found, bound: Math.max(floor, Math.min(found.objective, bound)) };
  }
}
