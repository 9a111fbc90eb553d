import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import asLaidStrengths from '@data/materials/as-laid-strengths.json';
import failureStrains from '@data/materials/failure-strains.json';
import knockDowns from '@data/materials/knock-downs.json';
import processes from '@data/materials/processes.json';
import shelf from '@data/materials/shelf.json';
import asSpecified from '@data/standards/as-specified.json';
import method from '@data/standards/iso-12215-5-2008-method.json';
import workboat from '@data/standards/workboat-uplift.json';
import yardRule from '@data/standards/yard-rule.json';
import { CORE_FAMILIES, CORE_KINDS, FIBRE_FAMILIES, GENERIC_MATERIALS, materialSchema } from '.';
import { packSchema, SHIPPED_PACKS } from '../standard';

const within = (minimum: number, maximum: number) => z.number().min(minimum).max(maximum);
const record = <K extends string>(keys: readonly K[], value: z.ZodType) =>
  z.strictObject(Object.fromEntries(keys.map((key) => [key, value])));

const FAMILIES = Object.keys(FIBRE_FAMILIES);
const FORMS = ['randomMat', 'woven', 'stitched', 'unidirectional'];
const RESINS = ['orthoPolyester', 'isoPolyester', 'vinylester', 'epoxy'];
const PROCESSES = ['handLayUp', 'wetBag', 'infusion', 'prepreg'];

const strains = record(['e1t', 'e1c', 'e2t', 'e2c', 'g12'], within(1e-4, 0.2));
const factors = (keys: readonly string[]) =>
  z.strictObject({ source: z.string().min(10), factor: record(keys, within(0.05, 1)) });

/** The data that ships is read without being checked again at every start; here it is checked. */
describe('data that ships', () => {
  it.each(shelf.materials.map((material) => [material.id, material] as const))(
    'material %s follows the schema to the order of its fields: nothing is added, dropped or moved by it',
    (_id, material) => {
      expect(JSON.stringify(materialSchema.parse(material))).toBe(JSON.stringify(material));
    },
  );

  it('names every material once and stands in front of every use as it is written', () => {
    expect(new Set(shelf.materials.map(({ id }) => id)).size).toBe(shelf.materials.length);
    expect(GENERIC_MATERIALS).toEqual(shelf.materials);
    expect(shelf.source.length).toBeGreaterThan(10);
  });

  it.each([method, workboat, yardRule, asSpecified].map((pack) => [pack.id, pack] as const))(
    'pack %s follows its schema, and is not signed off by us',
    (_id, pack) => {
      expect(JSON.stringify(packSchema.parse(pack))).toBe(JSON.stringify(pack));
      expect(pack.signOff).toBeNull();
      expect(SHIPPED_PACKS).toContainEqual(pack);
    },
  );

  it('failure strains: every family of fibre in each of the three forms', () => {
    const byFamily = record(FAMILIES, strains);
    z.strictObject({
      source: z.string().min(10),
      unidirectional: byFamily,
      woven: byFamily,
      randomMat: byFamily,
    }).parse(failureStrains);
  });

  it('as-laid strengths: a share for every family, form and process, never more than is computed', () => {
    const shares = z.strictObject({ tension: within(0.3, 1), compression: within(0.3, 1) });
    const kinds = ['unidirectional', 'woven', 'randomMat'] as const;
    z.strictObject({
      source: z.string().min(10),
      form: record(kinds, record(FAMILIES, shares)),
      process: record(kinds, record(PROCESSES, within(0.5, 1))),
    }).parse(asLaidStrengths);
  });

  it('processes: fractions of what can be laid, and scatter below them', () => {
    const process = z.strictObject({
      name: z.string().min(2),
      voidFraction: within(0, 0.2),
      fibreWeightFraction: record(FORMS, within(0.1, 0.85)),
      scatter: within(0, 0.1),
      peakCelsius: within(15, 250),
    });
    z.strictObject({
      source: z.string().min(10),
      reference: z.strictObject({ fibreDensity: within(1000, 4000), resinDensity: within(900, 1500) }),
      processes: record(PROCESSES, process),
    }).parse(processes);
  });

  it('knock-downs: never above one, one for each resin, fibre and process', () => {
    z.strictObject({
      characteristic: z.strictObject({
        k: within(0, 5),
        source: z.string().min(10),
        spread: record(FORMS, within(0, 0.4)),
      }),
      wet: factors(RESINS),
      hot: factors(RESINS),
      fatigue: factors(FAMILIES),
      process: factors(PROCESSES),
      wood: z.strictObject({
        source: z.string().min(10),
        spread: within(0, 0.4),
        wet: within(0.05, 1),
        hot: within(0.05, 1),
        fatigue: within(0.05, 1),
      }),
      core: z.strictObject({ hot: factors(Object.keys(CORE_FAMILIES)), fatigue: factors(Object.keys(CORE_KINDS)) }),
    }).parse(knockDowns);
  });
});
