import {
  inPlaneCompliance,
  laminateStiffness,
  modulusAlong,
  pressedReserve,
  principalStress,
  sandwichLimits,
  type LaminateResponse,
  type Ply,
  type Vector3,
} from '../laminate';
import { remembered } from '../job';
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

/** A skin of a sandwich: its plies by their places, and its stiffness in its plane. */
interface Skin {
  from: number;
  to: number;
  thickness: number;
  compliance: ReturnType<typeof inPlaneCompliance>;
}
interface Skins {
  outer: Skin;
  inner: Skin;
  coreThickness: number;
}

/** Both skins of a stack; null where it has no core. */
const skinsOf = remembered((plies: readonly Ply[]): Skins | null => {
  const first = plies.findIndex((ply) => ply.role === 'core');
  const last = plies.findLastIndex((ply) => ply.role === 'core');
  const thick = (from: number, to: number) => plies.slice(from, to).reduce((sum, ply) => sum + ply.thickness, 0);
  const skin = (from: number, to: number): Skin => ({
    from,
    to,
    thickness: thick(from, to),
    compliance: inPlaneCompliance(laminateStiffness(plies.slice(from, to)).A),
  });
  return first < 0
    ? null
    : { outer: skin(0, first), inner: skin(last + 1, plies.length), coreThickness: thick(first, last + 1) };
});

/** Mean stress of a skin from the faces of its plies: along x, along y, shear (Pa). */
function stressIn({ from, to, thickness }: Skin, plies: readonly Ply[], response: LaminateResponse): Vector3 {
  const sum: Vector3 = [0, 0, 0];
  for (let i = from; i < to; i++) {
    const { bottom, top } = response.plies[i]!;
    for (const axis of [0, 1, 2] as const)
      sum[axis] += ((bottom.stress[axis] + top.stress[axis]) / 2) * (plies[i]!.thickness / thickness);
  }
  return sum;
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

/**
 * Local limits of a sandwich: wrinkling, crimping, core shear, dimpling; null where there is no core.
 *
 * Skins are looked at along their principal stresses, with what presses them the other way: so shear counts too.
 */
export function sandwichChecks(
  { plies, cores, response, load, shear }: LoadedSandwich,
  coreStrengthFactor: SmallCraftPack['coreStrengthFactor'],
): SandwichCheck[] | null {
  const skins = skinsOf(plies);
  if (skins === null) return null;
  const { outer, inner, coreThickness } = skins;
  const weakest = weakestCore(cores, coreStrengthFactor);
  const limits = ({ compliance, thickness }: Skin, angleDeg: number) =>
    sandwichLimits({
      faceModulus: modulusAlong(compliance, thickness, angleDeg),
      faceThickness: thickness,
      coreThickness,
      coreModulus: weakest.compressiveModulus.value,
      coreShearModulus: weakest.shearModulus.value,
      ...(weakest.cellSize === null ? {} : { cellSize: weakest.cellSize }),
    });
  const check = (asked: Omit<SandwichCheck, 'reserveFactor'>): SandwichCheck => ({
    ...asked,
    reserveFactor: asked.demand > 0 ? asked.capacity / asked.demand : Infinity,
  });
  /** Pressure along the skin's worse principal direction, and what it bears of it with what presses across. */
  const pressed = (skin: Skin, bears: 'wrinklingStressDesign' | 'dimplingStressDesign', power: 1 | 3) => {
    const { most, least, leastDeg } = principalStress(stressIn(skin, plies, response));
    const alone = [limits(skin, leastDeg)[bears]!, limits(skin, leastDeg + 90)[bears]!] as const;
    const demand = Math.max(0, -least);
    const reserve = pressedReserve([-least / alone[0], -most / alone[1]], power);
    return { demand, capacity: demand > 0 ? reserve * demand : alone[0] };
  };
  const [o, i] = [pressed(outer, 'wrinklingStressDesign', 3), pressed(inner, 'wrinklingStressDesign', 3)];
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
      demand: Math.max(0, -principalStress(load.N).least),
      // Of the core as it stands here: a warm one gives more than the panel's stiffness has it.
      capacity: Math.min(shear.A44, shear.A55, (weakest.shearModulus.value * distance ** 2) / coreThickness),
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
    const d = [outer, inner]
      .map((skin) => pressed(skin, 'dimplingStressDesign', 1))
      .reduce((a, b) => (b.demand / b.capacity > a.demand / a.capacity ? b : a));
    checks.push(
      check({ id: 'dimpling', name: 'Dimpling between cells', demand: d.demand, capacity: d.capacity, unit: 'Pa' }),
    );
  }
  return checks;
}
