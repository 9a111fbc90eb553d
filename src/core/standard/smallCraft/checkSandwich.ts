import { remembered } from '../../job';
import { weakestCore, type Core } from '../../material';
import { invalid } from '../../error';
import {
  checked,
  type Check,
  type CoreSheet,
  type PackFindings,
  type PanelContext,
  type Sheet,
  type SkinSheet,
} from './check';
import { SMALL_CRAFT_PACK, type SmallCraftPack } from './pack';
import { sandwichRequirement } from './sandwich';
import { sandwichSection, traceSandwich, type SandwichSection, type WholeSkin } from './sandwichSection';
import type { WorkingStep } from '../../working';
import { alongSide } from './alongSide';
import { panelCoefficients } from './panelCoefficients';
import { stretchedSide } from './stretchedSide';
import { MIDDLE, traceAlong } from './otherWays';
import { skinLimit } from './skinLimit';

/** A skin of several sheets: stiffness added up, strength where the first sheet reaches its strain. */
function mergeSkin(sheets: readonly SkinSheet[], quality: number): WholeSkin {
  let thickness = 0;
  let stretch = 0;
  let tension = Infinity;
  let compression = Infinity;
  for (const { thickness: t, properties } of sheets) {
    const { E, tensileStrength, compressiveStrength, pressed } = properties!;
    thickness += t;
    stretch += E * t;
    tension = Math.min(tension, tensileStrength / E);
    compression = Math.min(compression, (pressed ?? compressiveStrength) / E);
  }
  const E = stretch / thickness;
  return { thickness, E, tensileStrength: quality * E * tension, compressiveStrength: quality * E * compression };
}
/** Dry fibre of a skin, kg/m². */
const fibreOf = (skin: readonly SkinSheet[]) => skin.reduce((total, { fibreMass }) => total + fibreMass, 0);

/** A sandwich by what lies where: skins on both sides, cores, and what lies between the first and the last core. */
interface Stack {
  outer: SkinSheet[];
  inner: SkinSheet[];
  /** Dry fibre of the skins, kg/m². */
  fibre: { outer: number; inner: number };
  coreThickness: number;
  cores: Core[];
  /** Of the cores by the shares of their strengths that a pack lets count: the one that is no better than any. */
  weakest: (strengthFactor: SmallCraftPack['coreStrengthFactor']) => Core;
  /** A sheet that the pack has no strengths for. */
  lacking: SkinSheet | undefined;
  /** By the factor on the strengths. */
  sections: Map<number, SandwichSection>;
}

const stackOf = remembered((sheets: readonly Sheet[]): Stack => {
  const outer: SkinSheet[] = [];
  // What lies inward of the last core so far, and how thick the skins are that have cores on both sides.
  let inner: SkinSheet[] = [];
  const coreSheets: CoreSheet[] = [];
  let coreThickness = 0;
  let lacking: SkinSheet | undefined;
  for (const sheet of sheets) {
    if (sheet.role === 'skin') (coreSheets.length === 0 ? outer : inner).push(sheet);
    else {
      for (const { thickness } of inner) coreThickness += thickness;
      coreThickness += sheet.thickness;
      coreSheets.push(sheet);
      inner = [];
    }
  }
  if (outer.length === 0)
    throw invalid(
      'layers',
      `The core ${coreSheets[0]!.name} has no skin on the mould side: cover the zone with a fabric before it`,
    );
  if (inner.length === 0)
    throw invalid(
      'layers',
      `The core ${coreSheets.at(-1)!.name} has no inner skin: cover the zone with a fabric after it`,
    );
  for (const skin of [outer, inner]) for (const sheet of skin) if (sheet.properties === undefined) lacking ??= sheet;
  const cores = coreSheets.map(({ core }) => core);
  return {
    outer,
    inner,
    fibre: { outer: fibreOf(outer), inner: fibreOf(inner) },
    coreThickness,
    cores,
    weakest: weakestAmong(cores),
    lacking,
    sections: new Map(),
  };
});

/** The weakest of some cores by the factors that were asked for last: a boat's packs ask for the same ones. */
function weakestAmong(cores: readonly Core[]): Stack['weakest'] {
  let last: { by: SmallCraftPack['coreStrengthFactor']; core: Core } | undefined;
  return (by) => {
    if (last?.by !== by) last = { by, core: weakestCore(cores, by) };
    return last.core;
  };
}

/** Skins and section of a stack at a quality factor. */
function sectionAt(stack: Stack, quality: number): SandwichSection {
  const known = stack.sections.get(quality);
  if (known) return known;
  const section = sandwichSection(
    mergeSkin(stack.outer, quality),
    mergeSkin(stack.inner, quality),
    stack.coreThickness,
  );
  stack.sections.set(quality, section);
  return section;
}

/**
 * Sandwich checks: both skins, stiffness, core shear, and the minima of skins and core.
 *
 * Skins count with their own inertia, the core carries shear only; several cores count as the least of each of their
 * figures, and what lies between them is left out of bending.
 *
 * @throws KeramosError `invalid` when a skin is missing.
 * Source: ISO 12215-5:2008 method, F38 to F45.
 */
export function checkSandwich(sheets: readonly Sheet[], context: PanelContext, pack = SMALL_CRAFT_PACK): PackFindings {
  const stack = stackOf(sheets);
  const { lacking } = stack;
  if (lacking)
    return {
      checks: minimumChecks(stack, context, pack),
      notChecked: [],
      unproven: [`Skins, stiffness and core shear: the pack has no strengths for ${lacking.name}`],
    };
  return {
    checks: [...strengthChecks(stack, context, pack), ...minimumChecks(stack, context, pack)],
    notChecked: [],
    unproven: [],
  };
}

function strengthChecks(stack: Stack, context: PanelContext, pack: SmallCraftPack): Check[] {
  const weakest = stack.weakest(pack.coreStrengthFactor);
  const { pressure, shortSide, longSide, crown, quality, trace } = context;
  const section = sectionAt(stack, quality);
  const { outer, inner } = section;
  const core = {
    compressiveModulus: weakest.compressiveModulus.value,
    shearModulus: weakest.shearModulus.value,
    shearStrength: weakest.shearStrength.value,
    kind: weakest.behaviour,
  };
  const record = trace && ((step: WorkingStep) => trace('requirement', step));
  const lengthwise = stackOf(context.along);
  const other = lengthwise.lacking ? null : sectionAt(lengthwise, quality);
  const stretched = other
    ? stretchedSide({ longSide, stiffness: { across: section.EI, along: other.EI } }, record)
    : longSide;
  const need = sandwichRequirement(
    { pressure, shortSide, longSide: stretched, crown, outer, inner, core },
    record,
    pack,
  );
  const even = panelCoefficients(shortSide, longSide);
  const { outerModulus, innerModulus, secondMoment, distance } = section;
  if (trace) traceSandwich(section, quality, trace);
  const moment = (need.kC ** 2 * need.k2 * pressure * Math.min(shortSide, longSide) ** 2) / 6;
  const pressed = skinLimit(inner, 'inner', { core: weakest, coreThickness: stack.coreThickness }, pack);
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
        demand: (moment / pressed.stress) * 1e6,
        capacity: innerModulus * 1e6,
        quantity: 'ratio',
        governs: pressed.governs,
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
        evenly: (secondMoment / need.secondMoment) * (need.k3 / even.k3),
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
        evenly: (distance / need.skinDistance) * (need.kSHC / even.kSHC),
      },
      trace,
      { unit: 'm', asked: 't_{s,req}', there: 't_s', source: 'F41' },
    ),
    ...otherWays(stack, context, { section, other, kC: need.kC, moment }, pack),
  ];
}

/** A skin of a sandwich under a moment, and what sets its limit. */
interface SkinUnder {
  stress: number;
  allowed: number;
  governs: string;
}

/** The skin nearer its limit under a moment per unit width (N), positive pulling the mould face. */
function skinsUnder(
  moment: number,
  { outer, inner, coreThickness, outerModulus, innerModulus }: SandwichSection,
  core: Core,
  pack: SmallCraftPack,
): SkinUnder {
  const [pulled, pressed] = moment >= 0 ? (['outer', 'inner'] as const) : (['inner', 'outer'] as const);
  const skins = { outer, inner };
  const modulus = { outer: outerModulus, inner: innerModulus };
  const limit = skinLimit(skins[pressed], pressed, { core, coreThickness }, pack);
  const both: SkinUnder[] = [
    {
      stress: Math.abs(moment) / modulus[pulled],
      allowed: pack.skinStrengthFactor * skins[pulled].tensileStrength,
      governs: `strength of the ${pulled} skin, pulled`,
    },
    { stress: Math.abs(moment) / modulus[pressed], allowed: limit.stress, governs: limit.governs },
  ];
  return both.reduce((low, one) => (one.stress / one.allowed > low.stress / low.allowed ? one : low));
}

/** The middle of the panel, where both skins are loaded the other way round, and the short edges. */
function otherWays(
  stack: Stack,
  { pressure: P, shortSide, longSide, trace }: PanelContext,
  {
    section,
    other,
    kC,
    moment,
  }: { section: SandwichSection; other: SandwichSection | null; kC: number; moment: number },
  pack: SmallCraftPack,
): Check[] {
  const weakest = stack.weakest(pack.coreStrengthFactor);
  const check = (id: 'midSpan' | 'alongSide', under: SkinUnder, source: string) =>
    checked({ id, demand: under.stress, capacity: under.allowed, quantity: 'stress', governs: under.governs }, trace, {
      unit: 'Pa',
      asked: '\\sigma',
      there: '\\sigma_d',
      source,
    });
  const checks = [
    check(
      'midSpan',
      skinsUnder(-MIDDLE * moment, section, weakest, pack),
      'F38, F39 and F44 under half the edge moment, in the other sense',
    ),
  ];
  if (other === null) return checks;
  const stiffness = { across: section.EI, along: other.EI };
  const short = alongSide({ pressure: P, shortSide, longSide, stiffness });
  const turned = kC ** 2 * short.moment;
  traceAlong(trace, { P, b: shortSide, l: longSide, kC, stiffness, moment: turned });
  const worst = [skinsUnder(turned, other, weakest, pack), skinsUnder(-MIDDLE * turned, other, weakest, pack)].reduce(
    (low, one) => (one.stress / one.allowed > low.stress / low.allowed ? one : low),
  );
  const coreDesignShear = pack.coreStrengthFactor[weakest.behaviour] * weakest.shearStrength.value;
  checks.push(
    check('alongSide', worst, 'F38, F39 and F44 along the long side'),
    checked(
      {
        id: 'coreShearAlong',
        demand: (Math.sqrt(kC) * short.shear) / coreDesignShear,
        capacity: section.distance,
        quantity: 'thickness',
        governs: `shear of ${weakest.name} at the short edge`,
      },
      trace,
      { unit: 'm', asked: 't_{s,req}', there: 't_s', source: 'F41 along the long side' },
    ),
  );
  return checks;
}

function minimumChecks(
  { weakest: weakestBy, fibre }: Stack,
  { minimum, trace }: PanelContext,
  pack: SmallCraftPack,
): Check[] {
  if (!minimum) return [];
  const checks: Check[] = [];
  if (minimum.coreShear !== null) {
    const weakest = weakestBy(pack.coreStrengthFactor);
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
  for (const [id, least, side] of [
    ['outerMinimum', minimum.outer, 'outer'],
    ['innerMinimum', minimum.inner, 'inner'],
  ] as const)
    checks.push(
      checked(
        {
          id,
          demand: least,
          capacity: fibre[side],
          quantity: 'laminateWeight',
          governs: `dry fibre mass of the ${side} skin`,
        },
        trace,
        { unit: 'kg/m²', asked: 'w_{min}', there: 'w', source: 'F43' },
      ),
    );
  return checks;
}
