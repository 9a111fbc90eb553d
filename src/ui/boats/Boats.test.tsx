// @vitest-environment happy-dom
import { screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { choose, press, went, Yard } from '../../../tests/helpers/yard';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { newBoat } from '@/core/document';
import { standingOf } from '@/core/option';
import { createBoat, duplicateBoat, listBoats } from '@/server/stores/boats';
import { issueRevision, recordRevisionEvent } from '@/server/stores/revisions';
import { readStanding } from '@/server/standing/standings';
import { BoatsScreen } from './BoatsScreen';

vi.mock('next/navigation', () => ({
  useSearchParams: () => new URLSearchParams(),
  usePathname: () => '/',
  useRouter: () => went,
}));

let yard: Yard;
beforeEach(async () => {
  yard = await Yard.open();
});
afterEach(() => yard.close());

const open = async () => yard.lay(<BoatsScreen boats={await listBoats(yard.context)} />);
const row = (name: string | RegExp) => screen.getByRole('link', { name }).closest('tr')!;
const names = () =>
  within(screen.getByRole('table', { name: 'Boats' }))
    .getAllByRole('row')
    .slice(1)
    .flatMap((one) => one.querySelector('a.fw-semibold')?.textContent ?? []);

describe('the list of boats', () => {
  it('draws each, says what fails, what it weighs against its target, and what the shop builds', async () => {
    const id = await yard.boat();
    await createBoat(yard.context, brant());
    await issueRevision(yard.context, id, 1, { author: 'I. Hallin', note: 'First', answer: 'As quoted' });
    await recordRevisionEvent(yard.context, id, 'A', { kind: 'floor', author: 'I. Hallin', note: 'Go' });
    await open();
    await waitFor(() => expect(row('Merrow 84').textContent).toContain('✕ fails: 1 zone, 1 detail'));
    expect(row('Merrow 84').textContent).toMatch(/676\.2△ 2\.6 % over/);
    expect(row('Merrow 84').textContent).toContain('on the floor: A');
    expect(row('Merrow 84').querySelector('svg path.hull')!.getAttribute('d')).toMatch(/^M[\d.]+/);
    await waitFor(() => expect(row('Brant 56').textContent).toContain('△ 2 thin'));
    expect(row('Brant 56').textContent).toContain('draft only');
  });
  it('shows those that fail, are too heavy, are built, never issued or variants; and says when none is', async () => {
    const id = await yard.boat();
    await createBoat(yard.context, newBoat('Bare'));
    await duplicateBoat(yard.context, id, 'Merrow 84, survey');
    await open();
    await waitFor(() => expect(row('Bare').textContent).toContain('5 not checked'));
    await waitFor(() => expect(row('Merrow 84, survey').textContent).toContain('fails'));
    expect(row('Bare').textContent).toContain('nothing laid');
    choose('Which boats are shown', 'Something fails');
    expect(names()).toEqual(['Merrow 84', 'Merrow 84, survey']);
    choose('Which boats are shown', 'Over their weight');
    expect(names()).toEqual(['Merrow 84', 'Merrow 84, survey']);
    choose('Which boats are shown', 'Variants');
    expect(names()).toEqual(['Merrow 84, survey']);
    choose('Which boats are shown', 'On the floor');
    expect(screen.getByRole('table', { name: 'Boats' }).textContent).toContain('No boat here: on the floor.');
    choose('Which boats are shown', 'Never issued');
    expect(names()).toHaveLength(3);
  });
  it('sorts by what fails and by weight', async () => {
    await yard.boat();
    await createBoat(yard.context, brant());
    await open();
    await waitFor(() => expect(row('Merrow 84').textContent).toContain('fails'));
    press(/^Laminate/);
    expect(names()).toEqual(['Brant 56', 'Merrow 84']);
    press('Stands');
    press('Stands');
    expect(names()).toEqual(['Merrow 84', 'Brant 56']);
  });
  it('tells two boats of one name apart by when they were begun', async () => {
    await createBoat(yard.context, newBoat('Tern'));
    await createBoat(yard.context, newBoat('Tern'));
    await createBoat(yard.context, newBoat('Teal'));
    await open();
    const rows = screen.getAllByRole('link', { name: 'Tern' }).map((link) => link.closest('tr')!.textContent);
    expect(rows.every((text) => text.includes('begun'))).toBe(true);
    expect(row('Teal').textContent).not.toContain('begun');
  });
});

describe('the standing of a boat', () => {
  it('is kept while the boat stands as it does, and of one that is gone there is none', async () => {
    const id = await yard.boat();
    const first = await readStanding(yard.context, id);
    expect(first).toEqual(standingOf(merrow()));
    expect(await readStanding(yard.context, id)).toBe(first);
    await expect(readStanding(yard.context, 'nobody')).rejects.toThrow('There is no boat');
  });
  it('counts what the frame of the boat counts', () => {
    expect(standingOf(merrow())).toMatchObject({
      zones: { all: 18, failing: 1, thin: 0, notProven: 0, notChecked: 0 },
      stiffenersFailing: 0,
      detailsFailing: 1,
      weightTarget: 659,
    });
    expect(standingOf({ ...newBoat('Bare'), hull: null, parts: [], supports: [] })).toMatchObject({
      zones: { all: 0 },
      mass: 0,
      outline: null,
    });
  });
});
