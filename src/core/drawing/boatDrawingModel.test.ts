import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { shapeOf } from '../document';
import { boatDrawingModel, LABEL, labelsOf, WIDTH } from './boatDrawingModel';

describe.each([merrow(), brant()])('the drawing of $name', (boat) => {
  const shape = shapeOf(boat)!;
  const model = boatDrawingModel(boat, shape, null);
  const numbersIn = (path: string) => (path.match(/-?\d+(?:\.\d+)?/g) ?? []).map(Number);

  it('lies inside its frame and is made of numbers', () => {
    const paths = [model.keel, model.sheer, model.planDeck, model.planHull, ...model.profile.map(({ path }) => path)];
    for (const path of paths) {
      expect(path).not.toMatch(/NaN|undefined|Infinity/);
      const numbers = numbersIn(path);
      expect(numbers.length).toBeGreaterThan(4);
      numbers.forEach((value, i) => {
        expect(value).toBeGreaterThan(-40);
        expect(value).toBeLessThan(i % 2 === 0 ? WIDTH + 40 : model.height + 40);
      });
    }
  });
  it('is true to scale: a metre along, up and across is one length', () => {
    const metre = model.X(1) - model.X(0);
    expect(model.Z(0) - model.Z(1)).toBeCloseTo(metre, 9);
    expect(model.Y(0) - model.Y(1)).toBeCloseTo(metre, 9);
    expect(model.X.invert(model.X(2.345))).toBeCloseTo(2.345, 9);
  });
  it('shows every zone of hull and deck that lies on a surface', () => {
    const shown = new Set([...model.profile, ...model.above, ...model.below].map(({ zone }) => zone.id));
    const wanted = boat.parts
      .filter(({ kind }) => kind === 'hull' || kind === 'deck')
      .flatMap(({ zones }) => zones)
      .filter(({ region }) => region !== null && ['hull', 'deck', 'cockpit'].includes(region.surface));
    for (const zone of wanted) expect(shown.has(zone.id), zone.name).toBe(true);
  });
  it('nudges its labels apart', () => {
    for (const areas of [model.profile, model.above, model.below]) {
      const labels = labelsOf(areas);
      labels.forEach((one, i) =>
        labels.slice(i + 1).forEach((other) => {
          const half = (one.area.zone.name.length + other.area.zone.name.length) * 2.9;
          const apart = Math.abs(one.y - other.y) >= LABEL || Math.abs(one.x - other.x) >= half;
          expect(apart, `${one.area.zone.name} and ${other.area.zone.name}`).toBe(true);
        }),
      );
    }
  });
  it('looks inside where a liner pan is chosen', () => {
    const pan = boat.parts.find(({ kind }) => kind === 'liner')?.zones.find(({ region }) => region !== null);
    expect(model.lookInside).toBe(false);
    if (pan) expect(boatDrawingModel(boat, shape, pan.id).lookInside).toBe(true);
  });
});
