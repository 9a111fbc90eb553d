import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { strToU8, zipSync, type Zippable } from 'fflate';
import { boatToJson } from '@/core/document';
import { KeramosError } from '@/core/error';
import { boatBook, buildLog, plannedOf, type BoatBook } from '@/core/log';
import type { StoreContext } from '../context';
import { photoFolder } from '../floor/photos';
import { listRecords } from '../stores/buildRecords';
import { listBuilds, readBuild } from '../stores/builds';
import { readRevision } from '../stores/revisions';
import { listDatedLots } from '../stores/stock';
import { listTraces, thinTrace, traceCsv } from '../stores/traces';
import { listWeighIns } from '../stores/weighIns';
import { resinLimits } from './readLog';
import { readTrials } from './readTrials';

/** Where a photograph of a build is kept; null where it has not arrived. */
function photoFile(buildId: string, photo: string): string | null {
  if (!/^[\w-]{1,60}$/.test(buildId) || !/^[\w-]{1,60}$/.test(photo)) return null;
  const file = path.join(/* turbopackIgnore: true */ photoFolder(), buildId, photo);
  return existsSync(/* turbopackIgnore: true */ file) ? file : null;
}

/** Where the photographs of a book are kept, by their ids; those that have not arrived are left out. */
export function photoFiles(buildId: string, { defects }: BoatBook): Record<string, string> {
  const found = defects.flatMap(({ photos }) => photos.map((photo) => [photo, photoFile(buildId, photo)] as const));
  return Object.fromEntries(found.filter((one): one is readonly [string, string] => one[1] !== null));
}

/** Stretches that a trace is told in. */
const COURSE = 120;
async function tracesOf(context: StoreContext, buildId: string): Promise<BoatBook['traces']> {
  const traces = (await listTraces(context, buildId)).reverse();
  return Promise.all(
    traces.map(async ({ id, name, part, channel, quantity, author, begunAt, endedAt, count }) => {
      const stretches = await thinTrace(context, id, { points: COURSE });
      const first = stretches[0]?.from ?? 0;
      return {
        id,
        name,
        part,
        channel,
        quantity,
        person: author,
        at: begunAt,
        endedAt,
        count,
        least: stretches.length > 0 ? Math.min(...stretches.map(({ least }) => least)) : null,
        most: stretches.length > 0 ? Math.max(...stretches.map(({ most }) => most)) : null,
        course: stretches.map(({ from, least, most }) => [from - first, least, most] as const),
      };
    }),
  );
}

/** Readings of a trace that go into the ZIP whole; of a longer one its course is there, and the whole under the log. */
const WHOLE = 500_000;

/** The book of a hull, and the boat as its revision has it. @throws KeramosError `notFound`. */
export async function readBook(context: StoreContext, buildId: string) {
  const build = await readBuild(context, buildId);
  const listed = (await listBuilds(context, build.boatId)).find(({ id }) => id === buildId);
  if (!listed) throw new KeramosError('notFound', 'There is no such build', 'build');
  const [revision, { records }, weighIns, traces, trials, dated] = await Promise.all([
    readRevision(context, build.boatId, build.revision),
    listRecords(context, buildId),
    listWeighIns(context, build.boatId),
    tracesOf(context, buildId),
    readTrials(context),
    listDatedLots(context),
  ]);
  const { boat } = revision;
  const planned = plannedOf(boat);
  const book = boatBook({
    boat,
    revision,
    hull: build.hull,
    begun: { by: build.createdBy, at: build.createdAt },
    amendments: build.amendments,
    state: listed.state,
    records,
    log: buildLog(listed.state, planned, { weighIns, resin: await resinLimits(context, planned) }),
    traces,
    trials: trials.filter((series) => series.boat === build.boatId),
    dated,
    now: context.now(),
  });
  return { book, boat };
}

/** The book as JSON with the boat that a repair in ten years begins from, and every photograph, in one ZIP. */
export async function bookZip(context: StoreContext, buildId: string): Promise<{ book: BoatBook; bytes: Uint8Array }> {
  const { book, boat } = await readBook(context, buildId);
  const files: Zippable = {
    'book.json': strToU8(JSON.stringify(book, null, 1)),
    'boat.json': strToU8(boatToJson(boat)),
  };
  for (const [photo, file] of Object.entries(photoFiles(buildId, book)))
    files[`photos/${photo}`] = [readFileSync(/* turbopackIgnore: true */ file), { level: 0 }];
  for (const { id } of book.traces.filter(({ count }) => count <= WHOLE)) {
    const lines: string[] = [];
    for await (const line of traceCsv(context, id)) lines.push(line);
    files[`traces/${id}.csv`] = strToU8(lines.join(''));
  }
  return { book, bytes: zipSync(files) };
}
