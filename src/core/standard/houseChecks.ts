import type { Check } from './smallCraft';
import type { ZoneLocation } from './smallCraft';
import type { AsSpecified, YardRule } from './packs';

/** Which figure of a yard rule a zone falls under. */
const PLACE: Record<ZoneLocation, keyof YardRule['minimumFibre']> = {
  bottom: 'bottom',
  side: 'side',
  transom: 'transom',
  deck: 'deck',
  cockpitSole: 'deck',
  superstructureFront: 'superstructure',
  superstructureSide: 'superstructure',
  superstructureSideWalking: 'superstructure',
  superstructureAft: 'superstructure',
  superstructureTop: 'superstructure',
  bulkhead: 'bulkhead',
  collisionBulkhead: 'bulkhead',
  tank: 'bulkhead',
  liner: 'liner',
};

/** Dry fibre (kg/m²) and thickness of the plies (m) against the yard's least figures; a figure of 0 asks nothing. */
export function checkYardRule(
  pack: YardRule,
  location: ZoneLocation,
  laminate: { fibreMass: number; thickness: number },
): Check[] {
  const place = PLACE[location];
  const checks: Check[] = [];
  const [fibre, thickness] = [pack.minimumFibre[place], pack.minimumThickness[place]];
  if (fibre > 0)
    checks.push({
      id: 'yardFibre',
      demand: fibre,
      capacity: laminate.fibreMass,
      quantity: 'laminateWeight',
      reserveFactor: laminate.fibreMass / fibre,
      governs: `dry fibre mass against the yard's least for ${place}`,
    });
  if (thickness > 0)
    checks.push({
      id: 'yardThickness',
      demand: thickness,
      capacity: laminate.thickness,
      quantity: 'thickness',
      reserveFactor: laminate.thickness / thickness,
      governs: `thickness of the plies against the yard's least for ${place}`,
    });
  return checks;
}

/** A layer as specified or as laid: what it is, its direction, and its weight (dry fibre or core, kg/m²). */
export interface SpecifiedLayer {
  name: string;
  family: string;
  angleDeg: number;
  weight: number;
}

/** Angles that differ by half a turn are one direction. */
const apart = (a: number, b: number) => {
  const d = Math.abs(a - b) % 180;
  return Math.min(d, 180 - d);
};

/**
 * Every specified layer must be laid, in order: same family, its angle within the tolerance, at least its weight.
 * Layers beyond the specification may lie between.
 *
 * @returns a check that counts layers; what is missing first is in `governs`.
 * @example checkAsSpecified(pack, specified, laid).reserveFactor // 1 when all are there
 */
export function checkAsSpecified(
  pack: AsSpecified,
  specified: readonly SpecifiedLayer[],
  laid: readonly SpecifiedLayer[],
): Check {
  let at = 0;
  let met = 0;
  let missing: string | null = null;
  specified.forEach((wanted, index) => {
    const found = laid.findIndex(
      (layer, i) =>
        i >= at &&
        layer.family === wanted.family &&
        layer.weight >= wanted.weight * (1 - pack.weightTolerance) &&
        apart(layer.angleDeg, wanted.angleDeg) <= pack.angleToleranceDeg,
    );
    if (found >= 0) {
      met += 1;
      at = found + 1;
    } else missing ??= `specified layer ${index + 1}, ${wanted.name} at ${wanted.angleDeg}°, is not laid in its place`;
  });
  return {
    id: 'specifiedLayers',
    demand: specified.length,
    capacity: met,
    quantity: 'ratio',
    reserveFactor: specified.length === 0 ? 1 : met / specified.length,
    governs: missing ?? 'every specified layer is there, in order',
  };
}
