import { describe, expect, it } from 'vitest';
import { Diary } from '../../../tests/helpers/builds';
import { plan } from '../../../tests/helpers/logged';
import { sayRecord, stateOf, whyNot } from '.';
import { proofFound } from './proofDoubt';
import type { BuildRecordOf } from './record';

type Proof = BuildRecordOf<'proof'>['body'];
const straight = [0, 200, 400, 500, 600, 800, 1000].map((load): [number, number] => [load, load / 1e6]);
const pull = (own: Partial<Proof> = {}): Proof => ({
  detail: 'chainplate',
  name: 'Chainplate',
  place: 'starboard',
  load: 1000,
  stop: 1200,
  failure: 4000,
  points: straight,
  set: 0,
  passed: true,
  note: '',
  ...own,
});
function why(own: Partial<Proof>): string | null {
  const diary = new Diary();
  return whyNot(stateOf(plan, []), diary.make('proof', pull(own)));
}

describe('a pull that is signed', () => {
  it('as passed is what its readings say, or it is refused with what they say', () => {
    expect(why({})).toBeNull();
    expect(why({ load: 1100 })).toBe(
      'It is signed as passed, and its readings say otherwise: the load was not reached',
    );
    expect(why({ set: 0.001 })).toMatch(/more stayed bent/);
    expect(why({ points: [[0, 0]] })).toMatch(/A pull has a reading above no load/);
    expect(why({ points: [...straight.slice(0, 3), [300, 0.0005], ...straight.slice(3)] })).toMatch(/fell back/);
  });
  it('as not passed is nobody’s to doubt', () => {
    expect(why({ passed: false })).toBeNull();
    expect(why({ passed: false, load: 1100 })).toBeNull();
  });
  it('beyond its stop load says why it went so far', () => {
    const beyond = { stop: 900 };
    expect(why(beyond)).toMatch(/beyond its stop load/);
    expect(why({ ...beyond, passed: false })).toMatch(/beyond its stop load/);
    expect(why({ ...beyond, note: 'asked for by the surveyor' })).toBeNull();
  });
  it('that passed says what its readings do not tell: softening of too few, what it was to stop below', () => {
    const few = pull({ points: [straight[0]!, straight.at(-1)!] });
    expect(proofFound(few)).toEqual({ passed: true, notChecked: [expect.stringContaining('softening')] });
    const short = proofFound(pull({ load: 2000, stop: 1000, note: '' }));
    expect(short.passed).toBe(true);
    expect(short.notChecked.join()).toContain('it was to stop below them');
    expect(proofFound(pull()).notChecked).toEqual([]);
  });
  it('elsewhere all the same is kept, told as a clash, and counts as not passed', () => {
    const diary = new Diary();
    diary.note('proof', pull({ load: 1100 }));
    diary.note('proof', pull());
    const state = stateOf(plan, diary.records);
    expect(state.clashes.map(({ why: text }) => text)).toEqual([expect.stringContaining('was not reached')]);
    expect(state.proofs.map(({ body }) => proofFound(body).passed)).toEqual([false, true]);
    expect(state.proofs.map((record) => sayRecord(state, record))).toEqual([
      expect.stringMatching(/: not passed$/),
      expect.stringMatching(/: passed$/),
    ]);
  });
});
