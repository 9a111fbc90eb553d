// @vitest-environment happy-dom
import { fireEvent, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { enter, field, Page, words } from '../../../tests/helpers/asked';
import { merrow } from '../../../tests/helpers/merrow';
import { regionFor, SURFACES, type Surface, type Zone } from '@/core/document';
import { formFields, readAt, type FormField } from '@/core/field';
import { HOLDS_ALONG, HOLDS_ONLY, regionSchema, supportSchema, type Region, type Support } from '@/core/geometry';
import { formatForEntry, type UnitSystem } from '@/core/quantity';
import { RegionEditor } from './RegionEditor';
import { AS_STIFFENER } from '../stiffeners/HeldForm';
import { SupportsEditor } from './SupportsEditor';

vi.mock('next/navigation', () => ({ useRouter: () => ({ push: () => undefined }) }));

const boat = merrow();
const page = new Page();
beforeEach(() => page.begin());
afterEach(() => page.end());

type Figure = Extract<FormField, { as: 'number' }>;
const figuresOf = (fields: readonly FormField[], value: unknown): Figure[] =>
  fields.filter((one): one is Figure => one.as === 'number' && readAt(value, one.key) !== null);
/** As it is typed, in the units of the reader. */
const typed = (value: number, { quantity }: Figure, units: UnitSystem) => formatForEntry(value, quantity, units);
const labelled = ({ label }: Figure) => new RegExp(`^${label}`);

const surfaces = (Object.keys(SURFACES) as Surface[]).flatMap((surface) => {
  const region = regionFor(surface, boat, { x: 4, z: 0.6 });
  return region ? [{ surface, region, name: SURFACES[surface] }] : [];
});

describe.each(surfaces)('a zone on: $name', ({ region }) => {
  const zone: Zone = { ...boat.parts[0]!.zones[0]!, region };
  const figures = figuresOf(formFields(regionSchema, '', ['surface', 'piece', 'lower', 'upper'], region), region);
  const open = (units: UnitSystem = 'metric') => {
    const onChange = vi.fn((_region: Region | null): string | undefined => undefined);
    page.show(<RegionEditor boat={boat} zone={zone} onChange={onChange} />, { units });
    return onChange;
  };
  it.each(['metric', 'us'] as const)('has every figure of its place, as it is, in %s units', (units) => {
    open(units);
    for (const one of figures)
      expect(field(labelled(one)).value, one.label).toBe(
        typed(Number((readAt(region, one.key) as number).toPrecision(6)), one, units),
      );
  });
  it('takes a figure up to both ends of its range, and says the range beyond', () => {
    for (const one of figures)
      for (const [end, beyond] of [
        [one.minimum, -1],
        [one.maximum, 1],
      ] as const) {
        page.end();
        page.begin();
        const onChange = open();
        enter(labelled(one), typed(end + beyond * (one.whole ? 1 : 0.5), one, 'metric'));
        expect(onChange, `${one.label} beyond ${end}`).not.toHaveBeenCalled();
        expect(words(), one.label).toMatch(/between|at least|at most/);
        if (readAt(region, one.key) === end) continue;
        enter(labelled(one), typed(end, one, 'metric'));
        expect(onChange, `${one.label} at ${end}`).toHaveBeenLastCalledWith({ ...region, [one.key]: end });
      }
  });
});

describe('an edge of a zone on the hull', () => {
  const hull = regionFor('hull', boat, { x: 4, z: 0.6 }) as Extract<Region, { surface: 'hull' }>;
  const open = (region: Region) => {
    const onChange = vi.fn((_region: Region | null): string | undefined => undefined);
    const zone = { ...boat.parts[0]!.zones[0]!, region };
    page.show(<RegionEditor boat={boat} zone={zone} onChange={onChange} />);
    return onChange;
  };
  it('is chosen with what it needs to begin with', () => {
    const onChange = open(hull);
    fireEvent.change(field('Lower edge'), { target: { value: 'height' } });
    expect(onChange).toHaveBeenLastCalledWith({ ...hull, lower: { kind: 'height', height: 0.5 } });
    fireEvent.change(field('Upper edge'), { target: { value: 'girth' } });
    expect(onChange).toHaveBeenLastCalledWith({ ...hull, upper: { kind: 'girth', distance: 0.25 } });
  });
  it('so far along the skin is typed, and nothing else of the zone moves', () => {
    const onChange = open({ ...hull, upper: { kind: 'girth', distance: 0.4 } });
    enter(/^Distance/, '620');
    expect(onChange).toHaveBeenLastCalledWith({ ...hull, upper: { kind: 'girth', distance: 0.62 } });
  });
});

describe('the supports', () => {
  const kinds = ['frame', 'stringer', 'beam', 'girder', 'rib'] as const;
  const of = (kind: Support['kind']): Support =>
    boat.supports.find((one) => one.kind === kind) ??
    (kind === 'frame'
      ? { id: 'f', name: 'Frame 1', ...HOLDS_ONLY, kind, x: 3, upTo: 'chine' }
      : { id: 'g', name: 'Girder 1', ...HOLDS_ALONG, kind: 'girder', y: 0.4, from: 0, to: 5 });
  it.each(kinds)('%s: every figure of its description is there to be typed', (kind) => {
    const support = of(kind);
    const own = { ...boat, supports: [support] };
    page.show(<SupportsEditor boat={own} zoneId={null} />, { boat: own });
    fireEvent.click(screen.getByRole('button', { name: support.name }));
    // How it is held and loaded is entered under Stiffeners.
    const fields = formFields(supportSchema, '', ['name', 'section', ...AS_STIFFENER], support);
    expect(fields.length).toBeGreaterThan(0);
    for (const one of fields) expect(field(new RegExp(`^${one.label}`)).value, one.label).not.toBe('');
  });
  it('say where they are in the units of the reader', () => {
    const own = { ...boat, supports: [{ ...of('frame'), kind: 'frame' as const, x: 3.048, upTo: 'chine' } as Support] };
    page.show(<SupportsEditor boat={own} zoneId={null} />, { boat: own, units: 'us' });
    expect(words()).toContain('at 10.000 ft, to the chine');
    expect(words()).not.toMatch(/\d m\b/);
  });
});
