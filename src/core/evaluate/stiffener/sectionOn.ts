import type { Sheet } from '../../standard';
import { sectionStiffness, topHatElements, type SectionElement, type StiffenerSection } from '../../stiffener';
import type { Recorder } from '../../working';
import type { Book } from '../book';
import type { SectionProperties } from './sectionProperties';

/** A stretch of a section from its lower to its upper edge, over the outer face of the plating (m). */
export type Reach = readonly [number, number];

/** A section on its plating: stiffness, what of it lies where, and what shears between them. */
export interface SectionOn {
  /** N·m² */
  EI: number;
  /** Over the outer face of the plating (m). */
  neutralAxis: number;
  /** Of plating that works with it (m). */
  effectiveBreadth: number;
  platingThickness: number;
  reach: { plating: Reach; flange: Reach | null; web: Reach; crown: Reach };
  /**
   * Shear flow over a shear force (1/m) where the flanges stand on the plating, and within each core of the plating.
   */
  flow: { foot: number; cores: readonly { name: string; flow: number; strength: number }[] };
}

/** Sheets of plating over a breadth as rectangles of a section, from the outer face inward, those of no modulus out. */
function platingElements(plating: readonly Sheet[], breadth: number) {
  const elements: { sheet: Sheet; element: SectionElement }[] = [];
  let z = 0;
  for (const sheet of plating) {
    const E = sheet.role === 'core' ? sheet.core.inPlaneModulus.value : (sheet.properties?.E ?? 0);
    if (E > 0)
      elements.push({ sheet, element: { E, breadth, height: sheet.thickness, centroid: z + sheet.thickness / 2 } });
    z += sheet.thickness;
  }
  return { elements, thickness: z };
}

/** The rectangles of what stands on a plating of some thickness. */
function standing(section: StiffenerSection, { crown, web, flange, former }: SectionProperties, z: number) {
  if (section.kind === 'flatBar') {
    const tabs = flange && {
      E: flange.E,
      breadth: section.flangeWidth,
      height: flange.thickness,
      centroid: z + flange.thickness / 2,
      count: 2,
    };
    const bar = { E: web.E, breadth: web.thickness, height: section.height, centroid: z + section.height / 2 };
    return tabs ? [tabs, bar] : [bar];
  }
  const lean = (Math.atan2((section.baseWidth - section.crownWidth) / 2, section.height) * 180) / Math.PI;
  const hat = topHatElements({
    plating: { E: 1, thickness: z, effectiveBreadth: 1 },
    flange: flange
      ? { E: flange.E, thickness: flange.thickness, width: section.flangeWidth }
      : { E: 1, thickness: 1e-6, width: 1e-6 },
    web: { E: web.E, thickness: web.thickness, height: section.height, angleDeg: lean },
    crown: { E: crown!.E, thickness: crown!.thickness, width: section.crownWidth },
    ...(former ? { former } : {}),
  });
  return hat.slice(flange ? 1 : 2);
}

/**
 * A section on the plating that works with it: transformed section, where its members lie, and the shear between them,
 * q = V Σ E A (z − z_n) / EI of what lies outside the plane.
 *
 * @param breadth of plating that works with it (m).
 * Source: Gere & Timoshenko, ch. 5 and 6; docs/engineering.md, "Stiffeners".
 */
export function sectionOn(
  { section, properties, book }: { section: StiffenerSection; properties: SectionProperties; book: Book },
  plating: readonly Sheet[],
  breadth: number,
  record?: Recorder,
): SectionOn {
  const { elements: below, thickness } = platingElements(plating, breadth);
  const { EI, neutralAxis } = sectionStiffness(
    [...below.map(({ element }) => element), ...standing(section, properties, thickness)],
    record,
  );
  const head = thickness + section.height;
  const { crown, flange } = properties;
  const cores: { name: string; flow: number; strength: number }[] = [];
  let outside = 0;
  for (const { sheet, element } of below) {
    outside += element.E * element.breadth * element.height * (element.centroid - neutralAxis);
    if (sheet.role !== 'core') continue;
    const { name, behaviour, shearStrength } = sheet.core;
    const strength = book.pack.coreStrengthFactor[behaviour] * shearStrength.value;
    cores.push({ name, flow: Math.abs(outside) / EI, strength });
  }
  return {
    EI,
    neutralAxis,
    effectiveBreadth: breadth,
    platingThickness: thickness,
    reach: {
      plating: [0, thickness],
      flange: flange && [thickness, thickness + flange.thickness],
      // The head of a flat bar is its crown.
      web: [thickness, section.kind === 'flatBar' ? thickness : head],
      crown: [head, head + (section.kind === 'flatBar' ? 0 : (crown?.thickness ?? 0))],
    },
    flow: { foot: Math.abs(outside) / EI, cores },
  };
}
