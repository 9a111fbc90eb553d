import { appendFileSync, existsSync, readFileSync, renameSync, statSync } from 'node:fs';
import path from 'node:path';
import { dataFolder } from '../database/open';

/** What was done to accounts and copies, by whom; kept beside the database, so that a restore does not undo it. */
export interface Happening {
  /** ISO 8601, UTC. */
  at: string;
  who: string;
  what: string;
}

const FILE = 'yard-log.jsonl';
const LARGEST = 2 * 1024 * 1024;

/** Write down what happened; a log that cannot be written stops nothing. */
export function noteHappening(happening: Happening, folder = dataFolder()): void {
  const file = path.join(folder, FILE);
  try {
    if (existsSync(file) && statSync(file).size > LARGEST) renameSync(file, `${file}.1`);
    appendFileSync(file, `${JSON.stringify(happening)}\n`, { mode: 0o600 });
  } catch (error) {
    console.error('The yard log was not written', error);
  }
}

/** What happened last, newest first; a line cut off by a failure is left out. */
export function listHappenings(most = 200, folder = dataFolder()): Happening[] {
  const file = path.join(folder, FILE);
  const texts = [`${file}.1`, file]
    .filter((one) => existsSync(/* turbopackIgnore: true */ one))
    .map((one) => readFileSync(/* turbopackIgnore: true */ one, 'utf8'));
  return texts
    .join('')
    .split('\n')
    .flatMap((line): Happening[] => {
      try {
        return line === '' ? [] : [JSON.parse(line) as Happening];
      } catch {
        return [];
      }
    })
    .slice(-most)
    .reverse();
}
