import { z } from 'zod';
import { KeramosError, parseOrThrow } from '@/core/error';
import { allow, inTransaction, type StoreContext } from '../context';
import { noteHappening } from '../people/yardLog';

/** A tablet of the floor. */
export interface Tablet {
  id: string;
  name: string;
  author: string;
  at: string;
  withdrawnAt: string | null;
}
const asked = z.strictObject({
  name: z.string({ error: 'Give the tablet a name' }).trim().min(2, 'Name: at least 2 characters').max(40),
});

/** Every tablet that was ever enrolled, the newest first. */
export async function listTablets({ db }: StoreContext): Promise<Tablet[]> {
  const rows = await db.selectFrom('tablet').selectAll().orderBy('at', 'desc').execute();
  return rows.map(({ withdrawn_at: withdrawnAt, ...tablet }) => ({ ...tablet, withdrawnAt }));
}

/** Enrol the tablet that asks. @throws KeramosError `forbidden`, `invalid`. */
export async function enrolTablet(context: StoreContext, raw: unknown): Promise<Tablet> {
  allow(context, 'tablets');
  const { name } = parseOrThrow(asked, raw);
  const tablet = { id: context.newId(), name, author: context.actor, at: context.now(), withdrawn_at: null };
  await context.db.insertInto('tablet').values(tablet).execute();
  noteHappening({ at: tablet.at, who: context.actor, what: `enrolled the tablet ${name}` });
  return (await listTablets(context)).find(({ id }) => id === tablet.id)!;
}

/** Withdraw a tablet: whoever is signed in on it is signed out. @throws KeramosError `notFound`, `forbidden`. */
export const withdrawTablet = (context: StoreContext, id: string): Promise<Tablet[]> =>
  inTransaction(context, async (inside) => {
    const tablet = (await listTablets(inside)).find((one) => one.id === id);
    if (!tablet) throw new KeramosError('notFound', 'There is no such tablet', 'tablet');
    allow(inside, 'tablets');
    const at = inside.now();
    await inside.db
      .updateTable('tablet')
      .set({ withdrawn_at: tablet.withdrawnAt ?? at })
      .where('id', '=', id)
      .execute();
    await inside.db.deleteFrom('session').where('tablet_id', '=', id).execute();
    noteHappening({ at, who: inside.actor, what: `withdrew the tablet ${tablet.name}` });
    return listTablets(inside);
  });
