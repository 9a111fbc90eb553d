import { reaches } from '../quantity';
import type { Boat } from '../document';
import { evaluateStiffeners, targetOf } from '../evaluate';
import { leastFlange, type SectionLayer, type StiffenerSection } from '../stiffener';

/** By how much a section grows at a time (m), and how often it may. */
const STEP = { height: 0.01, width: 0.005 };
const MOST_STEPS = 24;
const MOST_LAYERS = 30;

/** Walls that stand by themselves and give way sideways: higher they would sooner, thicker by two layers later. */
function thickened(section: StiffenerSection): StiffenerSection {
  const [first, ...rest] = section.layers as [SectionLayer, ...SectionLayer[]];
  const inside = section.kind === 'flatBar' ? { ...first, flange: false } : first;
  const layers = rest.length === 0 ? [first, inside] : [first, inside, ...rest.slice(0, -1), inside, rest.at(-1)!];
  return layers.length > MOST_LAYERS ? section : { ...section, layers };
}

const grown = (section: StiffenerSection): StiffenerSection => {
  const widen = (width: number) => Math.min(0.6, Number((width + STEP.width).toFixed(4)));
  const height = Math.min(0.6, Number((section.height + STEP.height).toFixed(4)));
  return {
    ...section,
    height,
    flangeWidth: Math.max(section.flangeWidth, Number(leastFlange(height).toFixed(4))),
    baseWidth: section.kind === 'topHat' ? widen(section.baseWidth) : section.baseWidth,
    crownWidth: section.kind === 'topHat' ? widen(section.crownWidth) : section.crownWidth,
  };
};

/** Bonding flanges wider by a step. */
const widened = (section: StiffenerSection): StiffenerSection => ({
  ...section,
  flangeWidth: Math.min(0.3, Number((section.flangeWidth + STEP.width).toFixed(4))),
});

/**
 * The boat with its stiffener sections made higher and wider, a centimetre at a time, until every member that has one
 * reaches the target; sections that do already stay, and so do their layers, but of walls that no former holds. A
 * section that does not get there within {@link MOST_STEPS} steps keeps its last size.
 *
 * @example growSections(scaleBoat(launch, { hullLength: 11 })) // 'Frame hat 80' is 0.11 m high
 */
export function growSections(boat: Boat): Boat {
  const target = targetOf(boat);
  let current = boat;
  for (let step = 0; step < MOST_STEPS; step++) {
    const weak = new Map<string, Set<string>>();
    for (const { section, checks } of evaluateStiffeners(current))
      for (const { id, reserveFactor } of section ? checks : [])
        if (!reaches(reserveFactor, target)) weak.set(section!.id, (weak.get(section!.id) ?? new Set()).add(id));
    if (weak.size === 0) break;
    const sections = current.sections.map((one) => {
      const lacks = weak.get(one.id);
      if (!lacks) return one;
      const sideways = lacks.has('crownBuckling') || lacks.has('webBuckling');
      const bonds = lacks.has('bond');
      if (bonds && lacks.size === 1) return widened(one);
      const next = one.former === null && sideways ? thickened(one) : grown(one);
      return bonds ? widened(next) : next;
    });
    current = { ...current, sections };
  }
  return current;
}
