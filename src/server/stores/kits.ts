import { z } from 'zod';
import { invalid, KeramosError, parseOrThrow } from '@/core/error';
import { idSchema } from '@/core/field';
import type { Cutting, KitPieces } from '@/core/kit';
import { piecesOfKit } from '../kit/kitting';
import { allow, inTransaction, type StoreContext } from '../context';
import { needBoat } from './boats';
import { readRevision } from './revisions';
import { readSetting } from './settings';

/** A kit of one hull, without its pieces. */
export interface KitHead {
  id: string;
  revision: string;
  hull: string;
  /** The hull whose kit it took over; null where it was frozen anew. */
  takenFrom: string | null;
  pieces: number;
  /** Materials that it needs, and those of them that were cut: taken from the store for it. */
  materials: string[];
  cut: string[];
  author: string;
  at: string;
}
/** A kit with all that is in it. */
export interface FrozenKit extends KitHead {
  cutting: Cutting;
  kit: KitPieces;
}
interface Body {
  cutting: Cutting;
  kit: KitPieces;
}

const askSchema = z.strictObject({
  id: idSchema,
  /** Of an issued revision; of the kit that is taken over where it is left out. */
  revision: z.string().min(1).max(10).optional(),
  /** A kit whose pieces it takes over as they are. */
  from: idSchema.optional(),
  hull: z
    .string({ error: 'Which hull is it for?' })
    .trim()
    .min(1, 'Say which hull it is for: 1, 2 or a hull number')
    .max(40, 'A hull has at most 40 characters'),
});

const piecesIn = ({ kit }: Body) => kit.pieces.reduce((sum, { count }) => sum + count, 0);
const materialsIn = ({ kit }: Body) => [...new Set(kit.pieces.map(({ material }) => material))];

/** What a kit holds; one that was frozen before pieces could be drawn and slit has none of that. */
function bodyOf(json: string): Body {
  const { cutting, kit } = JSON.parse(json) as Body;
  const pieces = kit.pieces.map((piece) => ({ ...UNDRAWN, ...piece }));
  return { cutting, kit: { ...kit, runs: kit.runs ?? [], lost: kit.lost ?? [], pieces } };
}
const UNDRAWN = { run: null, cuts: [], notches: [], drawn: null };

/** Materials of each kit of a boat that were taken from the store for it. */
async function cutOfKits({ db }: StoreContext, boatId: string): Promise<Map<string, string[]>> {
  const rows = await db
    .selectFrom('stock_move')
    .innerJoin('kit', 'kit.id', 'stock_move.kit_id')
    .innerJoin('stock_lot', 'stock_lot.id', 'stock_move.lot_id')
    .select(['kit.id', 'stock_lot.material'])
    .distinct()
    .where('kit.boat_id', '=', boatId)
    .where('amount', '<', 0)
    .execute();
  const found = new Map<string, string[]>();
  for (const { id, material } of rows) found.set(id, [...(found.get(id) ?? []), material]);
  return found;
}

const contentsOf = (body: Body) => ({ pieces: piecesIn(body), materials: materialsIn(body) });

/** Every kit of a boat, the newest first. */
export async function listKits(context: StoreContext, boatId: string): Promise<KitHead[]> {
  await needBoat(context, boatId);
  const rows = await context.db
    .selectFrom('kit')
    .selectAll()
    .where('boat_id', '=', boatId)
    .orderBy('at', 'desc')
    .execute();
  const cut = await cutOfKits(context, boatId);
  return rows.map(({ id, revision, hull, taken_from: takenFrom, body_json, author, at }) => {
    return { id, revision, hull, takenFrom, ...contentsOf(bodyOf(body_json)), cut: cut.get(id) ?? [], author, at };
  });
}

/** A kit with its pieces. @throws KeramosError `notFound`. */
export async function readKit(context: StoreContext, boatId: string, id: string): Promise<FrozenKit> {
  const row = await context.db
    .selectFrom('kit')
    .selectAll()
    .where('boat_id', '=', boatId)
    .where('id', '=', id)
    .executeTakeFirst();
  if (!row) throw new KeramosError('notFound', 'The boat has no such kit', 'kit');
  const body = bodyOf(row.body_json);
  const cut = (await cutOfKits(context, boatId)).get(id) ?? [];
  const { revision, hull, taken_from: takenFrom, author, at } = row;
  return { id, revision, hull, takenFrom, ...contentsOf(body), cut, author, at, ...body };
}

/**
 * Freeze the kit of a hull from an issued revision, or take over that of another hull as it is. The same asked again
 * is the same kit.
 *
 * @throws KeramosError `invalid` for pieces that do not add up, with the reason, and for a revision that is withdrawn;
 * `conflict` where the hull has a kit; `notFound` for a revision or a kit that is not there.
 */
export async function freezeKit(context: StoreContext, boatId: string, raw: unknown): Promise<KitHead> {
  allow(context, 'store');
  const { id, revision: label, from, hull } = parseOrThrow(askSchema, raw, 'kit');
  const made = from === undefined ? await piecesFor(context, boatId, label) : await takenOver(context, boatId, from);
  return inTransaction(context, async (inside) => {
    const there = await listKits(inside, boatId);
    const same = there.find((one) => one.id === id);
    if (same) return same;
    if (there.some((one) => one.hull === hull))
      throw new KeramosError('conflict', `Hull ${hull} has its kit already: choose another hull`, 'kit.hull');
    const own = { author: inside.actor, at: inside.now() };
    const { revision, takenFrom, body } = made;
    await inside.db
      .insertInto('kit')
      .values({ id, boat_id: boatId, revision, hull, taken_from: takenFrom, body_json: JSON.stringify(body), ...own })
      .execute();
    return { id, revision, hull, takenFrom, ...contentsOf(body), cut: [], ...own };
  });
}

async function piecesFor(context: StoreContext, boatId: string, label: string | undefined) {
  if (label === undefined) throw invalid('kit.revision', 'A kit is frozen from an issued revision: choose one');
  const { boat, state } = await readRevision(context, boatId, label);
  if (state === 'withdrawn') throw invalid('kit.revision', `Revision ${label} was withdrawn: it is built no longer`);
  const { body: cutting } = await readSetting(context, 'cutting');
  const kit = await piecesOfKit(boat, cutting);
  if (kit.pieces.length === 0) throw invalid('kit.revision', `Nothing is laid in revision ${label}`);
  if (kit.problems.length > 0) throw invalid('kit.revision', `The kit stops: ${kit.problems[0]}`);
  // Where cloth shears is found again from the revision; a kit is what is cut.
  return { revision: label, takenFrom: null, body: { cutting, kit: { ...kit, runs: [] } } satisfies Body };
}

async function takenOver(context: StoreContext, boatId: string, from: string) {
  const { revision, hull, cutting, kit } = await readKit(context, boatId, from);
  return { revision, takenFrom: hull, body: { cutting, kit } satisfies Body };
}
