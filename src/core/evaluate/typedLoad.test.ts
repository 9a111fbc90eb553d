import { describe, expect, it } from 'vitest';
import { brant, merrow, zoneOf } from '../../../tests/helpers/merrow';
import { applyEdits } from '../edit';
import type { Boat, ZoneLoad } from '../document';
import { analyseStack, evaluateZone, OWN_PROOFS, zoneWorking } from '.';

const boat = merrow();
const [, foredeck] = zoneOf(boat, 'Foredeck');
const under = (load: ZoneLoad | null): ReturnType<typeof zoneOf> & { 2?: Boat } => {
  const { boat: of } = applyEdits(boat, [{ type: 'zone.set', zoneId: foredeck.id, patch: { load } }]);
  return Object.assign(zoneOf(of, 'Foredeck'), { 2: of });
};
const checked = (load: ZoneLoad | null) => {
  const found = under(load);
  const e = evaluateZone(found[2]!, found[0], found[1]);
  return { ...e, of: e.checks.find(({ id }) => id === 'typedLoad'), found };
};
const pull = (N: number): ZoneLoad => ({ N: [N, 0, 0], M: [0, 0, 0], V: 0 });

describe('a load that is typed for a zone', () => {
  it('is a check of the zone wherever a pass is shown: its first ply, or a limit of its sandwich', () => {
    expect(checked(null).of).toBeUndefined();
    const { of, found } = checked(pull(60e3));
    const stack = analyseStack(found[2]!, found[0], found[1], 'tsaiWu');
    const least = Math.min(stack.failure.reserveFactor, ...stack.sandwich!.map(({ reserveFactor }) => reserveFactor));
    expect(of).toMatchObject({ pack: OWN_PROOFS, demand: 1, panel: '' });
    expect(of!.reserveFactor).toBeCloseTo(least, 12);
  });
  it('twice as large leaves half, and governs where it is the least', () => {
    const [once, twice] = [checked(pull(60e3)), checked(pull(120e3))];
    expect(twice.of!.reserveFactor / once.of!.reserveFactor).toBeCloseTo(0.5, 6);
    const crushing = checked(pull(-2e6));
    expect(crushing.of!.reserveFactor).toBeLessThan(1);
    expect(crushing.governing!.id).toBe('typedLoad');
    const parts = zoneWorking(crushing.found[2]!, crushing.found[0], crushing.found[1], {
      check: 'typedLoad',
      packId: OWN_PROOFS,
    });
    const values = parts.flatMap(({ steps }) => steps.map(({ value }) => value));
    expect(values.some((value) => Math.abs(value / crushing.of!.reserveFactor - 1) < 1e-9)).toBe(true);
  });
  it('is asked with the factor of the yard for analysis; without one it is said that there is none', () => {
    const { of, notChecked, found } = checked(pull(60e3));
    expect(notChecked.join()).toContain('A factor over loads that are typed');
    const yard = brant().packs.find(({ kind }) => kind === 'yardRule')!;
    const [part, zone, asking] = found;
    const home = { ...asking!, packs: [...asking!.packs, { ...yard, analysisFactor: 2.5 }] } as Boat;
    const asked = evaluateZone(home, part, zone);
    const own = asked.checks.find(({ id }) => id === 'typedLoad')!;
    expect(own).toMatchObject({ demand: 2.5, capacity: of!.capacity });
    expect(own.reserveFactor).toBeCloseTo(of!.reserveFactor / 2.5, 12);
    expect(asked.notChecked.join()).not.toContain('A factor over loads');
  });
  it('that presses says that buckling under it stands under Analysis; one that pulls does not', () => {
    const said = (load: ZoneLoad) => checked(load).notChecked.join();
    expect(said(pull(-20e3))).toContain('Buckling of Foredeck under the load that is typed for it');
    expect(said({ N: [0, 0, 5e3], M: [0, 0, 0], V: 0 })).toContain('Buckling of Foredeck');
    expect(said(pull(20e3))).not.toContain('Buckling of Foredeck');
  });
  it('is looked at without the pressure, and that is said; without one nothing of it is', () => {
    expect(checked(pull(20e3)).notChecked.join()).toContain('Pressure on Foredeck together with the load');
    expect(checked(null).notChecked.join()).not.toMatch(/typed for it|typed under Analysis/);
  });
});
