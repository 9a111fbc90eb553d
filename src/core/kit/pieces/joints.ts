import { hasDirection, type Core, type Fabric } from '../../material';
import type { Layer } from '../../document';
import type { Cutting } from '../cutting';
import { signedArea, type At } from '../nest/convexParts';
import { cutToRoll } from './cutToRoll';
import type { Flat } from './flatten';
import { boxOf, grown, moved, simpler } from './outline';

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
  notes: string[];
}

/**
 * A flat outline turned to the roll, trimmed all round and cut to its width, its joints clear of those of the layer
 * before: measured on the surface that both lie on. A core is cut to sheets instead.
 */
export function rolled(
  flat: Flat,
  { material, layer, joints, cutting }: { material: Fabric | Core; layer: Layer; joints: Joints; cutting: Cutting },
): CutPiece[] {
  if (material.kind === 'core') return sheets(flat.outline, cutting).map((outline) => ({ outline, notes: [] }));
  const [trimmed] = grown(flat.outline, cutting.trim).sort((a, b) => signedArea(b) - signedArea(a));
  const placed = (trimmed ?? flat.outline).map(([x, y]): At => [x + flat.datum[0], y + flat.datum[1]]);
  const width = material.width.value - 2 * cutting.selvage;
  // Warp along the roll: a layer at 0° has its reference direction along y.
  const turns = hasDirection(material) ? [90 - layer.angleDeg] : [90, 0];
  const tried = turns.map((turnDeg) => {
    const key = `${flat.ground} ${turnDeg}`;
    const turned = simpler(moved(placed, { turnDeg }), FINE);
    const found = cutToRoll(turned, { width, lap: cutting.lap, offset: cutting.offset, before: joints.before(key) });
    return { key, ...found };
  });
  const best = tried.reduce((a, b) => (b.parts.length < a.parts.length ? b : a));
  joints.add(best.key, best.joints);
  const notes: string[] = [];
  const millimetres = (metres: number) => `${Math.round(metres * 1000)} mm`;
  if (best.joints.length > 0)
    notes.push(`joint${best.joints.length > 1 ? 's' : ''} lapped ${millimetres(cutting.lap)}`);
  if (!best.apart) notes.push(`a joint lies nearer than ${millimetres(cutting.offset)} to one below`);
  return best.parts.map((outline) => ({ outline, notes }));
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
