import type { Core } from '../../material';
import type { QuantityKind } from '../../quantity';
import { put, type WorkingStep } from '../../working';
import { cite } from './pack';
import type { SheetProperties } from './sheet';

/** Identity of a check; the order is the order in which it is shown. */
export const CHECKS = {
  skinFlexure: 'Skin in bending',
  plyByPly: 'Ply by ply',
  midSpan: 'Middle of the panel',
  alongSide: 'Along the long side',
  woodShear: 'Wood in shear',
  minimumFibre: 'Least fibre mass',
  minimumWood: 'Least thickness of wood',
  outerSkin: 'Outer skin, tension',
  innerSkin: 'Inner skin, compression',
  stiffness: 'Panel stiffness',
  coreShear: 'Core in shear',
  coreShearAlong: 'Core in shear, short edge',
  coreMinimum: 'Least core strength',
  outerMinimum: 'Least outer skin',
  innerMinimum: 'Least inner skin',
  yardFibre: 'Yard fibre',
  yardThickness: 'Yard thickness',
  specifiedLayers: 'As specified',
  byMatch: 'Match of the reference',
  byAnalysis: 'Strength by analysis',
  analysisDeflection: 'Deflection by analysis',
  typedLoad: 'Load typed under Analysis',
} as const;
export type CheckId = keyof typeof CHECKS;

/** One requirement against what the laminate has; `reserveFactor` = capacity / demand, at least 1 meets it. */
export interface Check {
  id: CheckId;
  demand: number;
  capacity: number;
  /** How demand and capacity are shown. */
  quantity: QuantityKind;
  reserveFactor: number;
  /**
   * Reserve factor by what a panel asks whose laminate bends alike both ways, where this one asks for more: no stack of
   * the same core has more, whatever its directions.
   */
  evenly?: number;
  /** What sets the capacity, in words. */
  governs: string;
}

/** What a pack finds out of a panel. */
export interface PackFindings {
  checks: Check[];
  /** What it leaves out by its nature, and why. */
  notChecked: string[];
  /** Strength that it asks for and cannot prove: there is no figure to stand on. */
  unproven: string[];
}

/** Parts of a working, in reading order. */
export const WORKING_SECTIONS = {
  pressure: 'Design pressure',
  laminate: 'What the laminate has',
  requirement: 'What the pack asks',
  result: 'Reserve factor',
} as const;
export type WorkingSection = keyof typeof WORKING_SECTIONS;

/** Collects the working of a zone: shared sections, and one result per check. Absent in live evaluation. */
export type Trace = (section: WorkingSection, step: WorkingStep, check?: CheckId) => void;

/** One sheet of the stack, from the mould face inward; coatings and other layers that carry nothing are left out. */
export type Sheet =
  | {
      role: 'skin';
      name: string;
      /** Of its layer in the part, 1 on the mould; without one the sheet is named by its place in the skin. */
      number?: number;
      thickness: number;
      fibreMass: number;
      resinMass: number;
      matMass: number;
      lightFibreMass: number;
      properties: SheetProperties | undefined;
      /** Of a sheet of wood, Pa. */
      wood?: { bendingStrength: number; rollingShear: number };
    }
  | { role: 'core'; name: string; thickness: number; core: Core };
export type SkinSheet = Extract<Sheet, { role: 'skin' }>;
export type CoreSheet = Extract<Sheet, { role: 'core' }>;

/** The panel's short and long side and the reserve of everything the pack asks of a zone. */
export interface PanelContext {
  pressure: number;
  shortSide: number;
  longSide: number;
  crown: number;
  quality: number;
  /** The same stack in the direction of the long side. */
  along: readonly Sheet[];
  /** The limits of the pack for robustness, where the zone has any. */
  minimum: {
    fibre: number;
    outer: number;
    inner: number;
    coreShear: number | null;
    /** Least thickness (m) of wood of a bending strength (Pa). */
    wood: (bendingStrength: number) => number;
  } | null;
  trace: Trace | undefined;
}

/** How a check is written down: symbols of what is asked and what is there, their unit, and where it stands. */
export interface Written {
  unit: string;
  asked: string;
  there: string;
  source: string;
}

/** Record a reserve factor and return the check. */
export function checked(
  check: Omit<Check, 'reserveFactor'>,
  trace: Trace | undefined,
  { unit, asked, there, source }: Written,
): Check {
  const reserveFactor = check.capacity / check.demand;
  trace?.(
    'result',
    {
      quantity: `Reserve factor: ${check.governs}`,
      symbol: 'RF',
      formula: `\\frac{${there}}{${asked}}`,
      inputs: [put(there, check.capacity, unit), put(asked, check.demand, unit)],
      value: reserveFactor,
      unit: '',
      source: cite(source),
    },
    check.id,
  );
  const found = check as Check;
  found.reserveFactor = reserveFactor;
  return found;
}
