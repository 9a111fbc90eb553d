import { put } from '../../working';
import { alongSide } from './alongSide';
import { checked, type Check, type PanelContext, type SkinSheet } from './check';
import { cite, type SmallCraftPack } from './pack';
import { curvatureFactor, panelCoefficients } from './panelCoefficients';
import { stretchedSide } from './stretchedSide';

type WoodSheet = SkinSheet & { wood: NonNullable<SkinSheet['wood']> };
export const isWood = (sheet: SkinSheet): sheet is WoodSheet => sheet.wood !== undefined;

/** Greatest shear stress over the mean one, of a solid sheet. */
const PARABOLA = 1.5;

/**
 * What is asked of sheets of wood besides bending: shear through the thickness, where fibres roll, at the long and the
 * short edge; and the pack's least thickness, for which no sheathing counts.
 *
 * The shear stress is that of a solid sheet, 1.5 F / t; half the rolling shear strength of the weakest is allowed.
 * @param EI bending stiffness across the panel and along it (N m).
 * Source: ISO 12215-5:2008 method, F37, F41; docs/engineering.md, "Sheets of wood".
 */
export function checkWood(
  sheets: readonly SkinSheet[],
  EI: { across: number; along: number },
  { pressure, shortSide, longSide, crown, quality, minimum, trace }: PanelContext,
  { skinStrengthFactor }: SmallCraftPack,
): Check[] {
  const wood = sheets.filter(isWood);
  if (wood.length === 0) return [];
  const thickness = sheets.reduce((sum, sheet) => sum + sheet.thickness, 0);
  const woodThickness = wood.reduce((sum, sheet) => sum + sheet.thickness, 0);
  const weakest = wood.reduce((low, one) => (one.wood.rollingShear < low.wood.rollingShear ? one : low));
  const { kSHC } = panelCoefficients(shortSide, stretchedSide({ longSide, stiffness: EI }));
  const kC = curvatureFactor(crown, shortSide);
  const long = kSHC * pressure * shortSide;
  const short = alongSide({ pressure, shortSide, longSide, stiffness: EI }).shear;
  const force = Math.sqrt(kC) * Math.max(long, short);
  trace?.('requirement', {
    quantity: `Shear force at the ${long >= short ? 'long' : 'short'} edge`,
    symbol: 'F',
    formula: '\\sqrt{k_C}\\,\\max(k_{SHC}P b,\\,F_l)',
    inputs: [put('k_C', kC), put('k_{SHC}', kSHC), put('P', pressure, 'Pa'), put('b', shortSide, 'm')],
    value: force,
    unit: 'N/m',
    source: cite('F41'),
  });
  const checks = [
    checked(
      {
        id: 'woodShear',
        demand: (PARABOLA * force) / thickness,
        capacity: skinStrengthFactor * quality * weakest.wood.rollingShear,
        quantity: 'stress',
        governs: `rolling shear of ${weakest.name}`,
      },
      trace,
      { unit: 'Pa', asked: '1.5 F/t', there: '\\tau_d', source: 'F41, as a solid sheet' },
    ),
  ];
  if (minimum)
    checks.push(
      checked(
        {
          id: 'minimumWood',
          demand: Math.max(...wood.map((sheet) => minimum.wood(sheet.wood.bendingStrength))),
          capacity: woodThickness,
          quantity: 'thickness',
          governs: 'thickness of the wood',
        },
        trace,
        { unit: 'm', asked: 't_{min}', there: 't', source: 'F37' },
      ),
    );
  return checks;
}
