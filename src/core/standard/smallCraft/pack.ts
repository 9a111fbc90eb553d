import { z } from 'zod';
import data from '@data/standards/iso-12215-5-2008-method.json';

const positive = z.number().positive();
const byLocation = z.object({ A: positive, k7: z.number().min(0), k8: positive });
const strains = z.object({ e1t: positive, e1c: positive, e2t: positive, e2c: positive, g12: positive });

const pressureBase = z.object({ perMass: positive, constant: positive });
const pressureMinimum = z.object({ perMass: positive, perLength: positive });

/** Somebody of the yard who checked a pack against their own copy of its text. */
export const signOffSchema = z.object({
  by: z.string().trim().min(2, 'Signed by: give a name of at least 2 characters').max(60),
  note: z.string().trim().min(3, 'Note: say what was checked against what').max(600),
  at: z.string().max(40),
});
export type SignOff = z.infer<typeof signOffSchema>;

/** What every pack says of itself. */
export const packHead = {
  id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,59}$/, 'A pack id is 1 to 60 small letters, digits or hyphens'),
  title: z.string().trim().min(2, 'A pack needs a title').max(120),
  edition: z.string().trim().max(120),
  /** Id of the shipped pack it was copied from; null for those. */
  basedOn: z.string().max(60).nullable(),
  /** Null while nobody has checked it: it is then shown as unverified. */
  signOff: signOffSchema.nullable(),
  statement: z.string().max(1000),
};

/**
 * The small-craft pack: its coefficients; the formulas that use them are the functions of this folder. SI, speeds in
 * knots, pressures in Pa.
 */
export const smallCraftPackSchema = z.strictObject({
  kind: z.literal('smallCraft'),
  ...packHead,
  applicability: z.strictObject({
    hullLength: z.tuple([positive, positive]),
    maxSpeedKnots: z.tuple([z.number(), positive]),
  }),
  designCategoryFactor: z.strictObject({ A: positive, B: positive, C: positive, D: positive }),
  planingSpeedRatio: positive,
  motor: z.strictObject({
    bottomBase: pressureBase,
    planingBase: positive,
    planingSideShare: positive,
    bottomMinimum: pressureMinimum,
    sideMinimum: positive,
    deckBase: z.object({ perLength: positive, constant: positive }),
  }),
  sail: z.strictObject({
    bottomBase: pressureBase,
    bottomMinimum: pressureMinimum,
    sideMinimum: positive,
    deckBase: pressureBase,
  }),
  areaReductionMinimum: z.strictObject({ single: positive, sandwich: positive, stiffener: positive }),
  superstructureFactor: z.strictObject({
    superstructureFront: positive,
    superstructureSide: positive,
    superstructureSideWalking: positive,
    superstructureAft: positive,
    superstructureTop: positive,
  }),
  deckMinimumPressure: positive,
  /** Pa per metre of head. */
  headPressure: z.strictObject({ bulkhead: positive, collisionBulkhead: positive, tank: positive }),
  stiffener: z.strictObject({
    shearAttached: positive,
    shearFloating: positive,
    strengthFactor: positive,
    deflectionRatio: positive,
  }),
  deflectionRatio: positive,
  skinStrengthFactor: positive,
  coreStrengthFactor: z.strictObject({
    balsa: positive,
    honeycomb: positive,
    foamRigid: positive,
    foamDuctile: positive,
  }),
  wrinklingFactor: positive,
  minimumFibre: z.strictObject({
    bottom: byLocation,
    side: byLocation,
    deck: z.strictObject({ a0: positive, a1: positive }),
  }),
  /** Least thickness of laminated wood and plywood (mm). */
  minimumWood: z
    .strictObject({
      bottom: byLocation,
      side: byLocation,
      deck: z.strictObject({ a0: positive, a1: positive }),
    })
    .default(data.minimumWood),
  minimumSkin: z.strictObject({
    k4: z.strictObject({ bottom: positive, side: positive, deck: positive }),
    innerShare: positive,
  }),
  fibreTypeFactor: z.strictObject({ someMat: positive, continuousGlass: positive, carbonOrAramid: positive }),
  qualityFactor: z.strictObject({ 'EL-a': positive, 'EL-b': positive, 'EL-c': positive }),
  failureStrain: z.strictObject({ eGlass: strains, carbon: strains, aramid: strains }),
});
export type SmallCraftPack = z.infer<typeof smallCraftPackSchema>;

/**
 * The pack as it ships, unverified until a named person has checked it against the standard. That it follows the schema
 * is tested, not found out again at every start.
 */
export const SMALL_CRAFT_PACK = data as unknown as SmallCraftPack;

/** Citation of one formula in the workings; whether the pack is signed off stands beside the working. */
export const cite = (formula: string) => `${SMALL_CRAFT_PACK.title}, ${formula}`;
