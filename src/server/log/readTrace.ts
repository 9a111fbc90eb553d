import { plannedCure, type PlannedCure } from '@/core/log';
import { KeramosError } from '@/core/error';
import type { StoreContext } from '../context';
import { listBuilds } from '../stores/builds';
import { readRevision } from '../stores/revisions';
import { readSetting } from '../stores/settings';
import { listTraces, thinTrace, type Stretch, type Trace } from '../stores/traces';

/** @throws KeramosError `notFound`. */
export async function needTrace(context: StoreContext, id: string): Promise<Trace> {
  const trace = (await listTraces(context)).find((one) => one.id === id);
  if (!trace) throw new KeramosError('notFound', 'There is no such trace', 'trace');
  return trace;
}

/** A trace thinned for a chart; that of a temperature of a part with how the part was thought to cure. */
export async function readTrace(
  context: StoreContext,
  id: string,
  window: { from?: number; to?: number; points?: number },
): Promise<{ trace: Trace; stretches: Stretch[]; planned: PlannedCure | null }> {
  const trace = await needTrace(context, id);
  return { trace, stretches: await thinTrace(context, id, window), planned: await plannedFor(context, trace) };
}

async function plannedFor(context: StoreContext, { buildId, part, quantity }: Trace): Promise<PlannedCure | null> {
  if (buildId === null || part === '' || quantity !== 'temperature') return null;
  const build = (await listBuilds(context)).find(({ id }) => id === buildId);
  if (!build) return null;
  const { boat } = await readRevision(context, build.boatId, build.revision);
  const { body: curing } = await readSetting(context, 'curing');
  return plannedCure(boat, part, { curing, state: build.state });
}
