import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { sql } from 'kysely';
import { expect, it } from 'vitest';
import { merrow } from '../helpers/merrow';
import { applyEdits, type Edit } from '../../src/core/edit';
import { boatToJson } from '../../src/core/document';
import { openDatabase } from '@/server/database/open';
import { contextOf } from '@/server/context';
import { createBoat, readBoat } from '@/server/stores/boats';

const KILLS = 15;

it(
  'kill -9 during saves: the database opens, nothing acknowledged is lost, and no boat is half saved',
  { timeout: 180_000 },
  async () => {
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-kill-')), 'keramos.db');
    const { id } = await createBoat(contextOf(await openDatabase(file)), merrow());
    let midway = 0;
    for (let kill = 0; kill < KILLS; kill++) {
      const child = spawn(process.execPath, ['--import', 'tsx', 'tests/faults/writer.ts', file, id], {
        stdio: ['ignore', 'pipe', 'inherit'],
      });
      let said = '';
      child.stdout.on('data', (chunk: Buffer) => (said += chunk.toString()));
      const dead = new Promise((resolve) => child.on('exit', resolve));
      while (!said.includes('ready')) await new Promise((resolve) => setTimeout(resolve, 2));
      await new Promise((resolve) => setTimeout(resolve, 3 + ((kill * 37) % 120)));
      child.kill('SIGKILL');
      await dead;

      const acknowledged = Number(said.trim().split('\n').at(-1)) || 1;
      const db = await openDatabase(file);
      const { boat, version } = await readBoat(contextOf(db), id);
      expect(version).toBeGreaterThanOrEqual(acknowledged);
      if (version > acknowledged) midway++;
      const log = await db
        .selectFrom('edit')
        .select(['forward_json', 'version'])
        .where('boat_id', '=', id)
        .orderBy('version')
        .execute();
      expect(log.map((row) => row.version)).toEqual(Array.from({ length: version - 1 }, (_, i) => i + 2));
      const replayed = log.reduce((at, row) => applyEdits(at, JSON.parse(row.forward_json) as Edit[]).boat, merrow());
      expect(boatToJson(boat)).toBe(boatToJson(replayed));
      expect((await sql<{ integrity_check: string }>`pragma integrity_check`.execute(db)).rows).toEqual([
        { integrity_check: 'ok' },
      ]);
      expect((await sql`pragma foreign_key_check`.execute(db)).rows).toEqual([]);
      await db.destroy();
    }
    console.log(`${KILLS} kills, ${midway} of them between commit and acknowledgement`);
  },
);
