import { KeramosError } from '@/core/error';
import type { StoreContext } from '../context';
import { addReadings, beginTrace, endTrace, listTraces } from '../stores/traces';
import { once } from '../threads/inServer';
import { hub, type Hub } from './hub';
import type { TraceReading } from './pack';

/** How often a trace is written: a machine that is switched off loses no more than this (ms). */
const WRITE = 5000;
const READ = 1000;

interface Running {
  channel: string;
  pending: TraceReading[];
  read: ReturnType<typeof setInterval>;
  write: ReturnType<typeof setInterval>;
}

/** Traces that are being recorded. What is not fresh, over its range or stuck is left out: a gap says so. */
export class Recorder {
  private readonly running = new Map<string, Running>();
  constructor(
    private readonly source: Hub,
    private readonly context: () => Promise<StoreContext>,
  ) {}

  async begin(context: StoreContext, raw: unknown): Promise<void> {
    await beginTrace(context, raw);
    const { id, channel } = raw as { id: string; channel: string };
    this.follow(id, channel);
  }

  /** Go on with those that had not ended when the server was last switched off. */
  async resume(context: StoreContext): Promise<void> {
    for (const { id, channel, endedAt } of await listTraces(context)) if (endedAt === null) this.follow(id, channel);
  }

  private follow(id: string, channel: string): void {
    if (this.running.has(id)) return;
    const one: Running = {
      channel,
      pending: [],
      read: setInterval(() => this.read(one), READ),
      write: setInterval(() => void this.write(id), WRITE),
    };
    one.read.unref();
    one.write.unref();
    this.running.set(id, one);
  }

  read(one: Running): void {
    const now = this.source.standing().find(({ key }) => key === one.channel);
    if (!now || now.value === null || !['steady', 'moving'].includes(now.state)) return;
    one.pending.push({ at: Date.now() - (now.ageMs ?? 0), value: now.value });
  }

  async write(id: string): Promise<void> {
    const one = this.running.get(id);
    if (!one || one.pending.length === 0) return;
    const some = one.pending;
    one.pending = [];
    try {
      await addReadings(await this.context(), id, some);
    } catch (error) {
      // Of a trace that has ended or gone nothing is wanted any more; else it is kept for the next time.
      if (error instanceof KeramosError && (error.code === 'invalid' || error.code === 'notFound')) return;
      one.pending = [...some, ...one.pending].slice(-100_000);
      console.error('A trace was not written', error);
    }
  }

  async end(context: StoreContext, id: string): Promise<void> {
    const one = this.running.get(id);
    if (one) {
      clearInterval(one.read);
      clearInterval(one.write);
      await this.write(id);
      this.running.delete(id);
    }
    await endTrace(context, id);
  }
}

export const recorder = (): Recorder =>
  once('recorder', () => new Recorder(hub(), async () => (await import('../http')).storeContext()));
