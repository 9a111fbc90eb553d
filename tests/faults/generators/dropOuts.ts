import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { KeramosError } from '@/core/error';
import { contextOf } from '@/server/context';
import { openDatabase } from '@/server/database/open';
import { createBoat, editBoat, readBoat, type Action } from '@/server/stores/boats';
import { merrow } from '../../helpers/merrow';
import { lasts, type Chance, type Figures, type Span } from './chance';

const LAYERS = merrow().parts[0]!.layers.map(({ id }) => id);

/**
 * One client alone on a bad line: what it sends is lost, doubled, comes late or out of order, the answers as well. It
 * sends again what was not acknowledged, now and then with more behind it. In the end each action was taken once, in
 * its order, and nobody was told of another's change.
 */
export async function badLine(chance: Chance, span: Span): Promise<Figures> {
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-line-')), 'keramos.db');
  const context = contextOf(await openDatabase(file), 'chance');
  const figures = { sessions: 0, sent: 0, lostBefore: 0, lostAfter: 0, doubled: 0, late: 0, conflicts: 0, actions: 0 };
  while (lasts(span, figures.sessions)) {
    const { id } = await createBoat(context, merrow());
    const made: Action[] = [];
    const queue: Action[] = [];
    const late: { base: number; batch: Action[] }[] = [];
    let base = 1;
    const wanted = 4 + chance.below(8);
    const deliver = async (from: number, batch: Action[]): Promise<number | null> => {
      try {
        return (await editBoat(context, id, from, batch)).version;
      } catch (error) {
        if (!(error instanceof KeramosError)) throw error;
        if (error.code !== 'conflict') throw error;
        return null;
      }
    };
    for (let turn = 0; turn < 400 && (made.length < wanted || queue.length > 0); turn++) {
      if (made.length < wanted && chance.happens(0.6)) {
        const patch = { angleDeg: chance.below(170) - 85 };
        const edit = { type: 'layer.set' as const, layerId: chance.one(LAYERS), patch };
        const action: Action = { clientId: `${figures.sessions}-${made.length}`, action: 'do', edits: [edit] };
        made.push(action);
        queue.push(action);
      }
      // What came late, of long before, arrives now: it must count as done, and change nothing.
      if (late.length > 0 && chance.happens(0.3)) {
        const old = late.splice(chance.below(late.length), 1)[0]!;
        await deliver(old.base, old.batch);
        figures.late += 1;
      }
      if (queue.length === 0) continue;
      const batch = queue.slice(0, 1 + chance.below(queue.length));
      figures.sent += 1;
      if (chance.happens(0.15)) {
        figures.lostBefore += 1;
        if (chance.happens(0.5)) late.push({ base, batch });
        continue;
      }
      const answer = await deliver(base, batch);
      if (chance.happens(0.2)) {
        await deliver(base, batch);
        figures.doubled += 1;
      }
      if (chance.happens(0.2)) {
        figures.lostAfter += 1;
        continue;
      }
      if (answer === null) {
        figures.conflicts += 1;
        break;
      }
      base = answer;
      queue.splice(0, batch.length);
    }
    figures.sessions += 1;
    figures.actions += made.length;
    const log = await context.db
      .selectFrom('edit')
      .select(['client_id', 'version'])
      .where('boat_id', '=', id)
      .orderBy('version')
      .execute();
    const [order, expected] = [log.map((row) => row.client_id).join(), made.map(({ clientId }) => clientId).join()];
    if (order !== expected) throw new Error(`Session ${figures.sessions}: taken ${order}, made ${expected}`);
    if ((await readBoat(context, id)).version !== made.length + 1) throw new Error('An action was taken twice');
  }
  await context.db.destroy();
  return figures;
}
