import { put, type WorkingStep } from '../working';
import type { PanelAnalysis } from './analyseOnePanel';

/** The working of a panel analysis: what went in, and every reserve. */
export function panelWorking({
  plate,
  breadths,
  panelCase,
  pressure,
  reserves,
  deflection,
}: PanelAnalysis): WorkingStep[] {
  const theory = 'First-order shear deformation plate, Ritz (Reddy, ch. 5 and 6; Whitney)';
  return [
    {
      quantity: 'Stiffness of the laminate as a plate, along',
      symbol: 'D_{11}^*',
      formula: '(D - B A^{-1} B)_{11}',
      inputs: [put('a', plate.length, 'm'), put('b', plate.breadth, 'm')],
      value: plate.D11,
      unit: 'N m',
      source: 'Reduced bending stiffness (Whitney, ch. 5)',
    },
    {
      quantity: 'The same across',
      symbol: 'D_{22}^*',
      formula: '(D - B A^{-1} B)_{22}',
      inputs: [],
      value: plate.D22,
      unit: 'N m',
      source: 'Reduced bending stiffness (Whitney, ch. 5)',
    },
    {
      quantity: 'Transverse shear stiffness, the lesser',
      symbol: 'S',
      formula: '\\min(A_{44}, A_{55})',
      inputs: [put('A_{44}', plate.A44!, 'N/m'), put('A_{55}', plate.A55!, 'N/m')],
      value: Math.min(plate.A44!, plate.A55!),
      unit: 'N/m',
      source: 'Core G d²/t_c, solid 5/6 Σ G t (Allen)',
    },
    {
      quantity: 'Greatest deflection',
      symbol: 'w',
      formula: 'w(P, D^*, S, \\text{edges})',
      inputs: [put('P', pressure, 'Pa'), put('\\text{fixity}', panelCase.fixity)],
      value: deflection.value,
      unit: 'm',
      source: theory,
      note:
        'Edges between simply supported (0) and clamped (1).' +
        (breadths ? ' The panel tapers, and is solved in its own shape.' : ''),
    },
    ...reserves.map((r): WorkingStep => ({
      quantity: `${r.name}: ${r.governs}, at the ${r.where}`,
      symbol: 'RF',
      formula:
        r.unit === '' ? '\\text{multiplier on the load at first failure}' : '\\frac{\\text{capacity}}{\\text{demand}}',
      inputs:
        r.unit === '' ? [] : [put('\\text{capacity}', r.capacity, r.unit), put('\\text{demand}', r.demand, r.unit)],
      value: r.reserveFactor,
      unit: '',
      source: theory,
    })),
  ];
}
