import { z } from 'zod';
import {
  boltGroupShear,
  boltGroupTension,
  boltJoint,
  lapJoint,
  pullThrough,
  strapOffAxis,
  strapPair,
  tabbingShear,
} from '../detail';
import { CRITERIA, type Criterion } from '../laminate';
import { define, field } from './define';

const load = z.number().positive().max(1e9);
const length = z.number().positive().max(1000);
const place = z.tuple([z.number().min(-100).max(100), z.number().min(-100).max(100)]);
const bolts = z.array(place).min(1).max(1000);
const newtons = z.number().min(-1e9).max(1e9);
const reserve = z.object({ stress: z.number(), reserveFactor: z.number() });
const group = { max: z.number(), maxIndex: z.int() };

export const detailCalculations = [
  define({
    name: 'bolt.joint',
    summary: 'Bearing, net tension and shear-out of a row of bolts in a laminate',
    input: z.object({
      load,
      boltDiameter: length,
      boltCount: z.int().min(1).max(1000),
      width: length,
      edgeDistance: length,
      thickness: field.thickness,
      bearingStrength: field.strength,
      tensionStrength: field.strength,
      shearStrength: field.strength,
    }),
    output: z.object({ bearing: reserve, netTension: reserve, shearOut: reserve, governs: z.string() }),
    compute: (input) => boltJoint(input),
  }),
  define({
    name: 'bolt.pullThrough',
    summary: 'Punching and crushing under a washer',
    input: z.object({
      load,
      washerDiameter: length,
      thickness: field.thickness,
      shearStrength: field.strength,
      compressiveStrength: field.strength.optional(),
      holeDiameter: length.optional(),
    }),
    output: z.object({ punchingStress: z.number(), reserveFactor: z.number() }),
    compute: (input) => {
      const { punchingStress, reserveFactor } = pullThrough(input);
      return { punchingStress, reserveFactor };
    },
  }),
  define({
    name: 'bolt.groupShear',
    summary: 'Shear of each bolt of a group under an eccentric force in its plane',
    input: z.object({ bolts, force: z.tuple([newtons, newtons]), at: place }),
    output: z.object({ resultants: z.array(z.number()), ...group }),
    compute: ({ bolts: places, force, at }) => boltGroupShear(places, force, at),
  }),
  define({
    name: 'bolt.groupTension',
    summary: 'Tension of each bolt of a group under a pull and a tipping moment',
    input: z.object({
      bolts,
      force: newtons,
      moment: z.tuple([newtons, newtons]),
      pivotY: z.number().min(-100).max(100).optional(),
    }),
    output: z.object({ tensions: z.array(z.number()), ...group }),
    compute: ({ bolts: places, force, moment, pivotY }) => boltGroupTension(places, force, moment, pivotY),
  }),
  define({
    name: 'joint.lap',
    summary: 'Mean and peak shear in the bond of a single lap (Volkersen)',
    input: z.object({
      load: load.describe('N/m'),
      overlap: length,
      adherends: z.tuple([
        z.object({ E: field.modulus, thickness: field.thickness }),
        z.object({ E: field.modulus, thickness: field.thickness }),
      ]),
      adhesive: z.object({ G: field.modulus, thickness: field.thickness }),
    }),
    output: z.object({ averageShear: z.number(), peakShear: z.number(), peakAt: z.number() }),
    compute: (input) => lapJoint(input),
  }),
  define({
    name: 'strap.pair',
    summary: 'Force, section and width of straps to both sides of a load',
    input: z.object({
      load,
      angleDeg: field.angleDeg,
      count: z.int().min(1).max(1000),
      thickness: field.thickness,
      strength: field.strength,
      safetyFactor: z.number().min(0.1).max(100),
    }),
    output: z.object({ forceEach: z.number(), areaEach: z.number(), widthEach: z.number() }),
    compute: (input) => strapPair(input),
  }),
  define({
    name: 'strap.offAxis',
    summary: 'Strength of a unidirectional strap at an angle to its fibres',
    input: z.object({
      Xt: field.strength,
      Xc: field.strength,
      Yt: field.strength,
      Yc: field.strength,
      S: field.strength,
      angleDeg: field.angleDeg,
      criterion: z.enum(Object.keys(CRITERIA) as [Criterion, ...Criterion[]]),
    }),
    output: z.object({ strength: z.number() }),
    compute: ({ angleDeg, criterion, ...strength }) => ({ strength: strapOffAxis(strength, angleDeg, criterion) }),
  }),
  define({
    name: 'tabbing.shear',
    summary: 'Mean shear in the bond of tabbing',
    input: z.object({ load, length, overlap: length, strips: z.int().min(1).max(1000) }),
    output: z.object({ averageShear: z.number() }),
    compute: (input) => ({ averageShear: tabbingShear(input) }),
  }),
];
