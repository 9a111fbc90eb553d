import { CRITERIA, FAILURE_MODES, limitingStrains, type Criterion } from '../laminate';
import { put, type WorkingPart, type WorkingStep } from '../working';
import type { StackAnalysis } from './analyseStack';

const RESERVE: Record<Criterion, { formula: string; source: string }> = {
  maxStress: {
    formula: '\\min\\left(\\frac{X}{|\\sigma_1|},\\frac{Y}{|\\sigma_2|},\\frac{S}{|\\tau_{12}|}\\right)',
    source: 'Jones, ch. 2.9.1',
  },
  maxStrain: {
    formula:
      '\\min\\left(\\frac{\\varepsilon_{1u}}{|\\varepsilon_1|},' +
      '\\frac{\\varepsilon_{2u}}{|\\varepsilon_2|},\\frac{\\gamma_{12u}}{|\\gamma_{12}|}\\right)',
    source: 'Jones, ch. 2.9.2',
  },
  tsaiHill: {
    formula:
      '\\left[\\frac{\\sigma_1^2}{X^2}-\\frac{\\sigma_1\\sigma_2}{X^2}' +
      '+\\frac{\\sigma_2^2}{Y^2}+\\frac{\\tau_{12}^2}{S^2}\\right]^{-1/2}',
    source: 'Jones, ch. 2.9.3; each strength by the sign of its stress',
  },
  tsaiWu: {
    formula: '\\frac{-b+\\sqrt{b^2+4a}}{2a}',
    source: 'Tsai & Wu 1971, a the quadratic and b the linear terms, F12* = −0.5',
  },
  hashin: {
    formula:
      '\\min\\left(\\left[\\frac{\\sigma_1^2}{X^2}+\\frac{\\tau_{12}^2}{S^2}\\right]^{-1/2},' +
      '\\left[\\frac{\\sigma_2^2}{Y^2}+\\frac{\\tau_{12}^2}{S^2}\\right]^{-1/2}\\right)',
    source: 'Hashin 1980, S_T = Yc/2; fibre compression without shear',
  },
};

const LOADS: Readonly<Record<StackAnalysis['loadSource'], string>> = {
  given: 'Load as given',
  pressure: 'Load: edge moment of the pack’s pressure',
  pressureInside: 'Load: edge moment of the pack’s pressure, pressed from the inner face',
};

/**
 * The working of the first-ply failure of a zone: load, mid-plane strains, the governing ply's state, its design
 * limits, the reserve factor.
 */
export function failureWorking(
  { load, loadSource, response, failure, plies, layerOf }: StackAnalysis,
  criterion: Criterion,
): WorkingPart[] {
  const ply = plies[failure.ply]!;
  const state = response.plies[failure.ply]![failure.face];
  const strength = ply.strength!;
  const strain = limitingStrains(ply)!;
  const lamination = 'Classical lamination theory (Jones, ch. 4)';
  const step = (said: Omit<WorkingStep, 'source'> & { source?: string }): WorkingStep => ({
    source: lamination,
    ...said,
  });
  const where =
    `${ply.name ?? 'ply'}, layer ${layerOf[failure.ply]! + 1}, at ` +
    `${Math.round(ply.angleDeg)}°, ` +
    `${failure.face === 'bottom' ? 'mould side' : 'inner side'}`;
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
          ...step({
            quantity: `${CRITERIA[criterion]}: ${FAILURE_MODES[failure.mode]} in ${where}`,
            symbol: 'RF',
            formula: RESERVE[criterion].formula,
            inputs: limits,
            value: failure.reserveFactor,
            unit: '',
            source: RESERVE[criterion].source,
          }),
          note:
            'Multiplier on the whole load. Limits are design values: mean ' +
            'strengths through the knock-downs of this boat.',
        },
      ],
    },
    {
      title: `State of ${where}`,
      steps: [
        step({
          quantity: 'Strain along the fibre',
          symbol: '\\varepsilon_1',
          formula: 'c^2\\varepsilon_x+s^2\\varepsilon_y+cs\\,\\gamma_{xy}',
          inputs: [put('\\theta', ply.angleDeg, '°')],
          value: state.materialStrain[0],
          unit: '',
        }),
        step({
          quantity: 'Strain across',
          symbol: '\\varepsilon_2',
          formula: 's^2\\varepsilon_x+c^2\\varepsilon_y-cs\\,\\gamma_{xy}',
          inputs: [],
          value: state.materialStrain[1],
          unit: '',
        }),
        step({
          quantity: 'Shear strain',
          symbol: '\\gamma_{12}',
          formula: '2cs(\\varepsilon_y-\\varepsilon_x)+(c^2-s^2)\\gamma_{xy}',
          inputs: [],
          value: state.materialStrain[2],
          unit: '',
        }),
        step({
          quantity: 'Stress along the fibre',
          symbol: '\\sigma_1',
          formula: 'Q_{11}\\varepsilon_1+Q_{12}\\varepsilon_2',
          inputs: [put('E_1', ply.E1, 'Pa'), put('\\nu_{12}', ply.nu12)],
          value: state.materialStress[0],
          unit: 'Pa',
        }),
        step({
          quantity: 'Stress across',
          symbol: '\\sigma_2',
          formula: 'Q_{12}\\varepsilon_1+Q_{22}\\varepsilon_2',
          inputs: [put('E_2', ply.E2, 'Pa')],
          value: state.materialStress[1],
          unit: 'Pa',
        }),
        step({
          quantity: 'Shear stress',
          symbol: '\\tau_{12}',
          formula: 'G_{12}\\gamma_{12}',
          inputs: [put('G_{12}', ply.G12, 'Pa')],
          value: state.materialStress[2],
          unit: 'Pa',
        }),
      ],
    },
    {
      title: 'Laminate under its load',
      steps: [
        step({
          quantity: LOADS[loadSource],
          symbol: '\\varepsilon^0_x',
          formula: '\\sum_j a_{1j}N_j+b_{1j}M_j',
          inputs: loads,
          value: response.strain[0],
          unit: '',
        }),
        step({
          quantity: 'Mid-plane strain across',
          symbol: '\\varepsilon^0_y',
          formula: '\\sum_j a_{2j}N_j+b_{2j}M_j',
          inputs: [],
          value: response.strain[1],
          unit: '',
        }),
        step({
          quantity: 'Mid-plane shear strain',
          symbol: '\\gamma^0_{xy}',
          formula: '\\sum_j a_{6j}N_j+b_{6j}M_j',
          inputs: [],
          value: response.strain[2],
          unit: '',
        }),
        step({
          quantity: 'Curvature along',
          symbol: '\\kappa_x',
          formula: '\\sum_j b_{j1}N_j+d_{1j}M_j',
          inputs: [],
          value: response.curvature[0],
          unit: '1/m',
        }),
        step({
          quantity: 'Curvature across',
          symbol: '\\kappa_y',
          formula: '\\sum_j b_{j2}N_j+d_{2j}M_j',
          inputs: [],
          value: response.curvature[1],
          unit: '1/m',
        }),
      ],
    },
  ];
}

/** The working of strength under a typed load: the local limits of a sandwich, and its first ply by Tsai–Wu. */
export function typedLoadWorking(analysis: StackAnalysis): WorkingPart[] {
  const limits = (analysis.sandwich ?? []).filter(({ demand }) => demand > 0);
  const first = failureWorking(analysis, 'tsaiWu');
  if (limits.length === 0) return first;
  const steps = limits.map(({ name, demand, capacity, unit, reserveFactor }) => ({
    quantity: name,
    symbol: 'RF',
    formula: '\\frac{\\text{there}}{\\text{asked}}',
    inputs: [put('\\text{there}', capacity, unit), put('\\text{asked}', demand, unit)],
    value: reserveFactor,
    unit: '',
    source: 'Hoff & Mautner 1945; NASA CR-1457 where it is pressed both ways; Allen',
  }));
  return [{ title: 'Local limits of the sandwich', steps }, ...first];
}
