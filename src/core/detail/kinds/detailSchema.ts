import { z } from 'zod';
import { bounded } from '../../geometry';

const metres = (what: string, least: number, most: number) => bounded(what, least, most, 'm');
const material = z.string().max(60);
const count = (what: string, most: number) =>
  z
    .int(`${what} must be a whole number`)
    .min(1, `${what} must be at least 1`)
    .max(most, `${what} must be at most ${most}`);

const common = {
  id: z.string().regex(/^[A-Za-z0-9_-]{1,40}$/),
  name: z.string().trim().min(1, 'Name the detail').max(80),
  /** The zone whose laminate it stands on. */
  zone: z.string().max(40),
  load: z.string().max(40).nullable(),
  /** From the aft end of the waterline, and from the centreline (m). */
  x: metres('Position along', -10, 40),
  y: metres('Distance from the centreline', -6, 6),
  /** Pieces on the boat: one to each side is 2. */
  number: count('Number on the boat', 60),
  note: z.string().max(400),
  /** A pull or lift on the finished detail: this share of the load, or null for none. */
  proof: bounded('Proof load as a share of the load', 0.2, 3).nullable(),
};

/** A sheet of the detail's own laminate. */
const sheetSchema = z.object({
  material,
  angleDeg: bounded('Angle', -90, 90, '°'),
  length: metres('Length', 0.02, 10),
  breadth: metres('Breadth', 0.01, 5),
});
export type DetailSheet = z.infer<typeof sheetSchema>;

export const PREPARATIONS = {
  peel: 'Peel ply, then bond',
  peelAbrade: 'Peel ply, then abrade',
  sacrificial: 'Sacrificial ply, ground back',
  wetOnWet: 'Wet on wet, within the open time',
} as const;
export type Preparation = keyof typeof PREPARATIONS;
const preparation = z.enum(Object.keys(PREPARATIONS) as [Preparation, ...Preparation[]]);

export const CORE_TREATMENTS = {
  none: 'no core there',
  solid: 'core out, solid laminate',
  highDensity: 'high-density core let in',
  plywood: 'plywood let in',
} as const;
export type CoreTreatment = keyof typeof CORE_TREATMENTS;

export const detailSchema = z.discriminatedUnion('kind', [
  z.object({
    ...common,
    kind: z.literal('strap'),
    fabric: material,
    /** Legs to one side or to both of the load's direction. */
    sides: z.union([z.literal(1), z.literal(2)]),
    halfAngleDeg: bounded('Angle of each leg to the load', 0, 60, '°'),
    strips: count('Strips a side', 60),
    width: metres('Width of the strips', 0.01, 1),
    anchor: metres('Anchor length', 0.02, 4),
    /** Each strip ends so far before the one under it. */
    step: metres('Step per strip', 0, 0.5),
    misalignDeg: bounded('Misalignment allowed for', 0, 15, '°'),
    wrap: z.enum(['flat', 'tube', 'edge']),
    /** Over which it wraps: radius of the tube or of the edge. */
    radius: metres('Radius it wraps round', 0.002, 0.2).nullable(),
    fittingStrength: bounded('Breaking load of the fitting', 100, 5e6, 'N').nullable(),
    sequence: z.enum(['before', 'after', 'none']),
    preparation,
    fatigue: z.boolean(),
  }),
  z.object({
    ...common,
    kind: z.literal('bolted'),
    bolts: z
      .array(z.tuple([metres('Bolt along', -2, 2), metres('Bolt across', -2, 2)]))
      .min(1, 'A fitting needs at least one bolt')
      .max(40),
    boltDiameter: metres('Bolt diameter', 0.003, 0.04),
    boltMetal: material,
    washerDiameter: metres('Washer diameter', 0.005, 0.2),
    /** Along and across the base of the fitting (m). */
    base: z.tuple([metres('Base length', 0.02, 3), metres('Base breadth', 0.02, 3)]),
    edgeDistance: metres('Edge distance', 0.003, 2),
    plate: z
      .object({
        metal: material,
        thickness: metres('Plate thickness', 0.001, 0.05),
        length: metres('Plate length', 0.02, 3),
        breadth: metres('Plate breadth', 0.02, 3),
      })
      .nullable(),
    /** A metal plate laminated in, with tapped threads. */
    tapped: z.object({ metal: material, thickness: metres('Tapped plate thickness', 0.002, 0.05) }).nullable(),
    core: z.enum(Object.keys(CORE_TREATMENTS) as [CoreTreatment, ...CoreTreatment[]]),
    insert: material.nullable(),
    bevel: bounded('Bevel of the core, 1 to', 1, 20),
    preload: bounded('Preload of a bolt', 0, 2e5, 'N'),
    sheets: z.array(sheetSchema).max(30),
    preparation,
  }),
  z.object({
    ...common,
    kind: z.literal('patch'),
    form: z.enum(['patch', 'wrappedEdge', 'web']),
    /** Breadth that takes the load: of the patch, along the edge, or depth of the web (m). */
    breadth: metres('Breadth that takes the load', 0.01, 5),
    sheets: z.array(sheetSchema).min(1, 'A patch needs at least one sheet').max(30),
    /** Radius of the edge it wraps round. */
    radius: metres('Radius of the edge', 0.002, 0.2),
    preparation,
  }),
  z.object({
    ...common,
    kind: z.literal('transom'),
    /** Between the knees, and height above the sole (m). */
    span: metres('Between the knees', 0.1, 4),
    height: metres('Height', 0.1, 2),
    clamp: z.tuple([metres('Least clamp thickness', 0.01, 0.2), metres('Greatest clamp thickness', 0.01, 0.2)]),
    clampBreadth: metres('Breadth of the clamp', 0.1, 1.5),
    boltDiameter: metres('Bolt diameter', 0.003, 0.04),
    washerDiameter: metres('Washer diameter', 0.005, 0.2),
    preload: bounded('Preload of a bolt', 0, 2e5, 'N'),
    boltCount: count('Bolts', 20),
    /** Thrust or rudder force acts so far above the middle of the clamp (m). */
    leverArm: metres('Lever arm', 0, 2),
    plywood: z.object({ wood: material, thickness: metres('Sheet', 0.003, 0.06), sheets: count('Sheets', 10) }),
    board: z.object({ core: material, thickness: metres('Sheet', 0.003, 0.08), sheets: count('Sheets', 10) }),
    /** Which of the two is built. */
    built: z.enum(['plywood', 'board']),
    glassBetween: material,
    outer: z
      .array(z.object({ material, angleDeg: bounded('Angle', -90, 90, '°') }))
      .min(1)
      .max(20),
    inner: z
      .array(z.object({ material, angleDeg: bounded('Angle', -90, 90, '°') }))
      .min(1)
      .max(20),
  }),
  z.object({
    ...common,
    kind: z.literal('tabbing'),
    method: z.enum(['tabbing', 'adhesive', 'puttyTape', 'vacuum']),
    length: metres('Length of the joint', 0.05, 30),
    /** Load over the joint (N/m); null takes the load case, or the panel's reaction under its pressure. */
    lineLoad: bounded('Load per metre', 1, 1e6, 'N/m').nullable(),
    sides: z.union([z.literal(1), z.literal(2)]),
    tapes: z
      .array(
        z.object({
          material,
          angleDeg: bounded('Angle', -90, 90, '°'),
          overlap: metres('Overlap on the base', 0.01, 1),
        }),
      )
      .max(12),
    fillet: metres('Fillet radius', 0.002, 0.1),
    adhesive: material.nullable(),
    bondWidth: metres('Bond width', 0.002, 0.5),
    bondLine: metres('Bond line', 1e-4, 0.03),
    preparation,
  }),
  z.object({
    ...common,
    kind: z.literal('flange'),
    length: metres('Length of the joint', 0.1, 60),
    width: metres('Width of the flange', 0.01, 0.4),
    adhesive: material,
    bondLine: metres('Bond line', 1e-4, 0.03),
    lineLoad: bounded('Load per metre', 1, 1e6, 'N/m').nullable(),
    pitch: metres('Pitch of the fasteners', 0.02, 2).nullable(),
    boltDiameter: metres('Bolt diameter', 0.003, 0.02),
    boltMetal: material,
    edgeDistance: metres('Edge distance', 0.003, 0.2),
    preparation,
  }),
  z.object({
    ...common,
    kind: z.literal('extension'),
    form: z.enum(['scarf', 'step']),
    ratio: bounded('Ratio of the joint, 1 to', 2, 100),
    length: metres('Length of the joint', 0.05, 60),
    outer: z
      .array(z.object({ material, angleDeg: bounded('Angle', -90, 90, '°'), overlap: metres('Overlap', 0.01, 2) }))
      .max(12),
    inner: z
      .array(z.object({ material, angleDeg: bounded('Angle', -90, 90, '°'), overlap: metres('Overlap', 0.01, 2) }))
      .max(12),
    preparation,
  }),
  z.object({
    ...common,
    kind: z.literal('liner'),
    adhesive: material,
    bondWidth: metres('Bond width', 0.005, 0.5),
    bondLength: metres('Bonded length', 0.05, 100),
    bondLine: metres('Bond line', 1e-4, 0.03),
    /** Skin that one metre of bond carries (m). */
    tributary: metres('Breadth of skin it carries', 0.02, 4),
    inspections: count('Inspection points', 200),
    preparation,
  }),
  z.object({
    ...common,
    kind: z.literal('stiffenerEnd'),
    support: z.string().max(40),
    end: z.enum(['tapered', 'bracketed', 'cutOff']),
    /** Length of the taper over the height of the stiffener. */
    taper: bounded('Taper, 1 to', 0.5, 20),
    adhesive: material.nullable(),
    notch: metres('Notch at an intersection', 0, 0.3),
    preparation,
  }),
]);
export type Detail = z.infer<typeof detailSchema>;
export type DetailKind = Detail['kind'];
export type DetailOf<K extends DetailKind> = Extract<Detail, { kind: K }>;
export const DETAIL_KINDS: Record<DetailKind, string> = {
  strap: 'Straps',
  bolted: 'Bolted fitting',
  patch: 'Patch, doubler, wrapped edge or web',
  transom: 'Transom for an outboard or rudder',
  tabbing: 'Bulkhead or frame bonding',
  flange: 'Hull-to-deck joint',
  extension: 'Extension or repair joint',
  liner: 'Bonded liner',
  stiffenerEnd: 'Stiffener end and intersection',
};
/** Materials a detail names, which must stay in the boat's book. */
export function materialsOfDetail(detail: Detail): string[] {
  const named = (items: readonly { material: string }[]) => items.map((item) => item.material);
  const some = (...ids: (string | null | undefined)[]) => ids.filter((id): id is string => typeof id === 'string');
  switch (detail.kind) {
    case 'strap':
      return [detail.fabric];
    case 'bolted':
      return [
        ...named(detail.sheets),
        ...some(detail.boltMetal, detail.plate?.metal, detail.tapped?.metal, detail.insert),
      ];
    case 'patch':
      return named(detail.sheets);
    case 'transom':
      return [
        detail.plywood.wood,
        detail.board.core,
        detail.glassBetween,
        ...named(detail.outer),
        ...named(detail.inner),
      ];
    case 'tabbing':
      return [...named(detail.tapes), ...some(detail.adhesive)];
    case 'flange':
      return [detail.adhesive, detail.boltMetal];
    case 'extension':
      return [...named(detail.outer), ...named(detail.inner)];
    case 'liner':
      return [detail.adhesive];
    case 'stiffenerEnd':
      return some(detail.adhesive);
  }
}
