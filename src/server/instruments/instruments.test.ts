import { mkdtempSync } from 'node:fs';
import { connect, type Socket } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { faultsOf } from '@/cli/bench';
import { contextOf, type StoreContext } from '../context';
import { database } from '../database/open';
import { addReadings, beginTrace, endTrace, listTraces, thinTrace, traceCsv } from '../stores/traces';
import { Hub } from './hub';
import { pack, unpack, type TraceReading } from './pack';
import { Recorder } from './recorder';

vi.setConfig({ testTimeout: 90_000 });
let context: StoreContext;
const hub = new Hub();
beforeAll(async () => {
  delete (globalThis as { keramosDatabase?: unknown }).keramosDatabase;
  process.env['KERAMOS_DATA'] = mkdtempSync(path.join(tmpdir(), 'keramos-instruments-'));
  context = contextOf(await database(), 'T. Reed');
  await hub.open('127.0.0.1', 0);
});
afterAll(() => hub.close());

const plugIn = () =>
  new Promise<Socket>((resolve) => {
    const socket = connect(hub.listening!.port, '127.0.0.1', () => resolve(socket));
  });
const send = (socket: Socket, text: string) => new Promise<void>((resolve) => socket.write(text, () => resolve()));
const until = async (what: () => boolean) => {
  for (let i = 0; i < 6000 && !what(); i++) await new Promise((resolve) => setTimeout(resolve, 10));
  expect(what()).toBe(true);
};
const channel = (key: string) => hub.standing().find((one) => one.key === key);

describe('the line of the instruments', () => {
  it('hears what is said, by name, whatever comes in one packet or in many', async () => {
    const socket = await plugIn();
    await send(socket, 'hello s-1 Scale by the door\ns-1 ma');
    await send(socket, 'ss 12.5 kg\r\n');
    await until(() => channel('s-1/mass')?.value === 12.5);
    expect(channel('s-1/mass')).toMatchObject({ name: 'Scale by the door', state: 'moving' });
    socket.destroy();
  });
  it('goes on when one dies in the middle of a line, and the next begins its own', async () => {
    const first = await plugIn();
    await send(first, 's-2 mass 3');
    first.destroy();
    const second = await plugIn();
    await send(second, 's-2 mass 4 kg\n');
    await until(() => channel('s-2/mass') !== undefined);
    expect(channel('s-2/mass')!.value).toBe(4);
    second.destroy();
  });
  it('thins a flood of 50,000 lines, and hears the others meanwhile', async () => {
    const [flood, quiet] = [await plugIn(), await plugIn()];
    await send(flood, 'f-1 force 1.5 kN\n'.repeat(50_000));
    await send(quiet, 'q-1 mass 7 kg\n');
    await until(() => channel('q-1/mass')?.value === 7);
    await until(() => channel('f-1/force') !== undefined);
    // Not one figure for every line: what comes too close together is passed over.
    expect(hub.channels.get('f-1/force')!.recent.length).toBeLessThan(200);
    flood.destroy();
    quiet.destroy();
  });
  it('says what it refused, and of whom', async () => {
    const socket = await plugIn();
    await send(socket, 'u-1 mass 7 kg\nu-1 mass 7 stone\n\x00\xff garbage\n');
    await until(() => (channel('u-1/mass')?.refused?.times ?? 0) > 0 && hub.unknown.times > 0);
    expect(channel('u-1/mass')!.refused!.why).toContain('stone');
    socket.destroy();
  });
  it('keeps no line that never ends', async () => {
    const socket = await plugIn();
    await send(socket, 'x'.repeat(5_000_000));
    await send(socket, '\nv-1 mass 2 kg\n');
    await until(() => channel('v-1/mass')?.value === 2);
    socket.destroy();
  });
  it('says of a port that is taken that it is, and stops nothing', async () => {
    const other = new Hub();
    await other.open('127.0.0.1', hub.listening!.port);
    expect(other.trouble).toContain('taken by another program');
    expect(other.listening).toBeNull();
  });
});

describe('faults of the simulated shop', () => {
  it('are named by instrument', () => {
    expect(faultsOf(['scale-1=stuck,noise'])).toEqual({ 'scale-1': ['stuck', 'noise'] });
    expect(() => faultsOf(['scale-1=lazy'])).toThrow('is no fault');
    expect(() => faultsOf(['nobody=stuck'])).toThrow('is no fault');
  });
});

describe('a trace', () => {
  const readings = (n: number, from = 0): TraceReading[] =>
    Array.from({ length: n }, (_, i) => ({
      at: 1_700_000_000_000 + 1000 * (from + i),
      value: 20 + Math.sin((from + i) / 50),
    }));
  it('packs and unpacks to what it was', () => {
    const some = readings(1000);
    const body = pack(some);
    expect(unpack(body, some[0]!.at).map(({ at }) => at)).toEqual(some.map(({ at }) => at));
    unpack(body, some[0]!.at).forEach(({ value }, i) => expect(value).toBeCloseTo(some[i]!.value, 5));
    expect(body.length).toBeLessThan(4 * some.length);
  });
  it('grows by little and by little into full chunks; what comes twice or late is left out', async () => {
    await beginTrace(context, {
      id: 't-1',
      build: null,
      part: '',
      channel: 'c/temperature',
      quantity: 'temperature',
      name: 'Cure',
    });
    for (let i = 0; i < 30; i++) await addReadings(context, 't-1', readings(300, 300 * i));
    await addReadings(context, 't-1', readings(300, 0));
    const chunks = await context.db.selectFrom('trace_chunk').select('count').where('trace_id', '=', 't-1').execute();
    expect(chunks.map(({ count }) => count)).toEqual([4096, 4096, 808]);
    const [trace] = await listTraces(context);
    expect(trace).toMatchObject({ name: 'Cure', count: 9000, endedAt: null });
    const lines: string[] = [];
    for await (const some of traceCsv(context, 't-1')) lines.push(some);
    expect(lines.join('').trim().split('\n')).toHaveLength(9001);
  });
  it('is thinned with its peaks, and whole where it is looked at closely', async () => {
    const all = await thinTrace(context, 't-1', { points: 100 });
    expect(all.length).toBeLessThanOrEqual(100);
    expect(Math.max(...all.map(({ most }) => most))).toBeCloseTo(21, 2);
    expect(Math.min(...all.map(({ least }) => least))).toBeCloseTo(19, 2);
    const from = 1_700_000_000_000 + 1_000_000;
    const close = await thinTrace(context, 't-1', { from, to: from + 20_000, points: 100 });
    expect(close).toHaveLength(21);
  });
  it('of ten million readings is found in the chunks, without opening them', async () => {
    await beginTrace(context, {
      id: 't-year',
      build: null,
      part: '',
      channel: 'c/x',
      quantity: 'temperature',
      name: 'A year',
    });
    const some = readings(4096);
    const body = pack(some);
    const rows = Array.from({ length: 2442 }, (_, i) => ({
      trace_id: 't-year',
      from_ms: some[0]!.at + i * 4_096_000,
      to_ms: some.at(-1)!.at + i * 4_096_000,
      count: 4096,
      least: 19,
      most: 21 + i / 1000,
      body,
    }));
    for (let i = 0; i < rows.length; i += 200)
      await context.db
        .insertInto('trace_chunk')
        .values(rows.slice(i, i + 200))
        .execute();
    const trace = (await listTraces(context)).find(({ id }) => id === 't-year')!;
    expect(trace.count).toBeGreaterThan(10_000_000);
    const drawn = await thinTrace(context, 't-year', {});
    expect(drawn.length).toBeLessThanOrEqual(600);
    expect(drawn.at(-1)!.most).toBeCloseTo(23.44, 1);
  });
  it('ends, and then takes nothing more', async () => {
    await endTrace(context, 't-1');
    await expect(addReadings(context, 't-1', readings(1, 99_999))).rejects.toMatchObject({ code: 'invalid' });
    await expect(addReadings(context, 'nobody', readings(1))).rejects.toMatchObject({ code: 'notFound' });
    await expect(beginTrace(context, { id: 't-2' })).rejects.toMatchObject({ code: 'invalid' });
  });
  it('is recorded from an instrument, without what is stale or stuck, and goes on after a start', async () => {
    let now = 5_000_000;
    const source = new Hub(() => now);
    const recorder = new Recorder(source, async () => context);
    const asked = { id: 't-3', build: null, part: '', channel: 'a/temperature', quantity: 'temperature', name: 'Shop' };
    await recorder.begin(context, asked);
    const running = (recorder as unknown as { running: Map<string, { pending: TraceReading[] }> }).running;
    const one = running.get('t-3') as never;
    for (let i = 0; i < 5; i++) {
      now += 1000;
      source.take(`a temperature ${(20 + i / 10).toFixed(1)} C`);
      recorder.read(one);
    }
    now += 10_000;
    recorder.read(one);
    expect(running.get('t-3')!.pending).toHaveLength(5);
    source.take('a temperature 21 C over');
    recorder.read(one);
    expect(running.get('t-3')!.pending).toHaveLength(5);
    const after = new Recorder(source, async () => context);
    await after.resume(context);
    expect([...(after as unknown as { running: Map<string, unknown> }).running.keys()]).toContain('t-3');
    await after.end(context, 't-3');
    await recorder.end(context, 't-3');
  });
});
