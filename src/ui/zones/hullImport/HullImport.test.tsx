// @vitest-environment happy-dom
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { choose, press, type, went, Yard, type Desk } from '../../../../tests/helpers/yard';
import { hullSurface, shapeFor, stationsFromParticulars } from '@/core/geometry';
import { ZonesScreen } from '../ZonesScreen';

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
  press('Shape');
  press('From a file…');
});
afterEach(() => yard.close());

const dialog = () => screen.getByRole('dialog');
const give = (label: string, name: string, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { files: [new File([text], name)] } });
const alert = (words: RegExp | string) =>
  waitFor(() =>
    expect(screen.getByRole('alert').textContent).toMatch(words instanceof RegExp ? words : new RegExp(words)),
  );
const take = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Take this hull' });

const particulars = { hullLength: 8.4, waterlineLength: 7.5, maximumBeam: 2.85, chineBeam: 2.2, deadriseDeg: 18 };
const drawn = { ...shapeFor(particulars, 'motor'), stemRakeDeg: 30 };
const stations = stationsFromParticulars(drawn, particulars).filter((_, i) => i % 3 === 0);
const points = (said: (metres: number) => string) =>
  [
    'Station,Half-breadth,Height,Line',
    ...stations.flatMap(({ x, points: all, chine }) =>
      all.map(([y, z], i) => [said(x + 1), said(y), said(z), i === chine ? 'chine' : ''].join(',')),
    ),
  ].join('\n');
const eighths = (metres: number) => {
  const all = Math.round((metres / 0.0254) * 8);
  return `${Math.floor(all / 96)}-${Math.floor((all % 96) / 8)}-${all % 8}`;
};

describe('a hull from a table of offsets', () => {
  it.each([
    ['metres', (m: number) => m.toFixed(4), 'm'],
    ['millimetres', (m: number) => (m * 1000).toFixed(1), 'mm'],
    ['feet-inches-eighths', eighths, 'feetInchesEighths'],
  ] as const)('in %s is drawn, measured against the brief, taken, and taken back', async (_, said, unit) => {
    const before = desk.boat.hull;
    give('Table of offsets', 'lines.csv', points(said));
    const list = await waitFor(() => screen.getByLabelText<HTMLSelectElement>('Unit of the table'));
    if (list.value !== unit) fireEvent.change(list, { target: { value: unit } });
    type(/^Aft end of the waterline/, '1');
    type(/^Waterline above the baseline/, '0.5');
    await waitFor(() => expect(dialog().textContent).toMatch(/\d+ stations, .* long, .* wide, with a chine/));
    expect(dialog().textContent).toMatch(/displaces .* kg of sea water; the brief says/);
    fireEvent.click(take());
    expect(desk.boat.hull).toMatchObject({ source: 'offsets', file: 'lines.csv' });
    await desk.saved();
    desk.undo();
    expect(desk.boat.hull).toEqual(before);
  });
  it('whose cell is no length is refused with its row, and nothing can be taken', async () => {
    give('Table of offsets', 'lines.csv', points((m) => m.toFixed(4)).replace(/\n([^,]+),([^,]+),/, '\n$1,wide,'));
    await alert('wide');
    expect(take().disabled).toBe(true);
    give('Table of offsets', 'empty.csv', '');
    await alert(/\w{5}/);
    expect(take().disabled).toBe(true);
    press('Cancel');
    expect(desk.last).toBe('');
  });
  it('read in the wrong unit is questioned', async () => {
    give('Table of offsets', 'lines.csv', points(eighths));
    await waitFor(() => screen.getByLabelText('Unit of the table'));
    choose('Unit of the table', 'Metres');
    await alert(/feet-inches-eighths|long/);
  });
});

describe('a hull from a mesh', () => {
  const surface = hullSurface(drawn, particulars);
  const [along, across] = [30, 10];
  const at = (i: number, j: number) => i * (across + 1) + j + 1;
  const grid = (count: number) => Array.from({ length: count }, (_, i) => i);
  const corners = (scale: number) =>
    grid(along + 1).flatMap((i) =>
      grid(across + 1).map(
        (j) =>
          `v ${surface
            .at(surface.aft + ((surface.bow - surface.aft) * i) / along, (2 * j) / across)
            .map((value) => value * scale)
            .join(' ')}`,
      ),
    );
  const faces = grid(along).flatMap((i) =>
    grid(across).flatMap((j) => [
      `f ${at(i, j)} ${at(i + 1, j)} ${at(i + 1, j + 1)}`,
      `f ${at(i, j)} ${at(i + 1, j + 1)} ${at(i, j + 1)}`,
    ]),
  );
  beforeEach(() => press('Mesh'));
  it('is cut into stations, taken, and says how many triangles it came from', async () => {
    give('Hull mesh', 'hull.obj', [...corners(1), ...faces].join('\n'));
    await waitFor(() => expect(dialog().textContent).toContain('600 triangles'));
    await waitFor(() => expect(take().disabled).toBe(false));
    fireEvent.click(take());
    expect(desk.boat.hull).toMatchObject({ source: 'mesh', triangles: 600, file: 'hull.obj' });
    await desk.saved();
  });
  it('in another unit is found out by its length, and read again when that is told', async () => {
    give('Hull mesh', 'hull.obj', [...corners(1000), ...faces].join('\n'));
    await alert(/m long; 1\.5 to 30 m are expected/);
    choose('Unit', /mm|millimetre/);
    await waitFor(() => expect(dialog().textContent).toContain('600 triangles'));
  });
  it.each([
    ['with a face too many', (all: string[]) => [...all, faces[40]!, faces[40]!], /non-manifold/],
    ['without faces', () => corners(1), /\w{5}/],
    ['that is text', () => ['not a mesh at all'], /\w{5}/],
  ])('%s is refused in words', async (_, broken, words) => {
    give('Hull mesh', 'hull.obj', broken([...corners(1), ...faces]).join('\n'));
    await alert(words);
    expect(take().disabled).toBe(true);
  });
});
