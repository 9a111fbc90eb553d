import { evaluateDetails } from '@/core/detail/kinds';
import type { Boat } from '@/core/document';
import { makeEvaluator } from '@/core/evaluate';
import {
  planBuild,
  stateOf,
  USUAL_STEPS,
  whyNot,
  type BuildPlan,
  type BuildRecord,
  type RecordKind,
  type Step,
  type Steps,
} from '@/core/build';
import { USUAL_FILLING } from '@/core/fill';
import { kitPieces, USUAL_CUTTING, USUAL_MIXING } from '@/core/kit';
import { wordsIn } from '@/core/quantity';

/** The plan by which hull 3 of a boat is built, by the usual steps. */
export function planOf(boat: Boat, steps: Steps = USUAL_STEPS): BuildPlan {
  const { pieces } = kitPieces({
    boat,
    evaluations: makeEvaluator()(boat),
    details: evaluateDetails(boat),
    cutting: USUAL_CUTTING,
  });
  return planBuild({
    boat,
    revision: 'A',
    hull: '3',
    pieces,
    steps,
    cutting: USUAL_CUTTING,
    mixing: USUAL_MIXING,
    filling: USUAL_FILLING,
    parts: {},
  });
}

/** Records one after the other, each so many minutes after the one before. */
export class Diary {
  readonly records: BuildRecord[] = [];
  private clock = Date.parse('2026-11-02T06:00:00Z');
  constructor(private person = 'T. Reed') {}

  wait(minutes: number): this {
    this.clock += minutes * 60_000;
    return this;
  }
  as(person: string): this {
    this.person = person;
    return this;
  }
  get now(): string {
    return new Date(this.clock).toISOString();
  }
  /** A record as it would be made now; not yet kept. */
  make<K extends RecordKind>(kind: K, body: object, corrects: string | null = null): BuildRecord {
    const id = `r${this.records.length + 1}`;
    return {
      id,
      kind,
      body,
      at: this.now,
      person: this.person,
      device: 'tablet-1',
      corrects,
    } as unknown as BuildRecord;
  }
  note<K extends RecordKind>(kind: K, body: object, corrects: string | null = null): BuildRecord {
    const record = this.make(kind, body, corrects);
    this.records.push(record);
    this.clock += 60_000;
    return record;
  }
}

/** Why a record would not be taken now, in words; null where it would. */
export function why(plan: BuildPlan, diary: Diary, ...asked: Parameters<Diary['make']>): string | null {
  const text = whyNot(stateOf(plan, diary.records), diary.make(...asked));
  return text === null ? null : wordsIn(text, 'metric');
}

/** Go through one step as it should be gone through. */
export function work(plan: BuildPlan, diary: Diary, step: Step): void {
  const note = (...args: Parameters<Diary['note']>) => {
    const refusal = why(plan, diary, ...args);
    if (refusal !== null) throw new Error(`${step.name}, ${args[0]}: ${refusal}`);
    return diary.note(...args);
  };
  note('air', { celsius: 19, humidity: 60 });
  if (step.caution !== '') note('caution', { step: step.id });
  if (step.late === 'abrade' || step.kind === 'bond') note('prepared', { step: step.id, how: 'abrade' });
  note('begun', { step: step.id });
  for (let i = 0; i < step.coats; i++) {
    note('coat', { step: step.id, celsius: 19 });
    diary.wait(step.wait);
  }
  let pot: BuildRecord | null = null;
  const mix = () => {
    if (pot) note('potEmpty', { batch: pot.id, how: 'used' });
    pot = note('batch', { step: step.id, resin: 3, hardener: 0.05, celsius: 19, life: 30, lots: '' });
  };
  const wet = step.kind === 'fill' || step.kind === 'bond' || (step.kind === 'lay' && step.stay === 'must');
  if (wet) mix();
  for (const [i, code] of step.pieces.entries()) {
    if (wet && i > 0 && i % 20 === 0) mix();
    note('piece', { step: step.id, code, how: 'scanned', lot: '', batch: null });
  }
  const part = plan.parts.find(({ id }) => id === step.partId);
  if (step.kind === 'fill') for (const { name } of part!.clamps) note('clamp', { step: step.id, name });
  if (pot) note('potEmpty', { batch: (pot as BuildRecord).id, how: 'used' });
  const bag = { start: 2000, end: 2050, minutes: 30, startCelsius: null, endCelsius: null };
  if (step.kind === 'bag') note('drop', { step: step.id, ...bag });
  note('done', { step: step.id, note: '' });
  diary.wait(step.wait);
  if (step.hold !== 'none') note('signed', { step: step.id, note: '' });
}
