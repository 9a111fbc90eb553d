import { beforeAll, describe, expect, it } from 'vitest';
import { Diary, planOf, why, work } from '../../../tests/helpers/builds';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { isFinished, stateOf, whyNot, type BuildPlan, type BuildRecord, type RecordKind } from '.';

/** Kinds without which a build by the usual steps does not go on, whatever the time that passed. */
const NEEDED = ['begun', 'coat', 'batch', 'potEmpty', 'piece', 'drop', 'clamp', 'done', 'signed'] as const;

/** What is refused of some records that come one after the other, and what of the rest. */
function taken(plan: BuildPlan, records: readonly BuildRecord[], from = 0) {
  const kept: BuildRecord[] = records.slice(0, from);
  const refused: { record: BuildRecord; says: string }[] = [];
  for (const record of records.slice(from)) {
    const says = whyNot(stateOf(plan, kept), record);
    if (says === null) kept.push(record);
    else refused.push({ record, says });
    // One refusal is enough: what hangs on it is refused as well.
    if (refused.length > 0) break;
  }
  return { refused, finished: [...stateOf(plan, kept).steps.values()].every(isFinished) };
}

describe.each([
  ['Brant 56, laid by hand', brant],
  ['Merrow 84, infused', merrow],
])('%s: every record of a build counts', (_, boatOf) => {
  let plan: BuildPlan;
  let records: readonly BuildRecord[];
  /** The first of a kind, one in the middle. */
  const some = (kind: RecordKind) => {
    const all = records.filter((record) => record.kind === kind);
    return [...new Set([all[0], all[Math.floor(all.length / 2)]])].flatMap((one) => one ?? []);
  };
  beforeAll(() => {
    plan = planOf(boatOf());
    const diary = new Diary();
    // The parts of the hull: what is fitted into it comes after.
    for (const step of plan.steps.filter(({ partId }) => partId === 'hull')) work(plan, diary, step);
    records = diary.records;
  });

  it.each(NEEDED)('one %s left out is noticed: by what comes after it, or by what is not finished', (kind) => {
    for (const missing of some(kind)) {
      const from = records.indexOf(missing);
      const without = records.filter((record) => record !== missing);
      const whole = stateOf(plan, records);
      const { step: id } = missing.body as { step?: string };
      const step = id === undefined ? undefined : whole.steps.get(id);
      const { refused } = taken(plan, without, from);
      const left = stateOf(plan, without);
      const open = step && !isFinished(left.steps.get(step.step.id)!);
      expect(refused.length > 0 || open, `${kind} ${JSON.stringify(missing.body)}`).toBe(true);
    }
  });
  it.each(['begun', 'piece', 'potEmpty', 'clamp', 'done', 'signed'] as const)('one %s twice is refused', (kind) => {
    for (const record of some(kind)) {
      const upTo = records.slice(0, records.indexOf(record) + 1);
      const says = whyNot(stateOf(plan, upTo), { ...record, id: 'again' } as BuildRecord);
      expect(says, JSON.stringify(record.body)).not.toBeNull();
    }
  });
  it('a step that is done takes no more coats, pieces or resin', () => {
    for (const kind of ['coat', 'piece', 'batch', 'clamp', 'drop'] as const)
      for (const record of some(kind)) {
        const { step } = record.body as { step: string };
        const done = records.findIndex((one) => one.kind === 'done' && (one.body as { step: string }).step === step);
        const late = { ...record, id: 'late', at: records[done]!.at } as BuildRecord;
        expect(whyNot(stateOf(plan, records.slice(0, done + 1)), late), kind).not.toBeNull();
      }
  });
  it('what is of another step, or of none, is refused by the name of what is wanted', () => {
    const piece = some('piece').at(-1)!;
    const upTo = records.slice(0, records.indexOf(piece));
    const ask = (body: object) =>
      whyNot(stateOf(plan, upTo), { ...piece, id: 'x', body: { ...piece.body, ...body } } as BuildRecord);
    expect(ask({})).toBeNull();
    expect(ask({ code: 'no such label' })).toMatch(/No piece of this hull has this label/);
    expect(ask({ code: `Another boat, hull 9|${'x'}` })).toMatch(/This label is of Another boat, hull 9, not of/);
    const elsewhere = plan.pieces.find(
      ({ code }) => !records.some((one) => 'code' in one.body && one.body.code === code),
    );
    if (elsewhere) expect(ask({ code: elsewhere.code })).toMatch(/is not laid in/);
  });
  it('a piece over one that does not lie yet is refused, and says which comes under it', () => {
    const state = stateOf(plan, []);
    const laid = records.filter(({ kind }) => kind === 'piece');
    let seen = 0;
    for (const record of laid) {
      const { code, step } = record.body as { code: string; step: string };
      const piece = state.pieces.get(code)!;
      const under = laid.find((one) => {
        const other = state.pieces.get((one.body as { code: string }).code)!;
        const body = one.body as { step: string };
        return (
          body.step === step &&
          other.layerNumber < piece.layerNumber &&
          other.zones.some((id) => piece.zones.includes(id)) &&
          other.hand === piece.hand
        );
      });
      if (!under) continue;
      // Laid before the first of its step.
      const first = laid.find((one) => (one.body as { step: string }).step === step)!;
      const says = whyNot(stateOf(plan, records.slice(0, records.indexOf(first))), {
        ...record,
        id: 'early',
        at: first.at,
      } as BuildRecord);
      expect(says, piece.name).toMatch(/comes under it and does not lie yet/);
      if (++seen >= 4) break;
    }
    expect(seen).toBeGreaterThan(0);
  });
  it('taken back, one that ended a step opens it again', () => {
    for (const record of some('done')) {
      const back = {
        ...record,
        id: 'back',
        kind: 'undone',
        corrects: record.id,
        at: records.at(-1)!.at,
        body: { reason: 'too soon' },
      };
      const { steps } = stateOf(plan, [...records, back as BuildRecord]);
      expect(isFinished(steps.get((record.body as { step: string }).step)!)).toBe(false);
    }
  });
});

describe('who reads a caution', () => {
  it('reads it for himself alone', () => {
    const plan = planOf(brant());
    const step = plan.steps.find(({ caution, partId }) => caution !== '' && partId === 'hull')!;
    const diary = new Diary('T. Reed');
    for (const before of plan.steps.filter(({ partId }) => partId === 'hull')) {
      if (before.id === step.id) break;
      work(plan, diary, before);
    }
    diary.note('air', { celsius: 19, humidity: 60 });
    diary.note('caution', { step: step.id });
    diary.note('prepared', { step: step.id, how: 'abrade' });
    expect(why(plan, diary, 'begun', { step: step.id })).toBeNull();
    expect(why(plan, diary.as('S. Other'), 'begun', { step: step.id })).toMatch(/S. Other has not read its caution/);
  });
});
