import { USUAL_CURING } from '@/core/cure';
import type { Boat } from '@/core/document';
import { plannedCure } from '@/core/log';
import type { StoreContext } from './context';
import { listBuilds } from './stores/builds';
import { addReadings, beginTrace, endTrace, listTraces } from './stores/traces';

const ID = 'demo-brant-cure';
/** Between readings (ms). */
const EACH = 300_000;

/** A thermocouple in the hull of the daysailer while it hardened: a little warmer than planned, a little later. */
export async function seedDemoTrace(context: StoreContext, boat: Boat): Promise<void> {
  if ((await listTraces(context)).some(({ id }) => id === ID)) return;
  const build = (await listBuilds(context)).find(({ id }) => id === 'demo-brant-1');
  const planned = build && plannedCure(boat, 'hull', { curing: USUAL_CURING, state: build.state });
  if (!planned?.from) return;
  const { from, moments } = planned;
  const end = moments.at(-1)!.time * 1000;
  const readings = Array.from({ length: Math.floor(end / EACH) }, (_, i) => {
    const seconds = (i * EACH) / 1000 - 900;
    const after = moments.findIndex(({ time }) => time >= seconds);
    const [a, b] = [moments[Math.max(0, after - 1)]!, moments[Math.max(0, after)]!];
    const share = b.time > a.time ? Math.min(1, Math.max(0, (seconds - a.time) / (b.time - a.time))) : 0;
    const [first, last] = [a.hottest - a.air, b.hottest - b.air];
    const value =
      a.air +
      (b.air - a.air) * share +
      1.12 * (first + (last - first) * share) +
      0.08 * Math.sin(1.7 * i) +
      0.15 * Math.sin(0.11 * i);
    return { at: from + i * EACH, value: Math.round(100 * value) / 100 };
  });
  const at = (ms: number): StoreContext => ({ ...context, actor: 'M. Aske', now: () => new Date(ms).toISOString() });
  const trace = { id: ID, build: 'demo-brant-1', part: 'hull', channel: 'thermo-2', quantity: 'temperature' };
  await beginTrace(at(from), { ...trace, name: 'Cure of the hull, keel line midships' });
  await addReadings(context, ID, readings);
  await endTrace(at(from + end), ID);
}
