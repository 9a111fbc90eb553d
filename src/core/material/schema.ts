import { z } from 'zod';
import { bounded, noted } from '../field';
import { cureLawSchema } from './cureLaw';

/** What a figure stands on. */
export const ORIGINS = { generic: 'generic value', dataSheet: 'data sheet', yardTest: 'tested here' } as const;
export type Origin = keyof typeof ORIGINS;

const figure = (label: string, minimum: number, maximum: number, unit = '') =>
  z.object({
    value: bounded(label, [minimum, maximum], unit),
    origin: z.enum(['generic', 'dataSheet', 'yardTest']),
    /** Of a test: how many samples, and their coefficient of variation. */
    n: z.int().min(1, 'A test has at least one sample').max(10_000).optional(),
    spread: bounded('Coefficient of variation', [0, 1]).optional(),
  });
export type Figure = { value: number; origin: Origin; n?: number; spread?: number };
/** Money of the yard's own currency per kilogram, unless stated otherwise. */
const price = figure('Price', 0, 1e6).nullable();
const celsius = (label: string) => figure(label, -50, 600, '°C');
const expansion = (label: string) => figure(label, -2e-5, 3e-4, '1/K');

const identity = {
  id: z.string().regex(/^[a-z0-9][a-z0-9-]{1,59}$/, 'Id must be 2 to 60 small letters, digits and hyphens'),
  name: z.string().trim().min(1, 'Name must not be empty').max(80, 'Name must have at most 80 characters'),
  note: z.string().max(400, 'Note must have at most 400 characters'),
};

export const FIBRE_FAMILIES = {
  eGlass: 'E-glass',
  sGlass: 'S-glass',
  carbon: 'Carbon',
  aramid: 'Aramid',
  basalt: 'Basalt',
  flax: 'Flax',
} as const;
export type FibreFamily = keyof typeof FIBRE_FAMILIES;

/** A fibre: stiffness along (1) and across (2), Pa; density kg/m³. */
export const fibreSchema = z.object({
  kind: z.literal('fibre'),
  ...identity,
  family: z.enum(Object.keys(FIBRE_FAMILIES) as [FibreFamily, ...FibreFamily[]]),
  density: figure('Density', 800, 4000, 'kg/m³'),
  E1: figure('Modulus along the fibre', 1e9, 1e12, 'Pa'),
  E2: figure('Modulus across the fibre', 1e8, 2e11, 'Pa'),
  G12: figure('Shear modulus', 1e8, 2e11, 'Pa'),
  nu12: figure("Poisson's ratio", 0, 0.5),
  alpha1: expansion('Expansion along the fibre'),
  alpha2: expansion('Expansion across the fibre'),
});
export type Fibre = z.infer<typeof fibreSchema>;

export const RESIN_FAMILIES = {
  orthoPolyester: 'Orthophthalic polyester',
  isoPolyester: 'Isophthalic polyester',
  vinylester: 'Vinylester',
  epoxy: 'Epoxy',
} as const;
export type ResinFamily = keyof typeof RESIN_FAMILIES;

/** A matrix resin, cured unless stated: density kg/m³, modulus Pa, viscosity Pa s, pot life s, shrinkage by volume. */
export const resinSchema = z.object({
  kind: z.literal('resin'),
  ...identity,
  family: z.enum(Object.keys(RESIN_FAMILIES) as [ResinFamily, ...ResinFamily[]]),
  density: figure('Density', 900, 1600, 'kg/m³'),
  E: figure('Modulus', 5e8, 1e10, 'Pa'),
  nu: figure("Poisson's ratio", 0.2, 0.48),
  tensileStrength: figure('Tensile strength', 1e6, 2e8, 'Pa'),
  failureStrain: figure('Strain at failure', 0.002, 0.3),
  alpha: expansion('Expansion'),
  shrinkage: figure('Shrinkage', 0, 0.15),
  heatDeflection: celsius('Heat deflection'),
  viscosity15: figure('Viscosity at 15 °C', 0.01, 1e5, 'Pa s'),
  viscosity25: figure('Viscosity at 25 °C', 0.01, 1e5, 'Pa s'),
  potLife15: figure('Pot life at 15 °C', 60, 1e8, 's'),
  potLife25: figure('Pot life at 25 °C', 60, 1e8, 's'),
  price,
  /** How it hardens by its maker or a test; null: the two pot lives carry an approximation. */
  cure: noted(cureLawSchema.nullable(), { label: 'Cure' }).default(null),
});
export type Resin = z.infer<typeof resinSchema>;

export const COMPONENT_FORMS = {
  randomMat: 'random mat',
  woven: 'woven',
  stitched: 'stitched',
  unidirectional: 'unidirectional',
} as const;
export type ComponentForm = keyof typeof COMPONENT_FORMS;

/** Figures of a ply that a data sheet or a test may state, in front of what micromechanics says. SI; fractions 0..1. */
export const PLY_FIGURES = {
  fibreWeightFraction: { label: 'Fibre weight fraction', kind: 'fraction', minimum: 0.1, maximum: 0.85 },
  thickness: { label: 'Cured thickness', kind: 'thickness', minimum: 2e-5, maximum: 0.02 },
  E1: { label: 'E1', kind: 'modulus', minimum: 1e8, maximum: 1e12 },
  E2: { label: 'E2', kind: 'modulus', minimum: 1e8, maximum: 1e12 },
  G12: { label: 'G12', kind: 'modulus', minimum: 1e7, maximum: 1e11 },
  nu12: { label: 'ν12', kind: 'ratio', minimum: 0, maximum: 0.9 },
  Xt: { label: 'Tension along, Xt', kind: 'stress', minimum: 1e6, maximum: 1e10 },
  Xc: { label: 'Compression along, Xc', kind: 'stress', minimum: 1e6, maximum: 1e10 },
  Yt: { label: 'Tension across, Yt', kind: 'stress', minimum: 1e5, maximum: 1e10 },
  Yc: { label: 'Compression across, Yc', kind: 'stress', minimum: 1e5, maximum: 1e10 },
  S: { label: 'Shear, S', kind: 'stress', minimum: 1e5, maximum: 1e10 },
} as const;
export type PlyFigure = keyof typeof PLY_FIGURES;

const measuredSchema = z
  .object({
    property: z.enum(Object.keys(PLY_FIGURES) as [PlyFigure, ...PlyFigure[]]),
    value: z.number(),
    origin: z.enum(['dataSheet', 'yardTest']),
    n: z.int().min(1, 'A test has at least one sample').max(10_000).nullable(),
    spread: bounded('Coefficient of variation', [0, 1]).nullable(),
    /** The process it was measured for; null for any. */
    process: z.enum(['handLayUp', 'wetBag', 'infusion', 'prepreg']).nullable(),
  })
  .superRefine(({ property, value }, context) => {
    const { label, minimum, maximum } = PLY_FIGURES[property];
    if (value < minimum || value > maximum)
      context.addIssue({
        code: 'custom',
        path: ['value'],
        message: `${label} must be between ${minimum} and ${maximum}`,
      });
  });
/** A measured or stated figure of a ply. */
export type MeasuredFigure = z.infer<typeof measuredSchema>;

/** One constituent of a fabric: a mat, a weave, or a set of straight stitched layers in stitching order. */
export const fabricComponentSchema = z
  .object({
    form: z.enum(['randomMat', 'woven', 'stitched', 'unidirectional']),
    fibre: identity.id,
    arealWeight: figure('Areal weight', 0.01, 5, 'kg/m²'),
    /** Share of E1 that the crimp of a weave leaves; 1 for straight fibre. */
    crimpFactor: bounded('Crimp factor', [0.5, 1]),
    /** Directions with their share of the component's fibre weight; none for a random mat. */
    sublayers: z
      .array(z.object({ angleDeg: bounded('Direction', [-90, 90], '°'), share: bounded('Share', [0.001, 1]) }))
      .max(8),
    /** Stated or tested figures of its ply (of each straight sublayer), in front of the computed ones. */
    measured: z.array(measuredSchema).max(60),
  })
  .refine((c) => (c.form === 'randomMat') === (c.sublayers.length === 0), {
    error: 'A random mat has no directions; every other form needs at least one',
    path: ['sublayers'],
  })
  .refine((c) => c.sublayers.length === 0 || Math.abs(c.sublayers.reduce((sum, s) => sum + s.share, 0) - 1) < 1e-6, {
    error: 'Shares of the directions must add up to 1',
    path: ['sublayers'],
  });
export type FabricComponent = z.infer<typeof fabricComponentSchema>;

export const FABRIC_FORMS = {
  mat: 'Random mat',
  cloth: 'Woven cloth',
  roving: 'Woven roving',
  unidirectional: 'Unidirectional',
  biaxial: 'Biaxial',
  triaxial: 'Triaxial',
  quadraxial: 'Quadraxial',
  combination: 'Mat-backed combination',
} as const;
export type FabricForm = keyof typeof FABRIC_FORMS;

export const WEAVES = { none: 'not woven', plain: 'plain', twill: 'twill', satin: 'satin' } as const;
export const BINDERS = {
  none: 'no binder',
  powder: 'powder binder',
  emulsion: 'emulsion binder (needs styrene)',
} as const;

/** A dry reinforcement as it comes off the roll. Lengths in m. */
export const fabricSchema = z.object({
  kind: z.literal('fabric'),
  ...identity,
  /** Short label for the grid and the drawings. */
  code: z.string().trim().min(1, 'Code must not be empty').max(12, 'Code must have at most 12 characters'),
  family: z.enum(Object.keys(FABRIC_FORMS) as [FabricForm, ...FabricForm[]]),
  components: z.array(fabricComponentSchema).min(1, 'A fabric needs at least one component').max(4),
  weave: z.enum(['none', 'plain', 'twill', 'satin']),
  binder: z.enum(['none', 'powder', 'emulsion']),
  /** Stitching yarn and binder (kg/m²): weight that carries nothing. */
  bindingWeight: figure('Stitching and binder', 0, 0.2, 'kg/m²'),
  width: figure('Roll width', 0.02, 5, 'm'),
  rollLength: figure('Roll length', 1, 2000, 'm'),
  /** Shear angle at which it locks. */
  lockingAngle: figure('Locking angle', 5, 90, '°'),
  /** Tightest double curve it takes without darts. */
  drapeRadius: figure('Drape radius', 0, 5, 'm'),
  price,
});
export type Fabric = z.infer<typeof fabricSchema>;

export const CORE_FAMILIES = {
  pvcCrossLinked: 'Cross-linked PVC',
  pvcLinear: 'Linear PVC',
  san: 'SAN',
  pet: 'PET',
  pmi: 'PMI',
  balsa: 'End-grain balsa',
  honeycomb: 'Honeycomb',
  plywood: 'Plywood',
  puBoard: 'High-density PU board',
  polystyrene: 'Polystyrene foam',
  flowMat: 'Polyester flow-core mat',
} as const;
export type CoreFamily = keyof typeof CORE_FAMILIES;
export const CORE_KINDS = {
  foamRigid: 'rigid foam',
  foamDuctile: 'ductile foam',
  balsa: 'balsa',
  honeycomb: 'honeycomb',
} as const;

export const CORE_FORMS = { plain: 'plain', scored: 'scored', perforated: 'perforated', grooved: 'grooved' } as const;
export type CoreForm = keyof typeof CORE_FORMS;
export const STYRENE_BEHAVIOURS = {
  good: 'stands styrene',
  swells: 'swells in styrene',
  dissolves: 'dissolves in styrene',
} as const;

/** A core: density kg/m³, strengths and moduli Pa, resin taken up by bonding and surface kg/m² for both faces. */
export const coreSchema = z.object({
  kind: z.literal('core'),
  ...identity,
  code: fabricSchema.shape.code,
  family: z.enum(Object.keys(CORE_FAMILIES) as [CoreFamily, ...CoreFamily[]]),
  /** How the pack treats it in shear. */
  behaviour: z.enum(['foamRigid', 'foamDuctile', 'balsa', 'honeycomb']),
  density: figure('Density', 10, 1200, 'kg/m³'),
  inPlaneModulus: figure('In-plane modulus', 1e5, 2e10, 'Pa'),
  compressiveModulus: figure('Compressive modulus through the thickness', 1e6, 2e10, 'Pa'),
  compressiveStrength: figure('Compressive strength', 1e4, 1e8, 'Pa'),
  shearModulus: figure('Shear modulus', 1e5, 2e9, 'Pa'),
  shearStrength: figure('Shear strength', 1e4, 2e7, 'Pa'),
  shearElongation: figure('Shear elongation', 0.005, 1.5),
  resinUptake: figure('Resin uptake', 0, 10, 'kg/m²'),
  temperatureLimit: celsius('Temperature limit'),
  alpha: expansion('Expansion'),
  styrene: z.enum(['good', 'swells', 'dissolves']),
  forms: z
    .array(z.enum(['plain', 'scored', 'perforated', 'grooved']))
    .min(1, 'Give at least one form')
    .max(4),
  /** Inscribed circle of a honeycomb's cell (m). */
  cellSize: bounded('Cell size', [0.001, 0.1], 'm').nullable(),
  /** Per cubic metre. */
  price,
  /** Sheet thicknesses to be had (m). */
  thicknesses: z
    .array(bounded('Sheet thickness', [0.001, 0.2], 'm'))
    .min(1, 'Give at least one sheet thickness')
    .max(20),
});
export type Core = z.infer<typeof coreSchema>;

/** A coating laid by thickness that carries no load: gelcoat, primer. */
export const coatingSchema = z.object({
  kind: z.literal('coating'),
  ...identity,
  code: fabricSchema.shape.code,
  density: figure('Density', 800, 2500, 'kg/m³'),
  /** Usual thickness (m). */
  thickness: figure('Thickness', 5e-5, 0.005, 'm'),
  /**
   * What it is made of, for what may be laid on it; a bond coat belongs inside a laminate, a release fabric comes off
   * again.
   */
  base: z.enum(['polyester', 'epoxy', 'bond', 'none']),
  price,
});
export type Coating = z.infer<typeof coatingSchema>;

/** A structural adhesive or bonding paste. */
export const adhesiveSchema = z.object({
  kind: z.literal('adhesive'),
  ...identity,
  family: z.enum(['epoxyPaste', 'methacrylate', 'polyesterPutty', 'polyurethane']),
  density: figure('Density', 500, 2500, 'kg/m³'),
  shearStrength: figure('Shear strength', 1e5, 1e8, 'Pa'),
  shearModulus: figure('Shear modulus', 1e6, 1e10, 'Pa'),
  elongation: figure('Elongation at failure', 0.001, 10),
  bondLine: figure('Usual bond line', 5e-5, 0.03, 'm'),
  potLife25: figure('Working time at 25 °C', 60, 1e6, 's'),
  temperatureLimit: celsius('Temperature limit'),
  price,
});
export const ADHESIVE_FAMILIES = {
  epoxyPaste: 'Epoxy paste',
  methacrylate: 'Methacrylate',
  polyesterPutty: 'Polyester putty',
  polyurethane: 'Polyurethane',
} as const;

/** A metal for fastenings, backing and tapped plates. */
export const metalSchema = z.object({
  kind: z.literal('metal'),
  ...identity,
  family: z.enum(['stainless', 'aluminium', 'bronze', 'carbonSteel', 'titanium']),
  density: figure('Density', 1500, 20_000, 'kg/m³'),
  E: figure('Modulus', 1e10, 5e11, 'Pa'),
  yieldStrength: figure('Yield strength', 1e7, 3e9, 'Pa'),
  ultimateStrength: figure('Ultimate strength', 1e7, 3e9, 'Pa'),
  /** Rest potential in sea water against silver chloride (V); carbon stands near +0.2. */
  potential: figure('Potential in sea water', -2, 1, 'V'),
  price,
});
export const METAL_FAMILIES = {
  stainless: 'Stainless steel',
  aluminium: 'Aluminium',
  bronze: 'Bronze',
  carbonSteel: 'Carbon steel',
  titanium: 'Titanium',
} as const;

/**
 * Wood for sheets and planking, inserts, backing and beds; strengths Pa. Of plywood the modulus and the bending
 * strength are those along the grain of its faces, and the shear strength is that through the thickness, where veneers
 * roll.
 */
export const woodSchema = z.object({
  kind: z.literal('wood'),
  ...identity,
  code: fabricSchema.shape.code.default('WOOD'),
  family: z.enum(['softwood', 'hardwood', 'plywood']),
  density: figure('Density', 100, 1300, 'kg/m³'),
  E: figure('Modulus along the grain', 1e9, 3e10, 'Pa'),
  bendingStrength: figure('Bending strength', 1e6, 3e8, 'Pa'),
  compressiveStrength: figure('Compressive strength along', 1e6, 2e8, 'Pa'),
  compressiveAcross: figure('Compressive strength across', 1e5, 1e8, 'Pa'),
  shearStrength: figure('Shear strength', 1e5, 5e7, 'Pa'),
  price,
});
export type Wood = z.infer<typeof woodSchema>;
export const WOOD_FAMILIES = { softwood: 'Softwood', hardwood: 'Hardwood', plywood: 'Plywood' } as const;

/** Release agents and what is used up in moulding; none of it stays in the part. */
export const consumableSchema = z.object({
  kind: z.literal('consumable'),
  ...identity,
  family: z.enum(['release', 'peelPly', 'releaseFilm', 'flowMedia', 'breather', 'bag', 'sealant', 'line']),
  /** kg/m² of surface, or kg/m of tape and line. */
  weight: figure('Weight', 0, 10, 'kg/m²'),
  /** Resin that stays in it (kg/m²). */
  resinUptake: figure('Resin uptake', 0, 5, 'kg/m²'),
  temperatureLimit: celsius('Temperature limit'),
  width: figure('Width', 0, 10, 'm'),
  price,
});
export const CONSUMABLE_FAMILIES = {
  release: 'Release agent',
  peelPly: 'Peel ply',
  releaseFilm: 'Release film',
  flowMedia: 'Flow media',
  breather: 'Breather',
  bag: 'Bag film',
  sealant: 'Sealant tape',
  line: 'Feed line',
} as const;

export const materialSchema = z.discriminatedUnion('kind', [
  fibreSchema,
  resinSchema,
  fabricSchema,
  coreSchema,
  coatingSchema,
  adhesiveSchema,
  metalSchema,
  woodSchema,
  consumableSchema,
]);
export type Material = z.infer<typeof materialSchema>;
export type MaterialKind = Material['kind'];
/** What a layer can be made of. */
export type LayerMaterial = Fabric | Core | Coating | Wood;
const LAYER_KINDS: readonly MaterialKind[] = ['fabric', 'core', 'coating', 'wood'];
export const isLayerMaterial = (material: Material): material is LayerMaterial => LAYER_KINDS.includes(material.kind);

export const MATERIAL_KINDS: Record<MaterialKind, string> = {
  fabric: 'Fabrics',
  core: 'Cores',
  resin: 'Resins',
  fibre: 'Fibres',
  coating: 'Coatings',
  adhesive: 'Adhesives',
  metal: 'Metals',
  wood: 'Wood',
  consumable: 'Consumables',
};

/** Families of a kind, in words; a coating has none. */
export const FAMILIES: Partial<Record<MaterialKind, Record<string, string>>> = {
  fibre: FIBRE_FAMILIES,
  resin: RESIN_FAMILIES,
  fabric: FABRIC_FORMS,
  core: CORE_FAMILIES,
  adhesive: ADHESIVE_FAMILIES,
  metal: METAL_FAMILIES,
  wood: WOOD_FAMILIES,
  consumable: CONSUMABLE_FAMILIES,
};
/** Family of a material in words. */
export const familyName = (material: Material): string =>
  'family' in material ? FAMILIES[material.kind]![material.family]! : 'Coating';

/** Whether a resin carries styrene: polyesters and vinylester. */
export const isStyrenated = (resin: Pick<Resin, 'family'>): boolean => resin.family !== 'epoxy';

/** Dry weight of a fabric (kg/m²). */
export function fabricArealWeight(fabric: Fabric): number {
  return fabric.components.reduce((sum, component) => sum + component.arealWeight.value, 0);
}
