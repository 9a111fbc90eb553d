import { describe, expect, it } from 'vitest';
import { merrow, zoneOf } from '../../../tests/helpers/merrow';
import { panelsToCheck, type Zone } from '../document';
import { laminateStiffness } from '../laminate';
import { plateBuckling, plateStiffness } from '../panel';
import { designStack } from './designStack';
import { analyseZone, panelBuckling } from '.';

const boat = merrow();
const [part, deck] = zoneOf(boat, 'Foredeck');

describe('the panels of a zone that is pressed in its plane', () => {
  it('buckle where one of them does first, each by its own sides', () => {
    const found = panelBuckling(boat, part, deck, [-20e3, 0, 0])!;
    const { plies } = designStack(boat, part, deck);
    const stiffness = plateStiffness(plies, laminateStiffness(plies));
    const loads = panelsToCheck(boat, deck).map(
      ({ name, geometry: { panelLength: length, panelBreadth: breadth } }) => ({
        name,
        load: plateBuckling({ length, breadth, ...stiffness, fixityX: 0, fixityY: 0 }, 'uniaxialX').criticalLoad,
      }),
    );
    expect(loads.length).toBeGreaterThan(1);
    const least = loads.reduce((low, one) => (one.load < low.load ? one : low));
    expect(found.panel).toBe(least.name);
    expect(found.reserveFactor).toBeCloseTo(least.load / 20e3, 6);
    // However the zone says that its edges are held against pressure.
    const clamped: Zone = { ...deck, panelCase: { fixity: 1, deflectionLimit: 0.02, patch: null } };
    expect(panelBuckling(boat, part, clamped, [-20e3, 0, 0])).toEqual(found);
  });
  it('are not looked at where nothing presses them, and are sheared either way', () => {
    expect(panelBuckling(boat, part, deck, [20e3, 0, 0])).toBeNull();
    expect(panelBuckling(boat, part, deck, [0, 0, 20e3])!.reserveFactor).toBeGreaterThan(0);
  });
  it('stand in the analysis of a load that is given, and of no pressure', () => {
    expect(analyseZone(boat, part, deck, 'tsaiWu').buckling).toBeNull();
    const given: Zone = { ...deck, load: { N: [-20e3, -5e3, 0], M: [0, 0, 0], V: 0 } };
    const { buckling } = analyseZone(boat, part, given, 'tsaiWu');
    expect(buckling).toEqual(panelBuckling(boat, part, deck, [-20e3, -5e3, 0]));
    expect(buckling!.reserveFactor).toBeLessThan(panelBuckling(boat, part, deck, [-20e3, 0, 0])!.reserveFactor);
  });
});
