import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../../tests/helpers/merrow';
import type { Boat } from '../../document';
import { formFields, readAt, type FormField } from '../../field';
import { actingLoad, LOAD_CAUSES, LOAD_START, type LoadCase, type LoadCause } from '..';
import { DETAIL_KINDS, detailSchema, evaluateDetail, newDetail, type Detail, type DetailKind } from '.';

/** What a figure of a detail does to its checks as it grows. */
interface Growth {
  /** More of it lowers no check, or raises none; 'mixed' is for what is listed check by check in `but`. */
  is: 'help' | 'harm' | 'neither';
  /** Checks that go the other way, and why: what a careful reader is told. */
  but?: Readonly<Record<string, string>>;
}
const HOLE = 'the hole of a thicker bolt takes more out of what is left';
const LESS_TAIL = 'each strip ends a step before the one under it: the uppermost has less to hold by';
const THICKER = 'no bracket clamps what is too thick for it';
const help = (but?: Growth['but']): Growth => ({ is: 'help', ...(but && { but }) });
const harm = (but?: Growth['but']): Growth => ({ is: 'harm', ...(but && { but }) });
const neither: Growth = { is: 'neither' };
const ODD = 'an odd bolt stands alone in the upper row, and takes all of its pull';
const ASIDE = 'knees that stand further apart hold less each of what turns the board sideways';
const WOOD = { clampMost: THICKER };

/** Every figure of every kind: one that is added has to say here what it does. */
const GROWTH: Readonly<Record<DetailKind, Readonly<Record<string, Growth>>>> = {
  bolted: {
    boltDiameter: help({ netTension: HOLE, shearOut: HOLE, crushing: HOLE, preload: HOLE, punching: HOLE }),
    washerDiameter: help(),
    'base.0': help({ panelCore: 'a broader base hands more to the nearer edge of the panel' }),
    'base.1': help({ panelCore: 'a broader base hands more to the nearer edge of the panel' }),
    edgeDistance: help(),
    beyond: help(),
    bevel: neither,
    preload: harm(),
    'plate.thickness': help(),
    'plate.length': help(),
    'plate.breadth': help(),
    'tapped.thickness': help(),
  },
  strap: {
    halfAngleDeg: harm(),
    strips: help({ bond: LESS_TAIL, bondPeak: LESS_TAIL, pullOff: LESS_TAIL, radius: 'a thicker strap bends worse' }),
    width: help(),
    anchor: help(),
    step: help({ bond: LESS_TAIL, pullOff: LESS_TAIL, bondPeak: LESS_TAIL }),
    misalignDeg: harm(),
    radius: help(),
    fittingStrength: harm(),
  },
  tabbing: {
    length: help(),
    lineLoad: harm(),
    fillet: help(),
    bondWidth: help(),
    bondLine: harm(),
  },
  patch: { breadth: help(), radius: help() },
  flange: {
    length: help(),
    width: help(),
    bondLine: harm(),
    lineLoad: harm(),
    pitch: harm(),
    boltDiameter: help(),
    edgeDistance: help(),
  },
  transom: {
    span: harm({ boardShear: ASIDE, knees: ASIDE, kneePlate: ASIDE }),
    height: harm(),
    'clamp.0': harm(),
    'clamp.1': help(),
    clampBreadth: help(),
    boltCount: help({ crushPull: ODD, bolt: ODD, nut: ODD, bearing: ODD }),
    boltDiameter: help({ crush: HOLE, crushPull: HOLE }),
    washerDiameter: help(),
    preload: harm(),
    leverArm: harm(),
    bracketHeight: help(),
    boltRows: help(),
    overhang: harm(),
    astern: harm(),
    impact: harm(),
    'plate.length': help(),
    'plate.breadth': help(),
    'knees.length': help(),
    'knees.overlap': help(),
    'knees.thickness': help(),
    'plywood.thickness': help(WOOD),
    'plywood.sheets': help(WOOD),
    'board.thickness': help(WOOD),
    'board.sheets': help(WOOD),
  },
  extension: { ratio: help(), length: help() },
  stiffenerEnd: { taper: help(), notch: harm() },
  liner: {
    bondWidth: help(),
    bondLength: help({ inspection: 'as many inspection points see less of a longer bond' }),
    bondLine: harm(),
    tributary: harm(),
    inspections: help(),
  },
};

const boats = [merrow(), brant()];
const kinds = Object.keys(DETAIL_KINDS) as DetailKind[];
const NOT_OF_THE_KIND = ['name', 'zone', 'load', 'x', 'y', 'number', 'note', 'proof'];

type NumberField = Extract<FormField, { as: 'number' }>;
/** The figures of a detail that are set, out of their groups. */
function figuresOf(detail: Detail): { field: NumberField; value: number }[] {
  const plain = (fields: readonly FormField[]): FormField[] =>
    fields.flatMap((field) => (field.as === 'group' && readAt(detail, field.key) ? plain(field.fields) : [field]));
  return plain(formFields(detailSchema, '', NOT_OF_THE_KIND, { kind: detail.kind })).flatMap((field) => {
    const value = field.as === 'number' ? readAt(detail, field.key) : null;
    return field.as === 'number' && typeof value === 'number' ? [{ field, value }] : [];
  });
}
/** The same with another value somewhere inside. */
function withAt<T>(of: T, key: string, value: unknown): T {
  const [head, ...rest] = key.split('.') as [string, ...string[]];
  const inner = (one: unknown) => (rest.length === 0 ? value : withAt(one, rest.join('.'), value));
  if (Array.isArray(of)) return of.map((one, i) => (String(i) === head ? inner(one) : (one as unknown))) as T;
  return { ...of, [head]: inner(of[head as keyof T]) };
}
const reserves = (boat: Boat, detail: Detail) => {
  const { checks, problem } = evaluateDetail(boat, detail);
  return problem === null ? new Map(checks.map(({ id, reserveFactor }) => [id as string, reserveFactor])) : null;
};

/** The details of the demo boats, and one of each kind as it begins, where the boat has what it needs. */
const cases = boats
  .flatMap((boat) => [
    ...boat.details.map((detail) => ({ boat, detail })),
    ...kinds.map((kind) => ({ boat, detail: newDetail(boat, kind, 'new', boat.parts[0]!.zones[0]!) })),
  ])
  .map((one) => ({ ...one, before: reserves(one.boat, one.detail), name: `${one.boat.name}: ${one.detail.name}` }))
  .flatMap(({ before, ...one }) => (before ? [{ ...one, before, kind: one.detail.kind }] : []));

describe('a figure of a detail that grows', () => {
  it.each(kinds)('%s: every figure says what more of it does', (kind) => {
    const named = new Set(
      cases
        .filter(({ detail }) => detail.kind === kind)
        .flatMap(({ detail }) => figuresOf(detail).map(({ field }) => field.key)),
    );
    expect([...named].filter((key) => !GROWTH[kind][key])).toEqual([]);
  });
  it.each(cases)(
    '$name, $kind: no check goes the wrong way, but where the reason is known',
    ({ boat, detail, before }) => {
      const figures = figuresOf(detail);
      if (figures.length === 0) return;
      fc.assert(
        fc.property(
          fc.constantFrom(...figures),
          fc.double({ min: 1.05, max: 2.5, noNaN: true }),
          ({ field, value }, by) => {
            const more = Math.min(field.maximum, field.whole ? Math.ceil(value * by) : value * by);
            const after = more > value ? reserves(boat, withAt(detail, field.key, more)) : null;
            // Refused, or as large as it may be.
            if (after === null) return;
            const { is, but = {} } = GROWTH[detail.kind][field.key]!;
            for (const [id, was] of before) {
              const now = after.get(id) ?? Infinity;
              const said = `${field.key} from ${value} to ${more}: ${id} ${was} → ${now}`;
              if (but[id] !== undefined) continue;
              if (is !== 'harm') expect(now, said).toBeGreaterThanOrEqual(was * (1 - 1e-6));
              if (is !== 'help') expect(now, said).toBeLessThanOrEqual(was * (1 + 1e-6));
            }
          },
        ),
        { numRuns: 2 * figures.length, seed: 84 },
      );
    },
  );
});

describe('a load that grows', () => {
  /** Figures of a cause by which its force falls as they grow. */
  const EASES = new Set(['halfBeam', 'points', 'stop']);
  const load = (cause: LoadCause): LoadCase => ({
    id: 'l',
    name: 'Load',
    cause: { kind: cause, ...LOAD_START[cause] } as LoadCase['cause'],
    direction: { how: 'angle', bearingDeg: 30, upDeg: 40 },
    height: 0.2,
    along: 0.05,
    across: -0.03,
    factor: 1.5,
    source: 'Made up',
  });
  it.each(Object.keys(LOAD_CAUSES) as LoadCause[])('%s: more of each of its figures is never less force', (cause) => {
    const of = load(cause);
    const { force, arm, factor } = actingLoad(of);
    for (const [key, value] of Object.entries(LOAD_START[cause])) {
      if (value === null) continue;
      const grown = actingLoad({ ...of, cause: { ...of.cause, [key]: value * 1.2 } as LoadCase['cause'] });
      const eases = EASES.has(key)
        ? grown.force < force
        : grown.force * grown.factor + grown.arm >= force * factor + arm;
      expect(eases, key).toBe(true);
    }
  });
  it.each(cases.filter(({ detail }) => detail.load !== null))(
    '$name, $kind: raises no reserve, by its size or by its factor',
    ({ boat, detail }) => {
      const own = boat.loads.find(({ id }) => id === detail.load)!;
      const { force } = actingLoad(own);
      const under = (by: number, factor: number) => {
        const cause = { kind: 'given', force: force * by } as const;
        const loads = boat.loads.map((one) => (one === own ? { ...own, cause, factor } : one));
        return reserves({ ...boat, loads }, detail)!;
      };
      const before = under(1, own.factor);
      for (const [by, factor] of [
        [1.3, own.factor],
        [2.5, own.factor],
        [1, Math.min(10, own.factor * 1.4)],
      ] as const)
        for (const [id, now] of under(by, factor))
          expect(now, `${id} at ${by} times the force, factor ${factor}`).toBeLessThanOrEqual(
            (before.get(id) ?? Infinity) * (1 + 1e-6),
          );
    },
  );
});
