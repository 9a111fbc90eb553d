import { said } from '../../quantity';
import { put } from '../../working';
import { checked, type Check, type PanelContext, type SkinSheet } from './check';
import { laminateProperties } from './laminateProperties';
import { cite, SMALL_CRAFT_PACK } from './pack';
import { curvatureFactor, panelCoefficients } from './panelCoefficients';
import { singleSkinThickness } from './singleSkin';

const sum = <T>(items: readonly T[], pick: (item: T) => number) => items.reduce((total, item) => total + pick(item), 0);

/**
 * Single-skin checks: bending by the flexural law (mat and balanced 0/90 glass only), ply by ply, least fibre mass.
 *
 * The two bending paths differ by about 1.3 in thickness on mat-rich skins; both are shown, the lesser governs.
 * Source: ISO 12215-5:2008 method, F35, F36, F56 to F58.
 */
export function checkSingleSkin(
  sheets: readonly SkinSheet[],
  context: PanelContext,
  pack = SMALL_CRAFT_PACK,
): { checks: Check[]; notChecked: string[] } {
  const { pressure: P, shortSide: b, longSide, crown, quality, minimum, trace } = context;
  const checks: Check[] = [];
  const notChecked: string[] = [];
  const thickness = sum(sheets, (s) => s.thickness);
  const fibreMass = sum(sheets, (s) => s.fibreMass);

  if (sheets.every((sheet) => sheet.properties?.basis === 'law')) {
    const matShare = sum(sheets, (s) => s.matMass) / fibreMass;
    const psi = fibreMass / (fibreMass + sum(sheets, (s) => s.resinMass));
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
  } else
    notChecked.push(
      'Skin in bending by the flexural law: it covers only E-glass mat and balanced 0/90; ply by ply governs',
    );

  const lacking = sheets.find((sheet) => sheet.properties === undefined);
  if (lacking) notChecked.push(`Ply by ply: the pack has no strengths for ${lacking.name}`);
  else checks.push(plyByPly(sheets, context, pack));

  if (minimum)
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
  return { checks, notChecked };

  function plyByPly(
    plies: readonly SkinSheet[],
    { shortSide, longSide: l }: PanelContext,
    { skinStrengthFactor }: typeof pack,
  ): Check {
    const EA = sum(plies, (s) => s.properties!.E * s.thickness);
    let z = 0;
    const placed = plies.map((sheet) => ({ sheet, bottom: z, top: (z += sheet.thickness) }));
    const neutral =
      sum(placed, ({ sheet, bottom, top }) => (sheet.properties!.E * sheet.thickness * (bottom + top)) / 2) / EA;
    const EI = sum(
      placed,
      ({ sheet, bottom, top }) =>
        sheet.properties!.E * (sheet.thickness ** 3 / 12 + sheet.thickness * ((bottom + top) / 2 - neutral) ** 2),
    );
    const { k2 } = panelCoefficients(shortSide, l);
    const kC = curvatureFactor(crown, shortSide);
    const moment = (kC ** 2 * k2 * P * shortSide ** 2) / 6;

    // Under outside pressure the clamped edge pulls the mould face and presses the inner one.
    let worst = { stress: 0, allowed: 1, sheet: plies[0]!, index: 0, side: 'tension' };
    placed.forEach(({ sheet, bottom, top }, index) => {
      const { E, tensileStrength, compressiveStrength } = sheet.properties!;
      for (const [reach, strength, side] of [
        [neutral - bottom, tensileStrength, 'tension'],
        [top - neutral, compressiveStrength, 'compression'],
      ] as const) {
        const stress = (moment * E * reach) / EI;
        const allowed = skinStrengthFactor * strength * quality;
        if (reach > 0 && stress / allowed > worst.stress / worst.allowed)
          worst = { stress, allowed, sheet, index, side };
      }
    });
    trace?.('laminate', {
      quantity: 'Neutral axis from the mould face',
      symbol: 'z_n',
      formula: '\\frac{\\sum E_i t_i z_i}{\\sum E_i t_i}',
      inputs: [put('n', plies.length)],
      value: neutral,
      unit: 'm',
      source: cite('F58'),
    });
    trace?.('laminate', {
      quantity: 'Bending stiffness across the panel',
      symbol: 'EI',
      formula: '\\sum E_i\\left(\\frac{t_i^3}{12}+t_i d_i^2\\right)',
      inputs: [],
      value: EI,
      unit: 'N m',
      source: cite('F58'),
    });
    trace?.('requirement', {
      quantity: 'Bending moment at the panel edge',
      symbol: 'M_d',
      formula: '\\frac{k_C^2 k_2 P b^2}{6}',
      inputs: [put('k_C', kC), put('k_2', k2), put('P', P, 'Pa'), put('b', shortSide, 'm')],
      value: moment,
      unit: 'N',
      source: cite('F56'),
    });
    return checked(
      {
        id: 'plyByPly',
        demand: worst.stress,
        capacity: worst.allowed,
        quantity: 'stress',
        governs: `${worst.sheet.name}, sheet ${worst.index + 1} from the mould, in ${worst.side}`,
      },
      trace,
      { unit: 'Pa', asked: '\\sigma_k', there: '\\sigma_{d,k}', source: 'F56 to F58' },
    );
  }
}
