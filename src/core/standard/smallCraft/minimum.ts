import { put, type Recorder } from '../../working';
import { formulaSpeed, massTerm, type Craft } from './craft';
import { cite, SMALL_CRAFT_PACK } from './pack';

export type MinimumLocation = 'bottom' | 'side' | 'deck';

/** What a minimum is asked of. */
export interface MinimumOf {
  location: MinimumLocation;
  /** Factor of the fibre type, 0.7 to 1. */
  k5?: number;
  /** 0.9 for careful use with the owner warned, otherwise 1. */
  k6?: number;
}

/**
 * Least dry fibre mass of a single skin (kg/m²) for robustness, whatever the strength.
 *
 * @example boat A of the reference: bottom 1.942, side 1.607, deck 1.075
 * Source: ISO 12215-5:2008 method, F36.
 */
export function minimumFibreMass(
  craft: Craft,
  { location, k5 = 1 }: Pick<MinimumOf, 'location' | 'k5'>,
  record?: Recorder,
  pack = SMALL_CRAFT_PACK,
): number {
  if (location === 'deck') {
    const { a0, a1 } = pack.minimumFibre.deck;
    const fibreMass = 0.43 * k5 * (a0 + a1 * craft.waterlineLength);
    record?.({
      quantity: 'Least fibre mass, deck',
      symbol: 'w_{min}',
      formula: `0.43\\,k_5\\,(${a0}+${a1}\\,L_{WL})`,
      inputs: [put('k_5', k5), put('L_{WL}', craft.waterlineLength, 'm')],
      value: fibreMass,
      unit: 'kg/m²',
      source: cite('F36'),
    });
    return fibreMass;
  }
  const { A, k7, k8 } = pack.minimumFibre[location];
  const V = formulaSpeed(craft);
  const fibreMass = 0.43 * k5 * (A + k7 * V + k8 * massTerm(craft));
  record?.({
    quantity: `Least fibre mass, ${location}`,
    symbol: 'w_{min}',
    formula: `0.43\\,k_5\\,(${A}+${k7}\\,V+${k8}\\,m^{0.33})`,
    inputs: [put('k_5', k5), put('V', V, 'kn'), put('m', craft.loadedMass, 'kg')],
    value: fibreMass,
    unit: 'kg/m²',
    source: cite('F36'),
  });
  return fibreMass;
}

/**
 * Least thickness of wood (m) for robustness, whatever the strength.
 *
 * @param bendingStrength Pa. @example boat A of the reference, plywood of 30 MPa: bottom 8.77 mm
 * Source: ISO 12215-5:2008 method, F37.
 */
export function minimumWood(
  craft: Craft,
  { location, bendingStrength }: { location: MinimumLocation; bendingStrength: number },
  record?: Recorder,
  pack = SMALL_CRAFT_PACK,
): number {
  const k5 = Math.sqrt(30e6 / bendingStrength);
  const { deck } = pack.minimumWood;
  const { A, k7, k8 } = pack.minimumWood[location === 'deck' ? 'side' : location];
  const V = formulaSpeed(craft);
  const millimetres =
    location === 'deck' ? deck.a0 + deck.a1 * craft.waterlineLength : A + k7 * V + k8 * massTerm(craft);
  record?.({
    quantity: `Least thickness of wood, ${location}`,
    symbol: 't_{min}',
    formula: location === 'deck' ? `k_5\\,(${deck.a0}+${deck.a1}\\,L_{WL})` : `k_5\\,(${A}+${k7}\\,V+${k8}\\,m^{0.33})`,
    inputs: [
      put('k_5', k5),
      ...(location === 'deck'
        ? [put('L_{WL}', craft.waterlineLength, 'm')]
        : [put('V', V, 'kn'), put('m', craft.loadedMass, 'kg')]),
    ],
    value: (k5 * millimetres) / 1000,
    unit: 'm',
    source: cite('F37'),
  });
  return (k5 * millimetres) / 1000;
}

/**
 * Least dry fibre mass of sandwich skins (kg/m²) and least design shear strength of the core (Pa).
 *
 * @example boat A of the reference, bottom: outer 0.540, inner 0.378, core 0.25 MPa
 * Source: ISO 12215-5:2008 method, F42 and F43. The core minimum is meant for the hull.
 */
export function minimumSkins(
  craft: Craft,
  { location, k5 = 1, k6 = 1 }: MinimumOf,
  record?: Recorder,
  pack = SMALL_CRAFT_PACK,
) {
  const kDC = pack.designCategoryFactor[craft.designCategory];
  const k4 = pack.minimumSkin.k4[location];
  const outer = kDC * k4 * k5 * k6 * (0.1 * craft.waterlineLength + 0.15);
  const inner = pack.minimumSkin.innerShare * outer;
  const LH = craft.hullLength;
  // Rises evenly between hulls of 10 and of 15 m; both ends of the rule are met.
  const coreShearStrength = 1e6 * (0.25 + 0.03 * Math.min(5, Math.max(0, LH - 10)));

  record?.({
    quantity: 'Least fibre mass, outer skin',
    symbol: 'w_{os}',
    formula: 'k_{DC}k_4k_5k_6(0.1\\,L_{WL}+0.15)',
    inputs: [
      put('k_{DC}', kDC),
      put('k_4', k4),
      put('k_5', k5),
      put('k_6', k6),
      put('L_{WL}', craft.waterlineLength, 'm'),
    ],
    value: outer,
    unit: 'kg/m²',
    source: cite('F43'),
    note: 'A floor, not a target: builders lay more below water for impact.',
  });
  record?.({
    quantity: 'Least fibre mass, inner skin',
    symbol: 'w_{is}',
    formula: `${pack.minimumSkin.innerShare}\\,w_{os}`,
    inputs: [put('w_{os}', outer, 'kg/m²')],
    value: inner,
    unit: 'kg/m²',
    source: cite('F43'),
  });
  record?.({
    quantity: 'Least core design shear strength',
    symbol: '\\tau_{d,min}',
    formula: '0.25\\,\\text{MPa}\\;(L_H<10),\\;0.25+0.03(L_H-10),\\;0.40',
    inputs: [put('L_H', LH, 'm')],
    value: coreShearStrength,
    unit: 'Pa',
    source: cite('F42'),
  });
  return { outer, inner, coreShearStrength };
}
