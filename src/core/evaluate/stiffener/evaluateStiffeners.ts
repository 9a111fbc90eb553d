import { KeramosError } from '../../error';
import { type MemberGeometry, type Support } from '../../geometry';
import { type StiffenerSection } from '../../stiffener';
import { type WorkingStep } from '../../working';
import { type Boat, shapeOf } from '../../document';
import { bookOf } from '../book';
import { crossedBy } from './crossed';
import { loadSpan, type LoadedSpan, type StiffenerCheck } from './loadSpan';
import { membersOf } from './members';
import { standsOn } from './spanActions';
import { gluePerMetre } from './gluePerMetre';
import { sectionProperties } from './sectionProperties';

/** What is checked of a stiffener, and what no check of it looks at: said wherever a pass is shown. */
export const STIFFENER_CHECKED =
  'web shear, plating, crown, webs and flanges along it, buckling or wrinkling of crown and webs, the shear of its ' +
  'bond and of a core under it, proportions of its flanges, stiffness';
export const STIFFENER_NOT_CHECKED =
  'whether what its ends rest on holds them (keel, chine, deck edge, the members that it meets), crossings and ' +
  'holes in it, its bond pulled off, torsion and tripping, more than one point load, and what that one does to crown ' +
  'and webs where it stands';

/** A check, and the span where it is nearest its limit. */
export type SpanCheck = StiffenerCheck & { on: LoadedSpan };

export interface StiffenerEvaluation {
  support: Support;
  section: StiffenerSection | null;
  geometry: MemberGeometry | null;
  /** kg, both hands. */
  mass: number;
  /** Every span that bears, in order along it, once for each zone that it crosses. */
  spans: LoadedSpan[];
  /** Each check on the span where its reserve is least. */
  checks: SpanCheck[];
  /** The span with the least reserve. */
  worst: LoadedSpan | null;
  governing: SpanCheck | null;
  problem: string | null;
}

const leastOf = <C extends StiffenerCheck>(checks: readonly C[]) =>
  checks.reduce((low, check) => (check.reserveFactor < low.reserveFactor ? check : low));

/** Of several spans each check where it is least, in the order of the first. */
function leastChecks(spans: readonly LoadedSpan[]): SpanCheck[] {
  const all = spans.flatMap((on) => on.checks.map((check): SpanCheck => ({ ...check, on })));
  const ids = [...new Set(all.map(({ id }) => id))];
  return ids.map((id) => leastOf(all.filter((check) => check.id === id)));
}

/** Frame, screen and details ask for the same boat. */
const judged = new WeakMap<Boat, StiffenerEvaluation[]>();

/**
 * Every support of the boat: where it runs, what it weighs, and what the pack asks of it against what its section has,
 * each check on the span where it is worst.
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
    const base = {
      support,
      section,
      geometry,
      mass: 0,
      spans: [],
      checks: [],
      worst: null,
      governing: null,
      problem: null,
    };
    if (shape === null) return { ...base, problem: 'The boat has no hull shape yet' };
    if (geometry === null)
      return { ...base, problem: `${support.name} is nowhere on the boat: it lies off the surface` };
    if (section === null) return base;
    try {
      const properties = sectionProperties(boat, section);
      if (support.load !== null && !geometry.spans.some((span) => standsOn(support, span)))
        throw new KeramosError('invalid', `${support.name} does not run where its point load stands`, 'loadAt');
      const spans = geometry.spans
        .filter(({ length, spacing }) => length > 0.03 && spacing > 0.01)
        .flatMap((span) => {
          const { middle, all } = crossedBy(shape, boat, { support, section }, span);
          return all.map((on) => loadSpan({ shape, boat, book, support, section, properties }, span, { on, middle }));
        });
      const checks = leastChecks(spans);
      const governing = checks.length > 0 ? leastOf(checks) : null;
      return {
        ...base,
        mass: geometry.length * (properties.mass + gluePerMetre(boat, support, section)),
        spans,
        checks,
        worst: governing?.on ?? null,
        governing,
      };
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      return { ...base, problem: error.text };
    }
  });
}

/** The working of a stiffener on a span of it, its worst by default. @throws KeramosError when it cannot be checked. */
export function stiffenerWorking(
  boat: Boat,
  { support, section, worst }: StiffenerEvaluation,
  on: LoadedSpan | null = worst,
): WorkingStep[] {
  const shape = shapeOf(boat);
  if (!shape || !section || !on) return [];
  const steps: WorkingStep[] = [];
  loadSpan(
    { shape, boat, book: bookOf(boat, 0), support, section, properties: sectionProperties(boat, section) },
    on.span,
    { on: on.zone, middle: crossedBy(shape, boat, { support, section }, on.span).middle },
    (step) => steps.push(step),
  );
  return steps;
}
