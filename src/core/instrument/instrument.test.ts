import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BENCH, benchLines, FAULTS, judgeChannel, mixing, newChannel, readLine, takeFigure, type Fault } from '.';

describe('a line', () => {
  it('is an instrument, what it reads, a figure, a unit, and its state', () => {
    expect(readLine('scale-1 mass 12.35 kg stable')).toEqual({
      kind: 'value',
      id: 'scale-1',
      quantity: 'mass',
      value: 12.35,
      flag: 'stable',
    });
    expect(readLine('  cell-2   force  -1.5e0  kN ')).toMatchObject({ value: -1500, flag: null });
    expect(readLine('t temperature 68 F')).toMatchObject({ value: 20 });
    expect(readLine('g length 1 in')).toMatchObject({ value: 0.0254 });
    expect(readLine('hello scale-1 Platform scale, bay 2')).toEqual({
      kind: 'hello',
      id: 'scale-1',
      name: 'Platform scale, bay 2',
    });
  });
  it.each([
    ['', 'no name'],
    ['scale-1 weight 12 kg', 'reads no'],
    ['scale-1 mass twelve kg', 'no figure'],
    ['scale-1 mass 12,5 kg', 'no figure'],
    ['scale-1 mass 12 stone', 'no unit'],
    ['scale-1 mass 12 kg wobbly', 'no state'],
    ['scale-1 mass NaN kg', 'no figure'],
    ['scale-1 mass 12', 'no unit'],
    ['../x mass 12 kg', 'no name'],
    [`scale-1 mass 1 kg ${'x'.repeat(300)}`, 'longer'],
  ])('“%s” is refused: %s', (line, why) => {
    const read = readLine(line);
    expect(read.kind).toBe('refused');
    expect((read as { why: string }).why).toContain(why);
  });
  it('never throws, and never makes a figure of what is none', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 300 }), (text) => {
        const read = readLine(text);
        if (read.kind === 'value') expect(Number.isFinite(read.value)).toBe(true);
      }),
    );
  });
});

describe('what an instrument says', () => {
  const said = (quantity: 'mass' | 'force' | 'temperature', values: number[], step = 200) => {
    const channel = newChannel('x', quantity);
    values.forEach((value, i) => takeFigure(channel, { value, flag: null, at: 1000 + i * step }));
    return { channel, now: 1000 + (values.length - 1) * step };
  };
  it('may be taken when it is steady: the mean of its last figures', () => {
    const { channel, now } = said('mass', [10, 10.01, 9.99, 10]);
    expect(judgeChannel(channel, now)).toMatchObject({ state: 'steady', value: 10 });
  });
  it('is moving while it is poured, and when it says so itself', () => {
    const { channel, now } = said('mass', [1, 2, 3, 4]);
    expect(judgeChannel(channel, now).state).toBe('moving');
    const other = said('mass', [10, 10, 10]);
    takeFigure(other.channel, { value: 10, flag: 'moving', at: other.now + 200 });
    expect(judgeChannel(other.channel, other.now + 200).state).toBe('moving');
  });
  it('is stale after three seconds, however steady it was', () => {
    const { channel, now } = said('mass', [10, 10, 10]);
    expect(judgeChannel(channel, now + 2900).state).toBe('steady');
    expect(judgeChannel(channel, now + 3100)).toMatchObject({
      state: 'stale',
      why: expect.stringContaining('too old'),
    });
  });
  it('is stuck when something noisy says the very same for a minute; an empty scale is not', () => {
    const same = Array.from({ length: 400 }, () => 21.3);
    const cell = said('temperature', same);
    expect(judgeChannel(cell.channel, cell.now).state).toBe('stuck');
    const scale = said('mass', same);
    expect(judgeChannel(scale.channel, scale.now).state).toBe('steady');
  });
  it('keeps out what cannot be, and a jump, unless it stays there', () => {
    const { channel, now } = said('temperature', [20, 20.1, 20]);
    takeFigure(channel, { value: 900, flag: null, at: now + 200 });
    expect(channel.refused).toMatchObject({ why: expect.stringContaining('wrong unit') });
    takeFigure(channel, { value: 80, flag: null, at: now + 3000 });
    const later = newChannel('x', 'temperature');
    for (const [at, value] of [
      [0, 20],
      [200, 20],
      [400, 68],
      [600, 68],
      [800, 68],
      [1000, 68.1],
    ] as const)
      takeFigure(later, { value, flag: null, at });
    expect(judgeChannel(later, 1000)).toMatchObject({ state: 'steady' });
    expect(judgeChannel(later, 1000).value!).toBeCloseTo(68.03, 1);
  });
  it('over its range is no figure', () => {
    const { channel, now } = said('force', [10, 10.1, 10]);
    takeFigure(channel, { value: 10, flag: 'over', at: now + 200 });
    expect(judgeChannel(channel, now + 200)).toMatchObject({ state: 'over' });
  });
});

describe('the simulated shop', () => {
  const play = (faults: Record<string, Fault[]>, seconds = 90) => {
    const channels = new Map(BENCH.map(({ id, quantity }) => [`${id}/${quantity}`, newChannel(id, quantity)]));
    const states: Record<string, Set<string>> = {};
    for (let t = 0; t <= seconds; t += 0.2) {
      for (const line of benchLines(t, { seed: 7, faults })) {
        const read = readLine(line);
        if (read.kind === 'value')
          takeFigure(channels.get(`${read.id}/${read.quantity}`)!, {
            value: read.value,
            flag: read.flag,
            at: 1000 * t,
          });
      }
      for (const [key, channel] of channels) (states[key] ??= new Set()).add(judgeChannel(channel, 1000 * t).state);
    }
    return { channels, states };
  };
  it('says the same for the same seed, and reads as it should', () => {
    expect(benchLines(3, { seed: 1, faults: {} })).toEqual(benchLines(3, { seed: 1, faults: {} }));
    expect(benchLines(3, { seed: 1, faults: {} }).every((line) => readLine(line).kind === 'value')).toBe(true);
    const { states } = play({});
    expect([...states['scale-1/mass']!]).toContain('steady');
    expect([...states['mixing-1/mass']!]).toEqual(expect.arrayContaining(['moving', 'steady']));
    for (const of of Object.values(states)) expect([...of]).not.toContain('stuck');
  });
  it('lies in every way that it can, and is never taken for steady while it does', () => {
    const of = (fault: Fault, id = 'couple-1', key = 'couple-1/temperature') => play({ [id]: [fault] }).states[key]!;
    expect(of('dropOut')).toContain('stale');
    expect(of('over')).not.toContain('steady');
    expect([...of('stuck')]).toContain('stuck');
    expect(play({ 'scale-1': ['noise'] }).states['scale-1/mass']).toContain('moving');
    expect(Object.keys(FAULTS)).toHaveLength(7);
    // Broken lines are refused, not guessed at; the others go on.
    expect(of('garbage')).toContain('steady');
    // Another unit is a jump; it is refused until it stays, and then shown as what it is.
    const { channels } = play({ 'vacuum-1': ['unit'] });
    expect(channels.get('vacuum-1/pressure')!.refused).not.toBeNull();
  });
});

describe('mixing at the scale', () => {
  const asked = { target: 3, share: 0.02, tolerance: 0.1 };
  it('pours resin to its target, then hardener to the resin that is there', () => {
    expect(mixing({ ...asked, resin: null, onScale: 2 })).toMatchObject({ step: 'resin', left: 1, good: false });
    expect(mixing({ ...asked, resin: null, onScale: 2.97 }).good).toBe(true);
    expect(mixing({ ...asked, resin: 3.2, onScale: 3.2 })).toMatchObject({ step: 'hardener', good: false });
    expect(mixing({ ...asked, resin: 3.2, onScale: 3.2 + 0.064 })).toMatchObject({ step: 'done', good: true });
  });
  it('stops a batch with too much hardener before it is used', () => {
    const wrong = mixing({ ...asked, resin: 3, onScale: 3.08 });
    expect(wrong).toMatchObject({ good: false, step: 'hardener' });
    expect(wrong.says).toContain('STOP');
    expect(wrong.error!).toBeCloseTo(0.333, 3);
  });
});
