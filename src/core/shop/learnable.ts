import { z } from 'zod';
import { bounded } from '../field';
import { COMPONENT_FORMS, PROCESSES, type ComponentForm, type PlyFigure } from '../material';
import type { QuantityKind } from '../quantity';

/** A form of cloth, or all of them where what was read is of a mixture. */
export type LearnedForm = ComponentForm | 'all';
export const LEARNED_FORMS: Record<LearnedForm, string> = { ...COMPONENT_FORMS, all: 'mixed cloth, all forms alike' };

/** What the records of the yard correct of its rates. */
export const LEARNED_RATES = {
  hours: 'hours of laying, over those by the rates',
  resinWaste: 'resin mixed, over what stays in the part',
} as const;
export type LearnedRate = keyof typeof LEARNED_RATES;

const STIFFNESS = ['E1', 'E2', 'G12'] as const satisfies PlyFigure[];
const STRENGTH = ['Xt', 'Xc', 'Yt', 'Yc', 'S'] as const satisfies PlyFigure[];

interface Learnable {
  name: string;
  /** Of a form of cloth in a process, or of one material of the Shelf. */
  of: 'form' | 'fabric' | 'core';
  /** Figures of a ply that state it once it is in use. */
  figures: readonly PlyFigure[];
  /** Doubt about what is published, and how far one sample scatters, both as shares; of fibre share by process. */
  prior: number;
  reading: number;
  /** Readings that it wants before it may be put to use. */
  least: number;
  /** What is used: the mean of what is known, or what nine parts in ten exceed. */
  uses: 'mean' | 'characteristic' | 'bound';
  shown: QuantityKind | null;
}

/**
 * What the yard can learn, each as a factor on what is published of it. A ply that is thicker than its fibre and resin
 * carries no more for it: its moduli and strengths fall as its thickness grows.
 */
export const LEARNABLES = {
  fibreShare: {
    name: 'Fibre share',
    of: 'form',
    figures: ['fibreWeightFraction'],
    prior: 0,
    reading: 0.03,
    least: 1,
    uses: 'mean',
    shown: null,
  },
  thickness: {
    name: 'Thickness beyond fibre and resin',
    of: 'form',
    figures: ['thickness', ...STIFFNESS, ...STRENGTH],
    prior: 0.05,
    reading: 0.04,
    least: 2,
    uses: 'mean',
    shown: null,
  },
  stiffness: {
    name: 'Stiffness of a ply',
    of: 'form',
    figures: [...STIFFNESS, ...STRENGTH],
    prior: 0.1,
    reading: 0.08,
    least: 2,
    uses: 'mean',
    shown: null,
  },
  strength: {
    name: 'Strength of a ply',
    of: 'form',
    figures: STRENGTH,
    prior: 0.15,
    reading: 0.1,
    least: 3,
    uses: 'characteristic',
    shown: null,
  },
  arealWeight: {
    name: 'Dry weight of a cloth',
    of: 'fabric',
    figures: [],
    prior: 0.05,
    reading: 0.02,
    least: 1,
    uses: 'mean',
    shown: 'arealWeight',
  },
  coreStiffness: {
    name: 'Shear modulus of a core',
    of: 'core',
    figures: [],
    prior: 0.15,
    reading: 0.1,
    least: 2,
    uses: 'mean',
    shown: 'coreModulus',
  },
  coreStrength: {
    name: 'Shear strength of a core',
    of: 'core',
    figures: [],
    prior: 0.15,
    reading: 0.08,
    least: 3,
    uses: 'bound',
    shown: 'pressure',
  },
} as const satisfies Record<string, Learnable>;
export type LearnedProperty = keyof typeof LEARNABLES;
export const learnable = (property: LearnedProperty): Learnable => LEARNABLES[property];

const keysOf = <T extends object>(table: T) => Object.keys(table) as [keyof T & string, ...(keyof T & string)[]];
const materialId = z.string().max(60);
const figureBefore = z.object({
  value: z.number(),
  origin: z.enum(['generic', 'dataSheet', 'yardTest']),
  n: z.int().optional(),
  spread: z.number().optional(),
});

/** What is put to use: a factor on what is published of a property. */
export const learnedUseSchema = z.strictObject({
  property: z.enum(keysOf(LEARNABLES)).default('fibreShare'),
  process: z.enum(keysOf(PROCESSES)),
  form: z.enum(keysOf(LEARNED_FORMS)),
  /** One material of the Shelf alone; empty: every cloth of the form. */
  material: materialId.default(''),
  /** With which figures of a ply are computed; empty: the first of the book. */
  resin: materialId.default(''),
  factor: bounded('Factor', [0.5, 1.5], ''),
  /** Readings behind it, and how far a part scatters about it. */
  n: z.int().min(1, 'Nothing was read yet').max(10_000),
  spread: bounded('Scatter', [0, 1], ''),
  /** Figures of the material before it, to which it is taken back. */
  was: z.array(figureBefore).max(4).default([]),
});
export type LearnedUse = z.output<typeof learnedUseSchema>;
