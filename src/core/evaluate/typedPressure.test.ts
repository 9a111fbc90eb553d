import { expect, it } from 'vitest';
import { merrow, zoneOf } from '../../../tests/helpers/merrow';
import type { Boat, Zone } from '../document';
import { applyEdits, editsSchema } from '../edit';
import { analysePanel, evaluateStiffeners, evaluateZone, analyseStack, zoneWorking } from '.';

const boat = merrow();
const [, was] = zoneOf(boat, 'Bottom forward');
const typed = (designPressure: number | null): { boat: Boat; zone: Zone; part: Boat['parts'][number] } => {
  const { boat: after } = applyEdits(boat, [{ type: 'zone.set', zoneId: was.id, patch: { designPressure } }]);
  const [part, zone] = zoneOf(after, 'Bottom forward');
  return { boat: after, part, zone };
};
const [once, twice] = [typed(30_000), typed(60_000)];

it('stands in the place of the pressure of the pack, and reserves in strength go with its inverse', () => {
  const [a, b] = [once, twice].map(({ boat: of, part, zone }) => evaluateZone(of, part, zone));
  expect(a!.pressure).toEqual({ pressure: 30_000, mode: 'typed' });
  for (const id of ['outerSkin', 'innerSkin', 'coreShear', 'stiffness'] as const) {
    const [one, two] = [a, b].map((of) => of!.checks.find((check) => check.id === id)!.reserveFactor);
    expect(one! / two!, id).toBeCloseTo(2, 6);
  }
  // Least skins are a matter of the boat, not of the panel.
  const least = [a, b].map((of) => of!.checks.find(({ id }) => id === 'outerMinimum')!.reserveFactor);
  expect(least[0]).toBe(least[1]);
  expect(a!.notChecked.join()).toContain("The pack's own pressure");
  expect(a!.notChecked.join()).toContain('from the inner face');
  // A bulkhead is checked from both.
  const [part, bulkhead] = zoneOf(boat, 'Engine bulkhead');
  expect(evaluateZone(boat, part, { ...bulkhead, designPressure: 30_000 }).notChecked.join()).not.toContain('inner');
});
it('goes into analysis, the load of the stack and stiffeners too, and is said in the working', () => {
  const [one, two] = [once, twice].map(({ boat: of, part, zone }) => analysePanel(of, part, zone, { detail: false }));
  expect(one!.pressure).toBe(30_000);
  expect(one!.governing.reserveFactor / two!.governing.reserveFactor).toBeCloseTo(2, 6);
  const [x, y] = [once, twice].map(({ boat: of, part, zone }) => analyseStack(of, part, zone, 'tsaiWu').load.V);
  expect(y! / x!).toBeCloseTo(2, 9);
  const floors = [once, twice].map(({ boat: of }) =>
    evaluateStiffeners(of).filter(({ worst }) => worst?.zone?.zone.id === was.id && worst.pressure >= 30_000),
  );
  expect(floors[1]!.length).toBeGreaterThan(0);
  const steps = zoneWorking(once.boat, once.part, once.zone).flatMap((part) => part.steps);
  expect(steps.some(({ quantity }) => quantity === 'Design pressure, typed for the zone')).toBe(true);
});
it('let go, the pack asks again, and the boat is as it was', () => {
  const { boat: again } = applyEdits(once.boat, [
    { type: 'zone.set', zoneId: was.id, patch: { designPressure: null } },
  ]);
  expect(again).toEqual(boat);
  const low = [{ type: 'zone.set', zoneId: was.id, patch: { designPressure: 10 } }];
  expect(editsSchema.safeParse(low).error?.message).toContain('Design pressure, typed must be between');
});

it('an overflow above the top of a tank adds its water to panels and loads; elsewhere it does nothing', () => {
  const [, was] = zoneOf(boat, 'Engine bulkhead');
  const tank = (overflow: number | null, location: Zone['location'] = 'tank') => {
    const patch = { location, overflow };
    const { boat: of } = applyEdits(boat, [{ type: 'zone.set', zoneId: was.id, patch }]);
    const [part, zone] = zoneOf(of, was.name);
    return { of, part, zone, e: evaluateZone(of, part, zone) };
  };
  const [none, low, high] = [tank(null), tank(0), tank(0.6)];
  // By hand: 10 kPa a metre, so 6 kPa for 0.6 m.
  expect(high.e.pressure!.pressure - none.e.pressure!.pressure).toBeCloseTo(6000, 6);
  expect(low.e.pressure).toEqual(none.e.pressure);
  expect(high.e.governing!.reserveFactor).toBeLessThan(low.e.governing!.reserveFactor);
  const [v, w] = [low, high].map(({ of, part, zone }) => analyseStack(of, part, zone, 'tsaiWu').load.V);
  expect(w! / v!).toBeCloseTo(high.e.pressure!.pressure / low.e.pressure!.pressure, 9);
  expect(none.e.notChecked.join()).toContain('overflow above the top of the tank');
  expect(low.e.notChecked.join()).not.toContain('overflow');
  expect(tank(0.6, 'bulkhead').e.pressure).toEqual(tank(null, 'bulkhead').e.pressure);
});
