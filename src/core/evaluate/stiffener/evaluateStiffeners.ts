import { KeramosError } from '../../error';
import { type MemberGeometry, type Support } from '../../geometry';
import { type StiffenerSection } from '../../stiffener';
import { type WorkingStep } from '../../working';
import { type Boat, shapeOf } from '../../document';
import { bookOf } from '../book';
import { loadSpan, type LoadedSpan, type StiffenerCheck } from './loadSpan';
import { membersOf } from './members';
import { sectionProperties } from './sectionProperties';

export interface StiffenerEvaluation {
  support: Support;
  section: StiffenerSection | null;
  geometry: MemberGeometry | null;
  /** kg, both hands. */
  mass: number;
  /** The span with the least reserve. */
  worst: LoadedSpan | null;
  governing: StiffenerCheck | null;
  slender: string[];
  problem: string | null;
}

const leastOf = (checks: readonly StiffenerCheck[]) =>
  checks.reduce((low, check) => (check.reserveFactor < low.reserveFactor ? check : low));

/** Frame, screen and details ask for the same boat. */
const judged = new WeakMap<Boat, StiffenerEvaluation[]>();

/**
 * Every support of the boat: where it runs, what it weighs, and on its worst span what the pack asks of it against
 * what its section has.
 *
 * @returns one a support, in their order; a problem in words where it cannot be checked.
 * Source: ISO 12215-5:2008 method, F46 to F50; section by transformed moduli.
 */
export function evaluateStiffeners(boat: Boat): StiffenerEvaluation[] {
  const known = judged.get(boat) ?? evaluate(boat);
  judged.set(boat, known);
  return known;
}

function evaluate(boat: Boat): StiffenerEvaluation[] {
  const shape = shapeOf(boat);
  const book = bookOf(boat, 0);
  const places = membersOf(boat);
  return boat.supports.map((support): StiffenerEvaluation => {
    const section = boat.sections.find(({ id }) => id === support.section) ?? null;
    const geometry = places.get(support.id) ?? null;
    const base = { support, section, geometry, mass: 0, worst: null, governing: null, slender: [], problem: null };
    if (shape === null) return { ...base, problem: 'The boat has no hull shape yet' };
    if (geometry === null)
      return { ...base, problem: `${support.name} is nowhere on the boat: it lies off the surface` };
    if (section === null) return base;
    try {
      const properties = sectionProperties(boat, section);
      const loaded = geometry.spans
        .filter(({ length, spacing }) => length > 0.03 && spacing > 0.01)
        .map((span) => loadSpan({ shape, boat, book, support, section, properties }, span));
      const worst = loaded.length
        ? loaded.reduce((a, b) => (leastOf(b.checks).reserveFactor < leastOf(a.checks).reserveFactor ? b : a))
        : null;
      return {
        ...base,
        mass: geometry.length * properties.mass,
        worst,
        governing: worst && leastOf(worst.checks),
        slender: properties.former ? [] : properties.slender,
      };
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      return { ...base, problem: error.text };
    }
  });
}

/** The working of a stiffener on its worst span. @throws KeramosError when it cannot be checked. */
export function stiffenerWorking(boat: Boat, evaluation: StiffenerEvaluation): WorkingStep[] {
  const shape = shapeOf(boat);
  if (!shape || !evaluation.section || !evaluation.worst) return [];
  const steps: WorkingStep[] = [];
  const { support, section, worst } = evaluation;
  loadSpan(
    { shape, boat, book: bookOf(boat, 0), support, section, properties: sectionProperties(boat, section) },
    worst.span,
    (step) => steps.push(step),
  );
  return steps;
}
