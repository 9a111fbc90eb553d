import { CORE_TREATMENTS, PREPARATIONS, type DetailKind } from '@/core/detail/kinds';
import type { LoadCause } from '@/core/detail';
import type { MaterialKind } from '@/core/material';
import type { QuantityKind } from '@/core/quantity';

/** A number of a detail or load: where it stands ('plate.thickness'), what it measures, what is allowed. */
export interface NumberField {
  as: 'number';
  key: string;
  label: string;
  kind: QuantityKind;
  minimum: number;
  maximum: number;
  hint?: string;
  optional?: boolean;
  whole?: boolean;
}
export interface ChoiceField {
  as: 'choice';
  key: string;
  label: string;
  options: Record<string, string>;
  /** The values are numbers, or yes and no. */
  of?: 'number' | 'boolean';
}
export interface MaterialField {
  as: 'material';
  key: string;
  label: string;
  kinds: readonly MaterialKind[];
  optional?: boolean;
}
export interface SheetsField {
  as: 'sheets';
  key: string;
  label: string;
  /** Columns besides material and angle. */
  columns: readonly { key: string; label: string; minimum: number; maximum: number }[];
}
export type Field =
  | NumberField
  | ChoiceField
  | MaterialField
  | SheetsField
  | { as: 'bolts' }
  | { as: 'plate' }
  | { as: 'tapped' }
  | { as: 'support' };

const number = (
  key: string,
  label: string,
  kind: QuantityKind,
  minimum: number,
  maximum: number,
  extra: Partial<NumberField> = {},
): NumberField => ({
  as: 'number',
  key,
  label,
  kind,
  minimum,
  maximum,
  ...extra,
});
const whole = (key: string, label: string, maximum: number): NumberField =>
  number(key, label, 'ratio', 1, maximum, { whole: true });
const short = (key: string, label: string, minimum: number, maximum: number, extra: Partial<NumberField> = {}) =>
  number(key, label, 'shortLength', minimum, maximum, extra);
const choice = (
  key: string,
  label: string,
  options: Record<string, string>,
  of?: 'number' | 'boolean',
): ChoiceField => ({ as: 'choice', key, label, options, ...(of && { of }) });
const material = (key: string, label: string, ...kinds: MaterialKind[]): MaterialField => ({
  as: 'material',
  key,
  label,
  kinds,
});
const maybe = (key: string, label: string, ...kinds: MaterialKind[]): MaterialField => ({
  as: 'material',
  key,
  label,
  kinds,
  optional: true,
});
const preparation = choice('preparation', 'Surface before bonding', PREPARATIONS);
const overlap = { key: 'overlap', label: 'Overlap', minimum: 0.01, maximum: 2 };

/** What is entered for each kind of detail, in the order in which it is decided. */
export const DETAIL_FIELDS: Record<DetailKind, readonly Field[]> = {
  strap: [
    material('fabric', 'Fabric of the strips', 'fabric'),
    choice('sides', 'Led', { 1: 'one way', 2: 'split to both sides' }, 'number'),
    number('halfAngleDeg', 'Each leg to the load', 'angle', 0, 60),
    whole('strips', 'Strips a side', 60),
    short('width', 'Width', 0.01, 1),
    short('anchor', 'Anchor length', 0.02, 4),
    short('step', 'Step per strip', 0, 0.5),
    number('misalignDeg', 'Misalignment allowed for', 'angle', 0, 15),
    choice('wrap', 'Round', { flat: 'flat on the laminate', tube: 'a tube or pin', edge: 'an edge' }),
    short('radius', 'Radius', 0.002, 0.2, { optional: true }),
    number('fittingStrength', 'Fitting breaks at', 'force', 100, 5e6, { optional: true }),
    choice('sequence', 'With the bulkhead', {
      before: 'straps first',
      after: 'bulkhead first',
      none: 'no bulkhead there',
    }),
    preparation,
    choice('fatigue', 'Fatigue', { false: 'not asked', true: 'a million cycles' }, 'boolean'),
  ],
  bolted: [
    { as: 'bolts' },
    short('boltDiameter', 'Bolt diameter', 0.003, 0.04),
    material('boltMetal', 'Bolts of', 'metal'),
    short('washerDiameter', 'Washers', 0.005, 0.2),
    short('base.0', 'Base along', 0.02, 3),
    short('base.1', 'Base across', 0.02, 3),
    short('edgeDistance', 'Hole to the edge', 0.003, 2),
    choice('core', 'Core under it', CORE_TREATMENTS),
    maybe('insert', 'Let in', 'core', 'wood'),
    number('bevel', 'Bevel, 1 to', 'ratio', 1, 20),
    number('preload', 'Preload of a bolt', 'force', 0, 2e5),
    { as: 'plate' },
    { as: 'tapped' },
    {
      as: 'sheets',
      key: 'sheets',
      label: 'Patch and doublers',
      columns: [
        { key: 'length', label: 'Length', minimum: 0.02, maximum: 10 },
        { key: 'breadth', label: 'Breadth', minimum: 0.01, maximum: 5 },
      ],
    },
    preparation,
  ],
  patch: [
    choice('form', 'What it is', {
      patch: 'patch or doubler',
      wrappedEdge: 'edge wrapped to both faces',
      web: 'web in shear',
    }),
    short('breadth', 'Breadth or depth that takes it', 0.01, 5),
    short('radius', 'Radius of the edge', 0.002, 0.2),
    {
      as: 'sheets',
      key: 'sheets',
      label: 'Sheets',
      columns: [
        { key: 'length', label: 'Length', minimum: 0.02, maximum: 10 },
        { key: 'breadth', label: 'Breadth', minimum: 0.01, maximum: 5 },
      ],
    },
    preparation,
  ],
  transom: [
    short('span', 'Between the knees', 0.1, 4),
    short('height', 'Height', 0.1, 2),
    short('clamp.0', 'Clamp from', 0.01, 0.2),
    short('clamp.1', 'Clamp to', 0.01, 0.2),
    short('clampBreadth', 'Clamp breadth', 0.1, 1.5),
    whole('boltCount', 'Bolts', 20),
    short('boltDiameter', 'Bolt diameter', 0.003, 0.04),
    short('washerDiameter', 'Washers', 0.005, 0.2),
    number('preload', 'Preload of a bolt', 'force', 0, 2e5),
    short('leverArm', 'Thrust above the clamp', 0, 2),
    choice('built', 'Built in', { plywood: 'plywood', board: 'high-density board' }),
    material('plywood.wood', 'Plywood', 'wood'),
    short('plywood.thickness', 'Plywood sheet', 0.003, 0.06),
    whole('plywood.sheets', 'Plywood sheets', 10),
    material('board.core', 'Board', 'core'),
    short('board.thickness', 'Board sheet', 0.003, 0.08),
    whole('board.sheets', 'Board sheets', 10),
    material('glassBetween', 'Glass between', 'fabric'),
    { as: 'sheets', key: 'outer', label: 'Outer skin', columns: [] },
    { as: 'sheets', key: 'inner', label: 'Inner skin', columns: [] },
  ],
  tabbing: [
    choice('method', 'How', {
      tabbing: 'tapes on a fillet',
      puttyTape: 'putty, then tapes',
      adhesive: 'structural adhesive',
      vacuum: 'tapes under vacuum',
    }),
    number('length', 'Length of the joint', 'length', 0.05, 30),
    number('lineLoad', 'Load per metre', 'lineForce', 1, 1e6, {
      optional: true,
      hint: 'empty: load case, or half the panel under its pressure',
    }),
    choice('sides', 'Tabbed on', { 1: 'one side', 2: 'both sides' }, 'number'),
    short('fillet', 'Fillet radius', 0.002, 0.1),
    { as: 'sheets', key: 'tapes', label: 'Tapes of one side', columns: [overlap] },
    maybe('adhesive', 'Adhesive', 'adhesive'),
    short('bondWidth', 'Bond width', 0.002, 0.5),
    short('bondLine', 'Bond line', 1e-4, 0.03),
    preparation,
  ],
  flange: [
    number('length', 'Length of the joint', 'length', 0.1, 60),
    short('width', 'Flange width', 0.01, 0.4),
    material('adhesive', 'Adhesive', 'adhesive'),
    short('bondLine', 'Bond line', 1e-4, 0.03),
    number('lineLoad', 'Load per metre', 'lineForce', 1, 1e6, { optional: true }),
    short('pitch', 'Fasteners every', 0.02, 2, { optional: true, hint: 'empty: no fasteners' }),
    short('boltDiameter', 'Fastener diameter', 0.003, 0.02),
    material('boltMetal', 'Fasteners of', 'metal'),
    short('edgeDistance', 'Hole to the edge', 0.003, 0.2),
    preparation,
  ],
  extension: [
    choice('form', 'Joint', { scarf: 'scarf', step: 'steps, layer by layer' }),
    number('ratio', 'Length, 1 to', 'ratio', 2, 100),
    number('length', 'Length of the joint', 'length', 0.05, 60),
    { as: 'sheets', key: 'outer', label: 'Overlap layers outside', columns: [overlap] },
    { as: 'sheets', key: 'inner', label: 'Overlap layers inside', columns: [overlap] },
    preparation,
  ],
  liner: [
    material('adhesive', 'Adhesive', 'adhesive'),
    short('bondWidth', 'Bond width', 0.005, 0.5),
    number('bondLength', 'Bonded length', 'length', 0.05, 100),
    short('bondLine', 'Bond line', 1e-4, 0.03),
    short('tributary', 'Skin it carries', 0.02, 4),
    whole('inspections', 'Inspection points', 200),
    preparation,
  ],
  stiffenerEnd: [
    { as: 'support' },
    choice('end', 'The end is', { tapered: 'tapered', bracketed: 'bracketed', cutOff: 'cut off square' }),
    number('taper', 'Taper, 1 to', 'ratio', 0.5, 20),
    maybe('adhesive', 'Bonded with', 'adhesive'),
    short('notch', 'Notch where it crosses', 0, 0.3),
    preparation,
  ],
};

const force = (key: string, label: string) => number(key, label, 'force', 1, 5e6);
const share = (key: string, label: string, hint = '') => number(key, label, 'ratio', 0.01, 3, { hint });
/** What is entered for each cause of a load. */
export const LOAD_FIELDS: Record<LoadCause, readonly NumberField[]> = {
  given: [force('force', 'Force')],
  wire: [force('breakingLoad', 'Breaking load of the wire'), share('share', 'Share of it', '1 is the wire breaking')],
  rightingMoment: [
    number('moment', 'Righting moment', 'moment', 1, 5e6),
    number('halfBeam', 'Half-breadth at the chainplates', 'length', 0.1, 5),
    share('share', 'Share of this shroud'),
  ],
  rudder: [
    number('area', 'Rudder area', 'area', 0.01, 5),
    number('speedKnots', 'Speed', 'speed', 1, 60),
    number('coefficient', 'Lift coefficient', 'ratio', 0.2, 2.5),
    number('arm', 'Arm to the bearing', 'length', 0, 2),
  ],
  tow: [force('pull', 'Pull'), number('dynamic', 'Dynamic factor', 'ratio', 1, 5)],
  mooring: [force('breakingLoad', 'Breaking load of the line'), share('share', 'Share of it')],
  lifting: [
    number('mass', 'Mass lifted', 'mass', 1, 1e5),
    number('points', 'Points', 'ratio', 1, 12, { whole: true }),
    number('dynamic', 'Dynamic factor', 'ratio', 1, 4),
    number('slingDeg', 'Sling from the vertical', 'angle', 0, 70),
    number('uneven', 'Uneven sharing', 'ratio', 1, 2),
  ],
  thrust: [
    force('thrust', 'Thrust'),
    number('mass', 'Mass of the engine', 'mass', 0, 5000),
    number('dynamic', 'Dynamic factor', 'ratio', 1, 6),
  ],
  rail: [force('force', 'Push on the rail'), number('height', 'Height of the rail', 'shortLength', 0.05, 2)],
  grounding: [
    number('mass', 'Mass', 'mass', 1, 1e5),
    number('deceleration', 'Deceleration in g', 'ratio', 0.1, 10),
    share('share', 'Share of this support'),
  ],
  person: [
    number('mass', 'Mass', 'mass', 10, 500),
    number('drop', 'Drop height', 'shortLength', 0, 3),
    number('stop', 'Stopping distance', 'shortLength', 0.005, 1),
  ],
};
/** Figures to begin with. */
export const LOAD_START: Record<LoadCause, Record<string, number>> = {
  given: { force: 5000 },
  wire: { breakingLoad: 14_000, share: 1 },
  rightingMoment: { moment: 3000, halfBeam: 1, share: 0.6 },
  rudder: { area: 0.25, speedKnots: 8, coefficient: 1.2, arm: 0.3 },
  tow: { pull: 6000, dynamic: 2 },
  mooring: { breakingLoad: 25_000, share: 0.8 },
  lifting: { mass: 2000, points: 4, dynamic: 1.5, slingDeg: 30, uneven: 1.3 },
  thrust: { thrust: 2500, mass: 120, dynamic: 3 },
  rail: { force: 1500, height: 0.6 },
  grounding: { mass: 2000, deceleration: 1, share: 0.5 },
  person: { mass: 100, drop: 0.5, stop: 0.05 },
};

/** A value at 'plate.thickness' or 'base.0'. */
export const read = (object: unknown, key: string): unknown =>
  key.split('.').reduce<unknown>((at, step) => (at as Record<string, unknown> | null | undefined)?.[step], object);
/** A copy with a value put there. */
export function write<T>(object: T, key: string, value: unknown): T {
  const copy = structuredClone(object) as Record<string, unknown>;
  const steps = key.split('.');
  const last = steps.pop()!;
  const at = steps.reduce<Record<string, unknown>>((deep, step) => deep[step] as Record<string, unknown>, copy);
  at[last] = value;
  return copy as T;
}
