import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import type { Boat, Zone } from '../document';
import { evaluateZone, type ZoneCheck } from '.';

/** A zone by its typed figures alone, so that one of them can be made harder and nothing else moves. */
interface Case {
  boat: Boat;
  zone: Zone;
}
const cases = [merrow(), brant()].flatMap((boat) =>
  boat.parts.flatMap((part) =>
    part.zones.map((own) => {
      const zone: Zone = { ...own, region: null, overridden: [] };
      return { name: `${boat.name}: ${own.name}`, boat, zone, part };
    }),
  ),
);
const checksOf = ({ boat, zone }: Case, part: Boat['parts'][number]) =>
  evaluateZone(boat, { ...part, zones: [zone] }, zone);
const find = (checks: readonly ZoneCheck[], { id, pack }: ZoneCheck) =>
  checks.find((one) => one.id === id && one.pack === pack);

type Brief = Partial<Boat['brief']>;
const withBrief =
  (change: (brief: Boat['brief']) => Brief) =>
  ({ boat, zone }: Case): Case => ({ boat: { ...boat, brief: { ...boat.brief, ...change(boat.brief) } }, zone });
const withGeometry =
  (change: (geometry: Zone['geometry']) => Partial<Zone['geometry']>) =>
  ({ boat, zone }: Case): Case => ({
    boat,
    zone: { ...zone, geometry: { ...zone.geometry, ...change(zone.geometry) } },
  });
const withPressure = (pressure: number, { boat, zone }: Case): Case => ({
  boat,
  zone: { ...zone, designPressure: pressure },
});
const RANK = ['D', 'C', 'B', 'A'] as const;

/** What makes the life of every panel harder, as the method sees it. */
const HARDER: Readonly<Record<string, (of: Case) => Case>> = {
  'a tenth faster': withBrief(({ maxSpeedKnots }) => ({ maxSpeedKnots: Math.min(50, maxSpeedKnots * 1.1) })),
  'half as fast again': withBrief(({ maxSpeedKnots }) => ({ maxSpeedKnots: Math.min(50, maxSpeedKnots * 1.5) })),
  'a tenth heavier': withBrief(({ loadedMass }) => ({ loadedMass: loadedMass * 1.1 })),
  'twice as heavy': withBrief(({ loadedMass }) => ({ loadedMass: loadedMass * 2 })),
  'a flatter bottom': withBrief(({ deadriseDeg }) => ({ deadriseDeg: deadriseDeg * 0.7 })),
  'the next design category': withBrief(({ designCategory }) => ({
    designCategory: RANK[Math.min(3, RANK.indexOf(designCategory) + 1)]!,
  })),
  'a laminate that is less well known': withBrief(({ quality }) => ({ quality: quality === 'EL-a' ? 'EL-b' : 'EL-c' })),
  'less curvature': withGeometry(({ crown }) => ({ crown: crown / 2 })),
  'a higher head of water': withGeometry(({ head }) => ({ head: head && head * 1.3 })),
  'a place nearer the water': withGeometry(({ centreHeight: h }) => ({ centreHeight: h && h - 0.1 * Math.abs(h) })),
  'further forward': withGeometry(({ panelX }) => ({ panelX: panelX + 0.5 })),
};

describe('what asks more of a panel raises no reserve of it', () => {
  it.each(Object.entries(HARDER))('%s', (_, harder) => {
    for (const { name, part, ...one } of cases) {
      const before = checksOf(one, part);
      const after = checksOf(harder(one), part);
      // Beyond what the method covers it is refused, which is no pass.
      if (before.problem !== null || after.problem !== null) continue;
      for (const check of before.checks)
        expect(find(after.checks, check)?.reserveFactor, `${name}: ${check.id} by ${check.pack}`).toBeLessThanOrEqual(
          check.reserveFactor * (1 + 1e-9),
        );
    }
  });
  it('tries zones of every kind, with every check that the demo boats have', () => {
    const tried = cases.flatMap(({ part, ...one }) => checksOf(one, part).checks.map(({ id }) => id));
    expect(new Set(tried).size).toBeGreaterThan(12);
    expect(new Set(cases.map(({ zone }) => zone.location)).size).toBeGreaterThan(8);
  });
});

describe('under a pressure that is given', () => {
  const PRESSURE = 8000;
  it('more of it lowers every check that a pressure asks for, in the same measure or by the root of it', () => {
    for (const { name, part, ...one } of cases) {
      const [before, after] = [PRESSURE, 2 * PRESSURE].map((p) => checksOf(withPressure(p, one), part));
      for (const check of before!.checks) {
        const ratio = find(after!.checks, check)!.reserveFactor / check.reserveFactor;
        // A minimum, a fibre mass and a schedule do not know of it.
        expect(
          [1, Math.SQRT1_2, 0.5].some((known) => Math.abs(ratio / known - 1) < 0.02),
          `${name}: ${check.id}`,
        ).toBe(true);
      }
    }
  });
  it.each(['panelLength', 'panelBreadth'] as const)(
    'a larger panel raises no reserve, unless it now bends the other way: %s',
    (side) => {
      for (const { name, part, ...own } of cases) {
        const one = withPressure(PRESSURE, own);
        const { panelLength, panelBreadth } = one.zone.geometry;
        const before = checksOf(one, part);
        for (const by of [1.05, 1.4, 2, 3]) {
          const grown = withGeometry((geometry) => ({ [side]: geometry[side] * by }))(one);
          const after = checksOf(grown, part);
          const turned =
            panelBreadth <= panelLength !== grown.zone.geometry.panelBreadth <= grown.zone.geometry.panelLength;
          if (turned || after.problem !== null) continue;
          for (const check of before.checks)
            expect(find(after.checks, check)?.reserveFactor, `${name}: ${check.id}, ${by} times`).toBeLessThanOrEqual(
              check.reserveFactor * (1 + 1e-9),
            );
        }
      }
    },
  );
  it('a panel is the same whichever of its sides is called its length, but for the laminate’s own directions', () => {
    for (const { name, part, ...own } of cases) {
      const one = withPressure(PRESSURE, own);
      const swap = withGeometry(({ panelLength, panelBreadth }) => ({
        panelLength: panelBreadth,
        panelBreadth: panelLength,
      }));
      const turned = {
        ...part,
        layers: part.layers.map((layer) => ({
          ...layer,
          angleDeg: layer.angleDeg > 0 ? layer.angleDeg - 90 : layer.angleDeg + 90,
        })),
      };
      const [before, after] = [checksOf(one, part), checksOf(swap(one), turned)];
      for (const check of before.checks)
        expect(find(after.checks, check)?.reserveFactor ?? NaN, `${name}: ${check.id}`).toBeCloseTo(
          check.reserveFactor,
          6,
        );
    }
  });
});
