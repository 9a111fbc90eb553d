import {
  DEFECT_KINDS,
  DISPOSITIONS,
  hardenerOff,
  isFinished,
  PREPARATIONS,
  proofFound,
  READINGS,
  saidOff,
  sayRecord,
  type BuildAmendment,
  type BuildRecord,
  type BuildState,
  type DatedLot,
} from '../build';
import { lineUp, type LinedUp } from '../align';
import type { Boat } from '../document';
import type { Revision, RevisionResults } from '../revision';
import { BREAKS, type TrialSeries } from '../trial';
import { causesOf, type BuildLog, type Causes } from './buildLog';
import { usedPast, type PastUse } from './usedPast';

/** Short: what an owner keeps. Full: what a surveyor and the next repair want. */
export const EDITIONS = { short: 'short', full: 'full' } as const;
export type Edition = keyof typeof EDITIONS;

/** What the book is written from. */
export interface BookInput {
  boat: Boat;
  revision: Revision & { results: RevisionResults | null };
  hull: string;
  begun: { by: string; at: string };
  amendments: readonly (BuildAmendment & { changes: readonly { part: string; says: string; late: boolean }[] })[];
  state: BuildState;
  /** Everything that was recorded, what was taken back among it. */
  records: readonly BuildRecord[];
  log: BuildLog;
  /** What instruments read over hours, thinned; samples that were broken for this boat. */
  traces?: BoatBook['traces'];
  trials?: readonly TrialSeries[];
  /** Lots of the store that have a last day. */
  dated?: readonly DatedLot[];
  now: string;
}

/** The boat's book: one hull, from the revision that it was built by to the last signature. SI, ISO 8601, UTC. */
export interface BoatBook {
  format: 'keramos-book';
  version: 1;
  boat: string;
  hull: string;
  written: string;
  begun: { by: string; at: string };
  revision: { label: string; hash: string; engine: string | null; author: string; note: string; issuedAt: string };
  amendments: { from: string; to: string; reason: string; author: string; at: string; changes: string[] }[];
  zones: {
    part: string;
    zone: string;
    thickness: number;
    arealWeight: number;
    reserveFactor: number | null;
    governs: string | null;
    notChecked: string[];
  }[];
  cautions: { rule: string; subject: string; by: string; note: string; at: string }[];
  parts: {
    name: string;
    mould: string;
    team: string;
    mass: { planned: number; weighed: number | null; day: string | null };
    causes: Causes | null;
    steps: {
      name: string;
      begun: Signed | null;
      done: (Signed & { note: string }) | null;
      signed: (Signed & { note: string }) | null;
      wantsSignature: boolean;
      prepared: string | null;
      released: (Signed & { reason: string })[];
      batches: { resin: number; hardener: number; lots: string; person: string; at: string }[];
      drops: { start: number; end: number; minutes: number; person: string; at: string }[];
      laid: {
        layer: number;
        piece: string;
        cloth: string;
        angleDeg: number;
        lot: string;
        person: string;
        at: string;
      }[];
      missing: string[];
    }[];
    readings: { what: string; zone: string; value: number; person: string; at: string; instrument: string }[];
  }[];
  defects: {
    part: string;
    zone: string;
    kind: string;
    size: number;
    note: string;
    found: Signed;
    decided: (Signed & { what: string; reason: string; check: string | null; repair: object | null }) | null;
    repaired: (Signed & { note: string }) | null;
    open: boolean;
    photos: string[];
  }[];
  proofs: (Signed & {
    name: string;
    load: number;
    stopLoad: number;
    failure: number | null;
    reached: number;
    set: number;
    passed: boolean;
    notChecked: string[];
    note: string;
    points: readonly (readonly [number, number])[];
  })[];
  alignments: { name: string; person: string; at: string; found: LinedUp }[];
  /** Of each a thinned course: ms since it began, least and most of a stretch (SI); whole as a CSV in the ZIP. */
  traces: {
    id: string;
    name: string;
    part: string;
    channel: string;
    quantity: string;
    person: string;
    at: string;
    endedAt: string | null;
    count: number;
    least: number | null;
    most: number | null;
    course: (readonly [number, number, number])[];
  }[];
  trials: {
    series: string;
    says: string[];
    samples: {
      name: string;
      on: string;
      layers: number;
      target: number;
      should: number | null;
      bore: number;
      broke: string | null;
      standing: string;
      author: string;
    }[];
  }[];
  /** Lots that went into the boat after their last day. */
  pastLots: PastUse[];
  clashes: { says: string; why: string }[];
  takenBack: { says: string; person: string; at: string; reason: string }[];
  /** What is not finished, not signed, not decided, or was never checked. */
  open: string[];
}
interface Signed {
  person: string;
  at: string;
}

const signed = ({ person, at }: Signed): Signed => ({ person, at });
const maybe = <R extends Signed, T>(record: R | null, of: (record: R) => T): T | null => record && of(record);

function partsOf({ state, boat, log }: BookInput): BoatBook['parts'] {
  const { plan } = state;
  const zones = new Map(boat.parts.flatMap((part) => part.zones.map(({ id, name }) => [id, name])));
  const groups = [...plan.parts.map(({ id, name, mould, team }) => ({ id: id as string | null, name, mould, team }))];
  groups.push({ id: null, name: 'Boat', mould: '', team: '' });
  return groups.map(({ id, name, mould, team }) => {
    const own = plan.steps.filter(({ partId }) => partId === id).map((step) => state.steps.get(step.id)!);
    const part = log.parts.find(({ partId }) => partId === id);
    const weighed = part?.mass.weighed ?? null;
    return {
      name,
      mould,
      team,
      mass: { planned: part?.mass.planned ?? 0, weighed: weighed?.mass ?? null, day: weighed?.day ?? null },
      causes: part ? causesOf(part, boat.parts.find((one) => one.id === id)?.number ?? 1) : null,
      steps: own.map((one) => ({
        name: one.step.name,
        begun: maybe(one.begun, signed),
        done: maybe(one.done, (record) => ({ ...signed(record), note: record.body.note })),
        signed: maybe(one.signed, (record) => ({ ...signed(record), note: record.body.note })),
        wantsSignature: one.step.hold !== 'none',
        prepared: maybe(one.prepared, ({ body }) => PREPARATIONS[body.how]),
        released: one.released.map((record) => ({ ...signed(record), reason: record.body.reason })),
        batches: state.pots
          .filter(({ record }) => record.body.step === one.step.id)
          .map(({ record }) => {
            const { resin, hardener, lots } = record.body;
            return { resin, hardener, lots, ...signed(record) };
          }),
        drops: one.drops.map((record) => {
          const { start, end, minutes } = record.body;
          return { start, end, minutes, ...signed(record) };
        }),
        laid: [...one.laid.values()].map((record) => {
          const piece = state.pieces.get(record.body.code);
          return {
            layer: piece?.layerNumber ?? 0,
            piece: piece?.name ?? record.body.code,
            cloth: piece?.cloth ?? '',
            angleDeg: piece?.angleDeg ?? 0,
            lot: record.body.lot,
            ...signed(record),
          };
        }),
        missing: one.step.pieces
          .filter((code) => !one.laid.has(code))
          .map((code) => state.pieces.get(code)?.name ?? code),
      })),
      readings: state.readings
        .filter(({ body }) => body.part === id)
        .map((record) => {
          const { what, zone, value, instrument } = record.body;
          return { what: READINGS[what].name, zone: zones.get(zone) ?? '', value, instrument, ...signed(record) };
        }),
    };
  });
}

function defectsOf({ state, boat }: BookInput): BoatBook['defects'] {
  const zones = new Map(boat.parts.flatMap((part) => part.zones.map(({ id, name }) => [id, name])));
  return [...state.defects.values()].map(({ record, disposed, repaired, open }) => ({
    part: state.plan.parts.find(({ id }) => id === record.body.part)?.name ?? record.body.part,
    zone: zones.get(record.body.zone) ?? '',
    kind: DEFECT_KINDS[record.body.kind],
    size: record.body.size,
    note: record.body.note,
    found: signed(record),
    decided: maybe(disposed, (one) => ({
      ...signed(one),
      what: DISPOSITIONS[one.body.what],
      reason: one.body.reason,
      check: one.body.found ? `${one.body.found.verdict}: ${one.body.found.says}` : null,
      repair: one.body.repair ?? null,
    })),
    repaired: maybe(repaired, (one) => ({ ...signed(one), note: one.body.note })),
    open,
    photos: record.body.photos,
  }));
}

const trialsOf = ({ series, samples, recommendation }: TrialSeries): BoatBook['trials'][number] => ({
  series,
  says: recommendation.says,
  samples: samples.map(({ id, trial, prediction, result, author }) => ({
    name: trial.name,
    on: trial.on,
    layers: trial.layers.length,
    target: trial.target,
    should: prediction?.failure ?? null,
    bore: result.failure?.load ?? result.highest,
    broke: result.failure ? BREAKS[result.failure.how] : null,
    standing: STANDINGS[recommendation.standing[id] ?? 'open'],
    author,
  })),
});
const STANDINGS = { meets: 'meets', fails: 'fails', tooStrong: 'too strong', open: 'open' } as const;

/** What a reader must know that is not settled. */
function openOf(
  { state, revision }: BookInput,
  { defects, pastLots }: Pick<BoatBook, 'defects' | 'pastLots'>,
): string[] {
  const steps = [...state.steps.values()];
  const undone = steps.filter((one) => !one.done).length;
  const unsigned = steps.filter((one) => one.done && !isFinished(one));
  const wrong = state.pots.flatMap(({ record }) => {
    const found = hardenerOff(state.plan, record.body);
    const step = state.steps.get(record.body.step)?.step;
    // An adhesive has a share of its own, which the plan does not know.
    if (found === null || found.is === 'right' || !step || step.kind === 'bond') return [];
    return [`A batch of “${step.name}” had ${saidOff(found)}`];
  });
  const unchecked = revision.results?.zones.filter(({ reserveFactor }) => reserveFactor === null) ?? [];
  return [
    ...(undone > 0 ? [`${undone} of ${steps.length} steps are not done`] : []),
    ...unsigned.map(({ step }) => `“${step.name}” is not signed`),
    ...defects.filter(({ open }) => open).map(({ kind, part }) => `A defect of ${part} is not settled: ${kind}`),
    ...wrong,
    ...pastLots.map(
      ({ lot, material, expires }) => `Lot ${lot} of ${material} was used after its last day, ${expires}`,
    ),
    ...unchecked.map(({ part, zone, problem }) => `${part}, ${zone} was not checked${problem ? `: ${problem}` : ''}`),
    ...(revision.results === null ? ['The revision keeps no results: it was issued before they were kept'] : []),
    ...(state.clashes.length > 0 ? [`${state.clashes.length} records clash with others`] : []),
  ];
}

/**
 * The book of one hull.
 * @example bookOf(input).parts[0].steps[4].laid[0].lot // 'B4471'
 */
export function boatBook(input: BookInput): BoatBook {
  const { boat, revision, hull, begun, amendments, state, records, now } = input;
  const byId = new Map(records.map((record) => [record.id, record]));
  const { label, hash, engine, author, note, issuedAt } = revision;
  const defects = defectsOf(input);
  const pastLots = usedPast(state, input.dated ?? []);
  return {
    format: 'keramos-book',
    version: 1,
    boat: boat.name,
    hull,
    written: now,
    begun,
    revision: { label, hash, engine, author, note, issuedAt },
    amendments: amendments.map(({ from, to, reason, author: by, at, changes }) => ({
      from,
      to,
      reason,
      author: by,
      at,
      changes: changes.map(
        ({ part, says, late }) => `${part}: ${says}${late ? ' (too late, stays as it was laid)' : ''}`,
      ),
    })),
    zones: (revision.results?.zones ?? []).map(
      ({ part, zone, thickness, arealWeight, reserveFactor, governs, notChecked }) => {
        return { part, zone, thickness, arealWeight, reserveFactor, governs, notChecked };
      },
    ),
    cautions: boat.acceptances.map(({ rule, subject, by, note: why, at }) => ({ rule, subject, by, note: why, at })),
    parts: partsOf(input),
    defects,
    proofs: state.proofs.map((record) => {
      const { name, place, load, stop, failure, points, set, note: said } = record.body;
      const reached = Math.max(...points.map(([pull]) => pull));
      const called = place === '' ? name : `${name}, ${place}`;
      return {
        ...signed(record),
        name: called,
        load,
        stopLoad: stop,
        failure,
        reached,
        set,
        ...proofFound(record.body),
        note: said,
        points,
      };
    }),
    alignments: state.alignments.map((record) => {
      return { name: record.body.name, ...signed(record), found: lineUp(record.body.survey) };
    }),
    traces: input.traces ?? [],
    trials: (input.trials ?? []).map(trialsOf),
    pastLots,
    clashes: state.clashes.map(({ record, why }) => ({ says: `${record.person} ${sayRecord(state, record)}`, why })),
    takenBack: records.flatMap((record) => {
      const gone = record.corrects === null ? undefined : byId.get(record.corrects);
      if (record.kind !== 'undone' || !gone) return [];
      return [{ says: `${gone.person} ${sayRecord(state, gone)}`, ...signed(record), reason: record.body.reason }];
    }),
    open: openOf(input, { defects, pastLots }),
  };
}
