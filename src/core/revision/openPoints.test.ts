import { describe, expect, it } from 'vitest';
import { brant, merrow, zoneOf } from '../../../tests/helpers/merrow';
import { newBoat, type Boat } from '../document';
import { applyEdits } from '../edit';
import { OPEN_STANDS, openPointsOf } from '.';

const signed = (boat: Boat): Boat => ({
  ...boat,
  packs: boat.packs.map((pack) => ({
    ...pack,
    signOff: { by: 'N. Surveyor', at: '2026-01-01T00:00:00Z', note: 'read against the text' },
  })),
});

describe('what is open in a boat when it is issued', () => {
  it('of Merrow 84 is what its screens say: tow post, bottom, full load, a frame, the pack; the worst first', () => {
    const points = openPointsOf(merrow());
    expect(points.map(({ of, name, stands }) => `${of} ${name} ${stands}`)).toEqual([
      'detail Tow post fails',
      'zone Bottom forward fails',
      'weight Full load heavier',
      'stiffener Frame midships thin',
      `pack ${merrow().packs[0]!.title} unverified`,
    ]);
    expect(points[0]!.reserveFactor).toBeCloseTo(0.55, 2);
    expect(openPointsOf(signed(merrow()))).toHaveLength(4);
  });
  it('is a full load above the mass that the pressures are reckoned by, until one of both is changed', () => {
    const heavier = (boat: Boat) => openPointsOf(boat).filter(({ of }) => of === 'weight');
    const boat = merrow();
    expect(heavier(boat)).toEqual([{ of: 'weight', name: 'Full load', stands: 'heavier', reserveFactor: null }]);
    const { boat: asWeighed } = applyEdits(boat, [{ type: 'brief.set', patch: { loadedMass: 3700 } }]);
    expect(heavier(asWeighed)).toEqual([]);
    const { boat: lighter } = applyEdits(boat, [{ type: 'item.remove', id: boat.items.at(-1)!.id }]);
    expect(heavier(lighter)).toEqual([]);
    // A boat of which only the laminate is known says nothing of what will be aboard.
    expect(heavier({ ...boat, items: [], spaces: [] })).toEqual([]);
  });
  it('of Brant 56 has its thin zones, and every pack that nobody signed for', () => {
    const points = openPointsOf(brant());
    expect(points.filter(({ stands }) => stands === 'thin').length).toBeGreaterThan(0);
    expect(points.filter(({ of }) => of === 'pack')).toHaveLength(brant().packs.length);
    const order = points.map(({ stands }) => Object.keys(OPEN_STANDS).indexOf(stands));
    expect(order).toEqual([...order].sort((a, b) => a - b));
  });
  it('of a boat with nothing laid is every zone, not checked', () => {
    const bare = signed(newBoat('Bare'));
    expect(openPointsOf(bare).map(({ stands }) => stands)).toEqual(
      bare.parts.flatMap(({ zones }) => zones.map(() => 'notChecked')),
    );
  });
  it('of a boat whose failings are mended is nothing more', () => {
    const boat = signed(merrow());
    const [, forward] = zoneOf(boat, 'Bottom forward');
    const core = boat.parts[0]!.layers.find(
      ({ thickness, zones, material }) => thickness && material.startsWith('pvc') && zones.includes(forward.id),
    )!;
    const post = boat.details.find(({ name }) => name === 'Tow post')!;
    const hat = boat.sections.find(({ id }) => id === 'floor-140')!;
    const { boat: mended } = applyEdits(boat, [
      { type: 'layer.set', layerId: core.id, patch: { thickness: 0.025 } },
      { type: 'detail.set', item: { ...post, boltDiameter: 0.012 } as typeof post },
      { type: 'section.set', item: { ...hat, height: 0.16 } },
    ]);
    expect(openPointsOf(mended).map(({ of }) => of)).toEqual(['weight']);
  });
});
