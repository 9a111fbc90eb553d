import { DIMPLING_DESIGN } from '../../laminate';
import type { Core } from '../../material';
import type { SmallCraftPack } from './pack';
import type { WholeSkin } from './sandwichSection';

/** What a skin of a sandwich bears when it is pressed (Pa), and what sets it, in words. */
export interface SkinLimit {
  stress: number;
  governs: string;
}

/** Of the second form of wrinkling over a cellular core: design value, as published for honeycomb. */
const CELLULAR = 0.33;

/**
 * The least that a pressed skin bears: its strength, wrinkling by the pack, and over a core of cells also the second
 * form of wrinkling, 0.33 √(E_f E_c t_f/t_c), and dimpling, 0.6 · 2 E_f (t_f/s)².
 *
 * @param side named in the words. @param coreThickness m.
 * Source: ISO 12215-5:2008 method, F44; MIL-HDBK-23A, facing wrinkling and dimpling of honeycomb sandwich.
 */
export function skinLimit(
  { E, thickness, compressiveStrength }: WholeSkin,
  side: 'outer' | 'inner',
  { core, coreThickness }: { core: Core; coreThickness: number },
  pack: SmallCraftPack,
): SkinLimit {
  const [Ec, Gc] = [core.compressiveModulus.value, core.shearModulus.value];
  const limits: SkinLimit[] = [
    { stress: pack.skinStrengthFactor * compressiveStrength, governs: `strength of the ${side} skin` },
    { stress: pack.wrinklingFactor * Math.cbrt(Ec * E * Gc), governs: `wrinkling of the ${side} skin` },
  ];
  if (core.cellSize !== null)
    limits.push(
      {
        stress: CELLULAR * Math.sqrt((E * Ec * thickness) / coreThickness),
        governs: `wrinkling of the ${side} skin over the cells`,
      },
      { stress: DIMPLING_DESIGN * 2 * E * (thickness / core.cellSize) ** 2, governs: `dimpling of the ${side} skin` },
    );
  return limits.reduce((low, one) => (one.stress < low.stress ? one : low));
}
