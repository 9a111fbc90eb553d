import { reaches } from '../quantity';
import type { Boat } from '../document';
import { evaluateStiffeners, targetOf } from '../evaluate';
import type { StiffenerSection } from '../stiffener';

/** By how much a section grows at a time (m), and how often it may. */
const STEP = { height: 0.01, width: 0.005 };
const MOST_STEPS = 24;

const grown = (section: StiffenerSection): StiffenerSection => {
  const widen = (width: number) => Math.min(0.6, Number((width + STEP.width).toFixed(4)));
  return {
    ...section,
    height: Math.min(0.6, Number((section.height + STEP.height).toFixed(4))),
    baseWidth: section.kind === 'topHat' ? widen(section.baseWidth) : section.baseWidth,
    crownWidth: section.kind === 'topHat' ? widen(section.crownWidth) : section.crownWidth,
  };
};

/**
 * The boat with its stiffener sections made higher and wider, a centimetre at a time, until every member that has one
 * reaches the target; sections that do already stay, and so do their layers. A section that does not get there within
 * {@link MOST_STEPS} steps keeps its last size.
 *
 * @example growSections(scaleBoat(launch, { hullLength: 11 })) // 'Frame hat 80' is 0.11 m high
 */
export function growSections(boat: Boat): Boat {
  const target = targetOf(boat);
  let current = boat;
  for (let step = 0; step < MOST_STEPS; step++) {
    const weak = new Set(
      evaluateStiffeners(current).flatMap(({ section, governing }) =>
        section && governing && !reaches(governing.reserveFactor, target) ? [section.id] : [],
      ),
    );
    if (weak.size === 0) break;
    current = { ...current, sections: current.sections.map((one) => (weak.has(one.id) ? grown(one) : one)) };
  }
  return current;
}
