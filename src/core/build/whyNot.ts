import { KeramosError } from '../error';
import { dropTest } from '../fill';
import { said } from '../quantity';
import { bondWindow } from './bondWindow';
import { proofDoubt } from './proofDoubt';
import { UNPLANNED_BAG, type LaidPiece, type Step } from './plan';
import type { BuildRecord, BuildRecordOf } from './record';
import { isFinished, isWet, lastDrop, openPots, stepBefore, toLay, type BuildState, type StepState } from './state';

const degrees = (celsius: number) => said(celsius, 'temperature');
const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const time = (iso: string) => Date.parse(iso);
const lasted = (ms: number) => {
  const minutes = Math.ceil(ms / MINUTE);
  if (minutes < 120) return `${minutes} min`;
  return ms < 48 * HOUR ? `${Math.round(ms / HOUR)} h` : `${Math.round(ms / (24 * HOUR))} days`;
};
const partName = ({ plan }: BuildState, id: string | null) =>
  plan.parts.find((one) => one.id === id)?.name ?? 'the boat';

/** What an open defect of some parts says; null where there is none. */
function openDefect(state: BuildState, parts: readonly (string | null)[]): string | null {
  const open = [...state.defects.values()].find((one) => one.open && parts.includes(one.record.body.part));
  if (!open) return null;
  const { kind, part } = open.record.body;
  const what = open.disposed?.body.what;
  if (what === 'scrap') return `${partName(state, part)} is scrapped`;
  return `A defect of ${partName(state, part)} is ${what === 'repair' ? 'not repaired' : 'not decided'}: ${kind}`;
}

/** What keeps a step from being begun: its kind, by which the way out is offered, and in words. */
export interface Hindrance {
  code: 'order' | 'rest' | 'access' | 'defect' | 'abrade' | 'late' | 'bond' | 'airUnread' | 'air' | 'caution';
  text: string;
}
const hindrance = (code: Hindrance['code'], text: string | null | false): Hindrance[] => (text ? [{ code, text }] : []);
/** Whether a lead or inspector let a step go on against something, since a moment. */
const isReleased = ({ released }: StepState, of: 'late' | 'air', since: string) =>
  released.some(({ at, body }) => (body.of ?? of) === of && time(at) >= time(since));

/** Why the bond or coat to the step before must be prepared or decided first. */
function lateBy(state: BuildState, own: StepState, before: StepState | null, at: number): Hindrance[] {
  const { step, prepared } = own;
  const window = bondWindow(state, own);
  if (!window || !before?.done || at <= window.until || isReleased(own, 'late', before.done.at)) return [];
  const { until, fastest } = window;
  const sooner = fastest ? `, in air of up to ${degrees(fastest.celsius)}` : '';
  const passed = `The window after “${before.step.name}” passed ${lasted(at - until)} ago${sooner}`;
  if (step.late === 'release') return hindrance('late', `${passed}: a lead or inspector must decide`);
  const isAbraded = prepared && time(prepared.at) > time(before.done.at) && prepared.body.how !== 'peelPly';
  return hindrance('abrade', !isAbraded && `${passed}: abrade and wipe first`);
}

/** Why the air forbids it. */
function badAir({ plan, air }: BuildState, own: StepState, at: number): Hindrance[] {
  if (!plan.air || !isWet(own.step)) return [];
  if (!air || at - time(air.at) > plan.climateLasts * MINUTE)
    return hindrance(
      'airUnread',
      `Read temperature and humidity first: the last reading is ${air ? 'too old' : 'missing'}`,
    );
  const { celsius, humidity } = air.body;
  const { coldest, warmest, dampest } = plan.air;
  const outside =
    (celsius < coldest && `${degrees(celsius)} is colder than ${degrees(coldest)}`) ||
    (celsius > warmest && `${degrees(celsius)} is warmer than ${degrees(warmest)}`) ||
    (humidity > dampest && `${humidity} % humidity is more than ${dampest} %`);
  if (!outside || isReleased(own, 'air', air.at)) return [];
  return hindrance('air', `${outside}, which ${plan.resin.name} wants: wait, or a lead or inspector decides`);
}

/** Parts that must be finished before a step of the boat. */
function unfinishedParts(state: BuildState, step: Step): string | null {
  const name = step.needs
    .map((part) => {
      const open = state.plan.steps.find((one) => one.partId === part && !isFinished(state.steps.get(one.id)!));
      return open ? `“${open.name}” of ${partName(state, part)} comes first` : null;
    })
    .find((one) => one !== null);
  return name ?? null;
}

/** Steps of the hull that come before what is fitted into it. */
function unfinishedSteps({ steps }: BuildState, { after }: Step): string | null {
  const open = after.map((id) => steps.get(id)!).find((one) => !isFinished(one));
  return open ? `“${open.step.name}” of the hull comes first` : null;
}

/** What a step would close that must still be reached. */
function wouldClose(state: BuildState, step: Step): string | null {
  for (const tag of step.closes) {
    const still = [...state.steps.values()].find((one) => one.step.reaches.includes(tag) && !isFinished(one));
    if (still && still.step.id !== step.id) return `It closes ${tag}, which “${still.step.name}” must still reach`;
  }
  return null;
}

/**
 * Everything that keeps a step from being begun, what must be done first at the top.
 * @param now ISO 8601. @param person who would begin it.
 */
export function hindrancesOf(
  state: BuildState,
  own: StepState,
  { now, person }: { now: string; person: string },
): Hindrance[] {
  const { step, begun, prepared, warned } = own;
  const at = time(now);
  if (begun) return hindrance('order', `${begun.person} began it already`);
  const before = stepBefore(state, step);
  if (before && !before.done) return hindrance('order', `“${before.step.name}” comes first`);
  if (before && !isFinished(before))
    return hindrance('order', `“${before.step.name}” is not signed by the ${before.step.hold}`);
  // What is coated rests from its last coat, not from when somebody said that it was done.
  const laid = before?.coats.at(-1) ?? before?.done;
  const rest = before?.done && laid ? time(laid.at) + before.step.wait * MINUTE - at : 0;
  return [
    ...hindrance('rest', rest > 0 && `It must rest ${lasted(rest)} more after “${before!.step.name}”`),
    ...hindrance('order', unfinishedParts(state, step) ?? unfinishedSteps(state, step)),
    ...hindrance('access', wouldClose(state, step)),
    ...hindrance('defect', openDefect(state, step.partId === null ? step.needs : [step.partId])),
    ...lateBy(state, own, before, at),
    ...hindrance('bond', step.kind === 'bond' && !prepared && 'Say first how the bond was prepared'),
    ...badAir(state, own, at),
    ...hindrance('caution', step.caution !== '' && !warned.has(person) && `${person} has not read its caution yet`),
  ];
}

/** Whether two pieces lie over one another: the same zone on the same hand. */
const overlap = (a: LaidPiece, b: LaidPiece) =>
  a.zones.some((zone) => b.zones.includes(zone)) &&
  (a.hand === b.hand || ![a.hand, b.hand].every((hand) => hand === 'port' || hand === 'starboard'));

/** What is wrong with a pot that is worked from; null where there is a good one, or none is needed. */
function potFor(state: BuildState, { step }: StepState, at: number): string | null {
  if (!isWet(step)) return null;
  const pots = openPots(state, step.id);
  if (pots.length === 0) return 'No pot is open: mix a batch and say so first';
  // One past its life is put out of reach before any other is worked from.
  if (pots.some(({ until }) => until < at)) return 'The pot is past its life: throw it away and mix a new batch';
  return null;
}

function mayLay(state: BuildState, own: StepState, { body, at }: BuildRecordOf<'piece'>): string | null {
  const piece = state.pieces.get(body.code);
  const expected = toLay(state, own)[0];
  const wanted = expected ? `; wanted is ${expected.name}, ${expected.cloth}` : '';
  if (!piece) {
    const [ofBoat] = body.code.split('|');
    const own_ = `${state.plan.boat}, hull ${state.plan.hull}`;
    if (body.code.includes('|') && ofBoat !== own_) return `This label is of ${ofBoat!.slice(0, 80)}, not of ${own_}`;
    return `No piece of this hull has this label${wanted}`;
  }
  if (!own.step.pieces.includes(body.code)) return `${piece.name} is not laid in “${own.step.name}”${wanted}`;
  const there = own.laid.get(body.code);
  if (there) return `${piece.name} lies already: ${there.person} laid it`;
  const under = toLay(state, own).find((one) => one.layerNumber < piece.layerNumber && overlap(one, piece));
  if (under) return `${under.name} comes under it and does not lie yet`;
  return potFor(state, own, time(at));
}

function mayEnd(state: BuildState, own: StepState, at: number): string | null {
  const { step, coats, done } = own;
  if (done) return `${done.person} ended it already`;
  const left = toLay(state, own);
  if (left.length > 0) return `${left.length} of ${step.pieces.length} pieces do not lie yet, ${left[0]!.name} first`;
  if (step.kind === 'coats' && coats.length < step.coats) return `${coats.length} of ${step.coats} coats are on`;
  if (step.kind === 'bag') {
    const test = lastDrop(state, own);
    if (!test) return 'The bag has had no drop test';
    if (test.tooWeak) return 'The last drop test was made with too little vacuum to tell';
    if (test.tooShort)
      return `The last drop test was read too soon: wait ${state.plan.drop.dropMinutes} min between both readings`;
    if (test.tooLittle)
      return 'The vacuum in the last drop test drives less than the fill was planned with: pump it down';
    if (!test.passed) return 'The bag lost too much in its last drop test';
  }
  const clamps = state.plan.parts.find(({ id }) => id === step.partId)?.clamps ?? [];
  const shut = clamps.find(({ name }) => !own.clamps.some((one) => one.body.name === name));
  if (step.kind === 'fill' && shut) return `${shut.name} was not opened`;
  const pot = openPots(state, step.id)[0];
  if (pot) return `A pot is open, ${pot.until < at ? 'past its life' : 'still alive'}: say whether it was used`;
  return null;
}

function mayCoat(own: StepState, at: number): string | null {
  const { step, coats } = own;
  const last = coats.at(-1);
  const rest = last ? time(last.at) + step.wait * MINUTE - at : 0;
  return rest > 0 ? `The coat before wants ${lasted(rest)} more` : null;
}

function mayMix(state: BuildState, { step }: StepState, { body, at }: BuildRecordOf<'batch'>): string | null {
  if (!isWet(step)) return `“${step.name}” is laid dry`;
  const late = openPots(state, step.id).find(({ until }) => until < time(at));
  if (late) return 'A pot past its life is still open: say first that it was thrown away';
  const { largestPot } = state.plan.resin;
  if (step.kind !== 'fill' && body.resin > largestPot + 1e-9)
    return `${said(body.resin, 'batchMass')} in one pot heats itself: at most ${said(largestPot, 'batchMass')}`;
  return null;
}

function mayTest(state: BuildState, { step }: StepState, { body }: BuildRecordOf<'drop'>): string | null {
  if (step.kind !== 'bag') return `“${step.name}” has no bag`;
  const bag = state.plan.parts.find(({ id }) => id === step.partId)?.bag ?? UNPLANNED_BAG;
  try {
    dropTest(body, { ...bag, filling: state.plan.drop });
    return null;
  } catch (error) {
    if (error instanceof KeramosError) return error.text;
    throw error;
  }
}

/** Why what is recorded within a step cannot be: not begun, over already, or as its kind has it. */
function within(state: BuildState, own: StepState, record: BuildRecord): string | null {
  if (!own.begun) return `“${own.step.name}” was not begun`;
  if (own.done && record.kind !== 'done') return `“${own.step.name}” was ended by ${own.done.person}`;
  const at = time(record.at);
  switch (record.kind) {
    case 'piece':
      return mayLay(state, own, record);
    case 'done':
      return mayEnd(state, own, at);
    case 'coat':
      return own.step.kind === 'coats' ? mayCoat(own, at) : `“${own.step.name}” has no coats`;
    case 'batch':
      return mayMix(state, own, record);
    case 'drop':
      return mayTest(state, own, record);
    case 'clamp':
      return own.clamps.some((one) => one.body.name === record.body.name) ? `${record.body.name} is open` : null;
    default:
      return null;
  }
}

function ofDefect(state: BuildState, record: BuildRecordOf<'disposed'> | BuildRecordOf<'repaired'>): string | null {
  const defect = state.defects.get(record.body.defect);
  if (!defect) return 'There is no such defect';
  if (record.kind === 'disposed') return defect.repaired ? 'It was repaired already' : null;
  if (defect.disposed?.body.what !== 'repair') return 'Nobody has decided that it is repaired';
  return defect.repaired ? `${defect.repaired.person} signed the repair already` : null;
}

/** What may be recorded at any time. */
const FREE = ['air', 'undone', 'lesson', 'alignment', 'reading'] as const;
type Free = Extract<BuildRecord, { kind: (typeof FREE)[number] }>;
const isFree = (record: BuildRecord): record is Free => FREE.some((kind) => kind === record.kind);

/**
 * Why something cannot be recorded as a build stands, in words for whoever stands at the mould; null where it can.
 * What has happened all the same is kept, and shown with this as a clash.
 */
export function whyNot(state: BuildState, record: BuildRecord): string | null {
  if (isFree(record)) return null;
  if (record.kind === 'proof') return proofDoubt(record.body);
  if (record.kind === 'defect')
    return state.plan.parts.some(({ id }) => id === record.body.part) ? null : 'The boat has no such part';
  if (record.kind === 'disposed' || record.kind === 'repaired') return ofDefect(state, record);
  if (record.kind === 'potEmpty') {
    const pot = state.pots.find((one) => one.record.id === record.body.batch);
    if (!pot) return 'There is no such pot';
    return pot.emptied ? 'This pot is empty already' : null;
  }
  const own = state.steps.get(record.body.step);
  if (!own) return 'There is no such step';
  switch (record.kind) {
    case 'begun':
      return hindrancesOf(state, own, { now: record.at, person: record.person })[0]?.text ?? null;
    case 'prepared':
    case 'released':
      return own.begun ? `“${own.step.name}” was begun already` : null;
    case 'caution':
      return null;
    case 'signed':
      if (own.step.hold === 'none') return `“${own.step.name}” needs no signature`;
      if (!own.done) return `“${own.step.name}” is not done`;
      return own.signed ? `${own.signed.person} signed it already` : null;
    default:
      return within(state, own, record);
  }
}
