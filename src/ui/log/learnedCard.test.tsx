// @vitest-environment happy-dom
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Page, refusing } from '../../../tests/helpers/asked';
import { learn, learnCloth, type Learned, type LearnedUse, type LearningPage } from '@/core/log';
import { isSame, LearnedCard } from './LearnedCard';

vi.mock('../shared/charts/Chart', () => ({
  Chart: ({ children, label }: { children: string; label: string }) => <figure aria-label={label}>{children}</figure>,
}));

type Observation = Learned['observations'][number];
const read = (ratio: number, own: Partial<Observation> = {}): Observation => ({
  property: 'fibreShare',
  process: 'handLayUp',
  form: 'woven',
  material: 'wr-300',
  resin: 'iso',
  ratio,
  of: 'Brant 56 1',
  where: 'Bottom aft',
  by: 'plugs',
  team: '',
  on: '2026-11-30',
  ...own,
});
const [many] = learn([0.9, 0.92, 0.91, 0.9].map((ratio) => read(ratio))) as [Learned];

const desk = new Page();
beforeEach(() => {
  desk.begin();
  desk.answer = () => [];
});
afterEach(() => desk.end());

const page = (inUse: LearningPage['inUse'] = []): LearningPage => ({
  learned: [],
  rates: [],
  inUse,
  ratesInUse: [],
  cloths: [],
});
function show(learned: Learned, inUse: LearningPage['inUse'] = [], onPage = vi.fn<(page: LearningPage) => void>()) {
  desk.show(<LearnedCard learned={learned} inUse={inUse} today="2026-12-01" onPage={onPage} />);
  return onPage;
}
const usedOf = (use: LearnedUse): LearningPage['inUse'][number] => ({
  ...use,
  id: 'u-1',
  author: 'I. Hallin',
  on: '2026-11-01',
  note: '',
});
const press = (name: string, at = 0) => fireEvent.click(screen.getAllByRole('button', { name })[at]!);

describe('what was learned', () => {
  it('is a share in its own words, with its band, what lies below, and what stands out', () => {
    const [odd] = learn([1, 1.01, 1, 1.005, 0.7].map((ratio, i) => read(ratio, { where: `Zone ${i}` }))) as [Learned];
    show(odd);
    expect(screen.getByRole('heading').textContent).toBe('Fibre share: woven, hand lay-up');
    const text = document.body.textContent!;
    expect(text).toMatch(/Published \d+\.\d\u00a0%; after 5 readings this yard lays \d+\.\d\u00a0%/);
    expect(text).toContain('No more than one part in ten lies below');
    expect(text).toContain('△ Zone 4 of Brant 56 1 stands out (Grubbs, 5 %); it stays in.');
    expect(screen.getByLabelText('Published and learned').textContent).toContain('Brant 56 1, Zone 4:');
  });
  it('of a core has the unit of its figure; of a ply it is a share of what is published', () => {
    const core = { property: 'coreStrength', form: 'all', material: 'pvc-80' } as const;
    const found = learn([0.9, 0.95, 0.92].map((ratio) => read(ratio, core)));
    show({ ...found[0]!, name: 'PVC 80', published: 950_000 });
    expect(screen.getByRole('heading').textContent).toBe('Shear strength of a core: PVC 80');
    expect(document.body.textContent).toMatch(/Published 950\.0 kPa; after 3 readings it is \d+\.\d kPa/);
    cleanup();
    show(learn([read(0.95, { property: 'stiffness' }), read(0.97, { property: 'stiffness' })])[0]!);
    expect(document.body.textContent).toMatch(/After 2 readings it is \d+\.\d\u00a0% of what is published/);
  });
  it('says why it may not be used yet, and offers nothing', () => {
    show(learn([read(0.9, { property: 'strength' })])[0]!);
    expect(document.body.textContent).toContain('Not to be used yet. 3 readings at least are wanted, and there are 1.');
    expect(screen.queryByRole('button')).toBeNull();
  });
  it('shows what it would change before it is used, and where a boat comes below its target', async () => {
    desk.answer = () => [
      { id: 'b', name: 'Tern', before: { mass: 100, least: 1.3 }, after: { mass: 104, least: 1.05 }, target: 1.1 },
      { id: 'c', name: 'Teal', before: { mass: 80, least: null }, after: { mass: 82, least: null }, target: 1.1 },
    ];
    show(many);
    press('What would it change?');
    const table = await waitFor(() => screen.getByRole('table', { name: 'What it changes' }));
    const [, tern, teal] = within(table).getAllByRole('row');
    expect(tern!.textContent).toBe('Tern100.0 kg104.0 kg1.301.05 △ below its target');
    expect(teal!.textContent).toBe('Teal80.0 kg82.0 kg––');
    const { searchParams } = new URL(desk.asked[0]!.url, 'http://yard');
    expect(Object.fromEntries(searchParams)).toMatchObject({ property: 'fibreShare', form: 'woven', material: '' });
    expect(Number(searchParams.get('factor'))).toBeCloseTo(many.use!.factor, 12);
  });
  it('says that no boat is laid so', async () => {
    show(many);
    press('What would it change?');
    await waitFor(() => expect(document.body.textContent).toContain('No boat is laid so.'));
  });
  it('is put to use as a fact of today, and taken back as the fact that it was', async () => {
    const used = usedOf(many.use!);
    desk.answer = ({ url }) => (url.includes('?') ? [] : page([used]));
    const onPage = show(many);
    press('What would it change?');
    await waitFor(() => screen.getByRole('button', { name: 'Put it to use on the Shelf' }));
    press('Put it to use on the Shelf');
    await waitFor(() => expect(onPage).toHaveBeenCalledWith(page([used])));
    const { body } = desk.asked.at(-1)!;
    expect(body).toMatchObject({ kind: 'learned', corrects: null, void: false, body: { n: 4, on: '2026-12-01' } });
    cleanup();
    show(many, [used]);
    expect(document.body.textContent).toContain('✓ in use since 2026-11-01, by I. Hallin');
    press('Take it back');
    await waitFor(() => expect(desk.asked.at(-1)!.body).toMatchObject({ corrects: 'u-1', void: true }));
    expect(desk.asked.at(-1)!.body!['body']).not.toHaveProperty('author');
  });
  it('says what the server refuses, and stays as it was', async () => {
    desk.answer = ({ url }) => (url.includes('?') ? [] : refusing(400, 'Look again'));
    const onPage = show(many);
    press('What would it change?');
    await waitFor(() => screen.getByRole('button', { name: 'Put it to use on the Shelf' }));
    press('Put it to use on the Shelf');
    await waitFor(() => expect(document.body.textContent).toContain('Look again'));
    expect(onPage).not.toHaveBeenCalled();
    expect(screen.getByRole('button', { name: 'Put it to use on the Shelf' })).toBeTruthy();
  });
});

describe('by cloth, team and season', () => {
  const ratios = [0.9, 0.91, 0.9, 1.05, 1.04, 1.06];
  const [apart] = learn(
    ratios.map((ratio, i) => read(ratio, { team: i < 3 ? 'North' : 'South', material: i < 3 ? 'wr-300' : 'wr-600' })),
  ) as [Learned];
  it('is told with what chance alone would do, and not at all where there is too little', () => {
    show(apart);
    const rows = within(screen.getByRole('table', { name: 'By cloth, team and season' })).getAllByRole('row');
    expect(rows.map((row) => row.textContent!.slice(0, 20))).toEqual([
      expect.stringContaining('Clothwr-300'),
      expect.stringContaining('Clothwr-600'),
      expect.stringContaining('TeamNorth'),
      expect.stringContaining('TeamSouth'),
    ]);
    for (const row of rows) expect(row.textContent).toContain('△ differs from the others (by chance alone: 0.0');
    cleanup();
    show(learn([read(0.9), read(0.91)])[0]!);
    expect(screen.queryByText('By cloth, team and season')).toBeNull();
  });
  it('one cloth is used by its own readings, apart from its form', async () => {
    show(apart);
    press('For wr-300 alone');
    await waitFor(() => screen.getByRole('button', { name: 'Put it to use on the Shelf' }));
    press('Put it to use on the Shelf');
    await waitFor(() => expect(desk.asked.at(-1)!.method).toBe('POST'));
    const { factor } = learnCloth(apart, 'wr-300')!.use!;
    expect(desk.asked.at(-1)!.body).toMatchObject({ body: { material: 'wr-300', n: 3, factor } });
    expect(factor).toBeLessThan(apart.use!.factor);
  });
  it('what is in use of a cloth is not what is in use of its form', () => {
    const own = learnCloth(apart, 'wr-300')!;
    expect(isSame(own.use!, own)).toBe(true);
    expect(isSame(own.use!, apart)).toBe(false);
    expect(isSame(apart.use!, apart)).toBe(true);
    expect(isSame({ ...apart.use!, process: 'infusion' }, apart)).toBe(false);
  });
});
