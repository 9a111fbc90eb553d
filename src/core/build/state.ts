import { dropTest, type DropResult } from '../fill';
import { UNPLANNED_BAG, type BuildPlan, type LaidPiece, type Step } from './plan';
import type { BuildRecord, BuildRecordOf, Disposition } from './record';

/** What has been recorded of a step. */
export interface StepState {
  step: Step;
  begun: BuildRecordOf<'begun'> | null;
  done: BuildRecordOf<'done'> | null;
  signed: BuildRecordOf<'signed'> | null;
  prepared: BuildRecordOf<'prepared'> | null;
  released: BuildRecordOf<'released'>[];
  coats: BuildRecordOf<'coat'>[];
  drops: BuildRecordOf<'drop'>[];
  clamps: BuildRecordOf<'clamp'>[];
  /** Pieces that lie, by code. */
  laid: Map<string, BuildRecordOf<'piece'>>;
  /** Who has read its caution. */
  warned: Set<string>;
}

/** A batch in the pot, until when it may be worked (ms), and what became of it. */
export interface Pot {
  record: BuildRecordOf<'batch'>;
  until: number;
  emptied: BuildRecordOf<'potEmpty'> | null;
}

export interface DefectState {
  record: BuildRecordOf<'defect'>;
  disposed: BuildRecordOf<'disposed'> | null;
  repaired: BuildRecordOf<'repaired'> | null;
  /** Nothing may be laid over it, or fitted, before it is decided and mended. */
  open: boolean;
}

/** Where a build stands, by its records. */
export interface BuildState {
  plan: BuildPlan;
  steps: ReadonlyMap<string, StepState>;
  pieces: ReadonlyMap<string, LaidPiece>;
  pots: Pot[];
  air: BuildRecordOf<'air'> | null;
  /** All that was read of the air. */
  airs: BuildRecordOf<'air'>[];
  defects: Map<string, DefectState>;
  lessons: BuildRecordOf<'lesson'>[];
  alignments: BuildRecordOf<'alignment'>[];
  readings: BuildRecordOf<'reading'>[];
  proofs: BuildRecordOf<'proof'>[];
  /** What was recorded against the rules or twice: kept, and to be looked at. */
  clashes: { record: BuildRecord; why: string }[];
}

/** A build of which nothing is recorded yet. */
export function freshState(plan: BuildPlan): BuildState {
  const fresh = (step: Step): StepState => ({
    step,
    begun: null,
    done: null,
    signed: null,
    prepared: null,
    released: [],
    coats: [],
    drops: [],
    clamps: [],
    laid: new Map(),
    warned: new Set(),
  });
  return {
    plan,
    steps: new Map(plan.steps.map((step) => [step.id, fresh(step)])),
    pieces: new Map(plan.pieces.map((piece) => [piece.code, piece])),
    pots: [],
    air: null,
    airs: [],
    defects: new Map(),
    lessons: [],
    alignments: [],
    readings: [],
    proofs: [],
    clashes: [],
  };
}

const MINUTE = 60_000;
export const isOpen = (what: Disposition | undefined, repaired: boolean) =>
  what === undefined || what === 'scrap' || (what === 'repair' && !repaired);

/** Take one record in. What it says is taken as it is, for it happened; the first of two that say the same counts. */
export function take(state: BuildState, record: BuildRecord): void {
  const step = 'step' in record.body && record.body.step !== null ? state.steps.get(record.body.step) : undefined;
  switch (record.kind) {
    case 'begun':
      if (step) step.begun ??= record;
      break;
    case 'done':
      if (step) step.done ??= record;
      break;
    case 'signed':
      if (step) step.signed ??= record;
      break;
    case 'prepared':
      if (step) step.prepared = record;
      break;
    case 'released':
      step?.released.push(record);
      break;
    case 'coat':
      step?.coats.push(record);
      break;
    case 'drop':
      step?.drops.push(record);
      break;
    case 'clamp':
      step?.clamps.push(record);
      break;
    case 'caution':
      step?.warned.add(record.person);
      break;
    case 'piece':
      if (step && !step.laid.has(record.body.code)) step.laid.set(record.body.code, record);
      break;
    case 'batch':
      state.pots.push({ record, until: Date.parse(record.at) + record.body.life * MINUTE, emptied: null });
      break;
    case 'potEmpty': {
      const pot = state.pots.find((one) => one.record.id === record.body.batch);
      if (pot) pot.emptied ??= record;
      break;
    }
    case 'air':
      state.air = record;
      state.airs.push(record);
      break;
    case 'defect':
      state.defects.set(record.id, { record, disposed: null, repaired: null, open: true });
      break;
    case 'disposed': {
      const defect = state.defects.get(record.body.defect);
      if (!defect) break;
      defect.disposed = record;
      defect.open = isOpen(record.body.what, defect.repaired !== null);
      break;
    }
    case 'repaired': {
      const defect = state.defects.get(record.body.defect);
      if (!defect) break;
      defect.repaired = record;
      defect.open = isOpen(defect.disposed?.body.what, true);
      break;
    }
    case 'lesson':
      state.lessons.push(record);
      break;
    case 'alignment':
      state.alignments.push(record);
      break;
    case 'reading':
      state.readings.push(record);
      break;
    case 'proof':
      state.proofs.push(record);
      break;
    case 'undone':
      break;
  }
}

/** Whether a step is done, and signed where it must be. */
export const isFinished = ({ step, done, signed }: StepState): boolean =>
  done !== null && (step.hold === 'none' || signed !== null);

/** A step in which resin is open: laying that must not be interrupted, filling, bonding. */
export const isWet = ({ kind, stay }: Pick<Step, 'kind' | 'stay'>): boolean =>
  kind === 'fill' || kind === 'bond' || (kind === 'lay' && stay === 'must');

/** The step before, of the same part or of the boat; null for the first. */
export function stepBefore({ plan, steps }: BuildState, step: Step): StepState | null {
  const own = plan.steps.filter(({ partId }) => partId === step.partId);
  const before = own[own.findIndex(({ id }) => id === step.id) - 1];
  return before ? steps.get(before.id)! : null;
}

/** Pieces of a step that do not lie yet, in order. */
export const toLay = ({ pieces }: Pick<BuildState, 'pieces'>, { step, laid }: StepState): LaidPiece[] =>
  step.pieces.flatMap((code) => {
    const piece = pieces.get(code);
    return piece && !laid.has(code) ? [piece] : [];
  });

/** The last drop test of a step, and whether the bag held. */
export function lastDrop({ plan }: BuildState, { step, drops }: StepState): DropResult | null {
  const last = drops.at(-1);
  if (!last) return null;
  const bag = plan.parts.find(({ id }) => id === step.partId)?.bag ?? UNPLANNED_BAG;
  return dropTest(last.body, { ...bag, filling: plan.drop });
}

/** Pots that are open in a step, the oldest first. */
export const openPots = ({ pots }: Pick<BuildState, 'pots'>, stepId: string): Pot[] =>
  pots.filter(({ record, emptied }) => record.body.step === stepId && emptied === null);

/** The steps that are at hand: of every part and of the boat the first that is not finished. */
export function stepsAtHand(state: BuildState): StepState[] {
  const parts = [...new Set(state.plan.steps.map(({ partId }) => partId))];
  return parts.flatMap((part) => {
    const own = state.plan.steps.filter(({ partId }) => partId === part).map(({ id }) => state.steps.get(id)!);
    const next = own.find((one) => !isFinished(one));
    return next ? [next] : [];
  });
}
