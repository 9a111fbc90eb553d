import { Worker } from 'node:worker_threads';
import { afterEach, describe, expect, it } from 'vitest';
import { Thread, type ThreadLimits } from './thread';

/** A thread that does as it is told: answers, refuses, breaks, dies, hangs, or fills its memory. */
const PROGRAM = `
  const { parentPort } = require('node:worker_threads');
  parentPort.on('message', ({ id, question }) => {
    if (question === 'hang') for (;;);
    if (question === 'die') process.exit(1);
    if (question === 'fill') { const all = []; for (;;) all.push(new Array(1e5).fill(Math.random())); }
    if (question === 'tell')
      for (const done of [0.25, 0.75]) parentPort.postMessage({ id, progress: { done, at: 'pages' } });
    if (question === 'break') return parentPort.postMessage({ id, problem: 'broke' });
    if (question === 'refuse')
      return parentPort.postMessage({
        id, refusal: { code: 'invalid', text: 'No', path: 'a.b', details: { given: 1 } },
      });
    const wait = Number(question) || 0;
    setTimeout(() => parentPort.postMessage({ id, answer: 'after ' + wait }), wait);
  });
`;
let started: Worker[] = [];
const thread = (limits: Partial<ThreadLimits> = {}) =>
  new Thread<string, string>({
    start: () => {
      const worker = new Worker(PROGRAM, { eval: true, resourceLimits: { maxOldGenerationSizeMb: 32 } });
      started.push(worker);
      return worker;
    },
    milliseconds: 20_000,
    tooMuch: 'too much',
    ...limits,
  });
afterEach(async () => {
  await Promise.all(started.map((worker) => worker.terminate()));
  started = [];
});

describe('a thread', () => {
  it('answers one question after the other, in their order, in one and the same thread', async () => {
    const order: string[] = [];
    const own = thread();
    await Promise.all(['60', '1', '20'].map((question) => own.ask(question).then((answer) => order.push(answer))));
    expect(order).toEqual(['after 60', 'after 1', 'after 20']);
    expect(started).toHaveLength(1);
    expect(own.load).toBe(0);
  });
  it('tells whoever asked, and nobody else, how far it is', async () => {
    const own = thread();
    const [told, other]: [unknown[], unknown[]] = [[], []];
    await Promise.all([
      own.ask('tell', { onProgress: (step) => told.push(step) }),
      own.ask('0', { onProgress: (step) => other.push(step) }),
    ]);
    expect(told).toEqual([
      { done: 0.25, at: 'pages' },
      { done: 0.75, at: 'pages' },
    ]);
    expect(other).toEqual([]);
  });
  it('hands refusals on as they were, and faults as faults', async () => {
    const own = thread();
    await expect(own.ask('refuse')).rejects.toMatchObject({
      name: 'KeramosError',
      code: 'invalid',
      path: 'a.b',
      details: { given: 1 },
    });
    await expect(own.ask('break')).rejects.toThrow('broke');
    expect(await own.ask('0')).toBe('after 0');
  });
  it.each(['hang', 'fill', 'die'])('that is told to %s is ended, and those behind it are answered', async (fault) => {
    const own = thread({ milliseconds: fault === 'hang' ? 5000 : 60_000 });
    const [bad, good] = [own.ask(fault), own.ask('0')];
    await expect(bad).rejects.toMatchObject({ code: 'tooLarge', message: 'too much' });
    expect(await good).toBe('after 0');
    expect(started).toHaveLength(2);
  });
  it('lets only so many wait, and of one person fewer', async () => {
    const own = thread({ waiting: 5, ofOne: 2 });
    const asked = [own.ask('50', { who: 'I. Hallin' }), own.ask('0', { who: 'I. Hallin' })];
    await expect(own.ask('0', { who: 'I. Hallin' })).rejects.toMatchObject({ code: 'busy' });
    asked.push(own.ask('0', { who: 'B. Moor' }), own.ask('0'), own.ask('0'));
    await expect(own.ask('0')).rejects.toMatchObject({
      code: 'busy',
      message: expect.stringContaining('try again') as string,
    });
    expect(await Promise.all(asked)).toHaveLength(5);
    expect(await own.ask('0', { who: 'I. Hallin' })).toBe('after 0');
  });
  it('stops when whoever asked has left, running or waiting', async () => {
    const own = thread();
    const [first, second] = [new AbortController(), new AbortController()];
    const running = own.ask('hang', { signal: first.signal });
    const waiting = own.ask('0', { signal: second.signal });
    const last = own.ask('0');
    second.abort();
    await expect(waiting).rejects.toThrow('has left');
    first.abort();
    await expect(running).rejects.toThrow('has left');
    expect(await last).toBe('after 0');
    await expect(own.ask('0', { signal: first.signal })).rejects.toThrow('has left');
  });
});
