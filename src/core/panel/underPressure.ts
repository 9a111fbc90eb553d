import { invalid } from '../error';
import type { SolvedPlate } from './edgeShear';
import { gaussLegendre, shapes } from './legendre';
import {
  readPlate,
  ritzModel,
  solveRitz,
  termsFor,
  type Plate,
  type PlateReader,
  type RitzModel,
  type Symmetry,
} from './plate';

/** What presses on the plate (Pa): all over, as half a sine wave each way, or on a rectangle only. */
export type PlateLoad =
  | { kind: 'uniform'; pressure: number }
  | { kind: 'sinusoidal'; pressure: number }
  | { kind: 'patch'; pressure: number; x: number; y: number; length: number; breadth: number }
  /**
   * A moment (N·m) brought in by a rectangle in the middle of the plate: one half of it presses, the other pulls. It
   * turns the plate along x or along y.
   */
  | { kind: 'couple'; moment: number; along: 'x' | 'y'; length: number; breadth: number };

/**
 * Functions per direction: enough for deflection within 0.5 % and edge moments within 2 % (docs/engineering.md has
 * the table).
 */
export const DEFAULT_TERMS = 12;

export interface PlateSolution {
  plate: Plate;
  /** Deflection, moments and shear forces at a point (m from the corner). */
  at: PlateReader;
  /** Greatest deflection and where it is. */
  deflection: { value: number; x: number; y: number };
  /** For what is found by work on the whole plate. */
  solved: SolvedPlate;
}

/** The pressure of a load at a place. */
function pressureOf({ length: a, breadth: b }: Plate, load: PlateLoad): SolvedPlate['pressure'] {
  switch (load.kind) {
    case 'uniform':
      return () => load.pressure;
    case 'sinusoidal':
      return (x, y) => load.pressure * Math.sin((Math.PI * x) / a) * Math.sin((Math.PI * y) / b);
    default:
      // Steps inside the plate ask for another rule of integration.
      return () => NaN;
  }
}

/** Virtual work of the load on every deflection function. */
function loadVector(model: RitzModel, load: PlateLoad): number[] {
  const { length: a, breadth: b } = model.plate;
  const [field] = model.fields;
  const { points, weights } = gaussLegendre(Math.max(model.terms.x, model.terms.y) + 8);
  const along = (condition: 'x' | 'y', [from, to]: readonly [number, number], weight: (at: number) => number) => {
    const side = condition === 'x' ? a : b;
    const at = points.map((xi) => (from + to) / 2 + (xi * (to - from)) / 2);
    const [values] = shapes(
      field![condition],
      model.terms[condition],
      at.map((place) => (2 * place) / side - 1),
    ) as [number[][]];
    return values.map(
      (f) => f.reduce((sum, value, q) => sum + weights[q]! * value * weight(at[q]!), 0) * ((to - from) / 2),
    );
  };
  const one = () => 1;
  const sine = (length: number) => (at: number) => Math.sin((Math.PI * at) / length);
  const overlap = () => {
    if (load.kind === 'uniform') return [along('x', [0, a], one), along('y', [0, b], one)];
    if (load.kind === 'sinusoidal') return [along('x', [0, a], sine(a)), along('y', [0, b], sine(b))];
    const { x, y } = load.kind === 'patch' ? load : { x: a / 2, y: b / 2 };
    const over = (condition: 'x' | 'y', middle: number, size: number, weight: (at: number) => number) =>
      along(condition, [middle - size / 2, middle + size / 2], weight);
    if (load.kind === 'patch') return [over('x', x, load.length, one), over('y', y, load.breadth, one)];
    // Straight from −1 to 1 over the rectangle, so that no corner of it asks for more functions than there are.
    const tilt = (middle: number, size: number) => (at: number) => (2 * (at - middle)) / size;
    return load.along === 'x'
      ? [over('x', x, load.length, tilt(x, load.length)), over('y', y, load.breadth, one)]
      : [over('x', x, load.length, one), over('y', y, load.breadth, tilt(y, load.breadth))];
  };
  const [X, Y] = overlap() as [number[], number[]];
  const f = new Array<number>(model.size).fill(0);
  const pressure = load.kind === 'couple' ? couplePressure(load) : load.pressure;
  model.pairs[0]!.forEach(([i, j], p) => (f[p] = pressure * X[i]! * Y[j]!));
  return f;
}

/** Greatest pressure of a straight one from −p to p over a rectangle that has this moment: M = p l b · l / 6. */
function couplePressure({ moment, along, length, breadth }: Extract<PlateLoad, { kind: 'couple' }>): number {
  return (6 * moment) / (length * breadth * (along === 'x' ? length : breadth));
}

function symmetryOf(plate: Plate, load: PlateLoad): Symmetry {
  const uncoupled = (plate.D16 ?? 0) === 0 && (plate.D26 ?? 0) === 0;
  if (load.kind === 'couple') {
    if (!uncoupled) return { sum: 1 };
    return load.along === 'x' ? { x: 1, y: 0 } : { x: 0, y: 1 };
  }
  const central =
    load.kind !== 'patch' ||
    (Math.abs(load.x - plate.length / 2) < 1e-9 * plate.length &&
      Math.abs(load.y - plate.breadth / 2) < 1e-9 * plate.breadth);
  if (!central) return 'none';
  return uncoupled ? { x: 0, y: 0 } : { sum: 0 };
}

/**
 * A rectangular plate under pressure, its edges anywhere between simply supported and clamped.
 *
 * @param terms functions per direction, 4 to 32, of a plate that is as long as broad, both measured by their stiffness;
 * along a longer side there are more.
 * @returns a reader of deflection, moments and shear forces anywhere, and the greatest deflection (m, in the
 * direction of the pressure).
 * @throws KeramosError `invalid` for a patch off the plate or stiffnesses that make no stable plate.
 * @example plateUnderPressure({ length: 1, breadth: 1, D11: 1, D12: 0.3, D22: 1, D66: 0.35, fixityX: 0, fixityY: 0 }, {
 * kind: 'uniform', pressure: 1 }).at(0.5, 0.5).w
 * // 0.00406
 * Source: Timoshenko & Woinowsky-Krieger, ch. 5 and 6; Whitney; Reddy, ch. 6. Flat plate, small deflections.
 */
export function plateUnderPressure(plate: Plate, load: PlateLoad, terms = DEFAULT_TERMS): PlateSolution {
  const { length: a, breadth: b } = plate;
  if (load.kind === 'patch') {
    const off =
      load.x - load.length / 2 < -1e-9 ||
      load.x + load.length / 2 > a + 1e-9 ||
      load.y - load.breadth / 2 < -1e-9 ||
      load.y + load.breadth / 2 > b + 1e-9;
    if (off) throw invalid('load', `The patch must lie on the plate, 0 to ${a} m by 0 to ${b} m`);
  }
  const model = ritzModel(plate, termsFor(plate, terms), symmetryOf(plate, load));
  const solution = solveRitz(model, loadVector(model, load));
  const at = readPlate(model, solution);
  const STEPS = 10;
  let deflection = { value: 0, x: a / 2, y: b / 2 };
  for (let i = 1; i < STEPS; i++)
    for (let j = 1; j < STEPS; j++) {
      const [x, y] = [(a * i) / STEPS, (b * j) / STEPS];
      const w = at.deflection(x, y);
      if (Math.abs(w) > Math.abs(deflection.value) * (1 + 1e-9)) deflection = { value: w, x, y };
    }
  return { plate, at, deflection, solved: { model, solution, pressure: pressureOf(plate, load) } };
}
