import { actingLoad } from '../../detail';
import type { Span, Support } from '../../geometry';
import { isHead, stiffenerRequirement, type ZoneLocation } from '../../standard';
import { spanForces, type HeldEnds } from '../../stiffener';
import { put, type Recorder } from '../../working';
import type { StandingStiffener } from './loadSpan';

/** How many of its ends a span has free to turn, as the ends it is held at. */
const HELD: readonly HeldEnds[] = ['both', 'one', 'none'];
const SAID: Record<HeldEnds, string> = {
  both: 'both ends held',
  one: 'one end free to turn',
  none: 'both ends free to turn',
};

/** A moment (N·m), and where it is. */
export interface Bending {
  moment: number;
  place: string;
}
/** What a span is asked to bear, at the pack's design level. */
export interface SpanActions {
  /** What stretches the plating and presses the crown, and the other way round. */
  stretched: Bending;
  pressed: Bending;
  /** At an end (N). */
  shear: number;
  /** EI that keeps its sag within the pack's limit (N·m²). */
  stiffness: number;
}

/**
 * At which ends a span is held: an outermost one turns at the end that the member says is free. What is not held there
 * is held by the next support more, and passes on from it: the spans inside count as if one end of theirs turned.
 */
const heldEnds = ({ ends }: Support, span: Span): HeldEnds =>
  HELD[ends === 'held' ? 0 : Math.max(1, Math.min(ends === 'oneFree' ? 1 : 2, span.ends))]!;

/** The point load on a member as a force and a moment at the pack's design level. */
interface Standing {
  name: string;
  force: number;
  moment: number;
  /** A drop presses alone. */
  pulls: boolean;
}

const NEAR = 1e-6;
/** Whether the load of a member stands on a span of it: on any, where its place is not given. */
export function standsOn(support: Support, { points }: Span): boolean {
  const at = 'loadAt' in support ? support.loadAt : null;
  if (at === null) return true;
  const xs = points.map(([x]) => x);
  return at >= Math.min(...xs) - NEAR && at <= Math.max(...xs) + NEAR;
}

/**
 * A load case that stands on a member: all of its force square to it, and its arm along it. Details are held to
 * ultimate strengths with the load's own factor, the pack to its design strengths: the load comes to its level by that
 * share. What drops on it meets something that hardly gives: a stiffener gives less than that.
 */
function pointOn({ boat, support, book }: StandingStiffener, span: Span): Standing | null {
  const load = boat.loads.find(({ id }) => id === support.load);
  if (!load || !standsOn(support, span)) return null;
  const { force, arm, off, factor } = actingLoad(load);
  const design = factor * force * book.pack.stiffener.strengthFactor;
  const pulls = load.cause.kind !== 'person';
  return { name: load.name, force: design, moment: design * (arm + Math.abs(off[0])), pulls };
}

const more = (a: Bending, b: Bending): Bending => (b.moment > a.moment ? b : a);

/**
 * Moments, shear and stiffness that a span is asked for: the pack's own under the pressure, by how its ends are held,
 * and what stands on it. A head of water may press from either face; what stands on it may press or pull.
 *
 * Source: ISO 12215-5:2008 method, F46 to F49; spanForces; docs/engineering.md, "Spans and what stands on them".
 */
export function spanActions(
  stiffener: StandingStiffener,
  { span, pressure, location }: { span: Span; pressure: number; location: ZoneLocation },
  record?: Recorder,
): SpanActions {
  const { boat, book, support, properties } = stiffener;
  const pack = book.pack;
  const top = properties.crown ?? properties.web;
  const quality = pack.qualityFactor[boat.brief.quality];
  const held = heldEnds(support, span);
  const need = stiffenerRequirement(
    {
      pressure,
      spacing: span.spacing,
      span: span.length,
      // An arch needs ends that hold it.
      rise: held === 'both' ? span.rise : 0,
      tensileStrength: quality * top.tensileStrength,
      compressiveStrength: quality * top.compressiveStrength,
      shearStrength: quality * properties.web.shearStrength,
      E: top.E,
    },
    record,
    pack,
  );
  // The pack's own are of both ends held: 1/12 of w l² at them, 1/2 of w l in shear, 1/384 of w l⁴ in sag.
  const alike = spanForces({ length: 1, held, uniform: 1 });
  const [end, middle] = [12 * alike.end * need.moment, 12 * alike.middle * need.moment];
  const asked = {
    shear: 2 * alike.shear * need.webArea * need.designShear,
    stiffness: 384 * alike.sag * need.secondMoment * top.E,
  };
  const head = isHead(location);
  const stretched = [
    { moment: end, place: 'at the ends' },
    { moment: head ? middle : 0, place: 'at mid-span, pressed from the other face' },
  ];
  const pressed = [
    { moment: middle, place: 'at mid-span' },
    { moment: head ? end : 0, place: 'at the ends, pressed from the other face' },
  ];
  const point = pointOn(stiffener, span);
  if (point) {
    const own = spanForces({ length: span.length, held, uniform: 0, force: point.force, moment: point.moment });
    const stands = `with ${point.name} on it`;
    stretched.push({ moment: end + own.end, place: `at the ends, ${stands}` });
    const [pulled, turned] = point.pulls ? [own.middle, own.end] : [0, 0];
    stretched.push({ moment: pulled + (head ? middle : 0), place: `where ${point.name} pulls` });
    pressed.push({ moment: middle + own.middle, place: `in the span, ${stands}` });
    pressed.push({ moment: turned + (head ? end : 0), place: `at the ends, where ${point.name} pulls` });
    asked.shear += own.shear;
    asked.stiffness += own.sag / (pack.stiffener.deflectionRatio * span.length);
    recordPoint(record, { point, length: span.length, held, own });
  }
  if (held !== 'both') recordHeld(record, { held, end, middle, moment: need.moment });
  return { stretched: stretched.reduce(more), pressed: pressed.reduce(more), ...asked };
}

const SPANS = 'Roark, Formulas for Stress and Strain, ch. 8';

function recordHeld(
  record: Recorder | undefined,
  { held, end, middle, moment }: { held: HeldEnds; end: number; middle: number; moment: number },
): void {
  for (const [place, value] of [
    ['at a held end', end],
    ['in the span', middle],
  ] as const)
    record?.({
      quantity: `Moment ${place}, ${SAID[held]}`,
      symbol: place === 'in the span' ? 'M_m' : 'M_e',
      formula: `${(value / moment).toFixed(3)}\\,M_d`,
      inputs: [put('M_d', moment, 'N·m')],
      value,
      unit: 'N·m',
      source: SPANS,
      note: "The pack's own moment is that of a span with both ends held. Curvature counts only there.",
    });
}

function recordPoint(
  record: Recorder | undefined,
  { point, length, held, own }: { point: Standing; length: number; held: HeldEnds; own: ReturnType<typeof spanForces> },
): void {
  const inputs = [put('F', point.force, 'N'), put('M', point.moment, 'N·m'), put('l_u', length, 'm')];
  for (const [quantity, symbol, value, unit] of [
    ['Moment at an end', 'M_{F,e}', own.end, 'N·m'],
    ['Moment in the span', 'M_{F,m}', own.middle, 'N·m'],
    ['Shear force', 'V_F', own.shear, 'N'],
  ] as const)
    record?.({
      quantity: `${quantity} by ${point.name}, wherever it stands on the span, ${SAID[held]}`,
      symbol,
      formula: '\\max_a\\,(F, M)',
      inputs,
      value,
      unit,
      source: SPANS,
      note: "By the load's own factor, to ultimate strengths, times the pack's from those to its design level.",
    });
}
