import { rateOf, type ResinCure } from './resinCure';

/** A slice of what is cured, from the mould outwards. */
export interface Slice {
  /** m */
  thickness: number;
  /** kg/m³, J/(kg·K), W/(m·K). */
  density: number;
  specificHeat: number;
  conductivity: number;
  /** kg of resin in a m³ of it that is yet to harden; 0: none. */
  resin: number;
}

/** Air over time: from a time on (s) it changes evenly to that of the next. */
export interface AirStep {
  time: number;
  celsius: number;
}

export interface CureMoment {
  /** s */
  time: number;
  air: number;
  /** °C of what hardens: hottest, coolest; at the mould and at the bag. */
  hottest: number;
  coolest: number;
  mould: number;
  surface: number;
  /** Degree where it is least, and where it is most. */
  degree: number;
  degreeMost: number;
}

export interface CureCourse {
  moments: CureMoment[];
  peak: { celsius: number; time: number };
  /** Hottest of each slice as given (°C). */
  slicePeaks: number[];
  /** Degree of cure where it is least, at the end. */
  degree: number;
}

/** Nodes in a slice of what hardens, at least; and how thick one is (m). */
const LEAST_NODES = 3;
const NODE = 0.001;
/** Steps (s), and how much a degree or a temperature (K) may change in one. */
const LONGEST = 120;
const SHORTEST = 0.5;
const CHANGE = { degree: 0.003, celsius: 1 };
/** Moments that are told. */
const TOLD = 400;

/**
 * Temperature and degree of cure through a stack that makes heat, air on both sides: heat conduction through the
 * slices by finite volumes, implicit in time.
 *
 * @param slices from the mould's outer side to the bag. @param loss W/(m²·K) on each face. @param from °C all through.
 * Checked in the tests against the lumped course of a thin laminate, and the rise with no heat lost.
 */
export function cureThrough({
  slices,
  cure,
  air,
  loss,
  start,
}: {
  slices: readonly Slice[];
  cure: ResinCure;
  air: readonly AirStep[];
  loss: number;
  start: number;
}): CureCourse {
  const nodes = slices.flatMap((slice, index) => {
    const count = Math.max(LEAST_NODES, Math.min(24, Math.round(slice.thickness / NODE)));
    return Array.from({ length: count }, () => ({ ...slice, index, dx: slice.thickness / count }));
  });
  const n = nodes.length;
  const capacity = nodes.map(({ density, specificHeat, dx }) => density * specificHeat * dx);
  const heat = nodes.map(({ resin, dx }) => resin * dx * cure.family.heat);
  const hardens = nodes.flatMap(({ resin }, i) => (resin > 0 ? [i] : []));
  // Between the middles of neighbours; on the faces half a node and the air.
  const between = nodes.slice(1).map((node, i) => {
    const before = nodes[i]!;
    return 1 / (before.dx / (2 * before.conductivity) + node.dx / (2 * node.conductivity));
  });
  const face = (i: number) => 1 / (nodes[i]!.dx / (2 * nodes[i]!.conductivity) + 1 / Math.max(loss, 1e-12));
  const [first, last] = [face(0), face(n - 1)];
  const temperature = new Float64Array(n).fill(start);
  const degree = new Float64Array(n);
  const slicePeaks = slices.map(() => start);
  const end = air.at(-1)!.time;
  const moments: CureMoment[] = [];
  let peak = { celsius: start, time: 0 };
  let [time, step] = [0, 1];
  let told = -Infinity;
  const tell = (now: number) => {
    const own = hardens.map((i) => temperature[i]!);
    moments.push({
      time: now,
      air: airAt(air, now),
      hottest: Math.max(...own),
      coolest: Math.min(...own),
      mould: temperature[0]!,
      surface: temperature[n - 1]!,
      degree: Math.min(...hardens.map((i) => degree[i]!)),
      degreeMost: Math.max(...hardens.map((i) => degree[i]!)),
    });
    told = now;
  };
  tell(0);
  while (time < end) {
    step = Math.min(step, end - time, LONGEST);
    const rates = nodes.map((_, i) => (heat[i]! > 0 ? rateOf(cure, degree[i]!, temperature[i]!) : 0));
    const fastest = Math.max(...rates);
    if (fastest * step > CHANGE.degree && step > SHORTEST) {
      step = Math.max(SHORTEST, CHANGE.degree / fastest);
    }
    const gained = rates.map((rate, i) => Math.min(1 - degree[i]!, rate * step));
    const now = time + step;
    const next = conducted(temperature, { capacity, between, first, last, step, air: airAt(air, now) }, (i) => {
      return heat[i]! * gained[i]!;
    });
    const most = next.reduce((largest, value, i) => Math.max(largest, Math.abs(value - temperature[i]!)), 0);
    if (most > 2 * CHANGE.celsius && step > SHORTEST) {
      step = Math.max(SHORTEST, step / 2);
      continue;
    }
    temperature.set(next);
    gained.forEach((gain, i) => (degree[i]! += gain));
    time = now;
    nodes.forEach(({ index }, i) => (slicePeaks[index] = Math.max(slicePeaks[index]!, temperature[i]!)));
    for (const i of hardens) if (temperature[i]! > peak.celsius) peak = { celsius: temperature[i]!, time };
    if (time - told >= end / TOLD || time >= end) tell(time);
    step *= most < CHANGE.celsius / 2 ? 1.5 : 1;
  }
  return { moments, peak, slicePeaks, degree: Math.min(...hardens.map((i) => degree[i]!)) };
}

/** Temperature of the air at a time. */
export function airAt(air: readonly AirStep[], time: number): number {
  const k = air.findIndex((step) => step.time >= time);
  if (k <= 0) return k === 0 ? air[0]!.celsius : air.at(-1)!.celsius;
  const [a, b] = [air[k - 1]!, air[k]!];
  return b.time > a.time ? a.celsius + ((b.celsius - a.celsius) * (time - a.time)) / (b.time - a.time) : b.celsius;
}

/** One implicit step of conduction: a band of three, solved by elimination there and back. */
function conducted(
  before: Float64Array,
  {
    capacity,
    between,
    first,
    last,
    step,
    air,
  }: { capacity: number[]; between: number[]; first: number; last: number; step: number; air: number },
  heatOf: (i: number) => number,
): Float64Array {
  const n = before.length;
  const [upper, value] = [new Float64Array(n), new Float64Array(n)];
  for (let i = 0; i < n; i++) {
    const low = i > 0 ? between[i - 1]! : 0;
    const high = i < n - 1 ? between[i]! : 0;
    const out = (i === 0 ? first : 0) + (i === n - 1 ? last : 0);
    const diagonal = capacity[i]! / step + low + high + out;
    const given = (capacity[i]! * before[i]! + heatOf(i)) / step + out * air;
    const pivot = diagonal - (i > 0 ? low * upper[i - 1]! : 0);
    upper[i] = high / pivot;
    value[i] = (given + (i > 0 ? low * value[i - 1]! : 0)) / pivot;
  }
  for (let i = n - 2; i >= 0; i--) value[i]! += upper[i]! * value[i + 1]!;
  return value;
}
