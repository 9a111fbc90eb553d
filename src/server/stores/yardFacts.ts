import { parseOrThrow } from '@/core/error';
import { yardFactSchema, type KeptYardFact, type YardFactKind } from '@/core/shop';
import type { Right } from '@/core/people';
import { allow, inTransaction, type StoreContext } from '../context';
import { knownFact } from './facts';

/** Most facts of one kind. */
const LIMIT = 20_000;
/** What each kind takes to be written down. */
const RIGHTS: Record<YardFactKind, Right> = {
  mould: 'record',
  tool: 'record',
  counted: 'record',
  trial: 'measure',
  calibration: 'measure',
  learned: 'design',
  learnedRate: 'design',
  clothWeighed: 'measure',
};

/** Every fact of the yard of some kinds, those that were corrected among them, in the order in which they were told. */
export async function listYardFacts(
  { db }: StoreContext,
  kinds: readonly YardFactKind[] = ['mould', 'tool', 'counted'],
): Promise<KeptYardFact[]> {
  const rows = await db.selectFrom('yard_fact').selectAll().where('kind', 'in', kinds).orderBy('seq').execute();
  return rows.map(({ body_json, author, at }) => ({ ...(JSON.parse(body_json) as KeptYardFact), author, at }));
}

/**
 * Keep a fact of the yard. The same one sent again is kept once; another under its id is refused.
 * @throws KeramosError `invalid`, `conflict`, `forbidden`; see `knownFact`.
 */
export async function keepYardFact(context: StoreContext, raw: unknown): Promise<KeptYardFact> {
  const fact = parseOrThrow(yardFactSchema, raw, 'fact');
  allow(context, RIGHTS[fact.kind]);
  return inTransaction(context, async (inside) => {
    const there = await listYardFacts(inside, [fact.kind]);
    const known = knownFact(there, fact, { name: 'fact', words: 'fact', limit: LIMIT });
    if (known) return known as KeptYardFact;
    const own = { author: inside.actor, at: inside.now() };
    const { id, kind, corrects } = fact;
    await inside.db
      .insertInto('yard_fact')
      .values({ id, kind, corrects, body_json: JSON.stringify(fact), ...own })
      .execute();
    return { ...fact, ...own };
  });
}
