import type { Recorder } from '../working';
import { sectionStiffness, type SectionElement, type SectionStiffness } from './section';

/** A top-hat on its plating. Moduli Pa, lengths m; `flange` and `web` once for each side. */
export interface TopHat {
  plating: { E: number; thickness: number; effectiveBreadth: number };
  flange: { E: number; thickness: number; width: number };
  /** Height is vertical, from the plating to the crown; the angle leans from the vertical. */
  web: { E: number; thickness: number; height: number; angleDeg?: number };
  crown: { E: number; thickness: number; width: number };
  /** What fills it, when it carries anything: its modulus and mean width. */
  former?: { E: number; width: number };
}

/** The rectangles of a top-hat, from the outer face of the plating inward. */
export function topHatElements({ plating, flange, web, crown, former }: TopHat): SectionElement[] {
  const slant = Math.cos(((web.angleDeg ?? 0) * Math.PI) / 180);
  const foot = plating.thickness;
  const elements: SectionElement[] = [
    { E: plating.E, breadth: plating.effectiveBreadth, height: plating.thickness, centroid: plating.thickness / 2 },
    {
      E: flange.E,
      breadth: flange.width,
      height: flange.thickness,
      centroid: plating.thickness + flange.thickness / 2,
      count: 2,
    },
    { E: web.E, breadth: web.thickness / slant, height: web.height, centroid: foot + web.height / 2, count: 2 },
    { E: crown.E, breadth: crown.width, height: crown.thickness, centroid: foot + web.height + crown.thickness / 2 },
  ];
  if (former)
    elements.push({ E: former.E, breadth: former.width, height: web.height, centroid: foot + web.height / 2 });
  return elements;
}

/**
 * Stiffness of a top-hat with its effective plating; neutral axis from the outer face of the plating.
 *
 * @returns as `sectionStiffness`, and the area of both webs that takes the shear force (m²): thickness times vertical
 * height.
 * @example see stiffener.topHat of the calc contract
 * Source: transformed section; a leaning web counts by its horizontal width t / cos of the lean.
 */
export function topHatSection(hat: TopHat, record?: Recorder): SectionStiffness & { webArea: number } {
  return { ...sectionStiffness(topHatElements(hat), record), webArea: 2 * hat.web.thickness * hat.web.height };
}
