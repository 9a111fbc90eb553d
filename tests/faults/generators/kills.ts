import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { sql } from 'kysely';
import { boatToJson } from '@/core/document';
import { applyEdits, type Edit } from '@/core/edit';
import { contextOf } from '@/server/context';
import { openDatabase } from '@/server/database/open';
import { createBoat, readBoat } from '@/server/stores/boats';
import { bundled } from '../../helpers/bundled';
import { merrow } from '../../helpers/merrow';
import { lasts, type Chance, type Figures, type Span } from './chance';

/**
 * A writer killed at any moment: the database opens, nothing that was acknowledged is lost, no boat is half saved, and
 * the history leads from the first state to the last.
 */
export async function killedWhileWriting(chance: Chance, span: Span): Promise<Figures> {
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-kill-')), 'keramos.db');
  const { id } = await createBoat(contextOf(await openDatabase(file)), merrow());
  const writer = bundled('tests/faults/writer.ts');
  const figures = { kills: 0, midway: 0, writing: 0, acknowledged: 1 };
  while (lasts(span, figures.kills)) {
    const child = spawn(process.execPath, [writer, file, id], { stdio: ['ignore', 'pipe', 'inherit'] });
    let said = '';
    child.stdout.on('data', (chunk: Buffer) => (said += chunk.toString()));
    const dead = new Promise((resolve) => child.on('exit', resolve));
    // Until it writes; now and then while it opens the database.
    const waits = chance.happens(0.8);
    const heard = waits ? /^\d+$/m : /ready/;
    while (!heard.test(said)) {
      if (child.exitCode !== null) throw new Error(`The writer ended by itself with ${child.exitCode}`);
      await new Promise((resolve) => setTimeout(resolve, 2));
    }
    await new Promise((resolve) => setTimeout(resolve, 3 + chance.below(120)));
    child.kill('SIGKILL');
    await dead;

    // One that was killed while it opened the database has acknowledged nothing.
    const acknowledged = Math.max(figures.acknowledged, Number(said.trim().split('\n').at(-1)) || 1);
    const db = await openDatabase(file);
    const { boat, version } = await readBoat(contextOf(db), id);
    if (version < acknowledged) throw new Error(`Version ${acknowledged} was acknowledged, ${version} is there`);
    const log = await db
      .selectFrom('edit')
      .select(['forward_json', 'version'])
      .where('boat_id', '=', id)
      .orderBy('version')
      .execute();
    if (log.some((row, i) => row.version !== i + 2) || log.length !== version - 1)
      throw new Error('The history has a gap');
    const replayed = log.reduce((at, row) => applyEdits(at, JSON.parse(row.forward_json) as Edit[]).boat, merrow());
    if (boatToJson(boat) !== boatToJson(replayed)) throw new Error('The boat is not what its history makes of it');
    const [check] = (await sql<{ integrity_check: string }>`pragma integrity_check`.execute(db)).rows;
    if (check?.integrity_check !== 'ok') throw new Error(`The database is damaged: ${check?.integrity_check}`);
    if ((await sql`pragma foreign_key_check`.execute(db)).rows.length > 0)
      throw new Error('A row stands without its boat');
    figures.kills += 1;
    figures.acknowledged = acknowledged;
    if (waits) figures.writing += 1;
    if (version > acknowledged) figures.midway += 1;
    await db.destroy();
  }
  return figures;
}
