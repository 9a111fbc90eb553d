import { invalid, KeramosError, parseOrThrow } from '@/core/error';
import { weighInSchema, WHOLE_BOAT, type KeptWeighIn } from '@/core/weight';
import { inTransaction, type StoreContext } from '../context';
import { needBoat, readBoat } from './boats';

/** Every weigh-in of a boat, those that were corrected among them, the oldest first. */
export async function listWeighIns(context: StoreContext, boatId: string): Promise<KeptWeighIn[]> {
  await needBoat(context, boatId);
  const rows = await context.db
    .selectFrom('weigh_in')
    .selectAll()
    .where('boat_id', '=', boatId)
    .orderBy('at')
    .orderBy('id')
    .execute();
  return rows.map(({ body_json, author, at }) => {
    return { ...parseOrThrow(weighInSchema, JSON.parse(body_json), 'weighIn'), author, at };
  });
}

/** Most of a boat. */
const LIMIT = 2000;

/**
 * Keep a weigh-in. The same one sent again is kept once; another under its id is refused.
 * @throws KeramosError `invalid` for a part that the boat does not have, or a correction of what is not there;
 * `notFound` for another boat; `conflict` for an id that is taken.
 */
export async function keepWeighIn(context: StoreContext, boatId: string, raw: unknown): Promise<KeptWeighIn> {
  const weighIn = parseOrThrow(weighInSchema, raw, 'weighIn');
  return inTransaction(context, async (inside) => {
    const there = await listWeighIns(inside, boatId);
    const same = there.find(({ id }) => id === weighIn.id);
    if (same) {
      const { author: _author, at: _at, ...body } = same;
      if (JSON.stringify(body) === JSON.stringify(weighIn)) return same;
      throw new KeramosError('conflict', 'Another weigh-in has this id; give this one its own', 'weighIn.id');
    }
    if (there.length >= LIMIT) throw invalid('weighIn', `A boat has at most ${LIMIT} weigh-ins`);
    if (weighIn.corrects !== null) {
      if (!there.some(({ id }) => id === weighIn.corrects))
        throw invalid('weighIn.corrects', 'The weigh-in that this one corrects is not there');
      if (there.some(({ corrects }) => corrects === weighIn.corrects))
        throw new KeramosError('conflict', 'Somebody has corrected this weigh-in already: look at it again', 'weighIn');
    }
    if (weighIn.subject !== WHOLE_BOAT && !weighIn.void) {
      const { boat } = await readBoat(inside, boatId);
      if (!boat.parts.some(({ id }) => id === weighIn.subject))
        throw invalid('weighIn.subject', 'The boat has no such part');
    }
    const own = { author: inside.actor, at: inside.now() };
    const { id, corrects } = weighIn;
    await inside.db
      .insertInto('weigh_in')
      .values({ boat_id: boatId, id, corrects, body_json: JSON.stringify(weighIn), ...own })
      .execute();
    return { ...weighIn, ...own };
  });
}
