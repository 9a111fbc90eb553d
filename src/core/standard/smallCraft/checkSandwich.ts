import type { Core } from '../../material';
import { invalid } from '../../error';
import { checked, type Check, type CoreSheet, type PanelContext, type Sheet, type SkinSheet } from './check';
import { SMALL_CRAFT_PACK, type SmallCraftPack } from './pack';
import { sandwichRequirement } from './sandwich';
import { sandwichSection, traceSandwich, type WholeSkin } from './sandwichSection';

const sum = <T>(items: readonly T[], pick: (item: T) => number) => items.reduce((total, item) => total + pick(item), 0);

/** A skin of several sheets: stiffness added up, strength where the first sheet reaches its strain. */
function mergeSkin(sheets: readonly SkinSheet[], quality: number): WholeSkin {
  const thickness = sum(sheets, (s) => s.thickness);
  const E = sum(sheets, (s) => s.properties!.E * s.thickness) / thickness;
  const tension = Math.min(...sheets.map((s) => s.properties!.tensileStrength / s.properties!.E));
  const compression = Math.min(...sheets.map((s) => s.properties!.compressiveStrength / s.properties!.E));
  return { thickness, E, tensileStrength: quality * E * tension, compressiveStrength: quality * E * compression };
}

/** A sandwich by what lies where: skins on both sides, cores, and what lies between the first and the last core. */
interface Stack {
  outer: SkinSheet[];
  inner: SkinSheet[];
  weakest: Core;
  coreThickness: number;
}

function stackOf(sheets: readonly Sheet[]): Stack {
  const firstCore = sheets.findIndex((sheet) => sheet.role === 'core');
  const lastCore = sheets.findLastIndex((sheet) => sheet.role === 'core');
  const outer = sheets.slice(0, firstCore) as SkinSheet[];
  const inner = sheets.slice(lastCore + 1) as SkinSheet[];
  const cores = sheets.filter((sheet): sheet is CoreSheet => sheet.role === 'core');
  if (outer.length === 0)
    throw invalid(
      'layers',
      `The core ${cores[0]!.name} has no skin on the mould side: cover the zone with a fabric before it`,
    );
  if (inner.length === 0)
    throw invalid('layers', `The core ${cores.at(-1)!.name} has no inner skin: cover the zone with a fabric after it`);
  const weakest = cores.reduce((a, b) => (b.core.shearStrength.value < a.core.shearStrength.value ? b : a)).core;
  return { outer, inner, weakest, coreThickness: sum(sheets.slice(firstCore, lastCore + 1), (s) => s.thickness) };
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
  const stack = stackOf(sheets);
  const lacking = [...stack.outer, ...stack.inner].find((sheet) => sheet.properties === undefined);
  if (lacking)
    return {
      checks: minimumChecks(stack, context, pack),
      notChecked: [`Skins, stiffness and core shear: the pack has no strengths for ${lacking.name}`],
    };
  return {
    checks: [...strengthChecks(stack, context, pack), ...minimumChecks(stack, context, pack)],
    notChecked: [],
  };
}

function strengthChecks(stack: Stack, context: PanelContext, pack: SmallCraftPack): Check[] {
  const { weakest } = stack;
  const { pressure, shortSide, longSide, crown, quality, trace } = context;
  const outer = mergeSkin(stack.outer, quality);
  const inner = mergeSkin(stack.inner, quality);
  const core = {
    compressiveModulus: weakest.compressiveModulus.value,
    shearModulus: weakest.shearModulus.value,
    shearStrength: weakest.shearStrength.value,
    kind: weakest.behaviour,
  };
  const need = sandwichRequirement(
    { pressure, shortSide, longSide, crown, outer, inner, core },
    trace && ((step) => trace('requirement', step)),
    pack,
  );
  const section = sandwichSection(outer, inner, stack.coreThickness);
  const { outerModulus, innerModulus, secondMoment, distance } = section;
  const wrinkles = need.wrinklingStress < pack.skinStrengthFactor * inner.compressiveStrength;
  if (trace) traceSandwich(section, quality, trace);
  return [
    checked(
      {
        id: 'outerSkin',
        demand: need.outerSectionModulus * 1e6,
        capacity: outerModulus * 1e6,
        quantity: 'ratio',
        governs: 'strength of the outer skin',
      },
      trace,
      { unit: 'cm³/m', asked: 'SM_o', there: 'SM', source: 'F38' },
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
      { unit: 'cm³/m', asked: 'SM_i', there: 'SM', source: 'F39' },
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
      { unit: 'cm⁴/m', asked: 'I_{req}', there: 'I', source: 'F40' },
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
      { unit: 'm', asked: 't_{s,req}', there: 't_s', source: 'F41' },
    ),
  ];
}

function minimumChecks(
  { weakest, outer, inner }: Stack,
  { minimum, trace }: PanelContext,
  pack: SmallCraftPack,
): Check[] {
  if (!minimum) return [];
  const checks: Check[] = [];
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
        { unit: 'Pa', asked: '\\tau_{d,min}', there: '\\tau_d', source: 'F42' },
      ),
    );
  }
  for (const [id, skin, least, side] of [
    ['outerMinimum', outer, minimum.outer, 'outer'],
    ['innerMinimum', inner, minimum.inner, 'inner'],
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
        { unit: 'kg/m²', asked: 'w_{min}', there: 'w', source: 'F43' },
      ),
    );
  return checks;
}
