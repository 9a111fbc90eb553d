import type { LaidLayer } from '../../evaluate';
import type { CoreFamily } from '../../material';
import { laminateSpecificHeat } from '../exotherm';
import type { Slice } from '../throughThickness';

/** J/(kg·K) and W/(m·K) of what laminates and moulds are commonly made of. */
const HEAT = { resin: 1900, glass: 830, carbon: 750, core: 1400, coat: 1500 };
const CONDUCTS = { resin: 0.19, glass: 1, carbon: 5, coat: 0.2 };
const CORE_CONDUCTS: Partial<Record<CoreFamily, number>> = { balsa: 0.06, plywood: 0.13, puBoard: 0.08, flowMat: 0.1 };
const FOAM = 0.035;
/** A mould of glass laminate. */
const MOULD = { density: 1700, specificHeat: 1100, conductivity: 0.25, resin: 0 };

/** What hardens and what lies beside it, slice by slice from the mould's outer side. */
export interface StackSlices {
  slices: Slice[];
  /** Slices that are cores, with the temperature that each bears (°C). */
  cores: { slice: number; code: string; limit: number }[];
}

/**
 * Layers of a zone as slices, on a mould of so much laminate. Cloths that follow each other are one slice.
 *
 * @param done layers before this one are hard already and make no more heat; from `to` on nothing lies yet.
 */
export function slicesOf(
  layers: readonly LaidLayer[],
  { mould, done = 0, to = layers.length }: { mould: number; done?: number; to?: number },
): StackSlices {
  const slices: Slice[] = [{ thickness: mould, ...MOULD }];
  const cores: StackSlices['cores'] = [];
  layers.slice(0, to).forEach((laid, i) => {
    if (laid.thickness <= 0) return;
    const own = sliceOf(laid, i < done);
    const last = slices.at(-1)!;
    if (laid.material.kind === 'core') {
      cores.push({ slice: slices.length, code: laid.material.code, limit: laid.material.temperatureLimit.value });
      slices.push(own);
    } else if (slices.length > 1 && same(last, own) && cores.at(-1)?.slice !== slices.length - 1)
      slices[slices.length - 1] = merged(last, own);
    else slices.push(own);
  });
  return { slices, cores };
}

function sliceOf({ material, thickness, components, fibreMass, resinMass, coreMass }: LaidLayer, hard: boolean): Slice {
  if (material.kind === 'core')
    return {
      thickness,
      density: Math.max(20, (coreMass + resinMass) / thickness),
      specificHeat: HEAT.core,
      conductivity: CORE_CONDUCTS[material.family] ?? FOAM,
      resin: 0,
    };
  if (material.kind !== 'fabric')
    return { thickness, density: 1300, specificHeat: HEAT.coat, conductivity: CONDUCTS.coat, resin: 0 };
  const carbon = components.filter(({ fibre }) => fibre.family.startsWith('carbon'));
  const mostly = carbon.reduce((sum, one) => sum + one.fibreMass, 0) > fibreMass / 2 ? 'carbon' : 'glass';
  const mass = fibreMass + resinMass;
  const volume = components.reduce((sum, one) => sum + one.thickness * one.fibreVolumeFraction, 0) / thickness;
  // Heat crosses fibres and resin side by side and one behind the other: their geometric mean.
  const conductivity = CONDUCTS[mostly] ** volume * CONDUCTS.resin ** (1 - volume);
  return {
    thickness,
    density: mass / thickness,
    specificHeat: laminateSpecificHeat(resinMass / mass, HEAT.resin, HEAT[mostly]),
    conductivity,
    resin: hard ? 0 : resinMass / thickness,
  };
}

/** Slices that harden alike, or both not at all. */
const same = (a: Slice, b: Slice) => a.resin > 0 === b.resin > 0;

function merged(a: Slice, b: Slice): Slice {
  const thickness = a.thickness + b.thickness;
  const mean = (pick: (slice: Slice) => number) => (a.thickness * pick(a) + b.thickness * pick(b)) / thickness;
  const density = mean((slice) => slice.density);
  return {
    thickness,
    density,
    specificHeat: mean((slice) => slice.density * slice.specificHeat) / density,
    conductivity: 1 / mean((slice) => 1 / slice.conductivity),
    resin: mean((slice) => slice.resin),
  };
}
