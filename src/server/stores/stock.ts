import type { DatedLot } from '@/core/build';
import { parseOrThrow, KeramosError, invalid } from '@/core/error';
import { STOCK_KINDS, stockBookingSchema, stockLotSchema, type StockLine } from '@/core/kit';
import { allow, inTransaction, type StoreContext } from '../context';
import { listShelf } from './shelf';

/** What is left may differ from nothing by rounding (in its unit). */
const HAIR = 1e-6;

/** Every lot of a material, or of all, with its movements and what is left; the oldest first. */
export async function listStock({ db }: StoreContext, material: string | null): Promise<StockLine[]> {
  let lots = db.selectFrom('stock_lot').selectAll().orderBy('at').orderBy('id');
  let moved = db
    .selectFrom('stock_move')
    .innerJoin('stock_lot', 'stock_lot.id', 'stock_move.lot_id')
    .select(['stock_move.id', 'lot_id', 'amount', 'reason', 'stock_move.author', 'stock_move.at'])
    .orderBy('stock_move.at')
    .orderBy('stock_move.id');
  if (material !== null) {
    lots = lots.where('material', '=', material);
    moved = moved.where('stock_lot.material', '=', material);
  }
  const [rows, moves] = await Promise.all([lots.execute(), moved.execute()]);
  const byLot = new Map<string, StockLine['moves']>();
  for (const { lot_id, ...move } of moves)
    byLot.set(lot_id, [...(byLot.get(lot_id) ?? []), { ...move, lotId: lot_id }]);
  return rows.map(({ id, body_json }) => {
    const own = byLot.get(id) ?? [];
    const left = own.reduce((sum, { amount }) => sum + amount, 0);
    const lot = parseOrThrow(stockLotSchema, JSON.parse(body_json), 'lot');
    return { ...lot, left: Math.abs(left) < HAIR ? 0 : left, moves: own };
  });
}

/** Lots that have a last day, with what they are of. */
export async function listDatedLots(context: StoreContext): Promise<DatedLot[]> {
  const rows = await context.db.selectFrom('stock_lot').select(['material', 'body_json']).orderBy('at').execute();
  const dated = rows.flatMap(({ material, body_json }) => {
    const { lot, expires } = parseOrThrow(stockLotSchema, JSON.parse(body_json), 'lot');
    return lot.trim() === '' || expires === null ? [] : [{ lot, material, expires }];
  });
  if (dated.length === 0) return [];
  const names = new Map((await listShelf(context)).map(({ material: { id, name } }) => [id, name]));
  return dated.map((one) => ({ ...one, material: names.get(one.material) ?? one.material }));
}

/** Materials that were taken from the store for a kit. @throws KeramosError `notFound` for a kit that is not there. */
async function cutOf({ db }: StoreContext, kitId: string): Promise<Set<string>> {
  const kit = await db.selectFrom('kit').select('id').where('id', '=', kitId).executeTakeFirst();
  if (!kit) throw new KeramosError('notFound', 'There is no such kit', 'stock.kitId');
  const rows = await db
    .selectFrom('stock_move')
    .innerJoin('stock_lot', 'stock_lot.id', 'stock_move.lot_id')
    .select('stock_lot.material')
    .distinct()
    .where('kit_id', '=', kitId)
    .where('amount', '<', 0)
    .execute();
  return new Set(rows.map(({ material }) => material));
}

/**
 * Book lots and movements: all of them, or none. The same booking sent again is booked once.
 *
 * @throws KeramosError `invalid` for a movement of a lot that is not there, or one that would leave less than nothing;
 * `conflict` for an id that another lot or movement has.
 */
export async function bookStock(context: StoreContext, raw: unknown): Promise<StockLine[]> {
  allow(context, 'store');
  const { lots, moves, kitId = null } = parseOrThrow(stockBookingSchema, raw, 'stock');
  return inTransaction(context, async (inside) => {
    const cut = kitId === null ? null : await cutOf(inside, kitId);
    const there = new Map((await listStock(inside, null)).map((line) => [line.id, line]));
    const known = new Map([...there.values()].flatMap((line) => line.moves.map((move) => [move.id, move] as const)));
    const own = { author: inside.actor, at: inside.now() };
    for (const lot of lots) {
      const line = there.get(lot.id);
      if (line) {
        const { left: _left, moves: _moves, ...body } = line;
        if (JSON.stringify(body) !== JSON.stringify(lot))
          throw new KeramosError('conflict', `Another lot is called ${lot.id}: give this one its own id`, 'stock.lots');
        continue;
      }
      await inside.db
        .insertInto('stock_lot')
        .values({ id: lot.id, material: lot.material, body_json: JSON.stringify(lot), ...own })
        .execute();
      there.set(lot.id, { ...lot, left: 0, moves: [] });
    }
    for (const [i, { id, lotId, amount, reason }] of moves.entries()) {
      const same = known.get(id);
      if (same) {
        if (same.lotId !== lotId || same.amount !== amount)
          throw new KeramosError(
            'conflict',
            'Another movement has this id: give this one its own',
            `stock.moves[${i}]`,
          );
        continue;
      }
      const line = there.get(lotId);
      if (!line) throw invalid(`stock.moves[${i}].lotId`, `There is no lot "${lotId}" in the store`);
      if (cut?.has(line.material) && amount < 0)
        throw new KeramosError(
          'conflict',
          'This material of the kit is booked already: take what was spoiled from the store by hand, with its reason',
          'stock.kitId',
        );
      const left = line.left + amount;
      const { name, unit } = STOCK_KINDS[line.kind];
      if (left < -HAIR)
        throw invalid(
          `stock.moves[${i}].amount`,
          `${name} ${line.lot || line.id} has ${line.left.toFixed(2)} ${unit} left: ` +
            `${(-amount).toFixed(2)} cannot be taken`,
        );
      await inside.db
        .insertInto('stock_move')
        .values({ id, lot_id: lotId, amount, reason, kit_id: kitId, ...own })
        .execute();
      there.set(lotId, { ...line, left });
    }
    return listStock(inside, null);
  });
}
