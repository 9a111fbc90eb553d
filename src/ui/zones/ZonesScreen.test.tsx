// @vitest-environment happy-dom
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { choose, press, tick, type, went, Yard, type Desk } from '../../../tests/helpers/yard';
import { SURFACES, surfaceOf } from '@/core/document';
import { SUPPORT_KINDS } from '@/core/geometry';
import { createBoat } from '@/server/stores/boats';
import { brant } from '../../../tests/helpers/merrow';
import { ZonesScreen } from './ZonesScreen';

vi.mock('next/navigation', () => ({
  useSearchParams: () => new URLSearchParams(),
  usePathname: () => '/boats/x/zones',
  useRouter: () => went,
}));

let yard: Yard;
let desk: Desk;
beforeEach(async () => {
  yard = await Yard.open();
  desk = await yard.show(await yard.boat(), <ZonesScreen />);
});
afterEach(() => yard.close());

const zoneOf = (name: string) => desk.boat.parts.flatMap(({ zones }) => zones).find((zone) => zone.name === name)!;
const row = (name: string) => screen.getByRole('button', { name, pressed: undefined }).closest('tr')!;
const alert = () => screen.queryByRole('alert')?.textContent ?? '';

describe('a zone', () => {
  it('is renamed, moved, typed over, released, and all of it is stored', async () => {
    press('Bottom forward');
    const drawn = zoneOf('Bottom forward').geometry.panelBreadth;
    type(/^Panel breadth/, '600');
    expect(zoneOf('Bottom forward')).toMatchObject({ overridden: ['panelBreadth'], geometry: { panelBreadth: 0.6 } });
    expect(within(row('Bottom forward')).getByTitle('1 typed over')).toBeTruthy();
    expect(document.body.textContent).toContain('the other panels of the zone are not checked');
    press('Release Panel breadth');
    expect(zoneOf('Bottom forward').geometry.panelBreadth).toBeCloseTo(drawn, 6);
    type(/^From/, '4.5');
    expect(zoneOf('Bottom forward').region).toMatchObject({ from: 4.5 });
    type('Name of zone', 'Bottom fore');
    expect(row('Bottom fore')).toBeTruthy();
    await desk.saved();
  });
  it('keeps what is typed wrong, says the range and the reason, and changes nothing', () => {
    press('Bottom forward');
    const before = desk.boat;
    const entry = screen.getByLabelText<HTMLInputElement>(/^Crown/);
    fireEvent.change(entry, { target: { value: '9 m' } });
    fireEvent.blur(entry);
    expect(entry.value).toBe('9 m');
    expect(entry.getAttribute('aria-invalid') ?? entry.className).toMatch(/true|invalid/);
    expect(document.body.textContent).toContain('Crown must be between 0 mm and 2000 mm: rise over the short side.');
    expect(desk.boat).toBe(before);
    fireEvent.keyDown(entry, { key: 'Escape' });
    expect(entry.value).not.toBe('9 m');
  });
  it.each(Object.entries(SURFACES).filter(([surface]) => surface !== 'typed'))(
    'may lie on %s (%s), with figures of its own, and is what lies there',
    async (surface, words) => {
      press('Hardware pads');
      choose('Place on the boat', words);
      const { region, geometry, location } = zoneOf('Hardware pads');
      expect(surfaceOf(region)).toBe(surface);
      expect(geometry.area).toBeGreaterThan(0);
      expect(location.length).toBeGreaterThan(2);
      await desk.saved();
      desk.undo();
      expect(zoneOf('Hardware pads').region?.surface).toBe('rectangle');
    },
  );
  it('edges of the hull are chosen, and a distance or height is typed for those that have one', () => {
    press('Keel band');
    choose('Upper edge', 'So far from the centreline');
    type(/^Distance/, '300');
    expect(zoneOf('Keel band').region).toMatchObject({ upper: { kind: 'girth', distance: 0.3 } });
    const narrow = zoneOf('Keel band').geometry.area;
    type(/^Distance/, '1 ft 6 in');
    expect(zoneOf('Keel band').geometry.area).toBeGreaterThan(narrow * 1.2);
    choose('Lower edge', 'Height');
    expect(screen.getByLabelText(/^Height/)).toBeTruthy();
  });
  it('of two hands is parted into two, laid alike, and one undo joins them again', async () => {
    press('Side aft');
    const layers = () => desk.boat.parts[0]!.layers.filter(({ zones }) => zones.includes(zoneOf('Side aft, port').id));
    const covered = desk.boat.parts[0]!.layers.filter(({ zones }) => zones.includes(zoneOf('Side aft').id)).length;
    press('Part it into port and starboard');
    expect([zoneOf('Side aft, port').hand, zoneOf('Side aft, starboard').hand]).toEqual(['port', 'starboard']);
    expect(layers()).toHaveLength(covered);
    await desk.saved();
    desk.undo();
    expect(zoneOf('Side aft').hand).toBe('both');
  });
  it('is added where there is room, and taken away again with what lay in it', async () => {
    press('Add a zone to Deck');
    const added = zoneOf('Deck zone 9') ?? desk.boat.parts[1]!.zones.at(-1)!;
    expect(added.geometry.area).toBeGreaterThan(0);
    expect(added.location).toBe('deck');
    press(added.name);
    press('Remove this zone');
    expect(desk.boat.parts[1]!.zones.map(({ id }) => id)).not.toContain(added.id);
    await desk.saved();
  });
  it('that a detail stands on is not taken away: the refusal names the detail', () => {
    const [detail] = desk.boat.details;
    const zone = desk.boat.parts.flatMap(({ zones }) => zones).find(({ id }) => id === detail!.zone)!;
    press(zone.name);
    const before = desk.boat;
    press('Remove this zone');
    expect(alert()).toContain(detail!.name);
    expect(desk.boat).toBe(before);
  });
  it('bears a typed pressure, for a tank its overflow, and says what that leaves unchecked', () => {
    press('Collision bulkhead');
    choose('Location', /tank/i);
    type(/^Overflow/, '0.5');
    type(/^Design pressure/, '12');
    expect(zoneOf('Collision bulkhead')).toMatchObject({ location: 'tank', overflow: 0.5, designPressure: 12_000 });
    expect(document.body.textContent).toContain('Bending of a blade as a whole is not checked.');
    type(/^Design pressure/, '');
    expect(zoneOf('Collision bulkhead').designPressure).toBeNull();
  });
});

describe('a part', () => {
  it('is added with a first zone, and without a name it cannot be', async () => {
    const add = screen.getByRole<HTMLButtonElement>('button', { name: 'Add part' });
    expect(add.disabled).toBe(true);
    fireEvent.change(screen.getByLabelText('Name of the new part'), { target: { value: '  Rudder ' } });
    choose('Kind of the new part', /bulkhead/i);
    fireEvent.click(add);
    const part = desk.boat.parts.at(-1)!;
    expect([part.name, part.kind, part.zones.map(({ name }) => name)]).toEqual(['Rudder', 'bulkhead', ['Rudder']]);
    await desk.saved();
  });
});

describe('a part as a whole', () => {
  const names = () => desk.boat.parts.map(({ name }) => name);
  const openPart = (name: string) => {
    fireEvent.click(screen.getAllByTitle('Name, kind and place of the part').find((one) => one.textContent === name)!);
  };
  it('is renamed, made another kind, moved, and its zones stand in another order; all of it is stored', async () => {
    openPart('Deck');
    type('Name of part', 'Deck and house');
    press('Earlier');
    expect(names()).toEqual(['Deck and house', 'Hull', 'Bulkheads', 'Liner']);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Earlier' }).disabled).toBe(true);
    press('Later');
    expect(names()[1]).toBe('Deck and house');
    openPart('Liner');
    choose('Kind of part', 'Small part');
    expect(desk.boat.parts[3]!.kind).toBe('small');
    press('Liner seats');
    press('Move Liner seats up');
    expect(desk.boat.parts[3]!.zones.map(({ name }) => name)).toEqual(['Liner seats', 'Liner pan']);
    await desk.saved();
    desk.undo();
    expect(desk.boat.parts[3]!.zones[0]!.name).toBe('Liner pan');
  });
  it('goes with all it holds when nothing stands on it, and undo brings it back', async () => {
    const before = desk.boat;
    openPart('Bulkheads');
    press('Remove this part');
    // A detail or a rib on it is said, and it stays.
    expect(alert()).toMatch(/\w+/);
    expect(desk.boat).toBe(before);
    fireEvent.change(screen.getByLabelText('Name of the new part'), { target: { value: 'Box' } });
    press('Add part');
    press('Zone');
    press('Remove this zone');
    openPart('Box');
    press('Remove this part');
    expect(names()).not.toContain('Box');
    desk.undo();
    expect(names()).toContain('Box');
    await desk.saved();
  });
  it('comes from another boat, in words of the history, or is refused in words', async () => {
    const { id } = await createBoat(yard.context, brant());
    press('Part');
    press('From another boat');
    await waitFor(() => choose('From the boat', /Brant 56/));
    await waitFor(() => choose('The part', /^Bulkheads/));
    press('Copy Bulkheads');
    await waitFor(() => expect(document.body.textContent).toContain('Bulkheads of Brant 56 is here.'));
    expect(names().at(-1)).toBe('Bulkheads 2');
    expect(desk.last).toBe('copied Bulkheads from Brant 56');
    await desk.saved();
    expect(id).not.toBe(desk.id);
  });
});

describe('a support', () => {
  beforeEach(() => press('Supports'));
  const support = (name: string) => desk.boat.supports.find((one) => one.name === name);
  it.each(Object.keys(SUPPORT_KINDS) as (keyof typeof SUPPORT_KINDS)[])(
    'of the kind %s is added, renamed, placed and removed',
    async (kind) => {
      const count = desk.boat.supports.length;
      const ribs = kind === 'rib';
      if (ribs) {
        press('Collision bulkhead');
        press('Supports');
      }
      choose('Add a support', SUPPORT_KINDS[kind]);
      expect(desk.boat.supports).toHaveLength(count + 1);
      expect(desk.boat.supports.at(-1)!.kind).toBe(kind);
      type('Name of member', 'New one');
      if (kind === 'frame' || kind === 'beam') type(/^At /, '3.3');
      else if (kind === 'girder') type(/^Off centre/, '0.55');
      else type(/^Place/, '40');
      const placed = support('New one')!;
      const place = { frame: 'x', beam: 'x', girder: 'y', stringer: 'share', rib: 'share' }[kind];
      expect((placed as unknown as Record<string, number>)[place]).toBeCloseTo(
        { frame: 3.3, beam: 3.3, girder: 0.55, stringer: 0.4, rib: 0.4 }[kind],
        6,
      );
      await desk.saved();
      press('Remove New one');
      expect(desk.boat.supports).toHaveLength(count);
    },
  );
  it('takes a section, and without one holds only', () => {
    press('Frame aft');
    choose('Section', 'holds only, not computed');
    expect(support('Frame aft')!.section).toBeNull();
    choose('Section', desk.boat.sections[0]!.name);
    expect(support('Frame aft')!.section).toBe(desk.boat.sections[0]!.id);
  });
  it('moves panels: the span between two floors follows, and the reserve falls with it', () => {
    const zone = () => zoneOf('Bottom forward').geometry.panelLength;
    const reserve = () => Number(/\d+\.\d+(?=\D*$)/.exec(row('Bottom forward').textContent!)![0]);
    const [length, held] = [zone(), reserve()];
    press('Frame forward');
    type(/^At /, '5.9');
    expect(zone()).toBeGreaterThan(length + 0.2);
    expect(reserve()).toBeLessThan(held);
  });
});

describe('the shape', () => {
  beforeEach(() => press('Shape'));
  it('says what it displaces, and warns where that is far from the brief', () => {
    expect(document.body.textContent).toMatch(/Displaces .+ kg at its waterline/);
    type(/^Draft of the hull/, '0.8');
    expect(document.body.textContent).toMatch(/△ \d+ %: adjust the draft or the mass/);
  });
  it('keeps a cockpit that zones lie in, says which, and changes its figures', async () => {
    const before = desk.boat;
    tick('Cockpit');
    expect(alert()).toMatch(/Cockpit/);
    expect(desk.boat).toBe(before);
    type(/^Sole height/, '0.75');
    expect(desk.boat.deck.cockpit).toMatchObject({ soleHeight: 0.75 });
    type(/^Front rake/, '35');
    expect(desk.boat.deck.coachroof).toMatchObject({ frontRakeDeg: 35 });
    await desk.saved();
  });
  it('refuses a cockpit that ends before it begins, in words, and keeps the old one', () => {
    const before = desk.boat.deck.cockpit;
    type(/^Fore end/, '-5');
    expect(desk.boat.deck.cockpit).toEqual(before);
    expect(document.body.textContent).toMatch(/[Cc]ockpit/);
  });
  it('turns to a round bilge and back, and the keel stops holding panels when it is told so', () => {
    choose('Form', 'Round bilge');
    expect(desk.boat.hull).toMatchObject({ form: 'roundBilge' });
    const before = zoneOf('Bottom forward').geometry.panelBreadth;
    tick('Keel holds panels');
    expect(zoneOf('Bottom forward').geometry.panelBreadth).toBeGreaterThanOrEqual(before);
    choose('Keel holds floors', /./);
  });
});

describe('the drawing', () => {
  it('moves an edge and a member by the keys, one undo each, and never past the end of the boat', async () => {
    const edge = screen.getByRole('slider', { name: /^Edge of Foredeck/ });
    const at = () => (zoneOf('Foredeck').region as { from: number }).from;
    const before = at();
    fireEvent.keyDown(edge, { key: 'ArrowLeft' });
    expect(at()).toBeLessThan(before);
    desk.undo();
    expect(at()).toBe(before);
    fireEvent.keyDown(screen.getByRole('slider', { name: /^Frame aft/ }), { key: 'ArrowRight' });
    expect((desk.boat.supports.find(({ name }) => name === 'Frame aft') as { x: number }).x).toBeGreaterThan(1.5);
    await desk.saved();
  });
  it('shows sections and pressure of the same zone', () => {
    press('Side forward');
    press('Sections');
    expect(screen.getByRole('group', { name: 'Body plan and section' })).toBeTruthy();
    press('Pressure');
    expect(document.body.textContent).toMatch(/kPa/);
  });
});
