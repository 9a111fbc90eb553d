import type { Check, Sheet } from '../standard';
import type { LaidLayer } from './book';

/** What one layer adds to the sums that the monotone checks stand on. */
export interface LayerSum {
  kind: 'fabric' | 'core' | 'other';
  /** Whether it carries. */
  carries: boolean;
  /** Of which core; '' for anything else. */
  core: string;
  /** m, kg/m² */
  thickness: number;
  fibre: number;
  /** E t by the angle of the span (N/m); null where a sheet has no figures. */
  stretch: ReadonlyMap<number, number> | null;
}

/** The sums of a stack. */
interface Sums {
  /** 'single', or the core of a sandwich. */
  family: string;
  fibre: number;
  thickness: number;
  outer: { fibre: number; thickness: number; stretch: Map<number, number> };
  inner: { fibre: number; thickness: number; stretch: Map<number, number> };
  coreThickness: number;
  known: boolean;
}

export function layerSum(
  laid: LaidLayer,
  angles: readonly number[],
  sheetsAt: (angle: number) => readonly Sheet[],
): LayerSum {
  const { material, layer, thickness, fibreMass } = laid;
  const carries = layer.role === 'structure' && material.kind !== 'coating';
  if (material.kind === 'core')
    return { kind: 'core', carries, core: material.id, thickness: layer.thickness!, fibre: 0, stretch: new Map() };
  const stretch = new Map<number, number>();
  let complete = material.kind === 'fabric' || !carries;
  for (const angle of angles) {
    let sum = 0;
    for (const sheet of sheetsAt(angle)) {
      if (sheet.role !== 'skin' || sheet.properties === undefined) complete = false;
      else sum += sheet.properties.E * sheet.thickness;
    }
    stretch.set(angle, sum);
  }
  const kind = material.kind === 'fabric' ? 'fabric' : 'other';
  return { kind, carries, core: '', thickness, fibre: fibreMass, stretch: complete ? stretch : null };
}

function sumsOf(layers: readonly LayerSum[], angles: readonly number[]): Sums {
  const side = () => ({ fibre: 0, thickness: 0, stretch: new Map(angles.map((angle) => [angle, 0])) });
  const sums: Sums = {
    family: 'single',
    fibre: 0,
    thickness: 0,
    outer: side(),
    inner: side(),
    coreThickness: 0,
    known: true,
  };
  let cores = 0;
  for (const layer of layers) {
    if (!layer.carries) continue;
    if (layer.kind === 'core') {
      cores += 1;
      sums.family = layer.core;
      sums.coreThickness += layer.thickness;
      continue;
    }
    if (layer.kind === 'other' || layer.stretch === null) sums.known = false;
    sums.fibre += layer.fibre;
    sums.thickness += layer.thickness;
    const skin = cores === 0 ? sums.outer : sums.inner;
    skin.fibre += layer.fibre;
    skin.thickness += layer.thickness;
    for (const angle of angles) skin.stretch.set(angle, skin.stretch.get(angle)! + (layer.stretch?.get(angle) ?? 0));
  }
  if (cores > 1) sums.known = false;
  return sums;
}

/** Σ E t³/12 + A_o A_i d²/(A_o + A_i) of the two skins (N m), the core in shear only. */
function bendingOf({ outer, inner, coreThickness }: Sums, angle: number): number {
  const [o, i] = [outer.stretch.get(angle)!, inner.stretch.get(angle)!];
  if (o + i === 0) return 0;
  const d = coreThickness + (outer.thickness + inner.thickness) / 2;
  return (o * outer.thickness ** 2 + i * inner.thickness ** 2) / 12 + (o * i * d * d) / (o + i);
}

/** The sum that a monotone check stands on: its reserve is that sum over something that no layer changes. */
const STANDS_ON: Partial<Record<Check['id'], (sums: Sums, angle: number) => number>> = {
  stiffness: bendingOf,
  coreShear: ({ coreThickness, outer, inner }) => coreThickness + (outer.thickness + inner.thickness) / 2,
  coreMinimum: () => 1,
  minimumFibre: ({ fibre }) => fibre,
  outerMinimum: ({ outer }) => outer.fibre,
  innerMinimum: ({ inner }) => inner.fibre,
  yardFibre: ({ fibre }) => fibre,
  yardThickness: ({ thickness }) => thickness,
};
/**
 * Checks that a layer more, of whatever is laid already or of anything else, never lowers: each is a sum that every
 * layer adds to, over what the panel asks. Of the stiffness EI = Σ E t³/12 + A_o A_i d²/(A_o + A_i), A, t and d all
 * rise. Strength is not among them: a stiffer layer draws load, and a weaker one may break first.
 */
export const isMonotone = (id: Check['id']): boolean => STANDS_ON[id] !== undefined;

interface Coefficient {
  id: Check['id'];
  governs: string;
  angle: number;
  /** Reserve per unit of the sum, on the panel that asks most. */
  factor: number;
}

/**
 * The monotone checks of a zone worked out at once from sums, however many panels it has: of all panels the one that
 * asks most of a check is the same for every stack of a family.
 */
export class MonotoneBound {
  private readonly families = new Map<string, Coefficient[] | null>();
  constructor(private readonly angles: readonly number[]) {}

  /**
   * The monotone check a stack fails, or null; undefined where the family has to be learned first, or cannot be.
   * @param target reserve asked of each, by its id.
   */
  failing(
    layers: readonly LayerSum[],
    falls: (id: Check['id'], reserve: number) => boolean,
  ): { id: Check['id']; reserveFactor: number; governs: string } | null | undefined {
    const sums = sumsOf(layers, this.angles);
    const family = sums.known ? this.families.get(sums.family) : undefined;
    if (!family) return undefined;
    for (const { id, governs, angle, factor } of family) {
      const reserveFactor = factor * STANDS_ON[id]!(sums, angle);
      if (falls(id, reserveFactor)) return { id, reserveFactor, governs };
    }
    return null;
  }

  /** Whether the family of a stack is still to be learned. */
  wants(layers: readonly LayerSum[]): boolean {
    const sums = sumsOf(layers, this.angles);
    return sums.known && sums.fibre > 0 && !this.families.has(sums.family);
  }

  /** Learn a family from the checks of one complete stack on every panel. */
  learn(layers: readonly LayerSum[], found: readonly { check: Check; angle: number }[]): void {
    const sums = sumsOf(layers, this.angles);
    const least = new Map<string, Coefficient>();
    for (const { check, angle } of found) {
      const sum = STANDS_ON[check.id]?.(sums, angle);
      if (sum === undefined) continue;
      if (!(sum > 0)) return void this.families.set(sums.family, null);
      const factor = (check.evenly ?? check.reserveFactor) / sum;
      const key = `${check.id}|${check.id === 'stiffness' ? angle : ''}`;
      const known = least.get(key);
      if (!known || factor < known.factor) least.set(key, { id: check.id, governs: check.governs, angle, factor });
    }
    this.families.set(sums.family, [...least.values()]);
  }
}
