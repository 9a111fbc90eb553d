// @vitest-environment happy-dom
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { choose, press, shown, type, went, Yard, type Desk } from '../../../tests/helpers/yard';
import { actingLoad, LOAD_CAUSES } from '@/core/detail';
import { DETAIL_KINDS, sceneOf, transomSchools, weakestOf, type DetailOf } from '@/core/detail/kinds';
import { formatReserve } from '@/core/quantity';
import { createBoat } from '@/server/stores/boats';
import { brant } from '../../../tests/helpers/merrow';
import { GENERIC_MATERIALS } from '@/core/material';
import { DetailsScreen } from './DetailsScreen';

vi.mock('next/navigation', () => ({
  useSearchParams: () => new URLSearchParams(),
  usePathname: () => '/boats/x/details',
  useRouter: () => went,
}));

let yard: Yard;
let desk: Desk;
beforeEach(async () => {
  yard = await Yard.open();
  desk = await yard.show(await yard.boat(), <DetailsScreen shelf={[...GENERIC_MATERIALS]} />);
});
afterEach(() => yard.close());

const table = () => screen.getByRole('table', { name: 'Details of the boat' });
const rowOf = (name: string) => within(table()).getByRole('button', { name }).closest('tr')!;
const reserveOf = (name: string) => Number(/\d+\.\d+/.exec(rowOf(name).querySelector('.num')!.textContent!)?.[0]);
const last = () => desk.boat.details.at(-1)!;
const tab = (name: RegExp) => press(name);

describe('a detail', () => {
  it('that fails names its weakest link, and a larger bolt mends it', async () => {
    fireEvent.click(within(table()).getByRole('button', { name: 'Tow post' }));
    const before = reserveOf('Tow post');
    expect(before).toBeLessThan(1);
    expect(rowOf('Tow post').textContent).toMatch(/bolt/i);
    type(/^(Bolt )?[Dd]iameter/, '12');
    expect(reserveOf('Tow post')).toBeGreaterThan(before);
    await desk.saved();
    desk.undo();
    expect(reserveOf('Tow post')).toBe(before);
  });
  it('a transom stands in both schools, each with its weakest link: a clamp that fits is none', async () => {
    cleanup();
    desk = await yard.show(
      (await createBoat(yard.context, brant())).id,
      <DetailsScreen shelf={[...GENERIC_MATERIALS]} />,
    );
    fireEvent.click(within(table()).getByRole('button', { name: 'Auxiliary outboard' }));
    const detail = desk.boat.details.find(({ kind }) => kind === 'transom') as DetailOf<'transom'>;
    const schools = transomSchools(sceneOf(desk.boat, detail), detail);
    const row = within(screen.getByRole('table', { name: 'Two schools of the transom' })).getByRole('row', {
      name: /^Weakest/,
    });
    for (const { checks } of schools) {
      const { id, name, reserveFactor } = weakestOf(checks)!;
      expect(['clampMost', 'clampLeast']).not.toContain(id);
      expect(row.textContent).toContain(`${name} ${formatReserve(reserveFactor)}`);
    }
  });
  it.each(Object.entries(DETAIL_KINDS))('of the kind %s (%s) is added whole, judged and drawn', async (kind, words) => {
    choose('Kind of detail', words);
    press('Add a detail');
    const { id } = last();
    expect(last().kind).toBe(kind);
    expect(last().name).toBe(words);
    expect(screen.getByRole('heading', { name: words })).toBeTruthy();
    // Straps are refused until their load lies in the laminate: then there is nothing to draw.
    if (!screen.queryByText(/Refused/)) expect(document.querySelectorAll('svg').length).toBeGreaterThan(1);
    expect(screen.getByRole('link', { name: 'Sheet PDF' }).getAttribute('href')).toContain(last().id);
    await desk.saved();
    press('Remove this detail');
    expect(desk.boat.details.map((one) => one.id)).not.toContain(id);
  });
  it('is on the boat a whole number of times, and stands where it is told to', async () => {
    type(/^Number on the boat/, '1.5');
    expect(document.body.textContent).toContain('Number on the boat must be a whole number');
    const [first] = desk.boat.details;
    type(/^Number on the boat/, '4');
    type(/^Place along/, '2.2');
    type(/^Proof, share of the load/, '1.25');
    expect(desk.boat.details.find(({ id }) => id === first!.id)).toMatchObject({ number: 4, x: 2.2, proof: 1.25 });
    type(/^Proof, share of the load/, '');
    expect(desk.boat.details.find(({ id }) => id === first!.id)!.proof).toBeNull();
    await desk.saved();
  });
  it('without a load says so, and does not pass', () => {
    fireEvent.click(within(table()).getByRole('button', { name: 'Tow post' }));
    choose('Load case', 'none');
    expect(Number.isNaN(reserveOf('Tow post'))).toBe(true);
    expect(document.body.textContent).toMatch(/load/i);
  });
  it('opens its working, step by step', async () => {
    fireEvent.click(within(table()).getByRole('button', { name: 'Tow post' }));
    fireEvent.click(document.querySelector('button.reason-button[title]')!);
    expect(await shown('Tow post: working')).toBeTruthy();
  });
});

describe('a load case', () => {
  beforeEach(() => tab(/^Load cases/));
  const load = () => desk.boat.loads.at(-1)!;
  it.each(Object.entries(LOAD_CAUSES))(
    'of %s (%s) is described by its own figures, and stored',
    async (kind, words) => {
      press('Add a load');
      expect(load()).toMatchObject({ name: 'New load', cause: { kind: 'given' } });
      choose('Cause', words);
      expect(load().cause.kind).toBe(kind);
      const person = load().cause;
      if (!(person.kind === 'person' && person.stop === null)) expect(actingLoad(load()).force).toBeGreaterThan(0);
      type('Name of the load', `By ${kind}`);
      type('Where it comes from', 'Drawing 12');
      expect(load()).toMatchObject({ name: `By ${kind}`, source: 'Drawing 12' });
      await desk.saved();
    },
  );
  it('at its base warns of a wire that comes in higher, until the height is given', () => {
    press('Add a load');
    choose('Cause', LOAD_CAUSES.tow);
    expect(document.body.textContent).toContain('at the base');
    type(/^Height/, '500');
    expect(load().height).toBeCloseTo(0.5, 6);
    expect(document.body.textContent).not.toContain('a line or wire usually comes in over the base');
  });
  it('is turned by keys on its dials and by figures, and never past a right angle up', async () => {
    press('Add a load');
    const [above, side] = screen.getAllByRole('slider') as [HTMLElement, HTMLElement];
    fireEvent.keyDown(side, { key: 'ArrowUp' });
    expect(load().direction).toMatchObject({ upDeg: 5 });
    for (let i = 0; i < 20; i++) fireEvent.keyDown(side, { key: 'ArrowUp' });
    expect(load().direction).toMatchObject({ upDeg: 90 });
    fireEvent.keyDown(above, { key: 'ArrowLeft' });
    expect(load().direction).toMatchObject({ bearingDeg: 5 });
    type(/^From forward, towards outboard/, '120°');
    expect(load().direction).toMatchObject({ bearingDeg: 120 });
    await desk.saved();
  });
  it('is a ratio as well: 3 forward in 4 up acts up by 53 degrees', () => {
    press('Add a load');
    choose('Direction', /^so much forward/);
    type(/^Forward/, '3');
    type(/^Up/, '4');
    const { up, force } = actingLoad(load()) as unknown as { up: number; force: number };
    if (typeof up === 'number') expect(up / force).toBeCloseTo(0.8, 6);
    expect(load().direction).toMatchObject({ how: 'ratio', forward: 3, up: 4 });
  });
  it('that a detail stands on is not removed: the refusal names it', () => {
    const used = desk.boat.loads.find(({ id }) => desk.boat.details.some((detail) => detail.load === id))!;
    const detail = desk.boat.details.find(({ load: one }) => one === used.id)!;
    press(used.name);
    const before = desk.boat;
    press('Remove this load');
    expect(screen.getByRole('alert').textContent).toContain(detail.name);
    expect(desk.boat).toBe(before);
  });
});
