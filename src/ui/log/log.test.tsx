// @vitest-environment happy-dom
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { brant } from '../../../tests/helpers/merrow';
import { memoryKeeper, newDisk, type Disk } from '../../../tests/helpers/memoryKeeper';
import { choose, press, shown, type, went, Yard } from '../../../tests/helpers/yard';
import { isWet } from '@/core/build';
import { buildForFloor } from '@/server/floor/floorBuild';
import { hub } from '@/server/instruments/hub';
import { readInstruments } from '@/server/instruments/readInstruments';
import { readBook } from '@/server/log/readBook';
import { readLearning } from '@/server/log/readLearning';
import { readLog, readYardLog } from '@/server/log/readLog';
import { readTrials, trialBoatOf } from '@/server/log/readTrials';
import { createBoat, readBoat } from '@/server/stores/boats';
import { beginBuild, readBuild } from '@/server/stores/builds';
import { keepRecords, listRecords } from '@/server/stores/buildRecords';
import { issueRevision } from '@/server/stores/revisions';
import { readSetting } from '@/server/stores/settings';
import { addReadings, beginTrace } from '@/server/stores/traces';
import { keepWeighIn } from '@/server/stores/weighIns';
import { FloorScreen } from '../floor/FloorScreen';
import { HullScreen } from './HullScreen';
import { InstrumentsScreen } from './InstrumentsScreen';
import { LearningScreen } from './LearningScreen';
import { LogScreen } from './LogScreen';
import { TrialsScreen } from './TrialsScreen';

let disk: Disk;
vi.mock('../floor/idbKeeper', async () => ({
  idbKeeper: new Proxy({}, { get: (_, key: string) => memoryKeeper(disk)[key as 'read'] }),
}));
vi.mock('../floor/keepOpen', () => ({ keepOpen: async () => false }));
vi.mock('next/navigation', () => ({ usePathname: () => '/log', useRouter: () => went }));
vi.mock('../shared/charts/Chart', () => ({
  Chart: ({ children, label }: { children: string; label: string }) => <figure aria-label={label}>{children}</figure>,
}));

const begin = async ({ context }: Yard): Promise<string> => {
  const { id, version } = await createBoat(context, brant());
  await issueRevision(context, id, version, { author: 'I. Hallin', note: 'first', answer: 'as it is' });
  await beginBuild(context, id, { id: 'b-1', revision: 'A', hull: '1', parts: {} });
  return id;
};
let yard: Yard;
let boatId: string;
beforeEach(async () => {
  window.localStorage.clear();
  window.localStorage.setItem('keramos.person', 'T. Reed');
  disk = newDisk();
  hub().channels.clear();
  [yard, boatId] = await Yard.begun(begin);
});
afterEach(() => yard.close());

const kept = async () => (await listRecords(yard.context, 'b-1')).records;
const floor = async () => yard.lay(<FloorScreen buildId="b-1" initial={await buildForFloor(yard.context, 'b-1')} />);
const reading = (id: string, what: string, value: number, zone = 'bottom-aft') => ({
  id,
  kind: 'reading',
  person: 'T. Reed',
  device: 'd',
  at: `2026-11-30T08:00:0${id.length % 10}Z`,
  corrects: null,
  body: { what, value, part: 'hull', zone, skin: '', at: null, instrument: '', note: '' },
});
const ZONES = ['bottom-aft', 'bottom-fwd', 'topside-aft', 'topside-fwd'];
const tell = (records: unknown[]) => keepRecords(yard.context, 'b-1', { records, vouch: async () => null });

describe('on the floor', () => {
  it('a thickness is read where it is tapped, taken back, and stays on record', async () => {
    await floor();
    press('Readings');
    const map = screen.getAllByRole('img', { name: /tap where it is read/ })[0]!;
    fireEvent.click(map, { clientX: 10, clientY: 10 });
    type(/^thickness/, '6.5 mm');
    press('Keep the reading');
    await shown('6.5 mm');
    await waitFor(async () =>
      expect((await kept())[0]).toMatchObject({ body: { what: 'thickness', value: expect.closeTo(0.0065, 9) } }),
    );
    press('Take it back');
    fireEvent.change(screen.getByLabelText('Why'), { target: { value: 'slipped' } });
    press('It was misread');
    await waitFor(async () => expect((await kept()).map(({ kind }) => kind)).toEqual(['reading', 'undone']));
  });
  it('a pull is stopped beyond its stop load, and signed with what it came to', async () => {
    await floor();
    press('Pulls');
    await waitFor(() => screen.getByRole('button', { name: 'Sign the pull' }));
    const stop = Number(/stop at ([\d.]+)/.exec(document.body.textContent!)![1]);
    const curve = (most: number) =>
      Array.from({ length: 11 }, (_, i) => `${(most * i) / 10}; ${(4 * i) / 10}`).join('\n');
    const field = () => screen.getByLabelText(/^Load and deflection/);
    fireEvent.change(field(), { target: { value: 'one; two' } });
    fireEvent.change(field(), { target: { value: `0;0\nnonsense 4` } });
    await shown(/Line 2 is no load and deflection/);
    fireEvent.change(field(), { target: { value: curve(stop * 1.2) } });
    await shown(/^STOP:/);
    fireEvent.change(field(), { target: { value: curve(stop) } });
    expect(screen.queryByText(/^STOP:/)).toBeNull();
    type(/^What stayed bent/, '0.1 mm');
    await shown('✓ passed');
    type(/^What stayed bent/, '2 mm');
    await shown(/more stayed bent/);
    type(/^What stayed bent/, '0.1 mm');
    press('Sign the pull');
    await shown(/^✓ passed$/);
    await waitFor(async () => expect((await kept())[0]).toMatchObject({ kind: 'proof', body: { passed: true } }));
  });
  it('air and thickness are taken from instruments that may be taken, and from no other', async () => {
    const say = (line: string) => [0, 1, 2].forEach(() => hub().take(line));
    const at = vi.spyOn(Date, 'now');
    let now = 1_800_000_000_000;
    at.mockImplementation(() => (now += 100));
    say('air-1 temperature 19.5 C');
    say('air-2 temperature 19.5 C over');
    at.mockRestore();
    const fresh = vi.spyOn(hub(), 'standing');
    const standing = hub()
      .standing()
      .map((one) => ({ ...one, ageMs: 100, state: one.id === 'air-1' ? 'steady' : 'over', value: 19.5 }) as never);
    fresh.mockReturnValue(standing);
    await floor();
    press('Read the air');
    const take = await waitFor(() => screen.getByRole<HTMLButtonElement>('button', { name: /from air-1/ }));
    expect(take.disabled).toBe(false);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: /from air-2/ }).disabled).toBe(true);
    fireEvent.click(take);
    await waitFor(() => expect(screen.getByLabelText<HTMLInputElement>(/Temperature at the mould/).value).toBe('19.5'));
    fresh.mockRestore();
  });
});

describe('the log', () => {
  it('shows a hull beside its plan, what explains its weight, and what stands out', async () => {
    await tell(
      [0.0064, 0.0065, 0.00645, 0.00642, 0.0099].map((value, i) =>
        reading(`r-${'x'.repeat(i + 1)}`, 'thickness', value),
      ),
    );
    await tell([reading('p-1', 'fibreShare', 0.3)]);
    const weighIn = { id: 'w', hull: '1', subject: 'hull', stage: 'bare', mass: 150, scales: 0.5, day: '2026-11-30' };
    await keepWeighIn(yard.context, boatId, { ...weighIn, note: '', corrects: null, void: false });
    await yard.lay(<HullScreen hull={(await readLog(yard.context, 'b-1'))!} />);
    expect(screen.getByText(/Bottom aft reads a fibre share of 0.30 against/)).toBeTruthy();
    expect(screen.getByRole('table', { name: 'Readings by zone' }).textContent).toContain('9.9 mm stands out');
    expect(screen.getByRole('link', { name: 'full' }).getAttribute('href')).toBe('/api/log/b-1/book?edition=full');
  });
  it('a cure is drawn over its plan, and said where it ran off', async () => {
    await beginTrace(yard.context, {
      id: 't-1',
      build: 'b-1',
      part: 'hull',
      channel: 'thermo-2',
      quantity: 'temperature',
      name: 'Cure of the hull',
    });
    const from = Date.parse('2026-11-30T08:00:00Z');
    await addReadings(
      yard.context,
      't-1',
      Array.from({ length: 60 }, (_, i) => ({ at: from + i * 600_000, value: 20 + (i === 12 ? 60 : i / 10) })),
    );
    await yard.lay(<HullScreen hull={(await readLog(yard.context, 'b-1'))!} />);
    await shown('Cure of the hull');
    press('Draw');
    await shown(/Furthest from “Hull in a cold shop” in .*: \+\d+ °C after 2.0 h\. △ Another cure than planned/);
    expect(screen.getByText(/Nobody said when the resin was in/)).toBeTruthy();
    const { book } = await readBook(yard.context, 'b-1');
    expect(book.traces).toMatchObject([{ id: 't-1', count: 60, most: 80, least: 20 }]);
  });
  it('shows the yard, one hull as figures', async () => {
    await tell([reading('p-1', 'fibreShare', 0.3)]);
    await yard.lay(<LogScreen yard={await readYardLog(yard.context)} />);
    expect(screen.getByRole('table', { name: 'Read of one hull so far' }).textContent).toContain(
      'fibre share over planned',
    );
  });
});

describe('trials', () => {
  const open = async () => {
    const boat = trialBoatOf(boatId, (await readBoat(yard.context, boatId)).boat);
    return yard.lay(<TrialsScreen initial={await readTrials(yard.context)} boats={[boat]} today="2026-11-30" />);
  };
  it('begins a series, reads a curve, keeps the sample, and goes on with a layer less', async () => {
    await open();
    press('Begin a series');
    fireEvent.change(screen.getByLabelText('Series'), { target: { value: 'Locker lid' } });
    await shown(/Should weigh/);
    type(/^Must bear/, '0.5 kN');
    fireEvent.change(screen.getByLabelText(/^Load and deflection/), {
      target: { value: 'load;bend\n0;0\n0.2;1\n0.4;2\n0.6;3\n0.8;4.1' },
    });
    press('First crack, or broken');
    choose('What happened', 'core sheared');
    press('Keep the sample');
    const table = await waitFor(() => screen.getByRole('table', { name: 'Samples' }));
    expect(table.textContent).toContain('core sheared');
    expect(table.textContent).toMatch(/meets|too strong/);
    press('Next from this');
    await waitFor(() => expect(screen.getByLabelText<HTMLInputElement>('Sample').value).toBe('B'));
    const layers = within(screen.getByRole('table', { name: /^Layers of the sample/ })).getAllByRole('row').length;
    press('Leave layer 1 out');
    expect(within(screen.getByRole('table', { name: /^Layers of the sample/ })).getAllByRole('row')).toHaveLength(
      layers - 1,
    );
    expect(await readTrials(yard.context)).toHaveLength(1);
  });
  it('says which line of a paste does not read, and loses nothing', async () => {
    await open();
    press('Begin a series');
    fireEvent.change(screen.getByLabelText('Series'), { target: { value: 'Lid' } });
    const field = screen.getByLabelText<HTMLTextAreaElement>(/^Load and deflection/);
    fireEvent.change(field, { target: { value: '0;0\n1;x' } });
    await shown(/Line 2 is no load and deflection/);
    expect(field.value).toBe('0;0\n1;x');
  });
});

describe('learning', () => {
  it('shows what the hulls say, what it would change, puts it to use and takes it back', async () => {
    await tell([reading('p-1', 'fibreShare', 0.3), reading('p-22', 'fibreShare', 0.31, 'topside-aft')]);
    await yard.lay(<LearningScreen initial={await readLearning(yard.context)} today="2026-11-30" />);
    expect(screen.getAllByText(/this yard lays/).length).toBeGreaterThan(0);
    press('What would it change?');
    await waitFor(() =>
      expect(screen.getByRole('table', { name: 'What it changes' }).textContent).toContain('Brant 56'),
    );
    press('Put it to use on the Shelf');
    await shown('✓ in use');
    press('Take it back');
    await shown(/Not in use/);
  });
  it('puts hours into the rates of Weights and takes them out again', async () => {
    await tell([reading('h-1', 'hours', 80, '')]);
    // Half a hull says nothing of the whole: its wet steps are done first.
    const { plan } = await readBuild(yard.context, 'b-1');
    const own = { person: 'T. Reed', device: 'd', at: '2026-11-30T09:00:00Z', corrects: null };
    const wet = plan.steps.filter((step) => step.partId === 'hull' && isWet(step));
    await tell(
      wet.flatMap(({ id: step }, i) => [
        { ...own, id: `begun-${i}`, kind: 'begun', body: { step } },
        { ...own, id: `done-${i}`, kind: 'done', body: { step, note: '' } },
      ]),
    );
    await yard.lay(<LearningScreen initial={await readLearning(yard.context)} today="2026-11-30" />);
    const cut = async () => (await readSetting(yard.context, 'rates')).body.processes.handLayUp.cut;
    const before = await cut();
    press('What would it change?');
    await waitFor(() =>
      expect(screen.getByRole('table', { name: 'What it changes' }).textContent).toMatch(/Brant 56\d+ h\d+ h/),
    );
    press('Put it into the rates');
    await shown('✓ in use');
    expect(await cut()).not.toBe(before);
    // The page was left in between: it can still be taken back.
    cleanup();
    await yard.lay(<LearningScreen initial={await readLearning(yard.context)} today="2026-12-01" />);
    press('Take it back');
    await waitFor(async () => expect(await cut()).toBe(before));
  });
  it('weighs a cloth, and uses its weight for that cloth alone', async () => {
    await yard.lay(<LearningScreen initial={await readLearning(yard.context)} today="2026-11-30" />);
    choose('Cloth', /WR/);
    type(/^Length of the piece/, '2 m');
    type(/^It weighs/, '0.7 kg');
    await shown(/g\/m², .* with its binder by the Shelf/);
    press('Write it down');
    await shown(/^Dry weight of a cloth: /);
    press('What would it change?');
    await waitFor(() => screen.getByRole('button', { name: 'Put it to use on the Shelf' }));
    press('Put it to use on the Shelf');
    await shown('✓ in use');
    const { inUse } = await readLearning(yard.context);
    expect(inUse).toMatchObject([{ property: 'arealWeight', n: 1 }]);
    expect(inUse[0]!.was.length).toBeGreaterThan(0);
  });
  it('tells cloths apart where one has readings enough, and says why a strength may not be used yet', async () => {
    await tell([0.3, 0.31, 0.3, 0.32].map((value, i) => reading(`p-${'x'.repeat(i)}`, 'fibreShare', value, ZONES[i])));
    await yard.lay(<LearningScreen initial={await readLearning(yard.context)} today="2026-11-30" />);
    const table = screen.queryByRole('table', { name: 'By cloth, team and season' });
    const { learned } = await readLearning(yard.context);
    expect(table !== null).toBe(learned.some(({ slices }) => slices.length > 0));
    expect(learned.every(({ use, why }) => (use === null) !== (why === null))).toBe(true);
  });
  it('says how to begin where nothing was read', async () => {
    await yard.lay(<LearningScreen initial={await readLearning(yard.context)} today="2026-11-30" />);
    expect(screen.getByText(/Nothing was read that teaches yet/)).toBeTruthy();
  });
});

describe('instruments', () => {
  it('shows what each says, refuses what lies, and keeps a calibration', async () => {
    hub().take('hello scale-1 Platform scale');
    hub().take('scale-1 mass 12.5 kg');
    hub().take('scale-1 mass 12.5 stone');
    await yard.lay(<InstrumentsScreen initial={await readInstruments(yard.context)} today="2026-11-30" />);
    const table = screen.getByRole('table', { name: 'Instruments' });
    expect(table.textContent).toContain('Platform scale');
    expect(table.textContent).toContain('1 lines refused, the last: “stone” is no unit of mass');
    fireEvent.change(screen.getByLabelText('Instrument that was calibrated'), { target: { value: 'scale-1' } });
    fireEvent.change(screen.getByLabelText('Holds until'), { target: { value: '2026-01-01' } });
    press('Write it down', screen.getByRole('form', { name: 'Calibrated' }));
    await waitFor(async () =>
      expect((await readInstruments(yard.context)).channels[0]).toMatchObject({ isOverdue: true }),
    );
  });
});
