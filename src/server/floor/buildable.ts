import type { StoreContext } from '../context';
import { listBoats, readBoat } from '../stores/boats';
import { listRevisions } from '../stores/revisions';

/** Boats that have a revision to build by, with their parts. */
export async function buildableBoats(context: StoreContext) {
  const boats = (await listBoats(context)).filter(({ archived }) => !archived);
  const all = await Promise.all(
    boats.map(async ({ id, name }) => {
      const revisions = (await listRevisions(context, id)).filter(({ state }) => state !== 'withdrawn');
      if (revisions.length === 0) return [];
      const { boat } = await readBoat(context, id);
      const parts = boat.parts.map((part) => ({ id: part.id, name: part.name }));
      return [{ id, name, revisions: revisions.map(({ label }) => label), parts }];
    }),
  );
  return all.flat();
}
