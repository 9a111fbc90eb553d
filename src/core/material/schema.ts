import { z } from 'zod';
import { bounded } from '../geometry';

/** What a figure stands on. */
export const ORIGINS = { generic: 'generic value', dataSheet: 'data sheet', yardTest: 'tested here' } as const;
export type Origin = keyof typeof ORIGINS;

const figure = (label: string, minimum: number, maximum: number, unit = '') =>
  z.object({
    value: bounded(label, minimum, maximum, unit),
    origin: z.enum(['generic', 'dataSheet', 'yardTest']),
  });
export type Figure = { value: number; origin: Origin };

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
});
export type Fibre = z.infer<typeof fibreSchema>;

export const RESIN_FAMILIES = { orthoPolyester: 'Orthophthalic polyester', isoPolyester: 'Isophthalic polyester', vinylester: 'Vinylester', epoxy: 'Epoxy' } as const;
export type ResinFamily = keyof typeof RESIN_FAMILIES;

/** A cured matrix resin: density kg/m³, modulus Pa. */
export const resinSchema = z.object({
  kind: z.literal('resin'),
  ...identity,
  family: z.enum(Object.keys(RESIN_FAMILIES) as [ResinFamily, ...ResinFamily[]]),
  density: figure('Density', 900, 1600, 'kg/m³'),
  E: figure('Modulus', 5e8, 1e10, 'Pa'),
  nu: figure("Poisson's ratio", 0.2, 0.48),
});
export type Resin = z.infer<typeof resinSchema>;

export const COMPONENT_FORMS = { randomMat: 'random mat', woven: 'woven', stitched: 'stitched', unidirectional: 'unidirectional' } as const;
export type ComponentForm = keyof typeof COMPONENT_FORMS;

/** One constituent of a fabric: a mat, a weave, or a set of straight stitched layers in stitching order. */
export const fabricComponentSchema = z
  .object({
    form: z.enum(['randomMat', 'woven', 'stitched', 'unidirectional']),
    fibre: identity.id,
    arealWeight: figure('Areal weight', 0.01, 5, 'kg/m²'),
    /** Share of E1 that the crimp of a weave leaves; 1 for straight fibre. */
    crimpFactor: bounded('Crimp factor', 0.5, 1),
    /** Directions with their share of the component's fibre weight; none for a random mat. */
    sublayers: z.array(z.object({ angleDeg: bounded('Direction', -90, 90, '°'), share: bounded('Share', 0.001, 1) })).max(8),
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

/** A dry reinforcement as it comes off the roll. */
export const fabricSchema = z.object({
  kind: z.literal('fabric'),
  ...identity,
  /** Short label for the grid and the drawings. */
  code: z.string().trim().min(1, 'Code must not be empty').max(12, 'Code must have at most 12 characters'),
  family: z.enum(Object.keys(FABRIC_FORMS) as [FabricForm, ...FabricForm[]]),
  components: z.array(fabricComponentSchema).min(1, 'A fabric needs at least one component').max(4),
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
} as const;
export type CoreFamily = keyof typeof CORE_FAMILIES;
export const CORE_KINDS = { foamRigid: 'rigid foam', foamDuctile: 'ductile foam', balsa: 'balsa', honeycomb: 'honeycomb' } as const;

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
  resinUptake: figure('Resin uptake', 0, 5, 'kg/m²'),
  /** Sheet thicknesses to be had (m). */
  thicknesses: z
    .array(bounded('Sheet thickness', 0.001, 0.2, 'm'))
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
});
export type Coating = z.infer<typeof coatingSchema>;

export const materialSchema = z.discriminatedUnion('kind', [fibreSchema, resinSchema, fabricSchema, coreSchema, coatingSchema]);
export type Material = z.infer<typeof materialSchema>;
export type MaterialKind = Material['kind'];
/** What a layer can be made of. */
export type LayerMaterial = Fabric | Core | Coating;

export const MATERIAL_KINDS: Record<MaterialKind, string> = { fabric: 'Fabrics', core: 'Cores', resin: 'Resins', fibre: 'Fibres', coating: 'Coatings' };

/** Dry weight of a fabric (kg/m²). */
export function fabricArealWeight(fabric: Fabric): number {
  return fabric.components.reduce((sum, component) => sum + component.arealWeight.value, 0);
}
