import { remembered } from '../../job';
import { said } from '../../quantity';
import { put, type WorkingStep } from '../../working';
import {
  checked,
  type Check,
  type PackFindings,
  type PanelContext,
  type Sheet,
  type SkinSheet,
  type Trace,
} from './check';
import { checkWood, isWood } from './checkWood';
import { laminateProperties } from './laminateProperties';
import { cite, SMALL_CRAFT_PACK } from './pack';
import { curvatureFactor, panelCoefficients } from './panelCoefficients';
import { singleSkinThickness } from './singleSkin';
import { alongSide } from './alongSide';
import { MIDDLE, traceAlong } from './otherWays';
import { stretchedSide } from './stretchedSide';
import { skinSection, type SkinSection } from './skinBending';
import { bendingLimit, nearestLimit, partingLimit, type SkinLimit } from './solidSkinLimits';

const sum = <T>(items: readonly T[], pick: (item: T) => number) => items.reduce((total, item) => total + pick(item), 0);

/** What the sheets of a skin come to together, whatever panel they lie in. Thickness m, masses kg/m². */
const wholeSkin = remembered((sheets: readonly SkinSheet[]) => {
  const fibreMass = sum(sheets, (s) => s.fibreMass);
  return {
    thickness: sum(sheets, (s) => s.thickness),
    fibreMass,
    byLaw: sheets.every((sheet) => sheet.properties?.basis === 'law'),
    matShare: sum(sheets, (s) => s.matMass) / fibreMass,
    psi: fibreMass / (fibreMass + sum(sheets, (s) => s.resinMass)),
    lacking: sheets.find((sheet) => sheet.properties === undefined),
    hasWood: sheets.some(isWood),
  };
});

/** The skins of a stack that all have strengths; null where one has none. */
const provenSkins = remembered((sheets: readonly Sheet[]): { skins: SkinSheet[] | null } => {
  const skins = sheets.filter((sheet): sheet is SkinSheet => sheet.role === 'skin');
  return { skins: skins.every(({ properties }) => properties !== undefined) ? skins : null };
});

/**
 * Single-skin checks: bending by the flexural law (mat and balanced 0/90 glass only), ply by ply, least fibre mass; of
 * sheets of wood their shear and their least thickness in its place.
 *
 * The two bending paths differ by about 1.3 in thickness on mat-rich skins; both are shown, the lesser governs.
 * Source: ISO 12215-5:2008 method, F35, F36, F56 to F58.
 */
export function checkSingleSkin(
  sheets: readonly SkinSheet[],
  context: PanelContext,
  pack = SMALL_CRAFT_PACK,
): PackFindings {
  const { pressure: P, shortSide: b, longSide, crown, quality, minimum, trace } = context;
  const checks: Check[] = [];
  const notChecked: string[] = [];
  const unproven: string[] = [];
  const { thickness, fibreMass, byLaw, matShare, psi, lacking, hasWood } = wholeSkin(sheets);

  if (byLaw) {
    const { flexuralStrength } = laminateProperties(psi, matShare, trace && ((step) => trace('laminate', step)));
    const need = singleSkinThickness(
      { pressure: P, shortSide: b, longSide, crown, flexuralStrength, quality },
      trace && ((step) => trace('requirement', step)),
      pack,
    );
    checks.push(
      checked(
        {
          id: 'skinFlexure',
          demand: need.designStress * (need.thickness / thickness) ** 2,
          capacity: need.designStress,
          quantity: 'stress',
          governs:
            'flexural strength of the skin ' +
            `(${said(need.thickness, 'thickness')} needed, ` +
            `${said(thickness, 'thickness')} there)`,
        },
        trace,
        { unit: 'Pa', asked: '\\sigma', there: '\\sigma_d', source: 'F35, as stress at the thickness that is there' },
      ),
    );
  } else if (!hasWood)
    notChecked.push(
      'Skin in bending by the flexural law: it covers only E-glass mat and balanced 0/90; ply by ply governs',
    );

  if (lacking) unproven.push(`Strength of the skin: the pack has no strengths for ${lacking.name}`);
  else checks.push(...plyByPly(sheets, context, pack));

  if (minimum && !hasWood)
    checks.push(
      checked(
        {
          id: 'minimumFibre',
          demand: minimum.fibre,
          capacity: fibreMass,
          quantity: 'laminateWeight',
          governs: 'dry fibre mass of the skin',
        },
        trace,
        { unit: 'kg/m²', asked: 'w_{min}', there: 'w', source: 'F36' },
      ),
    );
  return { checks, notChecked, unproven };
}

/** What the skin of a panel has across it and what the panel asks, as steps of a working. */
function traceSkin(
  trace: Trace | undefined,
  plies: readonly SkinSheet[],
  {
    section,
    moment,
    force,
    ...inputs
  }: { section: SkinSection; moment: number; force: number; kC: number; k2: number; P: number; b: number },
): void {
  if (!trace) return;
  const { kC, k2, P, b } = inputs;
  trace('laminate', {
    quantity: 'Neutral axis from the mould face',
    symbol: 'z_n',
    formula: '\\frac{\\sum E_i t_i z_i}{\\sum E_i t_i}',
    inputs: [put('n', plies.length)],
    value: section.neutral,
    unit: 'm',
    source: cite('F58'),
  });
  trace('laminate', {
    quantity: 'Bending stiffness across the panel',
    symbol: 'EI',
    formula: '\\sum E_i\\left(\\frac{t_i^3}{12}+t_i d_i^2\\right)',
    inputs: [],
    value: section.EI,
    unit: 'N m',
    source: cite('F58'),
  });
  trace('requirement', {
    quantity: 'Bending moment at the panel edge',
    symbol: 'M_d',
    formula: '\\frac{k_C^2 k_2 P b^2}{6}',
    inputs: [put('k_C', kC), put('k_2', k2), put('P', P, 'Pa'), put('b', b, 'm')],
    value: moment,
    unit: 'N',
    source: cite('F56'),
  });
  const [parting] = partingLimit(section, { plies, force, factor: 1 });
  if (parting)
    trace('requirement', {
      quantity: 'Shear between plies at the panel edge',
      symbol: '\\tau',
      formula: 'F S / EI',
      inputs: [put('F', force, 'N/m'), put('S/EI', parting.stress / force, '1/m')],
      value: parting.stress,
      unit: 'Pa',
      source: cite('F57'),
    });
}

/**
 * Each sheet under the moments of the panel, at the long edge, in its middle, and at the short edge; and the shear that
 * parts them at the edges.
 */
function plyByPly(plies: readonly SkinSheet[], context: PanelContext, pack: typeof SMALL_CRAFT_PACK): Check[] {
  const { pressure: P, shortSide: b, longSide: l, crown, quality, along, trace } = context;
  const section = skinSection(plies);
  const { skins: other } = provenSkins(along);
  const lengthwise = other && skinSection(other);
  const stiffness = lengthwise && { across: section.EI, along: lengthwise.EI };
  const record = trace && ((step: WorkingStep) => trace('requirement', step));
  const { k2, kSHC } = panelCoefficients(b, stiffness ? stretchedSide({ longSide: l, stiffness }, record) : l);
  const kC = curvatureFactor(crown, b);
  const moment = (kC ** 2 * k2 * P * b ** 2) / 6;
  const force = Math.sqrt(kC) * kSHC * P * b;
  traceSkin(trace, plies, { section, moment, force, kC, k2, P, b });
  const factor = pack.skinStrengthFactor * quality;
  const check = (id: 'plyByPly' | 'midSpan' | 'alongSide', limits: readonly SkinLimit[], source: string) => {
    const { stress: demand, allowed: capacity, governs } = nearestLimit(limits);
    const written = { unit: 'Pa', asked: '\\sigma_k', there: '\\sigma_{d,k}', source };
    return checked({ id, demand, capacity, quantity: 'stress', governs }, trace, written);
  };
  const checks = [
    check(
      'plyByPly',
      [bendingLimit(section, moment, factor), ...partingLimit(section, { plies, force, factor })],
      'F56 to F58',
    ),
    check(
      'midSpan',
      [bendingLimit(section, -MIDDLE * moment, factor)],
      'F57 and F58 under half the edge moment, in the other sense',
    ),
  ];
  if (!lengthwise || !stiffness) return checks;
  const turned = alongSide({ pressure: P, shortSide: b, longSide: l, stiffness });
  const short = kC ** 2 * turned.moment;
  traceAlong(trace, { P, b, l, kC, stiffness, moment: short });
  const limits = [
    bendingLimit(lengthwise, short, factor),
    bendingLimit(lengthwise, -MIDDLE * short, factor),
    ...partingLimit(lengthwise, { plies, force: Math.sqrt(kC) * turned.shear, factor }),
  ];
  return [
    ...checks,
    ...checkWood(plies, stiffness, context, pack),
    check('alongSide', limits, 'F57 and F58 along the long side'),
  ];
}
