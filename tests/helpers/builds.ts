import { evaluateDetails } from '@/core/detail/kinds';
import type { Boat } from '@/core/document';
import { makeEvaluator } from '@/core/evaluate';
import { planBuild, USUAL_STEPS, type BuildPlan, type BuildRecord, type RecordKind, type Steps } from '@/core/build';
import { USUAL_FILLING } from '@/core/fill';
import { kitPieces, USUAL_CUTTING, USUAL_MIXING } from '@/core/kit';

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
