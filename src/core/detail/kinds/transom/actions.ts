import { tippedBolts, type BoltPlace } from '../..';
import { invalid } from '../../../error';
import { saidLength } from '../../../quantity';
import type { Scene } from '../scene';
import type { DetailOf } from '../schema';

const GRAVITY = 9.80665;

/** What the motor or rudder does to the board in one of its ways of working; load factor included. */
export interface TransomCase {
  name: string;
  /** Into the board from aft, negative pulls it off (N). */
  normal: number;
  /** Pulls the upper bolts where positive (N·m). */
  moment: number;
}
export interface TransomActions {
  cases: TransomCase[];
  /** Greatest pull of one bolt, and what makes it (N). */
  pull: number;
  pullBy: string;
  /** On one bolt (N). */
  shear: number;
  /** Greatest force of one row of bolts into the board, and off it (N). */
  rowIn: number;
  rowOff: number;
  /** Greatest pressure of the bracket's edge on the board (Pa). */
  pressed: number;
}

/** Places of the bolts, up and down and athwart from the middle of the bracket: two columns, rows spread evenly. */
export function transomBolts({ boltCount, boltRows, clampBreadth }: DetailOf<'transom'>): BoltPlace[] {
  if (boltCount === 1) return [[0, 0]];
  const rows = Math.ceil(boltCount / 2);
  return Array.from({ length: boltCount }, (_, i): BoltPlace => {
    const row = Math.floor(i / 2);
    const up = rows === 1 ? 0 : boltRows * (row / (rows - 1) - 0.5);
    return [up, (i % 2 === 0 ? -1 : 1) * 0.32 * clampBreadth];
  });
}

/** Thrust, weight and side force (N): by its cause for a motor, else by where the load points. */
function forcesOf({ boat, load }: Scene, { load: id }: DetailOf<'transom'>) {
  const cause = boat.loads.find((one) => one.id === id)?.cause;
  const [forward, outboard, up] = load!.vector.map(Math.abs) as [number, number, number];
  return cause?.kind === 'thrust'
    ? { thrust: cause.thrust, weight: cause.mass * GRAVITY * cause.dynamic, side: outboard }
    : { thrust: forward, weight: up, side: outboard };
}

/**
 * A motor on its bracket, ahead, astern and when its leg strikes: forces and moment at the middle of the bolts, pull
 * and shear of the worst bolt, and what each row of bolts asks of the board.
 *
 * Ahead, thrust below the bolts and weight aft of them both pull the upper row. Astern, and when the leg strikes, the
 * lower row is pulled, and all bolts with the force itself; the weight, which may relieve them, is left out. A moment
 * reaches the board as a couple of the rows, M / s, beside half of the force each; s is never less than half the
 * bracket.
 *
 * @throws KeramosError `invalid` for rows of bolts that the bracket has no room for.
 * Source: equilibrium; bolts by tippedBolts; docs/engineering.md, "Transom".
 */
export function transomActions(scene: Scene, detail: DetailOf<'transom'>): TransomActions {
  const { boltRows, bracketHeight, clampBreadth, leverArm, overhang, astern, impact, boltCount, name } = detail;
  if (boltRows > bracketHeight)
    throw invalid(
      'boltRows',
      `${name}: rows of bolts ${saidLength(boltRows)} apart do not fit a bracket of ${saidLength(bracketHeight)}`,
      { given: boltRows, maximum: bracketHeight },
    );
  const { factor } = scene;
  const { thrust, weight, side } = forcesOf(scene, detail);
  const cases: TransomCase[] = [
    { name: 'ahead', normal: thrust * factor, moment: (thrust * leverArm + weight * overhang) * factor },
    { name: 'weight alone', normal: 0, moment: weight * overhang * factor },
    { name: 'astern', normal: -astern * thrust * factor, moment: -astern * thrust * leverArm * factor },
    { name: 'striking', normal: -impact * factor, moment: -impact * leverArm * factor },
  ];
  const bolts = transomBolts(detail);
  const sideways = side * overhang * factor;
  const pulls = cases.map(
    ({ normal, moment }) =>
      tippedBolts(bolts, [bracketHeight, clampBreadth], Math.max(0, -normal), [moment, sideways]).max,
  );
  const most = pulls.reduce((best, pull, i) => (pull > pulls[best]! ? i : best), 0);
  const couple = Math.max(boltRows, bracketHeight / 2);
  const rows = cases.flatMap(({ normal, moment }) => [normal / 2 - moment / couple, normal / 2 + moment / couple]);
  const area = bracketHeight * clampBreadth;
  const pressed = cases.map(
    ({ normal, moment }) =>
      (Math.max(0, normal) + (6 * Math.abs(moment)) / bracketHeight + (6 * sideways) / clampBreadth) / area,
  );
  return {
    cases,
    pull: Math.max(0, pulls[most]!),
    pullBy: cases[most]!.name,
    shear: (Math.hypot(weight, side) * factor) / boltCount,
    rowIn: Math.max(0, ...rows),
    rowOff: Math.max(0, ...rows.map((row) => -row)),
    pressed: Math.max(...pressed),
  };
}
