import { laminateStiffness } from '../laminate';
import { WORKING_SECTIONS, type CheckId, type Trace, type WorkingSection } from '../standard';
import { put, type WorkingPart, type WorkingStep } from '../working';
import type { Boat, Part, Zone } from '../document';
import { analysePanel } from './analysePanel';
import { analyseStack } from './analyseStack';
import { typedLoadWorking } from './analysisWorking';
import { massOf } from './book';
import { evaluateZone, pliesOfZone, traceZone } from './evaluateZone';
import { matchZone } from './match';
import { OWN_PROOFS } from './otherProofs';
import { panelWorking } from './panelWorking';

const MINIMA: readonly CheckId[] = ['minimumFibre', 'coreMinimum', 'outerMinimum', 'innerMinimum'];
/** Steps that serve certain checks only, by their symbol; all others serve every check of strength or stiffness. */
const ONLY_FOR: Record<string, readonly CheckId[]> = {
  'w_{min}': ['minimumFibre'],
  'w_{os}': ['outerMinimum', 'innerMinimum'],
  'w_{is}': ['innerMinimum'],
  '\\tau_{d,min}': ['coreMinimum'],
  SM_o: ['outerSkin'],
  SM_i: ['innerSkin'],
  '\\sigma_{wr}': ['innerSkin'],
  I: ['stiffness'],
  t_s: ['coreShear'],
  't_{req}': ['skinFlexure'],
  '\\sigma_d': ['skinFlexure'],
  '\\sigma_{uf}': ['skinFlexure'],
  M_d: ['plyByPly'],
  '\\tau': ['plyByPly'],
  EI: ['plyByPly', 'outerSkin', 'innerSkin', 'stiffness'],
};
const serves = (step: WorkingStep, check: CheckId) => ONLY_FOR[step.symbol]?.includes(check) ?? !MINIMA.includes(check);

export interface WorkingOptions {
  /** Only what bears on that check; everything where it is left out. */
  check?: CheckId;
  /** Of the pack that asks; the boat's first by default. */
  packId?: string;
}

/**
 * The working of a zone's checks: reserve factor first, then what the pack asks, what the laminate has, and the
 * pressure. Each check stands on the panel where it is nearest its limit; where that is not the same panel for all,
 * the working is given for each of them.
 *
 * @throws KeramosError when the zone cannot be checked.
 */
export function zoneWorking(boat: Boat, part: Part, zone: Zone, { check, packId }: WorkingOptions = {}): WorkingPart[] {
  const pack = packId ?? boat.packs[0]!.id;
  if (pack === OWN_PROOFS) return proofWorking(boat, part, zone, check);
  const asked = evaluateZone(boat, part, zone).checks.filter(
    (one) => one.pack === pack && (check === undefined || one.id === check),
  );
  const panels = asked.length > 0 ? [...new Set(asked.map(({ panel }) => panel))] : [''];
  return panels.flatMap((panel) => {
    const on = new Set(asked.filter((one) => one.panel === panel).map(({ id }) => id));
    const sections: Record<WorkingSection, WorkingStep[]> = { result: [], requirement: [], laminate: [], pressure: [] };
    const trace: Trace = (section, step, about) => {
      const wanted =
        asked.length === 0 || (about === undefined ? [...on].some((id) => serves(step, id)) : on.has(about));
      if (wanted) sections[section].push(step);
    };
    traceZone(boat, part, zone, { trace, packId: pack, panel });
    return (Object.keys(sections) as WorkingSection[])
      .filter((section) => sections[section].length > 0)
      .map((section) => ({
        title: WORKING_SECTIONS[section] + (panel === '' ? '' : `, panel ${panel}`),
        steps: sections[section],
      }));
  });
}

/** The working of a proof beside the rule: every ratio of a match, or the plate. */
function proofWorking(boat: Boat, part: Part, zone: Zone, check: CheckId | undefined): WorkingPart[] {
  if (check === 'typedLoad') return typedLoadWorking(analyseStack(boat, part, zone, 'tsaiWu'));
  if (check !== 'byMatch') return [{ title: 'Plate', steps: panelWorking(analysePanel(boat, part, zone)) }];
  const match = matchZone(boat, part, zone);
  return [
    {
      title: `Against ${match?.reference.name ?? 'no reference'}`,
      steps: (match?.ratios ?? []).map(({ name, own, reference, unit, ratio }) => ({
        quantity: name,
        symbol: 'r',
        formula: '\\frac{\\text{own}}{\\text{reference}}',
        inputs: [put('\\text{own}', own, unit), put('\\text{reference}', reference, unit)],
        value: ratio,
        unit: '',
        source: 'Lamination theory of both, by the process and knock-downs of the boat',
      })),
    },
  ];
}

/**
 * The working of a zone's stack: thickness, weights, fibre fractions, mass, and stiffness by lamination theory.
 * @throws KeramosError when the stack has no stiffness to compute.
 */
export function stackWorking(boat: Boat, part: Part, zone: Zone): WorkingPart[] {
  const e = evaluateZone(boat, part, zone);
  const balance = 'Sum over the layers that cover the zone';
  const each = (pick: (layer: (typeof e.layers)[number]) => number, symbol: string, unit: string) =>
    e.layers
      .filter((layer) => pick(layer) > 0)
      .map((layer) => put(`${symbol}_{${layer.index + 1}}`, pick(layer), unit));
  const plyResin = e.layers.reduce((sum, layer) => sum + (layer.material.kind === 'fabric' ? layer.resinMass : 0), 0);
  const stack: WorkingStep[] = [
    {
      quantity: 'Thickness',
      symbol: 't',
      formula: '\\sum t_k',
      inputs: each((l) => l.thickness, 't', 'm'),
      value: e.thickness,
      unit: 'm',
      source: balance,
    },
    {
      quantity: 'Dry fibre weight',
      symbol: 'w',
      formula: '\\sum w_k',
      inputs: each((l) => l.fibreMass, 'w', 'kg/m²'),
      value: e.dryArealWeight,
      unit: 'kg/m²',
      source: balance,
    },
    {
      quantity: 'Laminated weight',
      symbol: 'W',
      formula: '\\sum (w_f + w_r + w_c)_k',
      inputs: each(massOf, 'W', 'kg/m²'),
      value: e.laminatedArealWeight,
      unit: 'kg/m²',
      source: balance,
      note: 'Fibre, stitching and resin of the plies, core with the resin it takes up, coatings.',
    },
    {
      quantity: 'Fibre fraction by weight',
      symbol: '\\psi',
      formula: '\\frac{w}{w + w_r}',
      inputs: [put('w', e.dryArealWeight, 'kg/m²'), put('w_r', plyResin, 'kg/m²')],
      value: e.fibreWeightFraction,
      unit: '',
      source: 'Of the plies alone',
    },
    {
      quantity: 'Fibre fraction by volume',
      symbol: '\\varphi',
      formula: '\\frac{\\sum \\varphi_k t_k}{\\sum t_k}',
      inputs: [],
      value: e.fibreVolumeFraction,
      unit: '',
      source: 'Of the plies alone',
    },
    {
      quantity: 'Mass of the zone',
      symbol: 'm',
      formula: 'A\\,W',
      inputs: [put('A', zone.geometry.area, 'm²'), put('W', e.laminatedArealWeight, 'kg/m²')],
      value: zone.geometry.area * e.laminatedArealWeight,
      unit: 'kg',
      source: 'Area from Zones',
    },
  ];
  const stiffness: WorkingStep[] = [];
  laminateStiffness(pliesOfZone(boat, part, zone), (step) => stiffness.push(step));
  return [
    { title: 'Stack', steps: stack },
    { title: 'Stiffness', steps: stiffness },
  ];
}
