import { parseOrThrow } from '@/core/error';
import { rememberedSchema, signatureOf, type Remembered } from '@/core/table';
import { allow, inTransaction, type StoreContext } from '../context';

/** Ways of reading that are kept; the ones longest unused go first. */
const MOST_KEPT = 100;

/** How tables were read, the latest first. */
export async function listRememberedTables({ db }: StoreContext): Promise<Remembered[]> {
  const rows = await db.selectFrom('remembered_table').select('body_json').orderBy('used_at', 'desc').execute();
  return rows.map(({ body_json }) => parseOrThrow(rememberedSchema, JSON.parse(body_json), 'remembered'));
}

/** Keep how a table was read, in the place of how one with the same heads was. @throws KeramosError `invalid`. */
export async function rememberTable(context: StoreContext, raw: unknown): Promise<void> {
  allow(context, 'store');
  const remembered = parseOrThrow(rememberedSchema, raw, 'remembered');
  const kept = { body_json: JSON.stringify(remembered), author: context.actor, used_at: context.now() };
  await inTransaction(context, async ({ db }) => {
    await db
      .insertInto('remembered_table')
      .values({ purpose: remembered.purpose, signature: signatureOf(remembered.heads), ...kept })
      .onConflict((c) => c.columns(['purpose', 'signature']).doUpdateSet(kept))
      .execute();
    const older = await db
      .selectFrom('remembered_table')
      .select(['purpose', 'signature'])
      .orderBy('used_at', 'desc')
      .limit(-1)
      .offset(MOST_KEPT)
      .execute();
    for (const { purpose, signature } of older)
      await db
        .deleteFrom('remembered_table')
        .where('purpose', '=', purpose)
        .where('signature', '=', signature)
        .execute();
  });
}
