import { describe, expect, it } from 'vitest';
import { merrow, zoneOf } from '../../../tests/helpers/merrow';
import { makeEvaluator, proveBoat } from '../evaluate';
import { layerMoves, layerMovesJob } from '../option';
import { runInSlices, runToEnd, type Progress } from '.';

function* counting(to: number): Generator<Progress, number> {
  let sum = 0;
  for (let i = 1; i <= to; i++) {
    sum += i;
    yield { done: i / to, at: `step ${i}` };
  }
  return sum;
}
const instant = () => Promise.resolve();

describe('a job', () => {
  it('gives the same answer run to its end and in slices', async () => {
    expect(runToEnd(counting(100))).toBe(5050);
    let clock = 0;
    expect(await runInSlices(counting(100), { clock: () => (clock += 30), pause: instant })).toBe(5050);
  });
  it('tells how far it is, and stops when it is told to', async () => {
    const told: number[] = [];
    let clock = 0;
    const result = await runInSlices(counting(1000), {
      clock: () => (clock += 50),
      pause: instant,
      onProgress: ({ done }) => told.push(done),
      cancelled: () => told.length >= 10,
    });
    expect(result).toBeNull();
    expect(told.length).toBeLessThan(15);
    expect(told).toEqual([...told].sort((a, b) => a - b));
  });
});

describe('the jobs of the first half', () => {
  const boat = {
    ...merrow(),
    parts: merrow()
      .parts.slice(0, 1)
      .map((part) => ({ ...part, zones: part.zones.slice(0, 3) })),
  };
  const small = {
    ...boat,
    parts: boat.parts.map((part) => ({
      ...part,
      layers: part.layers.map((layer) => ({
        ...layer,
        zones: layer.zones.filter((id) => part.zones.some((zone) => zone.id === id)),
      })),
    })),
  };
  it('prove each zone once, the same for the same seed', () => {
    const run = (seed: number) => runToEnd(proveBoat({ boat: small, draws: 40 }, seed));
    const [a, b, c] = [run(1), run(1), run(2)];
    expect([...a.keys()]).toEqual(small.parts[0]!.zones.map(({ id }) => id));
    expect(a).toEqual(b);
    expect(a).not.toEqual(c);
  });
  it('try the layers of a zone one after the other, then on the whole boat what may be proposed', () => {
    const [part, zone] = zoneOf(merrow(), 'Foredeck');
    const whole = merrow();
    const input = { boat: whole, part, zone, evaluations: makeEvaluator()(whole), scope: 'zone' as const };
    const steps = [...layerMovesJob(input)];
    const layers = part.layers.filter(({ zones }) => zones.includes(zone.id)).length;
    const moves = layerMoves(input);
    expect(moves.length).toBeGreaterThan(5);
    expect(steps.slice(0, layers).every(({ at }) => /^layer \d+$/.test(at!))).toBe(true);
    expect(steps.length).toBe(layers + moves.filter(({ whole }) => whole !== null).length);
    const shares = steps.map(({ done }) => done);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(shares.at(-1)).toBe(1);
  });
});
