import { boltGroupShear, tippedBolts, type BoltPlace } from '../..';
import { invalid } from '../../../error';
import { saidLength } from '../../../quantity';
import type { Scene } from '../scene';
import type { DetailOf } from '../schema';

const GRAVITY = 9.80665;
/** As far as a motor is steered to either side (degrees). */
const HARD_OVER = 30;
const [STEERED_AHEAD, STEERED_ASIDE] = [Math.cos((HARD_OVER * Math.PI) / 180), Math.sin((HARD_OVER * Math.PI) / 180)];

/** What the motor or rudder does to the board in one of its ways of working; load factor included. */
export interface TransomCase {
  name: string;
  /** Into the board from aft, negative pulls it off (N). */
  normal: number;
  /** Pulls the upper bolts where positive (N·m). */
  moment: number;
  /** To one side (N): turns the board by its distance aft, and the bolts by its distance below them. */
  side: number;
}
export interface TransomActions {
  cases: TransomCase[];
  /** Greatest pull of one bolt, and what makes it (N). */
  pull: number;
  pullBy: string;
  /** Greatest on one bolt (N), and what makes it. */
  shear: number;
  shearBy: string;
  /** Greatest force of one row of bolts into the board, and off it (N). */
  rowIn: number;
  rowOff: number;
  /** Greatest moment that turns the board from side to side (N·m). */
  sideways: number;
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
    ? {
        thrust: cause.thrust,
        weight: cause.mass * GRAVITY * cause.dynamic,
        side: outboard,
        steered: cause.thrust * STEERED_ASIDE,
      }
    : { thrust: forward, weight: up, side: outboard, steered: 0 };
}

/**
 * A motor on its bracket, ahead, steered hard over, astern and when its leg strikes: forces and moment at the middle
 * of the bolts, pull and shear of the worst bolt, and what each row of bolts asks of the board.
 *
 * Ahead, thrust below the bolts and weight aft of them both pull the upper row. Astern, and when the leg strikes, the
 * lower row is pulled, and all bolts with the force itself; the weight, which may relieve them, is left out. A moment
 * reaches the board as a couple of the rows, M / s, beside half of the force each; s is never less than half the
 * bracket. A force to the side turns the board about the upright, by its distance aft, and the bolts in their own
 * plane, by its distance below them.
 *
 * @throws KeramosError `invalid` for rows of bolts that the bracket has no room for, and for one bolt that is turned.
 * Source: equilibrium; bolts by tippedBolts; docs/engineering.md, "Transom".
 */
export function transomActions(scene: Scene, detail: DetailOf<'transom'>): TransomActions {
  const { boltRows, bracketHeight, clampBreadth, leverArm, overhang, astern, impact, name } = detail;
  if (boltRows > bracketHeight)
    throw invalid(
      'boltRows',
      `${name}: rows of bolts ${saidLength(boltRows)} apart do not fit a bracket of ${saidLength(bracketHeight)}`,
      { given: boltRows, maximum: bracketHeight },
    );
  const { factor } = scene;
  const { thrust, weight, side, steered } = forcesOf(scene, detail);
  const hung = weight * overhang;
  const cases: TransomCase[] = [
    { name: 'ahead', normal: thrust, moment: thrust * leverArm + hung, side },
    {
      name: 'hard over',
      normal: thrust * STEERED_AHEAD,
      moment: thrust * STEERED_AHEAD * leverArm + hung,
      side: side + steered,
    },
    { name: 'weight alone', normal: 0, moment: hung, side },
    { name: 'astern', normal: -astern * thrust, moment: -astern * thrust * leverArm, side: side + astern * steered },
    { name: 'striking', normal: -impact, moment: -impact * leverArm, side },
  ].map(({ name: what, ...one }) => ({
    name: what,
    normal: one.normal * factor,
    moment: one.moment * factor,
    side: one.side * factor,
  }));
  const bolts = transomBolts(detail);
  const pulls = cases.map(
    (one) =>
      tippedBolts(bolts, [bracketHeight, clampBreadth], Math.max(0, -one.normal), [one.moment, one.side * overhang])
        .max,
  );
  const shears = cases.map((one) => boltGroupShear(bolts, [weight * factor, one.side], [-leverArm, 0]).max);
  const worst = (values: readonly number[]) => values.reduce((best, value, i) => (value > values[best]! ? i : best), 0);
  const [most, sheared] = [worst(pulls), worst(shears)];
  const couple = Math.max(boltRows, bracketHeight / 2);
  const rows = cases.flatMap(({ normal, moment }) => [normal / 2 - moment / couple, normal / 2 + moment / couple]);
  const area = bracketHeight * clampBreadth;
  const pressed = cases.map(
    (one) =>
      (Math.max(0, one.normal) +
        (6 * Math.abs(one.moment)) / bracketHeight +
        (6 * one.side * overhang) / clampBreadth) /
      area,
  );
  return {
    cases,
    pull: Math.max(0, pulls[most]!),
    pullBy: cases[most]!.name,
    shear: shears[sheared]!,
    shearBy: cases[sheared]!.name,
    rowIn: Math.max(0, ...rows),
    rowOff: Math.max(0, ...rows.map((row) => -row)),
    sideways: Math.max(...cases.map((one) => one.side)) * overhang,
    pressed: Math.max(...pressed),
  };
}
