import { randomLcg, randomNormal } from 'd3-random';
import { KeramosError } from '../error';
import { PROCESSES, strengthSpread, type Core, type Fabric } from '../material';
import type { Sheet } from '../standard';
import type { Boat, Part, Zone } from '../document';
import { bookOf, layAll } from './book';
import { checkByMethod, methodPanels, type MethodPanel } from './packChecks';

/** Where a zone's least reserve by the method lies when fibre fraction, strength and core scatter. */
export interface MarginBand {
  zoneId: string;
  p05: number;
  p50: number;
  p95: number;
  /** Share of the draws in which the zone fails. */
  failing: number;
  draws: number;
  /** Check that governed most draws. */
  governs: string;
}

/** Scatter of core properties where their figures state none. */
const CORE_SPREAD = 0.08;
/**
 * Fibre fraction is drawn to the nearest quarter of its standard deviation, so that stacks can be laid once for many
 * draws.
 */
const STEP = 0.25;
const FARTHEST = 3;

function spreadOf(sheets: readonly Sheet[], fabrics: readonly Fabric[]): number[] {
  return sheets.map((sheet) => {
    if (sheet.role === 'core') return sheet.core.shearStrength.spread ?? CORE_SPREAD;
    const fabric = fabrics.find(({ code }) => code === sheet.name);
    return Math.max(...(fabric?.components.map((component) => strengthSpread(component).spread) ?? [0.08]));
  });
}

/** A core with its strength and moduli off by a factor. */
const scaled = (core: Core, factor: number): Core => ({
  ...core,
  shearStrength: { ...core.shearStrength, value: core.shearStrength.value * factor },
  shearModulus: { ...core.shearModulus, value: core.shearModulus.value * factor },
  compressiveModulus: { ...core.compressiveModulus, value: core.compressiveModulus.value * factor },
});

/** A sheet with its strength off by a factor. */
function weakened(sheet: Sheet, factor: number): Sheet {
  if (sheet.role === 'core') return { ...sheet, core: scaled(sheet.core, factor) };
  const { properties } = sheet;
  if (!properties) return sheet;
  const [tensileStrength, compressiveStrength] = [
    properties.tensileStrength * factor,
    properties.compressiveStrength * factor,
  ];
  return { ...sheet, properties: { ...properties, tensileStrength, compressiveStrength } };
}

/**
 * Monte Carlo over the scatter of a zone's materials: fibre fraction by process (one draw a part, all layers
 * together), strength of every layer and core on its own, checked by the boat's method each time. What the other packs
 * ask of the zone is not drawn.
 *
 * @param seed the same seed gives the same band. @returns null when the zone cannot be checked.
 * @example marginBand(boat, hull, bottom, { seed: 1, draws: 400 })!.p05 // 0.97
 * Source: docs/engineering.md, "Bands". Normal draws, kept positive; loads and geometry do not scatter.
 */
export function marginBand(
  boat: Boat,
  part: Part,
  zone: Zone,
  { seed, draws }: { seed: number; draws: number },
): MarginBand | null {
  const { scatter } = PROCESSES[boat.brief.process];
  const fabrics = boat.materials.filter((material): material is Fabric => material.kind === 'fabric');
  const normal = randomNormal.source(randomLcg(seed / 4294967296 || 0.5))(0, 1);
  const laid = new Map<number, { book: ReturnType<typeof bookOf>; panels: MethodPanel[]; spread: number[] }>();
  const stackAt = (step: number) => {
    const known = laid.get(step);
    if (known) return known;
    const book = bookOf(boat, step * STEP * scatter);
    const panels = methodPanels(boat, zone, book, layAll(book, part, zone));
    const made = { book, panels, spread: spreadOf(panels[0]!.sheets, fabrics) };
    laid.set(step, made);
    return made;
  };
  const reserves: number[] = [];
  const governs = new Map<string, number>();
  try {
    for (let draw = 0; draw < draws; draw++) {
      const { book, panels, spread } = stackAt(Math.round(Math.min(FARTHEST, Math.max(-FARTHEST, normal())) / STEP));
      const factors = spread.map((share) => Math.max(0.2, 1 + share * normal()));
      const drawn = new Map<readonly Sheet[], Sheet[]>();
      const weaker = (sheets: readonly Sheet[]) => {
        const known = drawn.get(sheets) ?? sheets.map((sheet, i) => weakened(sheet, factors[i]!));
        drawn.set(sheets, known);
        return known;
      };
      const checks = panels.flatMap(({ panel, sheets, sheetsAlong }) => {
        const of = { panel, sheets: weaker(sheets), sheetsAlong: weaker(sheetsAlong) };
        return checkByMethod(boat, zone, book, of).checks;
      });
      if (checks.length === 0) return null;
      const least = checks.reduce((low, check) => (check.reserveFactor < low.reserveFactor ? check : low));
      reserves.push(least.reserveFactor);
      governs.set(least.governs, (governs.get(least.governs) ?? 0) + 1);
    }
  } catch (error) {
    if (!(error instanceof KeramosError)) throw error;
    return null;
  }
  reserves.sort((a, b) => a - b);
  const at = (share: number) => reserves[Math.min(reserves.length - 1, Math.floor(share * reserves.length))]!;
  return {
    zoneId: zone.id,
    p05: at(0.05),
    p50: at(0.5),
    p95: at(0.95),
    failing: reserves.filter((reserve) => reserve < 1).length / reserves.length,
    draws,
    governs: [...governs].sort((a, b) => b[1] - a[1])[0]![0],
  };
}
