import { accessSync, constants, copyFileSync, existsSync, mkdirSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { readdirSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { invalid } from '@/core/error';
import { archiveFolder } from './archive';
import { backupFolder } from './backup';
import { dataFolder } from './open';

/** Where copies are kept besides, and how that went the last time. */
export interface SecondPlace {
  /** A folder of another disk or machine, as this one sees it; null while there is none. */
  folder: string | null;
  /** When something was last copied, and what kept it from it since. ISO 8601. */
  reached: string | null;
  problem: string | null;
}

const FILE = 'safekeeping.json';
export const NOWHERE: SecondPlace = { folder: null, reached: null, problem: null };
/** Copies of the day that are kept there. */
const DAYS_THERE = 60;

/** Where copies go besides; kept beside the database, so that a restore does not move it. */
export function readPlace(folder = dataFolder()): SecondPlace {
  const file = path.join(folder, FILE);
  if (!existsSync(file)) return NOWHERE;
  try {
    return { ...NOWHERE, ...(JSON.parse(readFileSync(file, 'utf8')) as Partial<SecondPlace>) };
  } catch {
    return { ...NOWHERE, problem: 'What was kept of the second place does not read: say it again' };
  }
}

function keep(place: SecondPlace, folder: string): SecondPlace {
  const file = path.join(folder, FILE);
  writeFileSync(`${file}.part`, JSON.stringify(place));
  renameSync(`${file}.part`, file);
  return place;
}

/** @throws KeramosError `invalid`: no folder, one that cannot be written, or the folder of the data itself. */
function checkFolder(second: string, folder: string): void {
  if (!path.isAbsolute(second)) throw invalid('folder', 'Give the whole path of the folder, from the root on');
  if (!existsSync(/* turbopackIgnore: true */ second) || !statSync(/* turbopackIgnore: true */ second).isDirectory())
    throw invalid('folder', `This machine sees no folder "${second.slice(0, 120)}"`);
  const within = path.relative(path.resolve(folder), path.resolve(second));
  if (within === '' || !within.startsWith('..'))
    throw invalid('folder', 'This is the folder of the data itself: what takes one would take both');
  try {
    accessSync(/* turbopackIgnore: true */ second, constants.W_OK);
  } catch {
    throw invalid('folder', `This machine may not write in "${second.slice(0, 120)}"`);
  }
}

/** Say where copies go besides; null for nowhere. @throws KeramosError `invalid`. */
export function setPlace(second: string | null, folder = dataFolder()): SecondPlace {
  if (second !== null) checkFolder(second, folder);
  return keep({ ...NOWHERE, folder: second && path.resolve(second) }, folder);
}

const namesIn = (folder: string, ending: RegExp) =>
  existsSync(folder) ? readdirSync(folder).filter((name) => ending.test(name)) : [];

/** Copy one file under its name, whole or not at all. */
function carry(from: string, to: string): void {
  const draft = `${to}.part`;
  copyFileSync(from, draft);
  if (statSync(draft).size !== statSync(from).size) throw new Error('the copy came out shorter');
  renameSync(draft, to);
}

/** Photographs of builds, which never change under their names. */
function carryPhotos(folder: string, second: string): void {
  const own = path.join(folder, 'photos');
  for (const build of namesIn(own, /^[\w-]+$/)) {
    const to = path.join(second, 'photos', build);
    mkdirSync(to, { recursive: true });
    for (const name of namesIn(path.join(own, build), /^[\w-]+$/))
      if (!existsSync(path.join(to, name))) carry(path.join(own, build, name), path.join(to, name));
  }
}

/**
 * Carry what is not there yet to the second place: copies of the day, those asked for, archives. Old copies of the day
 * go there too; nothing else is taken away.
 */
export function copyToSecond(at: string, folder = dataFolder()): SecondPlace {
  const place = readPlace(folder);
  if (place.folder === null) return place;
  const second = path.join(/* turbopackIgnore: true */ place.folder, 'keramos-copies');
  try {
    if (!existsSync(/* turbopackIgnore: true */ place.folder)) throw new Error('the folder is not there');
    mkdirSync(second, { recursive: true });
    for (const [own, ending] of [
      [backupFolder(folder), /\.db$/],
      [archiveFolder(folder), /\.zip$/],
    ] as const)
      for (const name of namesIn(own, ending)) {
        const to = path.join(second, name);
        if (!existsSync(to) || statSync(to).size !== statSync(path.join(own, name)).size)
          carry(path.join(own, name), to);
      }
    carryPhotos(folder, second);
    const daily = namesIn(second, /-daily\.db$/).sort();
    for (const name of daily.slice(0, Math.max(0, daily.length - DAYS_THERE))) rmSync(path.join(second, name));
    return keep({ ...place, reached: at, problem: null }, folder);
  } catch (error) {
    const why = String((error as Error).message ?? error).slice(0, 160);
    return keep({ ...place, problem: `${at.slice(0, 16).replace('T', ' ')}: ${why}` }, folder);
  }
}
