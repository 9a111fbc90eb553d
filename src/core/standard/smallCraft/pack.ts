import { z } from 'zod';
import data from '@data/standards/iso-12215-5-2008-method.json';

const positive = z.number().positive();
const byLocation = z.object({ A: positive, k7: z.number().min(0), k8: positive });
const strains = z.object({ e1t: positive, e1c: positive, e2t: positive, e2c: positive, g12: positive });

/** The coefficients of the pack; the formulas that use them are the functions of this folder. */
export const packSchema = z.object({
  id: z.string(),
  title: z.string(),
  edition: z.string(),
  status: z.literal('unverified'),
  statement: z.string(),
  applicability: z.object({ hullLength: z.tuple([positive, positive]), maxSpeedKnots: z.tuple([z.number(), positive]) }),
  designCategoryFactor: z.object({ A: positive, B: positive, C: positive, D: positive }),
  planingSpeedRatio: positive,
  areaReductionMinimum: z.object({ single: positive, sandwich: positive, stiffener: positive }),
  superstructureFactor: z.object({
    superstructureFront: positive,
    superstructureSide: positive,
    superstructureSideWalking: positive,
    superstructureAft: positive,
    superstructureTop: positive,
  }),
  deckMinimumPressure: positive,
  bulkheadPressurePerHead: positive,
  stiffener: z.object({ shearAttached: positive, shearFloating: positive, strengthFactor: positive, deflectionRatio: positive }),
  deflectionRatio: positive,
  skinStrengthFactor: positive,
  coreStrengthFactor: z.object({ balsa: positive, honeycomb: positive, foamRigid: positive, foamDuctile: positive }),
  wrinklingFactor: positive,
  minimumFibre: z.object({ bottom: byLocation, side: byLocation, deck: z.object({ a0: positive, a1: positive }) }),
  minimumSkin: z.object({ k4: z.object({ bottom: positive, side: positive, deck: positive }), innerShare: positive }),
  fibreTypeFactor: z.object({ someMat: positive, continuousGlass: positive, carbonOrAramid: positive }),
  qualityFactor: z.object({ 'EL-a': positive, 'EL-b': positive, 'EL-c': positive }),
  failureStrain: z.object({ eGlass: strains, carbon: strains, aramid: strains }),
});
export type SmallCraftPack = z.infer<typeof packSchema>;

/** The pack as it ships, unverified until a named person has checked it against the standard. */
export const SMALL_CRAFT_PACK: SmallCraftPack = packSchema.parse(data);

/** Citation of one formula in the workings. */
export const cite = (formula: string) => `${SMALL_CRAFT_PACK.title}, ${formula} (unverified)`;
