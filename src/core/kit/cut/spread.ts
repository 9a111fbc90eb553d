import { KeramosError } from '../../error';
import type { At } from '../nest/convexParts';
import { boxOf } from '../pieces/outline';
import { saidPiece, type CutCloth, type CutInput, type CutPlace } from './cutWay';
import type { Laid } from './inRows';

/**
 * A lay on a strip without end parted over the rolls that there are and new ones after them; what lies on an offcut, or
 * on a roll that was filled by itself, stays there.
 *
 * @param first the roll on which the strip begins, exactly as it lies: what is fast on it does not move.
 */
export function spread(
  { material, cutting, cloth }: Pick<CutInput, 'material' | 'cutting' | 'cloth'>,
  laid: readonly Laid[],
  first: string | null = null,
): { places: CutPlace[]; cloth: CutCloth[] } {
  const isOffcut = new Set(cloth.flatMap(({ id, outline }) => (outline ? [id] : [])));
  const places: CutPlace[] = [];
  const used: CutCloth[] = [];
  const placed = (one: Laid, clothId: string, down: number) => {
    const edge = isOffcut.has(clothId) ? 0 : cutting.selvage;
    places.push({
      pieceId: one.piece.id,
      copy: one.copy,
      clothId,
      rotation: one.rotation,
      x: one.x + edge,
      y: one.y - down,
      outline: one.outline.map(([u, v]): At => [u + edge, v - down]),
    });
  };
  const takenBy = (ones: readonly Laid[]) => Math.max(...ones.map((one) => boxOf(one.outline).maxY));
  const filled = new Set(laid.flatMap((one) => (one.cloth === null ? [] : [one.cloth])));
  for (const id of filled) {
    const known = cloth.find((one) => one.id === id);
    const on = laid.filter((one) => one.cloth === id);
    on.forEach((one) => placed(one, id, 0));
    used.push({
      id,
      name: known?.name ?? newRollName(Number(id.slice(4))),
      taken: known?.outline ? 0 : takenBy(on),
      length: known ? known.length : material.rollLength.value,
      outline: known?.outline ?? null,
      bought: !known,
    });
  }
  const whole = cloth.filter(({ id, outline, length }) => outline === null && (length ?? 0) > 0 && !filled.has(id));
  const rolls = [...whole].sort((a, b) => Number(b.id === first) - Number(a.id === first));
  let left = laid
    .filter((one) => one.cloth === null)
    .map((one) => {
      const { minY, maxY } = boxOf(one.outline);
      return { one, from: minY, to: maxY };
    })
    .sort((a, b) => a.to - b.to);
  let bought = 0;
  for (let r = 0; left.length > 0; r++) {
    const roll = rolls[r] ?? null;
    if (!roll) bought = nextNew(bought, filled);
    const id = roll?.id ?? `new-${bought}`;
    const length = roll?.length ?? material.rollLength.value;
    const base = id === first ? 0 : Math.min(...left.map(({ from }) => from));
    const fits = left.filter(({ to }) => to - base <= length + 1e-9);
    // One that reaches over the end of the roll goes to the next, and what lies beside it stays.
    if (fits.length === 0) {
      if (!roll) throw new KeramosError('invalid', `${saidPiece(left[0]!.one.piece)} fits on no whole roll`, 'pieces');
      continue;
    }
    fits.forEach(({ one }) => placed(one, id, base));
    const taken = Math.max(...fits.map(({ to }) => to)) - base;
    const name = roll?.name ?? newRollName(bought);
    used.push({ id, name, taken, length, outline: null, bought: !roll });
    left = left.filter((one) => !fits.includes(one));
  }
  return { places, cloth: used };
}

/** The next new roll that nothing was laid on by itself. */
function nextNew(last: number, filled: ReadonlySet<string>): number {
  let next = last + 1;
  while (filled.has(`new-${next}`)) next += 1;
  return next;
}
const newRollName = (number: number) => `new roll ${number}`;
