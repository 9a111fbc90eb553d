import { CRITERIA, FAILURE_MODES, limitingStrains, type Criterion } from '../laminate';
import { put, type WorkingStep } from '../working';
import type { ZoneAnalysis } from './analyse';
import type { WorkingPart } from './zoneWorking';

const RESERVE: Record<Criterion, { formula: string; source: string }> = {
  maxStress: {
    formula: '\\min\\left(\\frac{X}{|\\sigma_1|},\\frac{Y}{|\\sigma_2|},\\frac{S}{|\\tau_{12}|}\\right)',
    source: 'Jones, ch. 2.9.1',
  },
  maxStrain: {
    formula:
      '\\min\\left(\\frac{\\varepsilon_{1u}}{|\\varepsilon_1|},\\frac{\\varepsilon_{2u}}{|\\varepsilon_2|},\\frac{\\gamma_{12u}}{|\\gamma_{12}|}\\right)',
    source: 'Jones, ch. 2.9.2',
  },
  tsaiHill: {
    formula:
      '\\left[\\frac{\\sigma_1^2}{X^2}-\\frac{\\sigma_1\\sigma_2}{X^2}+\\frac{\\sigma_2^2}{Y^2}+\\frac{\\tau_{12}^2}{S^2}\\right]^{-1/2}',
    source: 'Jones, ch. 2.9.3; each strength by the sign of its stress',
  },
  tsaiWu: {
    formula: '\\frac{-b+\\sqrt{b^2+4a}}{2a}',
    source: 'Tsai & Wu 1971, a the quadratic and b the linear terms, F12* = −0.5',
  },
  hashin: {
    formula:
      '\\min\\left(\\left[\\frac{\\sigma_1^2}{X^2}+\\frac{\\tau_{12}^2}{S^2}\\right]^{-1/2},\\left[\\frac{\\sigma_2^2}{Y^2}+\\frac{\\tau_{12}^2}{S^2}\\right]^{-1/2}\\right)',
    source: 'Hashin 1980, S_T = Yc/2; fibre compression without shear',
  },
};

/**
 * The working of the first-ply failure of a zone: load, mid-plane strains, the governing ply's state, its design
 * limits, the reserve factor.
 */
export function failureWorking(
  { load, loadSource, response, failure, plies, layerOf }: ZoneAnalysis,
  criterion: Criterion,
): WorkingPart[] {
  const ply = plies[failure.ply]!;
  const state = response.plies[failure.ply]![failure.face];
  const strength = ply.strength!;
  const strain = limitingStrains(ply)!;
  const lamination = 'Classical lamination theory (Jones, ch. 4)';
  const step = (
    quantity: string,
    symbol: string,
    formula: string,
    inputs: WorkingStep['inputs'],
    value: number,
    unit: string,
    source = lamination,
  ): WorkingStep => ({
    quantity,
    symbol,
    formula,
    inputs,
    value,
    unit,
    source,
  });
  const where = `${ply.name ?? 'ply'}, layer ${layerOf[failure.ply]! + 1}, at ${Math.round(ply.angleDeg)}°, ${failure.face === 'bottom' ? 'mould side' : 'inner side'}`;
  const loads = [
    ...load.N.map((n, i) => put(`N_{${['x', 'y', 'xy'][i]}}`, n, 'N/m')),
    ...load.M.map((m, i) => put(`M_{${['x', 'y', 'xy'][i]}}`, m, 'N')),
  ];
  const limits =
    criterion === 'maxStrain'
      ? [
          put('\\varepsilon_{1t}', strain.e1t),
          put('\\varepsilon_{1c}', strain.e1c),
          put('\\varepsilon_{2t}', strain.e2t),
          put('\\varepsilon_{2c}', strain.e2c),
          put('\\gamma_{12u}', strain.g12),
        ]
      : [
          put('X_t', strength.Xt, 'Pa'),
          put('X_c', strength.Xc, 'Pa'),
          put('Y_t', strength.Yt, 'Pa'),
          put('Y_c', strength.Yc, 'Pa'),
          put('S', strength.S, 'Pa'),
        ];
  return [
    {
      title: 'Reserve factor',
      steps: [
        {
          ...step(
            `${CRITERIA[criterion]}: ${FAILURE_MODES[failure.mode]} in ${where}`,
            'RF',
            RESERVE[criterion].formula,
            limits,
            failure.reserveFactor,
            '',
            RESERVE[criterion].source,
          ),
          note: 'Multiplier on the whole load. Limits are design values: mean strengths through the knock-downs of this boat.',
        },
      ],
    },
    {
      title: `State of ${where}`,
      steps: [
        step(
          'Strain along the fibre',
          '\\varepsilon_1',
          'c^2\\varepsilon_x+s^2\\varepsilon_y+cs\\,\\gamma_{xy}',
          [put('\\theta', ply.angleDeg, '°')],
          state.materialStrain[0],
          '',
        ),
        step(
          'Strain across',
          '\\varepsilon_2',
          's^2\\varepsilon_x+c^2\\varepsilon_y-cs\\,\\gamma_{xy}',
          [],
          state.materialStrain[1],
          '',
        ),
        step(
          'Shear strain',
          '\\gamma_{12}',
          '2cs(\\varepsilon_y-\\varepsilon_x)+(c^2-s^2)\\gamma_{xy}',
          [],
          state.materialStrain[2],
          '',
        ),
        step(
          'Stress along the fibre',
          '\\sigma_1',
          'Q_{11}\\varepsilon_1+Q_{12}\\varepsilon_2',
          [put('E_1', ply.E1, 'Pa'), put('\\nu_{12}', ply.nu12)],
          state.materialStress[0],
          'Pa',
        ),
        step(
          'Stress across',
          '\\sigma_2',
          'Q_{12}\\varepsilon_1+Q_{22}\\varepsilon_2',
          [put('E_2', ply.E2, 'Pa')],
          state.materialStress[1],
          'Pa',
        ),
        step(
          'Shear stress',
          '\\tau_{12}',
          'G_{12}\\gamma_{12}',
          [put('G_{12}', ply.G12, 'Pa')],
          state.materialStress[2],
          'Pa',
        ),
      ],
    },
    {
      title: 'Laminate under its load',
      steps: [
        step(
          loadSource === 'given' ? 'Load as given' : 'Load: edge moment of the pack’s pressure',
          '\\varepsilon^0_x',
          '\\sum_j a_{1j}N_j+b_{1j}M_j',
          loads,
          response.strain[0],
          '',
        ),
        step('Mid-plane strain across', '\\varepsilon^0_y', '\\sum_j a_{2j}N_j+b_{2j}M_j', [], response.strain[1], ''),
        step('Mid-plane shear strain', '\\gamma^0_{xy}', '\\sum_j a_{6j}N_j+b_{6j}M_j', [], response.strain[2], ''),
        step('Curvature along', '\\kappa_x', '\\sum_j b_{j1}N_j+d_{1j}M_j', [], response.curvature[0], '1/m'),
        step('Curvature across', '\\kappa_y', '\\sum_j b_{j2}N_j+d_{2j}M_j', [], response.curvature[1], '1/m'),
      ],
    },
  ];
}
