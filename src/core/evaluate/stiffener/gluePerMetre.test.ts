import { describe, expect, it } from 'vitest';
import { merrow, zoneOf } from '../../../../tests/helpers/merrow';
import { evaluateDetails } from '../../detail/kinds';
import { boatWeight, massesOf } from '../../weight';
import { makeEvaluator } from '..';
import { evaluateStiffeners, stiffenerMasses } from '.';
import type { Boat } from '../../document';
import type { Material } from '../../material';
import { gluePerMetre } from './gluePerMetre';

type Adhesive = Extract<Material, { kind: 'adhesive' }>;

const bare = merrow();
const glue = bare.materials.find((one): one is Adhesive => one.kind === 'adhesive')!;
const figure = (value: number) => ({ ...glue.bondLine, value });
const paste: Adhesive = { ...glue, bondLine: figure(0.003), density: figure(1200) };
/** Merrow with one section glued on, by a paste of round figures. */
const glued = (sectionId: string): Boat => ({
  ...bare,
  materials: bare.materials.map((one) => (one.id === glue.id ? paste : one)),
  sections: bare.sections.map((one) => (one.id === sectionId ? { ...one, adhesive: glue.id, flangeWidth: 0.05 } : one)),
});
const hat = bare.sections.find(({ kind }) => kind === 'topHat')!;
const boat = glued(hat.id);
const section = boat.sections.find(({ id }) => id === hat.id)!;
const onIt = boat.supports.filter((support) => support.section === hat.id);

describe('the glue of a stiffener', () => {
  it('is that of both flanges at the usual bond line: 2 × 50 mm × 3 mm × 1200 kg/m³', () => {
    expect(onIt.length).toBeGreaterThan(0);
    for (const support of onIt) expect(gluePerMetre(boat, support, section)).toBeCloseTo(0.36, 12);
  });
  it('is none where the section is laid on wet, or has no flanges', () => {
    expect(gluePerMetre(bare, onIt[0]!, hat)).toBe(0);
    const withoutFlanges = { ...section, layers: section.layers.map((layer) => ({ ...layer, flange: false })) };
    expect(gluePerMetre(boat, onIt[0]!, withoutFlanges)).toBe(0);
  });
  it('is weighed once, with its members: on their own screen, in the weights by part and among all that weighs', () => {
    const own = new Map(evaluateStiffeners(boat).map(({ support, mass }) => [support.id, mass]));
    const before = new Map(
      stiffenerMasses({ ...boat, sections: boat.sections.map((one) => ({ ...one, adhesive: null })) }).map((one) => [
        one.support.id,
        one.mass,
      ]),
    );
    const masses = stiffenerMasses(boat);
    for (const { support, mass, glue: mixed } of masses) {
      expect(mass).toBeCloseTo(before.get(support.id)! + mixed, 9);
      expect(own.get(support.id)).toBeCloseTo(mass, 9);
      expect(mixed > 0).toBe(support.section === hat.id);
    }
    const evaluations = makeEvaluator()(boat);
    const details = evaluateDetails(boat);
    const all = masses.reduce((sum, { mass }) => sum + mass, 0);
    const part = boatWeight(boat, evaluations, details).parts.find(({ partId }) => partId === 'stiffeners')!;
    expect(part.mass).toBeCloseTo(all, 9);
    expect(part.zones.reduce((sum, { coating }) => sum + coating, 0)).toBeCloseTo(
      masses.reduce((sum, one) => sum + one.glue, 0),
      9,
    );
    const listed = massesOf(boat, evaluations, details).filter(({ of }) => of === 'stiffener');
    expect(listed.reduce((sum, { mass }) => sum + mass, 0)).toBeCloseTo(all, 9);
  });
  it('comes with the liner where a rib of it is bonded by a detail in the same adhesive', () => {
    const [, zone] = zoneOf(boat, 'Bottom aft');
    const rib = { ...onIt[0]!, kind: 'rib' as const, zone: zone.id } as unknown as Boat['supports'][number];
    const liner = { kind: 'liner', zone: zone.id, adhesive: glue.id } as unknown as Boat['details'][number];
    expect(gluePerMetre({ ...boat, details: [] }, rib, section)).toBeCloseTo(0.36, 12);
    expect(gluePerMetre({ ...boat, details: [liner] }, rib, section)).toBe(0);
    expect(gluePerMetre({ ...boat, details: [{ ...liner, zone: 'another' }] }, rib, section)).toBeCloseTo(0.36, 12);
  });
});
