import { describe, expect, it } from 'vitest';
import { brant, merrow, zoneOf } from '../../../../tests/helpers/merrow';
import { applyEdits } from '../../edit';
import type { Boat } from '../../document';
import { evaluateStiffeners, stiffenerWorking, type StiffenerEvaluation } from '..';

const of = (boat: Boat, name: string): StiffenerEvaluation =>
  evaluateStiffeners(boat).find(({ support }) => support.name === name)!;
const zonesOf = ({ spans }: StiffenerEvaluation, on: string) => [
  ...new Set(spans.filter(({ span }) => span.on === on).map(({ zone }) => zone.zone.name)),
];
const moved = (boat: Boat, name: string, x: number): Boat => {
  const one = boat.supports.find((support) => support.name === name)!;
  if (!('x' in one)) throw new Error(`${name} stands at no place`);
  return applyEdits(boat, [{ type: 'support.set', item: { ...one, x } }]).boat;
};
/** The boat with the zones of every part in the order turned round. */
const turned = (boat: Boat): Boat => ({
  ...boat,
  parts: boat.parts.map((part) => ({ ...part, zones: [...part.zones].reverse() })),
});

describe('a stiffener that crosses zones', () => {
  const boat = merrow();
  it('where two meet under it is checked on the laminate of both, and no order of theirs changes that', () => {
    // Bottom aft ends at 4.3 m, where Bottom forward begins and the frame stands.
    const frame = of(boat, 'Frame midships');
    expect(zonesOf(frame, 'bottom').sort()).toEqual(['Bottom aft', 'Bottom forward', 'Keel band']);
    expect(zonesOf(frame, 'side').sort()).toEqual(['Side aft', 'Side forward']);
    expect(of(turned(boat), 'Frame midships').governing!.reserveFactor).toBeCloseTo(frame.governing!.reserveFactor, 9);
    // The thinner of them leaves less of it.
    expect(frame.governing!.on.zone.zone.name).toBe('Bottom aft');
    const least = (zone: string) =>
      Math.min(
        ...frame.spans
          .filter((span) => span.zone.zone.name === zone)
          .flatMap(({ checks }) => checks.map(({ reserveFactor }) => reserveFactor)),
      );
    expect(frame.governing!.reserveFactor).toBe(least('Bottom aft'));
    expect(least('Bottom forward')).toBeGreaterThan(1.1 * least('Bottom aft'));
  });
  it('stands with its foot on what lies beside it: 100 mm to either side of a hat of 100 mm with flanges of 50', () => {
    const at = (x: number) => zonesOf(of(moved(boat, 'Frame midships', x), 'Frame midships'), 'bottom').sort();
    expect(at(4.39)).toContain('Bottom aft');
    expect(at(4.41)).not.toContain('Bottom aft');
    expect(at(4.21)).toContain('Bottom forward');
    expect(at(4.19)).not.toContain('Bottom forward');
  });
  it('bears the pressure at its middle on every laminate', () => {
    const { spans } = of(boat, 'Frame midships');
    for (const on of ['bottom', 'side']) {
      const pressures = spans.filter(({ span }) => span.on === on).map(({ pressure }) => pressure);
      expect(new Set(pressures.map((pressure) => pressure.toFixed(6))).size).toBe(1);
    }
  });
  it('has a working for each check on the laminate where it is least, which it names', () => {
    for (const own of [boat, brant()])
      for (const one of evaluateStiffeners(own))
        for (const check of one.checks) {
          const steps = stiffenerWorking(own, one, check.on);
          const said = check.name.charAt(0).toLowerCase() + check.name.slice(1);
          const last = steps.filter(({ quantity }) => quantity === `Reserve factor: ${said}`);
          expect(
            last.map(({ value }) => value),
            `${one.support.name}: ${check.id}`,
          ).toEqual([check.reserveFactor]);
          if (check.id === 'stiffness') expect(last[0]!.note).toContain(check.on.zone.zone.name);
        }
  });
  it('is not proven where one of them has nothing laid', () => {
    const [part, zone] = zoneOf(boat, 'Bottom aft');
    const { boat: bare } = applyEdits(
      boat,
      part.layers
        .filter(({ zones }) => zones.includes(zone.id))
        .map((layer) => ({ type: 'layer.cover', layerId: layer.id, zoneId: zone.id, covered: false })),
    );
    expect(of(bare, 'Frame midships')).toMatchObject({
      governing: null,
      problem: expect.stringContaining('nothing is laid yet in Bottom aft'),
    });
  });
});
