import { laminateStiffness, sandwichLimits, type LaminateResponse, type Ply } from '../laminate';
import { weakestCore, type Core } from '../material';
import type { SmallCraftPack } from '../standard';
import type { ZoneLoad } from '../document';

/** A local limit of the sandwich: what is there against what it bears. */
export interface SandwichCheck {
  id: 'wrinklingOuter' | 'wrinklingInner' | 'dimpling' | 'crimping' | 'coreShear';
  name: string;
  demand: number;
  capacity: number;
  unit: 'Pa' | 'N/m';
  /** Infinity when nothing loads it. */
  reserveFactor: number;
}

/** Mean stress along x and y in a run of plies, from their faces (Pa), and its modulus in both directions. */
function skinOf(plies: readonly Ply[], response: LaminateResponse, from: number, to: number) {
  const run = plies.slice(from, to);
  const thickness = run.reduce((sum, ply) => sum + ply.thickness, 0);
  const mean = (axis: 0 | 1) =>
    run.reduce(
      (sum, ply, i) =>
        sum +
        ((response.plies[from + i]!.bottom.stress[axis] + response.plies[from + i]!.top.stress[axis]) / 2) *
          ply.thickness,
      0,
    ) / thickness;
  const { membrane } = laminateStiffness(run);
  return { thickness, stress: [mean(0), mean(1)] as const, modulus: [membrane.Ex, membrane.Ey] as const };
}

/** A sandwich under its load, as its local limits are asked of it. */
export interface LoadedSandwich {
  plies: readonly Ply[];
  cores: readonly Core[];
  response: LaminateResponse;
  load: ZoneLoad;
  /** N/m */
  shear: { A44: number; A55: number };
}

/** Local limits of a sandwich: wrinkling, crimping, core shear, dimpling; null where there is no core. */
export function sandwichChecks(
  { plies, cores, response, load, shear }: LoadedSandwich,
  coreStrengthFactor: SmallCraftPack['coreStrengthFactor'],
): SandwichCheck[] | null {
  const first = plies.findIndex((ply) => ply.role === 'core');
  if (first < 0) return null;
  const last = plies.findLastIndex((ply) => ply.role === 'core');
  const weakest = weakestCore(cores, coreStrengthFactor);
  const outer = skinOf(plies, response, 0, first);
  const inner = skinOf(plies, response, last + 1, plies.length);
  const coreThickness = plies.slice(first, last + 1).reduce((sum, ply) => sum + ply.thickness, 0);
  const limits = (skin: typeof outer, axis: 0 | 1) =>
    sandwichLimits({
      faceModulus: skin.modulus[axis],
      faceThickness: skin.thickness,
      coreThickness,
      coreModulus: weakest.compressiveModulus.value,
      coreShearModulus: weakest.shearModulus.value,
      ...(weakest.cellSize === null ? {} : { cellSize: weakest.cellSize }),
    });
  const check = (asked: Omit<SandwichCheck, 'reserveFactor'>): SandwichCheck => ({
    ...asked,
    reserveFactor: asked.demand > 0 ? asked.capacity / asked.demand : Infinity,
  });
  /** The axis along which the skin is pressed hardest against its limit. */
  const worst = (skin: typeof outer, capacity: (axis: 0 | 1) => number) =>
    ([0, 1] as const)
      .map((axis) => ({ demand: Math.max(0, -skin.stress[axis]), capacity: capacity(axis) }))
      .reduce((a, b) => (b.demand / b.capacity > a.demand / a.capacity ? b : a));

  const [o, i] = [
    worst(outer, (axis) => limits(outer, axis).wrinklingStressDesign),
    worst(inner, (axis) => limits(inner, axis).wrinklingStressDesign),
  ];
  const distance = coreThickness + (outer.thickness + inner.thickness) / 2;
  const checks = [
    check({
      id: 'wrinklingOuter',
      name: 'Wrinkling of the outer skin',
      demand: o.demand,
      capacity: o.capacity,
      unit: 'Pa',
    }),
    check({
      id: 'wrinklingInner',
      name: 'Wrinkling of the inner skin',
      demand: i.demand,
      capacity: i.capacity,
      unit: 'Pa',
    }),
    check({
      id: 'crimping',
      name: 'Shear crimping',
      demand: Math.max(0, -load.N[0], -load.N[1]),
      capacity: Math.min(shear.A44, shear.A55),
      unit: 'N/m',
    }),
    check({
      id: 'coreShear',
      name: `Shear of ${weakest.code}`,
      demand: load.V / distance,
      capacity: coreStrengthFactor[weakest.behaviour] * weakest.shearStrength.value,
      unit: 'Pa',
    }),
  ];
  if (weakest.cellSize !== null) {
    const d = [
      worst(outer, (axis) => limits(outer, axis).dimplingStressDesign!),
      worst(inner, (axis) => limits(inner, axis).dimplingStressDesign!),
    ].reduce((a, b) => (b.demand / b.capacity > a.demand / a.capacity ? b : a));
    checks.push(
      check({ id: 'dimpling', name: 'Dimpling between cells', demand: d.demand, capacity: d.capacity, unit: 'Pa' }),
    );
  }
  return checks;
}
