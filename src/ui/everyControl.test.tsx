// @vitest-environment happy-dom
import { fireEvent } from '@testing-library/react';
import type { ReactElement } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { press, went, Yard, type Desk } from '../../tests/helpers/yard';
import { checkBoat } from '@/core/document';
import { same } from '@/core/field';
import { GENERIC_MATERIALS } from '@/core/material';
import { SHIPPED_PACKS } from '@/core/standard';
import type { UnitSystem } from '@/core/quantity';
import { BriefScreen } from './brief/BriefScreen';
import { DetailsScreen } from './details/DetailsScreen';
import { StiffenersScreen } from './stiffeners/StiffenersScreen';
import { ZonesScreen } from './zones/ZonesScreen';

vi.mock('next/navigation', () => ({
  useSearchParams: () => new URLSearchParams(),
  usePathname: () => '/boats/x/zones',
  useRouter: () => went,
}));

const shelf = [...GENERIC_MATERIALS];
const on = (tab: string, then?: string) => (page: HTMLElement) => {
  press(tab, page);
  if (then) press(then, page);
};
const PLACES: [name: string, screen: () => ReactElement, go?: (page: HTMLElement) => void][] = [
  ['Brief', () => <BriefScreen shelf={shelf.filter(({ kind }) => kind === 'resin')} packs={[...SHIPPED_PACKS]} />],
  ['Zones, a zone of the hull', () => <ZonesScreen />],
  ['Zones, a zone drawn by hand', () => <ZonesScreen />, on('Hardware pads')],
  ['Zones, a frame', () => <ZonesScreen />, on('Supports', 'Frame aft')],
  ['Zones, the shape', () => <ZonesScreen />, on('Shape')],
  ['Stiffeners', () => <StiffenersScreen shelf={shelf} />],
  ['Details', () => <DetailsScreen shelf={shelf} />],
];

let yard: Yard;
beforeEach(async () => {
  yard = await Yard.open();
});
afterEach(() => yard.close());

const entries = (page: HTMLElement) => [
  ...page.querySelectorAll<HTMLInputElement>('input.num[aria-describedby$="-says"]'),
];
const labelOf = (control: HTMLElement) =>
  control.ownerDocument.querySelector(`label[for="${control.id}"]`)?.textContent?.trim() ??
  control.getAttribute('aria-label') ??
  control.id;
const saysBeside = (control: HTMLElement) =>
  control.ownerDocument.getElementById(control.getAttribute('aria-describedby')!)!;
const refusals = (page: HTMLElement) =>
  [...page.querySelectorAll('.invalid-feedback, [role=alert]')]
    .map(({ textContent }) => textContent!.trim())
    .filter(Boolean);
function enter(control: HTMLElement, text: string) {
  fireEvent.change(control, { target: { value: text } });
  fireEvent.keyDown(control, { key: 'Enter' });
}
const leave = (control: HTMLElement) => fireEvent.keyDown(control, { key: 'Escape' });
/** What was done can be taken back, and then nothing has changed; what was not done was refused in words. */
function judge(desk: Desk, before: Desk['boat'], what: string): 'taken' | 'refused' | 'nothing' {
  if (same(desk.boat, before)) return refusals(desk.page).length > 0 ? 'refused' : 'nothing';
  expect(() => checkBoat(desk.boat), what).not.toThrow();
  expect(desk.last.length, what).toBeGreaterThan(3);
  desk.undo();
  expect(desk.boat, what).toEqual(before);
  return 'taken';
}

/** Where the figures are tried in inches and pounds as well. */
const IN_BOTH = ['Brief', 'Zones, a zone of the hull'];

describe.each(PLACES)('every control of %s', (place, screen, go) => {
  const openOn = async (units: UnitSystem) => {
    const desk = await yard.show(await yard.boat(), screen(), units);
    go?.(desk.page);
    return desk;
  };
  it.each<UnitSystem>(IN_BOTH.includes(place) ? ['metric', 'us'] : ['metric'])(
    'figures in %s units: typed again they change nothing, their ends are taken',
    async (units) => {
      const desk = await openOn(units);
      const count = entries(desk.page).length;
      let taken = 0;
      for (let i = 0; i < count; i++) {
        const entry = () => entries(desk.page)[i]!;
        const before = desk.boat;
        const what = labelOf(entry());
        enter(entry(), entry().value);
        expect(same(desk.boat, before), `${what}, typed again`).toBe(true);
        enter(entry(), 'no figure');
        expect(saysBeside(entry()).textContent, what).toMatch(/\w{4}/);
        expect(same(desk.boat, before), what).toBe(true);
        enter(entry(), '987654321');
        const ends = /must be between (.+?) and (.+?)(?:: |\.$)/.exec(saysBeside(entry()).textContent!);
        expect(ends, `${what} says its range: ${saysBeside(entry()).textContent}`).not.toBeNull();
        for (const end of [ends![1]!, ends![2]!]) {
          enter(entry(), end);
          expect(saysBeside(entry()).textContent, `${what}, ${end}`).not.toContain('must be between');
          if (judge(desk, before, `${what}, ${end}`) === 'taken') taken++;
          leave(entry());
        }
      }
      if (count > 0) expect(taken).toBeGreaterThan(count / 2);
    },
  );
  it('lists and boxes: each is taken and taken back, or refused in words', async () => {
    const desk = await openOn('metric');
    const start = desk.boat;
    const lists = () => [...desk.page.querySelectorAll<HTMLSelectElement>('select:not(:disabled)')];
    const boxes = () => [...desk.page.querySelectorAll<HTMLInputElement>('input[type=checkbox]:not(:disabled)')];
    /** As it was first, where the list only looks elsewhere. */
    const turnBack = (list: HTMLSelectElement | undefined, was: string) => {
      if (!list || list.value === was) return;
      fireEvent.change(list, { target: { value: was } });
      while (!same(desk.boat, start)) desk.undo();
    };
    const [lists0, boxes0] = [lists().length, boxes().length];
    for (let i = 0; i < lists0; i++)
      for (const { value, text } of [...(lists()[i]?.options ?? [])].slice(0, 2)) {
        const list = lists()[i];
        if (!list || list.value === value) continue;
        const was = list.value;
        fireEvent.change(list, { target: { value } });
        judge(desk, start, `${labelOf(list)}: ${text}`);
        turnBack(lists()[i], was);
      }
    for (let i = 0; i < boxes0; i++) {
      const box = boxes()[i];
      if (!box) continue;
      const was = box.checked;
      fireEvent.click(box);
      judge(desk, start, labelOf(box));
      if (boxes()[i] && boxes()[i]!.checked !== was) fireEvent.click(boxes()[i]!);
    }
    expect(lists0 + boxes0).toBeGreaterThan(0);
  });
});
