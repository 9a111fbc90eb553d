import { hasDirection, type Core, type Fabric } from '../../material';
import type { Layer } from '../../document';
import type { Cutting } from '../cutting';
import { signedArea, type At } from '../nest/convexParts';
import { cutToRoll } from './cutToRoll';
import type { Flat } from './flatten';
import { boxOf, fromZero, grown, moved, simpler } from './outline';
import type { Dart, ShearAt } from './shearMap';

/** Outlines are cut no finer than this (m). */
const FINE = 0.003;

/** Where joints of layers lie: those of one layer are compared with the last that was joined in the same direction. */
export class Joints {
  private last = new Map<string, number[]>();
  private next = new Map<string, number[]>();
  before = (key: string): readonly number[] => this.last.get(key) ?? [];
  add(key: string, joints: readonly number[]): void {
    this.next.set(key, [...(this.next.get(key) ?? []), ...joints]);
  }
  /** The layer is done: the next one keeps clear of it. */
  settle(): void {
    for (const [key, joints] of this.next) this.last.set(key, joints);
    this.next = new Map();
  }
}

export interface CutPiece {
  outline: At[];
  cuts: At[][];
  notes: string[];
}

/** A run of a layer as it lies before the roll parts it, from 0 both ways: where joints are placed. */
export interface RolledRun {
  outline: At[];
  /** The middles of the laps, from the left edge (m). */
  joints: number[];
  /** Whether somebody placed them; whether they keep clear of the layer before. */
  byHand: boolean;
  apart: boolean;
  /** Width of the roll that may be used (m); 0 of a core. */
  width: number;
  map: ShearAt[];
  darts: Dart[];
}

export interface RolledInput {
  material: Fabric | Core;
  layer: Layer;
  joints: Joints;
  cutting: Cutting;
  /** Where somebody placed its joints, from its left edge (m). */
  placed: readonly number[] | undefined;
}

/**
 * A flat outline turned to the roll, trimmed all round and cut to its width, its joints clear of those of the layer
 * before: measured on the surface that both lie on. A core is cut to sheets instead.
 */
export function rolled(
  flat: Flat,
  { material, layer, joints, cutting, placed }: RolledInput,
): { cut: CutPiece[]; whole: RolledRun | null } {
  if (material.kind === 'core')
    return { cut: sheets(flat.outline, cutting).map((outline) => ({ outline, cuts: [], notes: [] })), whole: null };
  const [trimmed] = grown(flat.outline, cutting.trim).sort((a, b) => signedArea(b) - signedArea(a));
  const lying = (trimmed ?? flat.outline).map(([x, y]): At => [x + flat.datum[0], y + flat.datum[1]]);
  const width = material.width.value - 2 * cutting.selvage;
  // Warp along the roll: a layer at 0° has its reference direction along y.
  const turns = hasDirection(material) ? [90 - layer.angleDeg] : [90, 0];
  const tried = turns.map((turnDeg) => {
    const key = `${flat.ground} ${turnDeg}`;
    const turned = simpler(moved(lying, { turnDeg }), FINE);
    const roll = { width, lap: cutting.lap, offset: cutting.offset, before: joints.before(key), placed };
    return { key, turnDeg, turned, ...cutToRoll(turned, roll) };
  });
  const best = tried.reduce((a, b) => (b.parts.length < a.parts.length ? b : a));
  joints.add(best.key, best.joints);
  const notes: string[] = [];
  const millimetres = (metres: number) => `${Math.round(metres * 1000)} mm`;
  if (best.joints.length > 0)
    notes.push(`joint${best.joints.length > 1 ? 's' : ''} lapped ${millimetres(cutting.lap)}`);
  if (!best.apart) notes.push(`a joint lies nearer than ${millimetres(cutting.offset)} to one below`);
  if (best.asPlaced) notes.push('joints placed by hand');
  if (placed && !best.asPlaced)
    notes.push('its joints placed by hand leave a width that the roll has not, or lie off the piece: placed anew');
  const onRoll = (at: At): At => moved([[at[0] + flat.datum[0], at[1] + flat.datum[1]]], best)[0]!;
  const darts = flat.darts.map((dart): Dart => ({ ...dart, from: onRoll(dart.from), to: onRoll(dart.to) }));
  const { minX, minY } = boxOf(best.turned);
  const zeroed = ([x, y]: At): At => [x - minX, y - minY];
  return {
    cut: best.parts.map((outline) => ({
      outline,
      cuts: darts.flatMap(({ from, to }) => slitIn(outline, from, to)),
      notes,
    })),
    whole: {
      outline: fromZero(best.turned),
      joints: best.joints.map((x) => x - minX),
      byHand: best.asPlaced,
      apart: best.apart,
      width,
      map: flat.map.map(({ at, degrees }) => ({ at: zeroed(onRoll(at)), degrees })),
      darts: darts.map((dart) => ({ ...dart, from: zeroed(dart.from), to: zeroed(dart.to) })),
    },
  };
}

/** A slit with what of it lies in an outline: the part that a width of the roll has of it. */
function slitIn(outline: readonly At[], from: At, to: At): At[][] {
  const { minX, maxX } = boxOf(outline);
  const [left, right] = from[0] <= to[0] ? [from, to] : [to, from];
  const span = right[0] - left[0];
  const at = (x: number): At => [x, span < 1e-9 ? left[1] : left[1] + ((right[1] - left[1]) * (x - left[0])) / span];
  const [a, b] = [Math.max(minX, left[0]), Math.min(maxX, right[0])];
  if (a > b + 1e-9) return [];
  return span < 1e-9 ? [[from, to]] : [[at(a), at(b)]];
}

/** An outline cut to sheets of core, butted: as few both ways as do. */
function sheets(outline: readonly At[], { sheetWidth, sheetLength }: Cutting): At[][] {
  const turned = moved(outline, { turnDeg: 90 });
  const { minX, maxX, minY, maxY } = boxOf(turned);
  const [across, along] = [Math.ceil((maxX - minX) / sheetWidth - 1e-9), Math.ceil((maxY - minY) / sheetLength - 1e-9)];
  const widths = cutToRoll(turned, { width: (maxX - minX) / across + 1e-6, lap: 0, offset: 1, before: [] }).parts;
  return widths.flatMap((part) => {
    const quarter = moved(part, { turnDeg: 90 });
    const long = (maxY - minY) / along + 1e-6;
    return cutToRoll(quarter, { width: long, lap: 0, offset: 1, before: [] }).parts.map((one) =>
      simpler(moved(one, { turnDeg: -90 }), FINE / 3),
    );
  });
}
