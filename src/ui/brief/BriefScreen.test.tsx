// @vitest-environment happy-dom
import { fireEvent, screen, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { choose, press, type, went, Yard, type Desk } from '../../../tests/helpers/yard';
import { GENERIC_MATERIALS } from '@/core/material';
import { SHIPPED_PACKS, type StandardPack } from '@/core/standard';
import { BriefScreen } from './BriefScreen';

vi.mock('next/navigation', () => ({
  useSearchParams: () => new URLSearchParams(),
  usePathname: () => '/boats/x/brief',
  useRouter: () => went,
}));

const resins = GENERIC_MATERIALS.filter(({ kind }) => kind === 'resin');
let yard: Yard;
let desk: Desk;
const open = async (packs: readonly StandardPack[] = SHIPPED_PACKS) => {
  desk = await yard.show(await yard.boat(), <BriefScreen shelf={[...resins]} packs={[...packs]} />);
};
beforeEach(async () => {
  yard = await Yard.open();
});
afterEach(() => yard.close());
const page = () => document.body.textContent!;

describe('the Brief', () => {
  it.each([
    [/^Length of hull/, '27 ft 6 in', 'hullLength', 8.382],
    [/^Maximum beam/, '2640 mm', 'maximumBeam', 2.64],
    [/^Loaded mass/, '3.6 t', 'loadedMass', 3600],
    [/^Maximum speed/, '22', 'maxSpeedKnots', 22],
    [/^Deadrise/, '18°', 'deadriseDeg', 18],
  ] as const)('understands %s typed as %s', async (label, text, key, value) => {
    await open();
    type(label, text);
    expect(desk.boat.brief[key]).toBeCloseTo(value, 6);
    await desk.saved();
  });
  it('lets follow what stands at its usual value, in one action that one undo takes back', async () => {
    await open();
    const before = desk.boat;
    type(/^Length of hull/, '9 m');
    const changed = desk.boat.brief;
    expect(changed.hullLength).toBe(9);
    desk.undo();
    expect(desk.boat).toEqual(before);
  });
  it.each([
    ['30 m', /must be between 2\.5 m and 24 m/],
    ['8.4 kg', /does not measure|is not/],
    ['eight', /number/i],
    ['', /is needed/],
  ])('refuses a hull of "%s" in words, keeps what was typed, and changes nothing', async (text, words) => {
    await open();
    const before = desk.boat;
    const entry = screen.getByLabelText<HTMLInputElement>(/^Length of hull/);
    fireEvent.change(entry, { target: { value: text } });
    fireEvent.blur(entry);
    expect(page()).toMatch(words);
    expect(entry.value).toBe(text);
    expect(desk.boat).toBe(before);
  });
  it('says whether the boat planes, and asks a sailing craft for its righting lever', async () => {
    await open();
    expect(page()).toMatch(/Planing: speed over the root|Displacement: speed over the root/);
    type(/^Maximum speed/, '6');
    expect(page()).toContain('Displacement: speed over the root of the waterline');
    choose('Propulsion', 'Sail');
    expect(page()).toContain('Sailing craft: sailing pressures apply.');
    type(/^Righting lever/, '0.9');
    expect(desk.boat.brief.rightingLever60).toBeCloseTo(0.9, 6);
    type(/^Righting lever/, '');
    expect(desk.boat.brief.rightingLever60).toBeNull();
  });
  it('takes process, resin, posture and strength level, with what each means beside it', async () => {
    await open();
    const resin = resins.find(({ id }) => id !== desk.boat.brief.resin)!;
    choose('Resin', resin.name);
    expect(desk.boat.brief.resin).toBe(resin.id);
    expect(desk.boat.materials.map(({ id }) => id)).toContain(resin.id);
    const lists = ['Process', 'Posture', 'Strength level', 'Category'] as const;
    for (const label of lists) {
      const list = screen.getByLabelText<HTMLSelectElement>(label);
      const other = [...list.options].find(({ value }) => value !== list.value)!;
      fireEvent.change(list, { target: { value: other.value } });
      expect(screen.getByLabelText<HTMLSelectElement>(label).value, label).toBe(other.value);
    }
    expect(page()).toMatch(/Factor \d/);
    await desk.saved();
  });
  it('says which proofs must hold, and by which path a single skin is proved', async () => {
    await open();
    const proofs = () => Object.entries(desk.boat.brief.proofs);
    const before = proofs();
    const group = screen.getByRole('group', { name: 'Proofs that must hold' });
    const [rule, ...others] = within(group).getAllByRole('checkbox');
    // One at least must hold: the rule goes when something else has come.
    fireEvent.click(rule!);
    expect(proofs()).toEqual(before);
    for (const box of [...others, rule!]) fireEvent.click(box);
    expect(proofs().filter(([key, on], i) => before[i]![0] === key && before[i]![1] === on)).toEqual([]);
    for (const { value, text } of [...screen.getByLabelText<HTMLSelectElement>('Single skin by').options]) {
      choose('Single skin by', text);
      expect(desk.boat.brief.singleSkin).toBe(value);
    }
    await desk.saved();
  });
  it('adds a further standard and drops it; the method is changed for another of its kind', async () => {
    const [method] = SHIPPED_PACKS.filter(({ kind }) => kind === 'smallCraft');
    const copy = { ...method!, id: 'own-copy', title: 'Method, as our yard reads it', basedOn: method!.id };
    await open([...SHIPPED_PACKS, copy as StandardPack]);
    const other = SHIPPED_PACKS.find(
      ({ id, kind }) => kind !== 'smallCraft' && !desk.boat.packs.some((p) => p.id === id),
    )!;
    choose('Add a pack', new RegExp(`^${other.title.replace(/[()]/g, '.')}`));
    expect(desk.boat.packs.at(-1)!.id).toBe(other.id);
    press(`Drop ${other.title}`);
    expect(desk.boat.packs.map(({ id }) => id)).not.toContain(other.id);
    choose('Method that gives the pressures', copy.title);
    expect(desk.boat.packs[0]!.id).toBe('own-copy');
    await desk.saved();
  });
  it('offers the library’s copy of a standard once that has moved on', async () => {
    const moved = SHIPPED_PACKS.map((pack) => ({ ...pack, title: `${pack.title}, new` }) as StandardPack);
    await open(moved);
    expect(page()).toContain("The library's copy has moved on.");
    fireEvent.click(screen.getAllByRole('button', { name: 'Take it' })[0]!);
    expect(desk.boat.packs[0]!.title).toMatch(/, new$/);
  });
  it('renames the boat, and refuses a name of nothing', async () => {
    await open();
    type('Name', 'Merrow 84 Mk II');
    expect(desk.boat.name).toBe('Merrow 84 Mk II');
    type('Name', '   ');
    expect(desk.boat.name).toBe('Merrow 84 Mk II');
    expect(document.querySelector('.invalid-feedback')).not.toBeNull();
    type('Use', 'Harbour work, four people');
    await desk.saved();
  });
});
