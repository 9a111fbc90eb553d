// @vitest-environment happy-dom
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Page, press, words } from '../../../tests/helpers/asked';
import { USUAL_RATES } from '@/core/cost';
import { learnRates, type LearningPage, type LogOfBuild, type LogOfYard, type PlannedCure } from '@/core/log';
import { ClothCard } from './ClothCard';
import { HullScreen } from './HullScreen';
import { LogScreen } from './LogScreen';
import { RateCard } from './RateCard';
import { TracesCard } from './TracesCard';

vi.mock('next/navigation', () => ({ usePathname: () => '/log', useRouter: () => ({ push: vi.fn() }) }));
vi.mock('../shared/charts/Chart', () => ({
  Chart: ({ children, label }: { children: string; label: string }) => <figure aria-label={label}>{children}</figure>,
}));

const desk = new Page();
beforeEach(() => desk.begin());
afterEach(() => desk.end());
const empty: LearningPage = { learned: [], rates: [], inUse: [], ratesInUse: [], cloths: [] };

describe('a rate', () => {
  const observed = { rate: 'hours', process: 'handLayUp', hull: '1' } as const;
  const [hours] = learnRates(USUAL_RATES, [
    { ...observed, part: 'Hull', ratio: 1.3 },
    { ...observed, part: 'Deck', ratio: 1.2 },
  ]);
  it('is shown with what it would change in hours and money, and put into the rates', async () => {
    const effect = { id: 'b', name: 'Tern', currency: 'EUR' };
    desk.answer = ({ url }) =>
      url.includes('?')
        ? [{ ...effect, before: { hours: 100, cost: 9000 }, after: { hours: 118, cost: 9800 } }]
        : empty;
    const onPage = vi.fn<(page: LearningPage) => void>();
    desk.show(<RateCard learned={hours!} used={undefined} today="2026-12-01" onPage={onPage} />);
    expect(words()).toMatch(/By the rates 1\.00; after 2 parts 1\.\d\d ± 0\.\d\d \(1\.30, 1\.20\)/);
    press('What would it change?');
    const table = await waitFor(() => screen.getByRole('table', { name: 'What it changes' }));
    expect(within(table).getAllByRole('row')[1]!.textContent).toBe('Tern100 h118 h9000 EUR9800 EUR');
    press('Put it into the rates');
    await waitFor(() => expect(onPage).toHaveBeenCalledWith(empty));
    expect(desk.sent('POST')[0]!.body).toMatchObject({
      kind: 'learnedRate',
      body: { rate: 'hours', process: 'handLayUp', n: 2, on: '2026-12-01' },
    });
  });
  it('in use says since when and by whom, and is taken back as it was put', async () => {
    desk.answer = () => empty;
    const kept = { rate: 'hours', process: 'handLayUp', value: 1.2, n: 2, was: { cut: 0.05 } } as const;
    const used = { ...kept, id: 'r-1', author: 'I. Hallin', on: '2026-11-01', note: '' };
    desk.show(<RateCard learned={hours!} used={used} today="2026-12-01" onPage={vi.fn()} />);
    expect(words()).toContain('✓ in use since 2026-11-01, by I. Hallin: 1.20 from 2 parts');
    press('Take it back');
    await waitFor(() => expect(desk.sent('POST')[0]!.body).toMatchObject({ corrects: 'r-1', void: true, body: kept }));
  });
});

describe('cloth on the scales', () => {
  const cloths = [
    { id: 'wr-300', code: 'WR300', name: 'Woven 300', arealWeight: 0.3 },
    { id: 'bx-600', code: 'BX600', name: 'Biaxial 600', arealWeight: 0.606 },
  ];
  const open = (onPage = vi.fn<(page: LearningPage) => void>(), units: 'metric' | 'us' = 'metric') => {
    desk.show(<ClothCard cloths={cloths} today="2026-12-01" onPage={onPage} />, { units });
    return onPage;
  };
  const enter = (label: RegExp, text: string) => {
    const field = screen.getByLabelText(label);
    fireEvent.change(field, { target: { value: text } });
    fireEvent.blur(field);
  };
  it('is held against the Shelf before it is written down, for the area that was cut', async () => {
    desk.answer = ({ url }) => (url.includes('learning') ? empty : { channels: [] });
    const onPage = open();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Write it down' }).disabled).toBe(true);
    fireEvent.change(screen.getByLabelText('Cloth'), { target: { value: 'bx-600' } });
    enter(/^Length/, '2 m');
    enter(/^Width/, '1.25 m');
    enter(/^It weighs/, '1.55 kg');
    expect(screen.getByRole('status').textContent).toBe('620 g/m², 606 g/m² with its binder by the Shelf.');
    enter(/^Lot/, 'B1');
    press('Write it down');
    await waitFor(() => expect(onPage).toHaveBeenCalledWith(empty));
    const { body } = desk.sent('POST')[0]!.body as { body: Record<string, unknown> };
    expect(body).toMatchObject({ material: 'bx-600', lot: 'B1', area: 2.5, on: '2026-12-01' });
    expect(body['mass']).toBeCloseTo(1.55, 9);
    // Ready for the next piece.
    expect(screen.queryByRole('status')).toBeNull();
  });
  it('is typed in pounds and feet where the reader has them', () => {
    open(vi.fn(), 'us');
    enter(/^Length/, '10 ft');
    enter(/^Width/, '5 ft');
    enter(/^It weighs/, '5 lb');
    expect(screen.getByRole('status').textContent).toMatch(/^14\.4 oz\/yd², 8\.8 oz\/yd²/);
  });
  it('that is refused stays typed, with the reason', async () => {
    const refusal = { error: { code: 'forbidden', message: 'Only who may measure', path: '' } };
    desk.answer = ({ method }) => (method === 'POST' ? Response.json(refusal, { status: 403 }) : { channels: [] });
    const onPage = open();
    enter(/^It weighs/, '0.31 kg');
    press('Write it down');
    await waitFor(() => expect(words()).toContain('Only who may measure'));
    expect(onPage).not.toHaveBeenCalled();
    expect(screen.getByRole('status').textContent).toContain('310 g/m²');
  });
});

describe('over hours', () => {
  const trace = {
    id: 't-1',
    part: 'hull',
    channel: 'thermo-2',
    quantity: 'temperature',
    name: 'Cure of the hull',
    begunAt: '2026-11-30T08:00:00Z',
    endedAt: '2026-11-30T18:00:00Z',
    count: 3,
  };
  const from = Date.parse(trace.begunAt);
  const stretches = [0, 1, 2].map((hour) => ({
    from: from + hour * 3_600_000,
    to: from + hour * 3_600_000 + 60_000,
    least: 20 + hour,
    most: 21 + hour,
  }));
  const moment = (hours: number) => ({ time: 3600 * hours, air: 20, hottest: 20 + hours, coolest: 20 });
  const planned: PlannedCure = { plan: 'Warm', zone: 'Bottom', from, moments: [moment(0), moment(1), moment(2)] };
  const draw = async (plan: PlannedCure | null, own = trace, of = stretches) => {
    desk.answer = ({ url }) => (url.includes('/api/traces/') ? { stretches: of, planned: plan } : [own]);
    desk.show(<TracesCard channels={[]} build="b-1" />);
    fireEvent.click(await waitFor(() => screen.getByRole('button', { name: 'Draw' })));
    await waitFor(() => screen.getByRole('figure', { name: 'Cure of the hull, over time' }));
  };
  it('says from what to what it went, and how far from its plan', async () => {
    await draw(planned);
    expect(screen.getByRole('figure').textContent).toBe('From 20 °C to 23 °C.');
    expect(words()).toContain('Furthest from “Warm” in Bottom: +1 °C after 0.0 h.');
    expect(words()).not.toContain('Another cure');
    expect(screen.getByRole('link', { name: 'CSV' }).getAttribute('href')).toBe('/api/traces/t-1?format=csv');
  });
  it('says what ran off, and what was read while nothing was planned', async () => {
    await draw(
      planned,
      trace,
      stretches.map((one) => ({ ...one, least: one.least + 12, most: one.most + 12 })),
    );
    expect(words()).toContain('+13 °C after 0.0 h. △ Another cure than planned');
    cleanup();
    await draw({ ...planned, from: from + 36_000_000 });
    expect(words()).toContain('Nothing was read while “Warm” runs.');
    cleanup();
    await draw({ ...planned, from: null });
    expect(words()).toContain('Nobody said when the resin was in');
  });
  it('is drawn without a plan where it has none, and empty where nothing came', async () => {
    await draw(null);
    expect(words()).not.toContain('Furthest');
    cleanup();
    await draw(null, trace, []);
    expect(screen.getByRole('figure').textContent).toBe('Nothing was read yet.');
  });
  it('is begun for a part, and ended', async () => {
    const channel = { key: 'thermo-2 temperature', id: 'thermo-2', name: 'Thermocouple 2', quantity: 'temperature' };
    desk.answer = () => [{ ...trace, endedAt: null }];
    const parts = [
      { id: 'hull', name: 'Hull' },
      { id: 'deck', name: 'Deck' },
    ];
    desk.show(<TracesCard channels={[channel as never]} build="b-1" parts={parts} />);
    await waitFor(() => expect(words()).toContain('▶ running'));
    fireEvent.change(screen.getByLabelText('Part that it is of'), { target: { value: 'deck' } });
    fireEvent.change(screen.getByLabelText('What it is of'), { target: { value: 'Deck, midships' } });
    press('Record it');
    await waitFor(() =>
      expect(desk.sent('POST')[0]!.body).toMatchObject({ build: 'b-1', part: 'deck', name: 'Deck, midships' }),
    );
    press('End it');
    await waitFor(() => expect(desk.sent('DELETE')[0]!.url).toBe('/api/traces/t-1'));
  });
});

describe('a hull beside its plan', () => {
  const zone = { id: 'z', partId: 'hull', name: 'Bottom' };
  const reading = (value: number) => ({ id: `r-${value}`, body: { what: 'hardness', value, skin: '', at: null } });
  const read = (what: string, values: number[], own: object) => ({
    zone,
    what,
    readings: values.map(reading),
    mean: values.reduce((sum, value) => sum + value, 0) / values.length,
    standardDeviation: null,
    planned: null,
    limits: [null, null],
    outside: 0,
    outlier: null,
    ...own,
  });
  const hull = (zones: object[]): LogOfBuild =>
    ({
      id: 'b-1',
      boatId: 'tern',
      boat: 'Tern',
      hull: '1',
      revision: 'A',
      units: 'metric',
      createdAt: '2026-11-01T08:00:00Z',
      closedAt: null,
      causes: [],
      skins: [],
      log: {
        elsewhere: [],
        parts: [
          {
            partId: 'hull',
            name: 'Hull',
            mass: { planned: 100, weighed: null },
            resin: { planned: 40, mixed: 0, thrown: 0 },
            drop: null,
            zones,
            hours: { planned: 40, read: null },
            defects: 0,
            isLaid: false,
          },
        ],
      },
    }) as unknown as LogOfBuild;
  it('says within what each should lie, on one side or both, and how many do not', () => {
    desk.answer = () => [];
    desk.show(
      <HullScreen
        hull={hull([
          read('hardness', [30, 40], { limits: [35, null], outside: 1 }),
          read('temperature', [60], { limits: [null, 90] }),
          read('thickness', [0.006], { planned: 0.006, limits: [0.005, 0.007] }),
          read('gap', [0.001], {}),
        ])}
      />,
    );
    const rows = within(screen.getByRole('table', { name: 'Readings by zone' })).getAllByRole('row');
    expect(rows[1]!.textContent).toContain('at least 35');
    expect(rows[1]!.textContent).toContain('△ 1 of 2 beyond');
    expect(rows[2]!.textContent).toContain('at most 90 °C');
    expect(rows[2]!.textContent).not.toContain('beyond');
    expect(rows[3]!.textContent).toContain('5.0 mm to 7.0 mm');
    expect(rows[4]!.textContent).not.toMatch(/at least|at most| to /);
    expect(words()).toContain('Not weighed yet');
  });
});

describe('the yard', () => {
  const yard = (learned: LogOfYard['learned']): LogOfYard => ({ boats: [], builds: [], learned });
  it('says what of learning is in use, and where to look while nothing is', () => {
    desk.show(<LogScreen yard={yard([])} />);
    expect(words()).toContain('Nothing yet: boats are built by what is published.');
    expect(words()).toContain('No hull has been begun');
    cleanup();
    desk.show(
      <LogScreen
        yard={yard([{ says: 'Fibre share of woven, infusion: 0.970', on: '2026-11-30', author: 'I. Hallin' }])}
      />,
    );
    expect(words()).toContain('Fibre share of woven, infusion: 0.970 since 2026-11-30, by I. Hallin');
  });
});
