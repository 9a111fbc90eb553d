import { invalid } from '../../error';
import { put } from '../../working';
import { checked, type Check, type CoreSheet, type PanelContext, type Sheet, type SkinSheet } from './check';
import { cite, SMALL_CRAFT_PACK } from './pack';
import { sandwichRequirement, type Skin } from './sandwich';

const sum = <T>(items: readonly T[], pick: (item: T) => number) => items.reduce((total, item) => total + pick(item), 0);

/** A skin of several sheets: stiffness added up, strength where the first sheet reaches its strain. */
function mergeSkin(sheets: readonly SkinSheet[], quality: number): Skin & { thickness: number } {
  const thickness = sum(sheets, (s) => s.thickness);
  const E = sum(sheets, (s) => s.properties!.E * s.thickness) / thickness;
  const tension = Math.min(...sheets.map((s) => s.properties!.tensileStrength / s.properties!.E));
  const compression = Math.min(...sheets.map((s) => s.properties!.compressiveStrength / s.properties!.E));
  return { thickness, E, tensileStrength: quality * E * tension, compressiveStrength: quality * E * compression };
}

/**
 * Sandwich checks: both skins, stiffness, core shear, and the minima of skins and core.
 *
 * Skins count with their own inertia, the core carries shear only; with several cores the weakest counts and what
 * lies between them is left out of bending.
 *
 * @throws KeramosError `invalid` when a skin is missing.
 * Source: ISO 12215-5:2008 method, F38 to F45.
 */
export function checkSandwich(
  sheets: readonly Sheet[],
  context: PanelContext,
  pack = SMALL_CRAFT_PACK,
): { checks: Check[]; notChecked: string[] } {
  const { pressure, shortSide, longSide, crown, quality, minimum, trace } = context;
  const firstCore = sheets.findIndex((sheet) => sheet.role === 'core');
  const lastCore = sheets.findLastIndex((sheet) => sheet.role === 'core');
  const outerSheets = sheets.slice(0, firstCore) as SkinSheet[];
  const innerSheets = sheets.slice(lastCore + 1) as SkinSheet[];
  const cores = sheets.filter((sheet): sheet is CoreSheet => sheet.role === 'core');
  if (outerSheets.length === 0)
    throw invalid(
      'layers',
      `The core ${cores[0]!.name} has no skin on the mould side: cover the zone with a fabric before it`,
    );
  if (innerSheets.length === 0)
    throw invalid('layers', `The core ${cores.at(-1)!.name} has no inner skin: cover the zone with a fabric after it`);

  const checks: Check[] = [];
  const notChecked: string[] = [];
  const lacking = [...outerSheets, ...innerSheets].find((sheet) => sheet.properties === undefined);
  const weakest = cores.reduce((a, b) => (b.core.shearStrength.value < a.core.shearStrength.value ? b : a)).core;

  if (lacking) notChecked.push(`Skins, stiffness and core shear: the pack has no strengths for ${lacking.name}`);
  else {
    const outer = mergeSkin(outerSheets, quality);
    const inner = mergeSkin(innerSheets, quality);
    const coreThickness = sum(sheets.slice(firstCore, lastCore + 1), (s) => s.thickness);
    const need = sandwichRequirement(
      {
        pressure,
        shortSide,
        longSide,
        crown,
        outer,
        inner,
        core: {
          compressiveModulus: weakest.compressiveModulus.value,
          shearModulus: weakest.shearModulus.value,
          shearStrength: weakest.shearStrength.value,
          kind: weakest.behaviour,
        },
      },
      trace && ((step) => trace('requirement', step)),
      pack,
    );

    const distance = coreThickness + (outer.thickness + inner.thickness) / 2;
    const total = outer.thickness + coreThickness + inner.thickness;
    const outerEA = outer.E * outer.thickness;
    const innerEA = inner.E * inner.thickness;
    const neutral = (outerEA * (outer.thickness / 2) + innerEA * (total - inner.thickness / 2)) / (outerEA + innerEA);
    const EI =
      (outer.E * outer.thickness ** 3 + inner.E * inner.thickness ** 3) / 12 +
      outerEA * (neutral - outer.thickness / 2) ** 2 +
      innerEA * (total - inner.thickness / 2 - neutral) ** 2;
    const outerModulus = EI / (outer.E * neutral);
    const innerModulus = EI / (inner.E * (total - neutral));
    const secondMoment = EI / ((outer.E + inner.E) / 2);
    const wrinkles = need.wrinklingStress < pack.skinStrengthFactor * inner.compressiveStrength;

    if (trace) {
      for (const [side, skin] of [
        ['Outer', outer],
        ['Inner', inner],
      ] as const) {
        trace('laminate', {
          quantity: `${side} skin modulus across the panel`,
          symbol: 'E',
          formula: '\\frac{\\sum E_i t_i}{\\sum t_i}',
          inputs: [put('t', skin.thickness, 'm')],
          value: skin.E,
          unit: 'Pa',
          source: cite('F45'),
        });
        trace('laminate', {
          quantity: `${side} skin strength in ${side === 'Outer' ? 'tension' : 'compression'}`,
          symbol: '\\sigma_u',
          formula: 'k_q\\,E\\,\\min_i(\\sigma_{u,i}/E_i)',
          inputs: [put('k_q', quality), put('E', skin.E, 'Pa')],
          value: side === 'Outer' ? skin.tensileStrength : skin.compressiveStrength,
          unit: 'Pa',
          source: cite('F53 to F55'),
          note: 'All sheets of a skin share the strain; the first to reach its limit counts.',
        });
      }
      trace('laminate', {
        quantity: 'Neutral axis from the mould face',
        symbol: 'z_n',
        formula: '\\frac{\\sum E_i t_i z_i}{\\sum E_i t_i}',
        inputs: [put('t_c', coreThickness, 'm')],
        value: neutral,
        unit: 'm',
        source: cite('F45'),
      });
      trace('laminate', {
        quantity: 'Bending stiffness',
        symbol: 'EI',
        formula: '\\sum E_i\\left(\\frac{t_i^3}{12}+t_i d_i^2\\right)',
        inputs: [put('t_o', outer.thickness, 'm'), put('t_i', inner.thickness, 'm')],
        value: EI,
        unit: 'N m',
        source: cite('F45'),
        note: 'Skins with their own inertia; the core carries shear only.',
      });
      trace(
        'laminate',
        {
          quantity: 'Section modulus there, outer skin',
          symbol: 'SM',
          formula: '\\frac{EI}{E_o\\,z_n}',
          inputs: [put('EI', EI, 'N m'), put('z_n', neutral, 'm')],
          value: outerModulus,
          unit: 'm³/m',
          source: cite('F45'),
        },
        'outerSkin',
      );
      trace(
        'laminate',
        {
          quantity: 'Section modulus there, inner skin',
          symbol: 'SM',
          formula: '\\frac{EI}{E_i\\,(t - z_n)}',
          inputs: [put('EI', EI, 'N m'), put('t', total, 'm')],
          value: innerModulus,
          unit: 'm³/m',
          source: cite('F45'),
        },
        'innerSkin',
      );
      trace(
        'laminate',
        {
          quantity: 'Second moment there',
          symbol: 'I',
          formula: '\\frac{EI}{(E_o+E_i)/2}',
          inputs: [put('EI', EI, 'N m')],
          value: secondMoment,
          unit: 'm⁴/m',
          source: cite('F45'),
        },
        'stiffness',
      );
      trace(
        'laminate',
        {
          quantity: 'Skin distance there',
          symbol: 't_s',
          formula: 't_c + \\frac{t_o+t_i}{2}',
          inputs: [put('t_c', coreThickness, 'm')],
          value: distance,
          unit: 'm',
          source: cite('F41'),
        },
        'coreShear',
      );
    }

    checks.push(
      checked(
        {
          id: 'outerSkin',
          demand: need.outerSectionModulus * 1e6,
          capacity: outerModulus * 1e6,
          quantity: 'ratio',
          governs: 'strength of the outer skin',
        },
        trace,
        'cm³/m',
        'SM_o',
        'SM',
        'F38',
      ),
      checked(
        {
          id: 'innerSkin',
          demand: need.innerSectionModulus * 1e6,
          capacity: innerModulus * 1e6,
          quantity: 'ratio',
          governs: wrinkles ? 'wrinkling of the inner skin' : 'strength of the inner skin',
        },
        trace,
        'cm³/m',
        'SM_i',
        'SM',
        'F39',
      ),
      checked(
        {
          id: 'stiffness',
          demand: need.secondMoment * 1e8,
          capacity: secondMoment * 1e8,
          quantity: 'ratio',
          governs: `deflection of ${(pack.deflectionRatio * 100).toFixed(1)} % of the short side`,
        },
        trace,
        'cm⁴/m',
        'I_{req}',
        'I',
        'F40',
      ),
      checked(
        {
          id: 'coreShear',
          demand: need.skinDistance,
          capacity: distance,
          quantity: 'thickness',
          governs: `shear of ${weakest.name}`,
        },
        trace,
        'm',
        't_{s,req}',
        't_s',
        'F41',
      ),
    );
  }

  if (minimum) {
    if (minimum.coreShear !== null) {
      const designShear = pack.coreStrengthFactor[weakest.behaviour] * weakest.shearStrength.value;
      checks.push(
        checked(
          {
            id: 'coreMinimum',
            demand: minimum.coreShear,
            capacity: designShear,
            quantity: 'stress',
            governs: `design shear strength of ${weakest.name}`,
          },
          trace,
          'Pa',
          '\\tau_{d,min}',
          '\\tau_d',
          'F42',
        ),
      );
    }
    for (const [id, skin, least, side] of [
      ['outerMinimum', outerSheets, minimum.outer, 'outer'],
      ['innerMinimum', innerSheets, minimum.inner, 'inner'],
    ] as const)
      checks.push(
        checked(
          {
            id,
            demand: least,
            capacity: sum(skin, (s) => s.fibreMass),
            quantity: 'laminateWeight',
            governs: `dry fibre mass of the ${side} skin`,
          },
          trace,
          'kg/m²',
          'w_{min}',
          'w',
          'F43',
        ),
      );
  }
  return { checks, notChecked };
}
