import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { sql } from 'kysely';
import { boatToJson } from '@/core/document';
import { contextOf } from '@/server/context';
import { openDatabase } from '@/server/database/open';
import { troubleOf } from '@/server/database/trouble';
import { createBoat, editBoat, readBoat } from '@/server/stores/boats';
import { merrow } from '../../helpers/merrow';
import { lasts, type Chance, type Figures, type Span } from './chance';

/**
 * A disk that fills up: the database may not grow any more. What is then written is refused in words and rolled back;
 * what was acknowledged is there; and it goes on when there is room again.
 */
export async function fullDisk(chance: Chance, span: Span): Promise<Figures> {
  const figures = { fills: 0, acknowledged: 0, refused: 0 };
  while (lasts(span, figures.fills)) {
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-disk-')), 'keramos.db');
    const db = await openDatabase(file);
    const context = contextOf(db, 'chance');
    const { id } = await createBoat(context, merrow());
    const pages = async () => (await sql<{ page_count: number }>`pragma page_count`.execute(db)).rows[0]!.page_count;
    const limit = async (most: number) => void (await sql.raw(`pragma max_page_count = ${most}`).execute(db));
    await limit((await pages()) + 1 + chance.below(12));
    let version = 1;
    let acknowledged = boatToJson((await readBoat(context, id)).boat);
    let refused = 0;
    for (let turn = 0; turn < 200 && refused < 3; turn++) {
      const note = 'x'.repeat(40 + chance.below(300));
      const item = { ...merrow().details[0]!, id: `detail-${turn}`, note };
      try {
        ({ version } = await editBoat(context, id, version, [
          { clientId: `fill-${turn}`, action: 'do', edits: [{ type: 'detail.add', item, index: 0 }] },
        ]));
        acknowledged = boatToJson((await readBoat(context, id)).boat);
        figures.acknowledged += 1;
      } catch (error) {
        const trouble = troubleOf(error);
        if (trouble === null) throw error;
        if (!trouble.message.includes('disk of the server is full')) throw new Error(trouble.message);
        refused += 1;
        figures.refused += 1;
      }
    }
    if (refused === 0) throw new Error('The disk was never full');
    const other = await openDatabase(file);
    const stored = await readBoat(contextOf(other), id);
    if (stored.version !== version || boatToJson(stored.boat) !== acknowledged)
      throw new Error('What was acknowledged is not what is on the disk');
    await other.destroy();
    // Room again.
    await limit(1_000_000);
    const edits = [{ type: 'brief.set' as const, patch: { weightTarget: 555 } }];
    await editBoat(context, id, version, [{ clientId: 'room', action: 'do', edits }]);
    figures.fills += 1;
    await db.destroy();
  }
  return figures;
}
