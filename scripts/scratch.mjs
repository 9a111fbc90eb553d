/**
 * A folder for all that this process, and those that it starts, write aside while they test or measure: it is gone when
 * the first of them ends. Used by importing it.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

if (!process.env.KERAMOS_SCRATCH) {
  const folder = mkdtempSync(path.join(tmpdir(), 'keramos-'));
  for (const name of ['KERAMOS_SCRATCH', 'TMPDIR', 'TEMP', 'TMP']) process.env[name] = folder;
  process.on('exit', () => {
    try {
      rmSync(folder, { recursive: true, force: true, maxRetries: 3 });
    } catch (error) {
      console.error(`${folder} could not be cleared away: ${error.message}`);
    }
  });
}
