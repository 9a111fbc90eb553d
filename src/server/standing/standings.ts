import { Worker } from 'node:worker_threads';
import type { Boat } from '@/core/document';
import { standingOf, type Standing } from '@/core/option';
import type { StoreContext } from '../context';
import { readBoat } from '../stores/boats';
import { inServer, once } from '../threads/inServer';
import { sharedThread, type AskOptions } from '../threads/thread';

const judge = sharedThread<{ boat: Boat }, Standing>('standing', {
  start: () =>
    new Worker(new URL('./standing.thread.ts', import.meta.url), { resourceLimits: { maxOldGenerationSizeMb: 512 } }),
  milliseconds: 30_000,
  // A list asks for all its boats.
  waiting: 400,
  tooMuch: 'What this boat comes to took too long and was given up',
});

/** A version of a boat does not change: what it comes to is kept, the last few hundred of them. */
const KEPT = 600;
const kept = () => once('standings', () => new WeakMap<object, Map<string, Promise<Standing>>>());

/**
 * What a boat comes to, computed aside of the server's own thread and kept while it stands as it does. Writes nothing.
 * @throws KeramosError `notFound`; `invalid` when the boat does not read.
 */
export async function readStanding(context: StoreContext, id: string, asked: AskOptions = {}): Promise<Standing> {
  const { boat, version } = await readBoat(context, id);
  const owner = context.db.getExecutor().adapter;
  const known = kept().get(owner) ?? new Map<string, Promise<Standing>>();
  kept().set(owner, known);
  const key = `${id}@${version}`;
  const standing = known.get(key) ?? (inServer() ? judge().ask({ boat }, asked) : Promise.resolve(standingOf(boat)));
  known.delete(key);
  known.set(key, standing);
  if (known.size > KEPT) known.delete(known.keys().next().value!);
  // What was given up is asked for again.
  standing.catch(() => known.delete(key));
  return standing;
}
