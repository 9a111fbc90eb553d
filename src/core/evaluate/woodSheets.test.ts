import { describe, expect, it } from 'vitest';
import { merrow, zoneOf } from '../../../tests/helpers/merrow';
import { cautionsOf } from '../caution';
import { boatFromFile, boatToJson } from '../document';
import { applyEdits, type Edit } from '../edit';
import { GENERIC_MATERIALS, type Wood } from '../material';
import { panelCoefficients } from '../standard';
import { boatWeight } from '../weight';
import { analysePanel, bookOf, evaluateZone, layAll, makeEvaluator, zoneVerdict, zoneWorking } from '.';
import { methodPanels } from './packChecks';

const boat = merrow();
const sheet = GENERIC_MATERIALS.find(({ id }) => id === 'plywood-sheet') as Wood;
const [part, bulkhead] = zoneOf(boat, 'Engine bulkhead');

/** The bulkhead built of one sheet, with what else is asked for. */
function sheeted({ thickness = 0.009, angleDeg = 0, location = bulkhead.location } = {}) {
  const bare: Edit[] = part.layers
    .filter(({ zones }) => zones.includes(bulkhead.id))
    .map((layer) => ({ type: 'layer.cover', layerId: layer.id, zoneId: bulkhead.id, covered: false }));
  const { boat: after } = applyEdits(boat, [
    ...bare,
    { type: 'material.put', material: sheet },
    {
      type: 'layer.add',
      partId: part.id,
      index: 0,
      layer: {
        id: 'sheet',
        material: sheet.id,
        angleDeg,
        thickness,
        zones: [bulkhead.id],
        role: 'structure',
        group: null,
      },
    },
    ...(location === bulkhead.location
      ? []
      : [{ type: 'zone.set', zoneId: bulkhead.id, patch: { location } } as const]),
  ]);
  const [own, zone] = zoneOf(after, bulkhead.name);
  return { boat: after, part: own, zone, evaluation: evaluateZone(after, own, zone) };
}
const reserve = (of: { evaluation: ReturnType<typeof evaluateZone> }, id: string) =>
  of.evaluation.checks.find((check) => check.id === id)?.reserveFactor;

describe('a bulkhead of plain plywood', () => {
  const of = sheeted();
  it('bears half its bending strength in every panel, as worked by hand', () => {
    expect(of.evaluation.problem).toBeNull();
    expect(of.evaluation.thickness).toBeCloseTo(0.009, 9);
    expect(of.evaluation.laminatedArealWeight).toBeCloseTo(4.32, 6);
    const book = bookOf(of.boat, 0);
    const least = Math.min(
      ...methodPanels(of.boat, of.zone, book, layAll(book, of.part, of.zone)).map(({ panel, sheets }) => {
        const { panelBreadth, panelLength } = panel.geometry;
        const [b, l] = [Math.min(panelBreadth, panelLength), Math.max(panelBreadth, panelLength)];
        const { k2 } = panelCoefficients(b, l);
        const stress = (panel.pressures!.single.pressure * k2 * b ** 2) / 0.009 ** 2;
        const strength = sheets[0]!.role === 'skin' ? sheets[0]!.properties!.tensileStrength : NaN;
        const quality = book.pack.qualityFactor[of.boat.brief.quality];
        return (0.5 * quality * strength) / stress;
      }),
    );
    expect(reserve(of, 'plyByPly')).toBeCloseTo(least, 6);
  });
  it('is checked in shear and both ways; laminates are asked no thickness of wood', () => {
    expect(of.evaluation.checks.map(({ id }) => id)).toEqual(
      expect.arrayContaining(['plyByPly', 'midSpan', 'woodShear', 'alongSide']),
    );
    expect(reserve(of, 'minimumFibre')).toBeUndefined();
    expect(reserve({ evaluation: evaluateZone(boat, part, bulkhead) }, 'woodShear')).toBeUndefined();
    expect(zoneWorking(of.boat, of.part, of.zone).length).toBeGreaterThan(2);
    expect(of.evaluation.notChecked.join()).toContain('7 mm per metre');
  });
  it('bears four times as much at twice the thickness at least, and its analysis follows', () => {
    const twice = sheeted({ thickness: 0.018 });
    expect(reserve(twice, 'plyByPly')! / reserve(of, 'plyByPly')!).toBeGreaterThanOrEqual(4 - 1e-6);
    // Of more veneers it bends more alike both ways, and hands less to the long edge.
    expect(reserve(twice, 'woodShear')! / reserve(of, 'woodShear')!).toBeGreaterThanOrEqual(2 - 1e-6);
    expect(reserve(twice, 'woodShear')! / reserve(of, 'woodShear')!).toBeLessThan(2.2);
    const [one, two] = [of, twice].map((each) => analysePanel(each.boat, each.part, each.zone, { detail: false }));
    const least = (found: typeof one) => found!.governing.reserveFactor;
    expect(least(two) / least(one)).toBeGreaterThan(3.9);
  });
  it('weighs as wood, keeps through a file, and turns with its grain', () => {
    const after = boatWeight(of.boat, makeEvaluator()(of.boat), []);
    const mass = (weights: typeof after) =>
      weights.parts.flatMap(({ zones }) => zones).find(({ zoneId }) => zoneId === bulkhead.id)!;
    expect(mass(after).mass).toBeCloseTo(4.32 * bulkhead.geometry.area, 6);
    expect(mass(after).core).toBeCloseTo(mass(after).mass, 9);
    expect(boatFromFile(boatToJson(of.boat))).toEqual(of.boat);
    const turned = sheeted({ angleDeg: 90 });
    expect(reserve(turned, 'plyByPly')).not.toBeCloseTo(reserve(of, 'plyByPly')!, 3);
    expect(cautionsOf(of.boat, makeEvaluator()(of.boat)).some(({ rule }) => rule.id === 'wood-unsealed')).toBe(true);
  });
  it('is not proven bare against a tank', () => {
    const tank = sheeted({ location: 'tank' });
    expect(tank.evaluation.unproven.join()).toContain('Wood against the tank');
    expect(zoneVerdict(tank.evaluation, 1)).not.toBe('meets');
  });
  it('on the bottom it is asked its least thickness, for which no sheathing counts', () => {
    const bottom = sheeted({ location: 'bottom' });
    expect(reserve(bottom, 'minimumWood')).toBeGreaterThan(0);
    expect(reserve(bottom, 'minimumFibre')).toBeUndefined();
  });
});
it('a core alone is refused, with its reason', () => {
  const core = boat.materials.find(({ kind }) => kind === 'core')!;
  const { boat: after } = applyEdits(boat, [
    ...part.layers.map((layer): Edit => ({
      type: 'layer.cover',
      layerId: layer.id,
      zoneId: bulkhead.id,
      covered: false,
    })),
    {
      type: 'layer.add',
      partId: part.id,
      index: 0,
      layer: {
        id: 'alone',
        material: core.id,
        angleDeg: 0,
        thickness: 0.02,
        zones: [bulkhead.id],
        role: 'structure',
        group: null,
      },
    },
  ]);
  const [own, zone] = zoneOf(after, bulkhead.name);
  const alone = evaluateZone(after, own, zone);
  expect(alone.problem).toContain('has no skin on the mould side');
  expect(alone.governing).toBeNull();
});
