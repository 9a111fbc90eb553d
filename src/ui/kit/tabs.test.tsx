// @vitest-environment happy-dom
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { brant } from '../../../tests/helpers/merrow';
import { choose, press, shown, type, went, Yard } from '../../../tests/helpers/yard';
import type { Boat } from '@/core/document';
import type { UnitSystem } from '@/core/quantity';
import { USUAL_FILLING } from '@/core/fill';
import { USUAL_CUTTING, USUAL_MIXING } from '@/core/kit';
import { readSetting } from '@/server/stores/settings';
import { bookStock, listStock } from '@/server/stores/stock';
import { KitScreen, type KitSettings } from './KitScreen';

vi.mock('comlink', () => import('../../../tests/helpers/comlink'));
// There is no canvas here: charts are looked at in the browser.
vi.mock('../shared/charts/Chart', () => ({ Chart: () => null }));
vi.mock('../shared/saveFile', () => ({ saveFile: (...file: unknown[]) => saved.push(file) }));
const saved: unknown[][] = [];
let view = 'pieces';
vi.mock('next/navigation', () => ({
  useSearchParams: () => new URLSearchParams(`view=${view}`),
  usePathname: () => '/boats/x/kit',
  useRouter: () => went,
}));

const SETTINGS: KitSettings = {
  cutting: { body: USUAL_CUTTING, version: 0, own: null },
  mixing: { body: USUAL_MIXING, version: 0, own: null },
  filling: USUAL_FILLING,
};
const SLOW = { timeout: 180_000 };
let yard: Yard;
beforeEach(async () => {
  window.sessionStorage.clear();
  saved.length = 0;
  await import('@/workers/kit.worker');
  yard = await Yard.open();
});
afterEach(() => yard.close());

/** The small boat: its pieces are soon found. */
const open = async (name: string, change: (boat: Boat) => Boat = (boat) => boat, units: UnitSystem = 'metric') => {
  view = name;
  const id = await yard.boat(() => change(brant()));
  const desk = await yard.show(id, <KitScreen settings={SETTINGS} />, units);
  await waitFor(() => expect(document.body.textContent).not.toMatch(/Opening…|Developing the pieces…/), SLOW);
  return desk;
};
const page = () => document.body.textContent ?? '';
const rows = (table: string) => within(screen.getByRole('table', { name: table })).getAllByRole('row');

describe('Pieces', () => {
  it('draws the pieces of a layer and counts every layer against the lay-up', async () => {
    await open('pieces');
    expect(page()).toMatch(/✓ \d+ pieces for one boat/);
    press('8: WM 600/300');
    expect(rows('Pieces of the layer').length).toBeGreaterThan(2);
    expect(
      screen.getByRole('group', { name: /outlines, warp from left to right/ }).querySelectorAll('polygon'),
    ).toHaveLength(rows('Pieces of the layer').length - 1);
    choose('Of', 'Details');
    await waitFor(() => expect(screen.queryByRole('table', { name: 'Pieces counted against the lay-up' })).toBeNull());
    press(/^Labels \(\d+\)$/);
    const link = await screen.findByRole('button', { name: 'Labels as PDF' });
    expect(link.getAttribute('href')).toMatch(/kit\/labels\?sheet=a4-24&start=1&units=metric&group=detail&layer=1$/);
  });
  it('stops the kit where an outline does not cover its zones, and says where', async () => {
    await open('pieces', (boat) => ({
      ...boat,
      parts: boat.parts.map((part, p) => ({
        ...part,
        zones: part.zones.map((zone, i) => {
          if (p + i > 0) return zone;
          return { ...zone, geometry: { ...zone.geometry, area: 9 }, overridden: ['area' as const] };
        }),
      })),
    }));
    expect(page()).toContain('✕ The kit stops');
    expect(page()).toMatch(/Hull, layer 2: its pieces have .* an outline is too small/);
  });
  it('keeps how the yard cuts, and cuts by it', async () => {
    await open('pieces');
    press('Show and change it');
    await screen.findByLabelText(/^Trim allowance/);
    type(/^Trim allowance/, '80 mm');
    press('Keep it');
    await waitFor(async () => expect((await readSetting(yard.context, 'cutting')).body.trim).toBeCloseTo(0.08, 9));
    await waitFor(() => expect(page()).not.toContain('Developing the pieces…'), SLOW);
    type(/^Trim allowance/, '8 m');
    expect(page()).toMatch(/Trim allowance must be/);
  });
  it('says what to do before anything is laid', async () => {
    const bare = (boat: Boat): Boat => ({
      ...boat,
      details: [],
      supports: [],
      boxes: [],
      pieceDrawings: [],
      parts: boat.parts.map((part) => ({ ...part, layers: [], groups: [], joins: [] })),
    });
    await open('pieces', bare);
    expect(page()).toContain('Nothing is laid yet');
  });
});

describe('A piece drawn by hand', () => {
  /** The first piece of layer 8 on starboard, opened. */
  const openPiece = async () => {
    const desk = await open('pieces');
    press('8: WM 600/300');
    press(/^1 of \d+ starboard/);
    await screen.findByRole('button', { name: 'Draw it by hand' });
    return desk;
  };
  it('is moved by its points with the keys, keeps the other hand alike, and goes back to the schedule’s', async () => {
    const desk = await openPiece();
    press('Draw it by hand');
    const point = await screen.findByRole('button', { name: /^Point 1,/ });
    fireEvent.keyDown(point, { key: 'ArrowLeft', shiftKey: true });
    const [drawn] = (await desk.saved()).pieceDrawings.filter(({ piece }) => piece !== null);
    expect(drawn).toMatchObject({ bothHands: true });
    expect(drawn!.outline[0]![1]).toBeCloseTo(drawn!.basis![0]![1] - 0.05, 3);
    await waitFor(() => expect(page()).toMatch(/drawn by hand/), SLOW);
    const points = () => screen.getAllByRole('button', { name: /^Point \d+,/ }).length;
    const before = points();
    fireEvent.keyDown(screen.getByRole('button', { name: /^Point 2,/ }), { key: 'Enter' });
    await waitFor(() => expect(points()).toBe(before + 1), SLOW);
    fireEvent.keyDown(screen.getByRole('button', { name: /^Point 3,/ }), { key: 'Delete' });
    await waitFor(() => expect(points()).toBe(before), SLOW);
    press('Add a notch');
    await screen.findByRole('button', { name: 'Notch 1' }, SLOW);
    press('Back to the schedule’s');
    await waitFor(async () =>
      expect((await desk.saved()).pieceDrawings.some(({ piece }) => piece !== null)).toBe(false),
    );
  });
  it('is refused where it would cross itself, and stays as it was', async () => {
    const desk = await openPiece();
    press('Draw it by hand');
    await screen.findByRole('button', { name: /^Point 1,/ });
    fireEvent.click(screen.getByText(/points as figures/));
    type('Along, point 1', '9');
    expect(page()).toMatch(/crosses itself/);
    const [drawn] = (await desk.saved()).pieceDrawings.filter(({ piece }) => piece !== null);
    expect(drawn!.outline[0]).toEqual(drawn!.basis![0]);
  });
  it('comes from measures; bad ones are said, with the line', async () => {
    const desk = await open('pieces');
    const field = screen.getByLabelText(/^Or measures, a line for each place/);
    fireEvent.change(field, { target: { value: '0 0 0.4\n1 x' } });
    press('Take the measures');
    expect(page()).toMatch(/Line 2 is no two or three lengths/);
    fireEvent.change(field, { target: { value: '0 0 0.4\n1 0.1 0.3' } });
    press('Take the measures');
    const own = (await desk.saved()).pieceDrawings.find(({ name }) => name === 'Measured');
    expect(own).toMatchObject({ piece: null, count: 1 });
    expect(own!.outline).toEqual([[0, 0], [0.1, 1], [0.3, 1], [0.4, 0]]); // prettier-ignore
    choose('Of', 'Pieces of their own');
    expect(await shown(/Measured/)).toBeTruthy();
  });
  it('has its joints moved with the keys, and put back as they come', async () => {
    const desk = await open('pieces');
    press(/^4: /);
    press(/^1 of \d+ starboard/);
    const joint = await screen.findByRole('button', { name: /^Joint 1,/ }, SLOW);
    fireEvent.keyDown(joint, { key: 'ArrowUp', shiftKey: true });
    const [placed] = (await desk.saved()).jointPlacings;
    expect(placed!.joints).toHaveLength(1);
    await waitFor(() => expect(page()).toMatch(/joints placed by hand/), SLOW);
    press('Joints as they come');
    await waitFor(async () => expect((await desk.saved()).jointPlacings).toEqual([]));
  });
  it('is told when the schedule has its piece no more, and is dropped as one action', async () => {
    const basis: [number, number][] = [[0, 0], [1, 0], [1, 1]]; // prettier-ignore
    const none = { bothHands: false, material: null, thickness: null };
    const old = { ...none, id: 'old', name: 'Old piece', piece: 'gone.1.1.port.1' };
    const desk = await open('pieces', (boat) => ({
      ...boat,
      pieceDrawings: [{ ...old, count: 1, outline: basis, notches: [], basis }],
    }));
    expect(page()).toMatch(/pieces that the schedule has no more: Old piece/);
    press('Drop them');
    await waitFor(async () => expect((await desk.saved()).pieceDrawings).toEqual([]));
  });
});

describe('Boxes and plugs', () => {
  it('are made, changed and counted; what cannot be built is refused', async () => {
    const desk = await open('boxes');
    expect(page()).toMatch(/5 faces each: 10 panels for one boat/);
    press('Add a box');
    await waitFor(() => expect(page()).toMatch(/1 × Box/));
    type('How many', '3');
    await waitFor(() => expect(page()).toMatch(/15 panels for one boat/));
    type(/^Panel thickness/, '300 mm');
    expect(page()).toMatch(/between 2 mm and 100 mm/);
    type(/^Bent corners, radius outside/, '900 mm');
    expect(page()).toMatch(/no room between its ends/);
    type(/^Bent corners, radius outside/, '80 mm');
    await waitFor(() => expect(page()).toMatch(/5 faces each in 3 panels: 9 panels for one boat/));
    const [, own] = (await desk.saved()).boxes;
    expect(own).toMatchObject({ number: 3, bend: 0.08 });
    press('Remove it');
    await waitFor(async () => expect((await desk.saved()).boxes).toHaveLength(1));
  });
  it('draw the frames of a plug, and give them as one drawing', async () => {
    await open('boxes');
    press('Hull plug');
    expect(await shown(/Hull plug: 15 frames/)).toBeTruthy();
    press('All frames as DXF');
    await waitFor(() => expect(saved[0]?.[0]).toBe('Hull-plug-frames.dxf'));
    expect(String(saved[0]?.[1])).toContain('Frame 15');
    type(/^Frames every/, '0.2 m');
    await waitFor(() => expect(page()).toMatch(/Hull plug: 29 frames/));
    type(/^Frames every/, '0.05 m');
    await waitFor(() => expect(page()).toMatch(/Hull plug: 111 frames/));
  });
});

describe('On the roll', () => {
  const layOut = async (fabric: RegExp) => {
    choose('Fabric or board', fabric);
    await waitFor(() => expect(page()).toMatch(/in the store/));
    press('Lay it out');
    await screen.findByRole('table', { name: 'Ways to cut it' }, SLOW);
    await waitFor(() => expect(screen.queryByRole('button', { name: 'Stop' })).toBeNull(), SLOW);
  };
  it('compares three ways, saves a lay as a file, and keeps it while the tab is left', async () => {
    await open('cut');
    await layOut(/^Woven roving 300/);
    expect(rows('Ways to cut it')).toHaveLength(4);
    fireEvent.change(screen.getByRole('slider'), { target: { value: '0' } });
    expect(page()).toContain('Straight cuts: boxes in laying order');
    press('DXF');
    await waitFor(() => expect(saved[0]?.[0]).toMatch(/Brant-56-WR-300-new-1\.dxf/));
    press('SVG');
    expect(String(saved[1]?.[1])).toContain('<svg');
    press('The lay as JSON');
    expect(JSON.parse(String(saved[2]?.[1]))).toMatchObject({ way: { name: 'blanks' } });
    press('Mixing');
    await screen.findByRole('table', { name: 'Batches' }, SLOW);
    press('On the roll');
    expect(await screen.findByRole('table', { name: 'Ways to cut it' }, SLOW)).toBeTruthy();
  });
  it('books what is cut from the store once, and cannot while a roll has to be bought', async () => {
    const roll = { kind: 'roll', width: 1.25, length: null, outline: null, price: null, expires: null, place: '' };
    const lots = [{ ...roll, id: 'r1', material: 'wr-300', lot: 'K 1' }];
    await bookStock(yard.context, { lots, moves: [{ id: 'm1', lotId: 'r1', amount: 300, reason: 'bought' }] });
    await open('cut');
    await layOut(/^Woven roving 300/);
    press('It is cut: book it');
    await shown(/✓ Booked/);
    const [line] = await listStock(yard.context, 'wr-300');
    expect(line!.left).toBeLessThan(300);
    expect(line!.moves.at(-1)!.reason).toBe('cut for Brant 56');
    // Another way of the same lay is not cut once more.
    fireEvent.change(screen.getByRole('slider'), { target: { value: '0' } });
    expect(screen.queryByRole('button', { name: 'It is cut: book it' })).toBeNull();
    await layOut(/^Woven roving 600 with mat 300/);
    expect(page()).toMatch(/is not in the store: buy \d+ roll/);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'It is cut: book it' }).disabled).toBe(true);
  });
  it('holds a piece fast, moves another by hand, takes the move back, and nests the rest', async () => {
    await open('cut');
    await layOut(/^Woven roving 300/);
    const group = () => screen.getByRole('group', { name: /pieces on new roll 1/ });
    const pieces = () => within(group()).getAllByRole('button');
    fireEvent.keyDown(pieces()[0]!, { key: 'Enter' });
    press('Hold it fast');
    await waitFor(() => expect(pieces()[0]!.getAttribute('aria-label')).toMatch(/lies fast/));
    const length = () => rows('Ways to cut it').at(-1)!.textContent;
    const before = length();
    const last = pieces().at(-1)!;
    fireEvent.keyDown(last, { key: 'Enter' });
    fireEvent.keyDown(last, { key: 'ArrowRight' });
    await waitFor(() => expect(screen.queryByRole('button', { name: 'Take back the last move' })).not.toBeNull());
    press('Take back the last move');
    await waitFor(() => expect(length()).toBe(before));
    press('Nest the rest round what lies fast (1)');
    await waitFor(() => expect(screen.queryByRole('button', { name: 'Stop' })).toBeNull(), SLOW);
    expect(rows('Ways to cut it')).toHaveLength(4);
    press('Let all loose (1)');
    await screen.findByRole('button', { name: 'Lay it out' });
  });
  it('lays out all fabrics at once, and opens one of them', async () => {
    await open('cut');
    press('All fabrics at once');
    press(/^Lay out all \d+$/);
    const table = () => rows('All fabrics laid out');
    await waitFor(
      () => expect(table().filter((row) => /laid out/.test(row.textContent ?? '')).length).toBeGreaterThan(0),
      SLOW,
    );
    press('Stop');
    await screen.findByRole('button', { name: /^Lay out all/ });
    press(/^Woven roving 300/);
    await waitFor(() => expect(page()).toContain('Roll 1.270 m wide'));
  });
  it('books the sheets that were sawn, from the oldest on, and no more than there are', async () => {
    const sheet = { kind: 'sheet', width: 1.2, length: 2.4, outline: null, price: null, expires: null, place: '' };
    const lots = ['a', 'b'].map((id) => ({ ...sheet, id, material: 'pvc-80', lot: id }));
    const moves = lots.map(({ id }) => ({ id: `m${id}`, lotId: id, amount: id === 'a' ? 1 : 40, reason: 'bought' }));
    await bookStock(yard.context, { lots, moves });
    await open('cut');
    choose('Fabric or board', /^Cross-linked PVC 80/);
    await shown(/sheets lie in the store/);
    press('It is sawn: book it');
    await shown(/✓ Booked: \d+ sheets/);
    const left = (await listStock(yard.context, 'pvc-80')).map((line) => line.left);
    expect(left[0]).toBe(0);
    expect(left[1]).toBeLessThan(40);
  });
  it('lays core on its sheets', async () => {
    await open('cut');
    choose('Fabric or board', /^Cross-linked PVC 80/);
    expect(await shown(/sheets of 1\.200 m × 2\.400 m/)).toBeTruthy();
    expect(screen.getAllByRole('img', { name: /pieces on sheet/ }).length).toBeGreaterThan(0);
    const sheets = screen.getAllByRole('img', { name: /pieces on sheet/ }).length;
    expect(await shown(new RegExp(`△ ${sheets} of the ${sheets} sheets are not in the store`))).toBeTruthy();
    press('Look for fewer sheets');
    await shown(/By their true shapes/);
    expect(screen.getAllByRole('img', { name: /pieces on sheet/ }).length).toBeLessThanOrEqual(sheets);
    press('Sheet 1 as DXF');
    await waitFor(() => expect(saved[0]?.[0]).toMatch(/sheet-1\.dxf$/));
  });
});

describe('Mixing and what is bought', () => {
  it('plans anew for another temperature, and refuses one that no shop has', async () => {
    await open('mix');
    const minutes = () => rows('What is mixed, stage by stage').map((row) => row.lastElementChild?.textContent);
    const before = minutes();
    type(/^Shop/, '30');
    await waitFor(() => expect(minutes()).not.toEqual(before));
    expect(page()).toContain('not kept yet');
    press('Keep these');
    await waitFor(async () => expect((await readSetting(yard.context, 'mixing')).body.temperature).toBe(30));
    type(/^Shop/, '90');
    expect((await readSetting(yard.context, 'mixing')).body.temperature).toBe(30);
    type('People who wet out', '2.5');
    expect(page()).toContain('A whole number');
  });
  it('weighs hardener in grams or ounces, never so coarse that it is nothing', async () => {
    /** Resin and hardener of the first batch, as they are weighed. */
    const firstBatch = () => {
      const [head, first] = rows('Batches');
      const heads = [...head!.children].map(({ textContent }) => textContent?.trim());
      const figures = [...first!.children].map(({ textContent }) => Number(textContent));
      return { heads, resin: figures[1]!, hardener: figures[2]! };
    };
    await open('mix');
    const metric = firstBatch();
    expect(metric.heads.slice(1, 3)).toEqual(['resin, kg', 'hardener, g']);
    yard.close();
    yard = await Yard.open();
    await open('mix', undefined, 'us');
    const pounds = firstBatch();
    expect(pounds.heads.slice(1, 3)).toEqual(['resin, lb', 'hardener, oz']);
    expect(pounds.resin * 0.45359237).toBeCloseTo(metric.resin, 1);
    expect(pounds.hardener * 28.349523).toBeCloseTo(metric.hardener, -0.5);
    expect(metric.hardener).toBeGreaterThan(5);
  });
  it('adds a hardener to the list, and goes back to the usual ones', async () => {
    await open('mix');
    press('Show and change it');
    press('Add a hardener');
    expect(page()).toContain('New hardener');
    press('Back to the usual');
    expect(page()).not.toContain('New hardener');
  });
  it('lists cloth by the roll and core by the sheet, with money', async () => {
    await open('buy');
    await screen.findByRole('table', { name: 'Purchase list' }, SLOW);
    expect(page()).toMatch(/\d+ rolls of \d+ m/);
    expect(page()).toMatch(/\d+ sheets of 1200 × 2400 mm/);
    expect(page()).toContain('Consumables');
  });
});
