import type { z } from 'zod';
import { invalid, KeramosError, parseOrThrow } from '@/core/error';
import { allow, inTransaction, type StoreContext } from '../context';
import { needBoat } from './boats';

/** What every fact has: given its id by whoever states it, perhaps in place of an earlier one. */
interface Fact {
  id: string;
  corrects: string | null;
}
export type KeptFact<F> = F & { author: string; at: string };

/** Where facts of one kind are kept, and how they are called. */
export interface FactKind<F extends Fact> {
  table: 'weigh_in' | 'drop_test';
  /** As a field of a request, and in words. */
  name: string;
  words: string;
  schema: z.ZodType<F>;
  /** Most of a boat. */
  limit: number;
}

/** Every fact of a kind of a boat, those that were corrected among them, the oldest first. */
export async function listFacts<F extends Fact>(
  context: StoreContext,
  boatId: string,
  { table, name, schema }: FactKind<F>,
): Promise<KeptFact<F>[]> {
  await needBoat(context, boatId);
  const rows = await context.db
    .selectFrom(table)
    .selectAll()
    .where('boat_id', '=', boatId)
    .orderBy('at')
    .orderBy('id')
    .execute();
  return rows.map(({ body_json, author, at }) => {
    return { ...parseOrThrow(schema, JSON.parse(body_json), name), author, at };
  });
}

/**
 * The fact that is kept already where the same one is sent again; null for a new one.
 * @throws KeramosError `conflict` for an id that is taken, or what somebody has corrected already; `invalid` for a
 * correction of what is not there, or more than are kept.
 */
export function knownFact<F extends Fact>(
  there: readonly KeptFact<F>[],
  fact: F,
  { name, words, limit }: { name: string; words: string; limit: number },
): KeptFact<F> | null {
  const same = there.find(({ id }) => id === fact.id);
  if (same) {
    const { author: _author, at: _at, ...body } = same;
    if (JSON.stringify(body) === JSON.stringify(fact)) return same;
    throw new KeramosError('conflict', `Another ${words} has this id; give this one its own`, `${name}.id`);
  }
  if (there.length >= limit) throw invalid(name, `At most ${limit} ${words}s are kept`);
  if (fact.corrects === null) return null;
  if (!there.some(({ id }) => id === fact.corrects))
    throw invalid(`${name}.corrects`, `The ${words} that this one corrects is not there`);
  if (there.some(({ corrects }) => corrects === fact.corrects))
    throw new KeramosError('conflict', `Somebody has corrected this ${words} already: look at it again`, name);
  return null;
}

/**
 * Keep a fact. The same one sent again is kept once; another under its id is refused.
 * @param check refuses what the boat cannot have.
 * @throws KeramosError `invalid` for a correction of what is not there; `notFound` for another boat; `conflict` for an
 * id that is taken, or what somebody has corrected already.
 */
export async function keepFact<F extends Fact>(
  context: StoreContext,
  boatId: string,
  { kind, raw, check }: { kind: FactKind<F>; raw: unknown; check: (inside: StoreContext, fact: F) => Promise<void> },
): Promise<KeptFact<F>> {
  allow(context, 'measure');
  const { table, name, words, limit } = kind;
  const fact = parseOrThrow(kind.schema, raw, name);
  return inTransaction(context, async (inside) => {
    const there = await listFacts(inside, boatId, kind);
    const known = knownFact(there, fact, { name, words, limit });
    if (known) return known;
    await check(inside, fact);
    const own = { author: inside.actor, at: inside.now() };
    const { id, corrects } = fact;
    await inside.db
      .insertInto(table)
      .values({ boat_id: boatId, id, corrects, body_json: JSON.stringify(fact), ...own })
      .execute();
    return { ...fact, ...own };
  });
}
