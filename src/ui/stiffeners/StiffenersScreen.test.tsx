// @vitest-environment happy-dom
import { fireEvent, screen, within } from '@testing-library/react';
import { formatReserve } from '@/core/quantity';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { choose, press, shown, tick, type, went, Yard, type Desk } from '../../../tests/helpers/yard';
import { evaluateStiffeners } from '@/core/evaluate';
import { GENERIC_MATERIALS } from '@/core/material';
import { StiffenersScreen } from './StiffenersScreen';

vi.mock('next/navigation', () => ({
  useSearchParams: () => new URLSearchParams(),
  usePathname: () => '/boats/x/stiffeners',
  useRouter: () => went,
}));

let yard: Yard;
let desk: Desk;
beforeEach(async () => {
  yard = await Yard.open();
  desk = await yard.show(await yard.boat(), <StiffenersScreen shelf={[...GENERIC_MATERIALS]} />);
});
afterEach(() => yard.close());

const members = () => screen.getByRole('table', { name: 'Stiffeners' });
const rowOf = (name: string) => within(members()).getByRole('button', { name }).closest('tr')!;
const fact = (name: string) =>
  [...document.querySelectorAll('dl.facts dt')].find(({ textContent }) => textContent === name)!.nextElementSibling!
    .textContent!;

describe('stiffeners', () => {
  it('show of each member what governs and by how much, as core has it', () => {
    for (const { support, governing } of evaluateStiffeners(desk.boat)) {
      const row = rowOf(support.name);
      if (!governing) continue;
      expect(row.textContent, support.name).toContain(governing.name);
      expect(row.textContent, support.name).toContain(formatReserve(governing.reserveFactor));
    }
  });
  it('show each check on the span where it is worst, and say which where it is another one', () => {
    let elsewhere = 0;
    for (const { support, section, checks, worst } of evaluateStiffeners(desk.boat)) {
      if (!worst) continue;
      press(section!.name);
      fireEvent.click(within(members()).getByRole('button', { name: support.name }));
      const rows = within(screen.getByRole('table', { name: `Checks of ${support.name}` }))
        .getAllByRole('row')
        .slice(1);
      expect(rows).toHaveLength(checks.length);
      checks.forEach(({ name, reserveFactor, on }, i) => {
        expect(rows[i]!.textContent, support.name).toContain(name);
        expect(rows[i]!.textContent, support.name).toContain(formatReserve(reserveFactor));
        const another = on !== worst;
        if (another) elsewhere++;
        expect(/on a span of/.test(rows[i]!.textContent!), `${support.name}: ${name}`).toBe(another);
      });
    }
    expect(elsewhere).toBeGreaterThan(0);
  });
  it('are stiffer when they are higher, in the drawing, the figures and the boat at once', async () => {
    const [section] = desk.boat.sections;
    const before = fact('Bending stiffness');
    type(/^Height/, String(section!.height * 1500));
    expect(desk.boat.sections[0]!.height).toBeCloseTo(section!.height * 1.5, 6);
    expect(fact('Bending stiffness')).not.toBe(before);
    await desk.saved();
  });
  it('take layers: another fabric, angle and place, one more, one less', async () => {
    const layers = () => desk.boat.sections[0]!.layers;
    const count = layers().length;
    press('Add layer');
    expect(layers()).toHaveLength(count + 1);
    choose(`Angle of layer ${count + 1}`, '45');
    tick(`Layer ${count + 1} on the flange`);
    expect(layers().at(-1)).toMatchObject({ angleDeg: 45, flange: !layers().at(-2)!.flange });
    choose(`Fabric of layer ${count + 1}`, /BX/);
    press(`Remove layer ${count + 1}`);
    expect(layers()).toHaveLength(count);
    await desk.saved();
  });
  it('begin from a top-hat or a flat bar, with what they need from the Shelf, and go again unused', async () => {
    const before = desk.boat.sections.length;
    for (const name of ['New top-hat', 'New flat bar']) {
      press(name);
      const made = desk.boat.sections.at(-1)!;
      expect(made.layers.every(({ material }) => desk.boat.materials.some(({ id }) => id === material))).toBe(true);
      type('Name of section', `${name}, trial`);
    }
    expect(screen.queryByLabelText(/^Width of the crown/)).toBeNull();
    choose('Kind', /hat/i);
    expect(screen.getByLabelText(/^Width of the crown/)).toBeTruthy();
    press('Remove');
    expect(desk.boat.sections).toHaveLength(before + 1);
    await desk.saved();
  });
  it('in use are not removed: the refusal says by what', () => {
    const before = desk.boat;
    press('Remove');
    expect(screen.getByRole('alert').textContent).toMatch(/in use|uses|Floor|hold/i);
    expect(desk.boat).toBe(before);
  });
  it('without a section hold only, and say that another member, furniture or edge does the work', () => {
    choose('Section of Frame aft', 'holds only');
    expect(rowOf('Frame aft').textContent).toContain('not computed');
    expect(desk.boat.supports.find(({ name }) => name === 'Frame aft')!.section).toBeNull();
  });
  it('with no layer at all say why they are not computed, and come back with undo', () => {
    const [section] = desk.boat.sections;
    for (let i = section!.layers.length; i > 0; i--)
      fireEvent.click(screen.getByRole('button', { name: `Remove layer ${i}` }));
    const said = document.body.textContent!;
    expect(said).toMatch(/layer/i);
    expect(said).not.toMatch(/NaN|undefined|Infinity/);
    desk.undo();
    expect(desk.boat.sections[0]!.layers.length).toBeGreaterThanOrEqual(0);
  });
  it('say how their walls give way: on a former they wrinkle, hollow they buckle and fail by it', async () => {
    const [section] = desk.boat.sections;
    press(section!.name);
    expect(document.body.textContent).toContain('the crown may wrinkle on its former, and so may the webs');
    choose('Former', /hollow/);
    expect(desk.boat.sections[0]!.former).toBeNull();
    expect(document.body.textContent).toContain('the crown may buckle, and so may the webs');
    const worst = evaluateStiffeners(desk.boat).find((one) => one.section?.id === section!.id && one.governing)!;
    expect(worst.governing!.id).toMatch(/Buckling$/);
    expect(rowOf(worst.support.name).textContent).toContain(worst.governing!.name);
    await desk.saved();
  });
  it('say how their ends are held and what stands on them, and are checked with it at once', async () => {
    press('Stringer hat 60');
    fireEvent.click(within(members()).getByRole('button', { name: 'Bottom stringer' }));
    const own = () => evaluateStiffeners(desk.boat).find(({ support }) => support.name === 'Bottom stringer')!;
    const reserve = own().governing!.reserveFactor;
    expect(screen.queryByLabelText(/^It stands at/)).toBeNull();
    choose('Its ends', /both free/);
    expect(own().support.ends).toBe('free');
    expect(own().governing!.reserveFactor).toBeLessThan(reserve);
    choose('Its ends', /^held/);
    choose('Point load on it', 'Engine on its beds');
    expect(own().governing!.reserveFactor).toBeLessThan(1);
    expect(rowOf('Bottom stringer').textContent).toContain(formatReserve(own().governing!.reserveFactor));
    type(/^It stands at/, '2');
    expect(own().support).toMatchObject({ load: 'engine', loadAt: 2 });
    // Where the member does not run the load is not lost: it says so.
    type(/^It stands at/, '6');
    expect(rowOf('Bottom stringer').textContent).toContain('does not run where its point load stands');
    choose('Point load on it', 'none');
    expect(own().governing!.reserveFactor).toBeCloseTo(reserve, 9);
    await desk.saved();
  });
  it('are bonded as the section says: nothing said counts as the least, glue is taken from the Shelf', async () => {
    press('Stringer hat 60');
    const bond = () =>
      evaluateStiffeners(desk.boat)
        .find(({ support }) => support.name === 'Bow frame aft')!
        .checks.find(({ id }) => id === 'bond')!;
    const abraded = bond().reserveFactor;
    choose('Bonded to the plating', /not said/);
    expect(bond().reserveFactor / abraded).toBeCloseTo(5 / 8, 9);
    expect(rowOf('Bow frame aft').textContent).toContain('until it is said');
    choose('Glued with', /methacrylate|epoxy|adhesive/i);
    const { adhesive } = desk.boat.sections.find(({ id }) => id === 'stringer-60')!;
    expect(desk.boat.materials.some(({ id, kind }) => id === adhesive && kind === 'adhesive')).toBe(true);
    expect(bond().name).toBe('Bond to the plating, in shear');
    await desk.saved();
  });
  it('open the working of a check', async () => {
    const [first] = within(screen.getAllByRole('table')[0]!).queryAllByRole('button');
    if (first) fireEvent.click(first);
    expect(await shown(/shear|stiffness/i)).toBeTruthy();
  });
});
