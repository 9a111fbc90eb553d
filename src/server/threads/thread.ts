import type { Worker } from 'node:worker_threads';
import { KeramosError, type ErrorCode } from '@/core/error';
import type { Progress } from '@/core/job';
import { once } from './inServer';

/** What goes to a thread and what comes back; refusals travel as data. */
export interface Question<Q> {
  id: number;
  question: Q;
}
export type Answer<A> =
  | { id: number; answer: A }
  | { id: number; progress: Progress }
  | { id: number; refusal: { code: ErrorCode; text: string; path: string; details?: Record<string, unknown> } }
  | { id: number; problem: string };

export interface ThreadLimits {
  /** Starts the thread; it comes with the first question, and comes again when it has died. */
  start: () => Worker;
  /** Longest that one question may take, waiting not included (ms). */
  milliseconds: number;
  /** Questions that may wait, of all and of one person. */
  waiting?: number;
  ofOne?: number;
  /** What is said of a question that takes too long, or takes the thread down with it. */
  tooMuch: string;
}
export interface AskOptions {
  /** Who asks, so that one cannot fill the queue for all. */
  who?: string | undefined;
  /** The question is dropped when whoever asked has left. */
  signal?: AbortSignal | undefined;
  /** Told how far the answer is, as often as the thread says so. */
  onProgress?: ((step: Progress) => void) | undefined;
}

interface Asked<Q, A> {
  id: number;
  question: Q;
  who: string;
  told: ((step: Progress) => void) | undefined;
  done: (answer: A) => void;
  failed: (error: Error) => void;
}

const busy = (message: string) => new KeramosError('busy', message);
const left = () => new KeramosError('busy', 'Whoever asked has left');

/**
 * A thread that answers one question after the other while the server goes on answering others. A question that takes
 * too long, or more memory than the thread may have, ends the thread and is refused; those behind it go on in a new
 * one.
 */
export class Thread<Q, A> {
  private worker: Worker | null = null;
  private queue: Asked<Q, A>[] = [];
  private running: Asked<Q, A> | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private nextId = 1;

  constructor(private readonly limits: ThreadLimits) {}

  /** Questions that wait or are being answered. */
  get load(): number {
    return this.queue.length + (this.running ? 1 : 0);
  }

  /** @throws KeramosError what the thread refused, `busy` when too many wait, `tooLarge` beyond time or memory. */
  ask(question: Q, { who = '', signal, onProgress }: AskOptions = {}): Promise<A> {
    const { waiting = 24, ofOne = 6 } = this.limits;
    if (signal?.aborted) return Promise.reject(left());
    if (this.load >= waiting) return Promise.reject(busy('Too much is being computed here: try again in a moment'));
    const own = [...this.queue, ...(this.running ? [this.running] : [])].filter((one) => one.who === who).length;
    if (who !== '' && own >= ofOne)
      return Promise.reject(busy(`${own} of your questions are being answered: wait for one of them`));
    return new Promise<A>((done, failed) => {
      const asked: Asked<Q, A> = { id: this.nextId++, question, who, told: onProgress, done, failed };
      signal?.addEventListener('abort', () => this.drop(asked), { once: true });
      this.queue.push(asked);
      this.next();
    });
  }

  private drop(asked: Asked<Q, A>): void {
    if (this.running === asked) this.end(left());
    else if (this.queue.includes(asked)) {
      this.queue = this.queue.filter((one) => one !== asked);
      asked.failed(left());
    }
  }

  private next(): void {
    if (this.running || this.queue.length === 0) return;
    this.running = this.queue.shift()!;
    this.worker ??= this.started();
    const { id, question } = this.running;
    this.timer = setTimeout(
      () => this.end(new KeramosError('tooLarge', this.limits.tooMuch)),
      this.limits.milliseconds,
    );
    this.worker.postMessage({ id, question } satisfies Question<Q>);
  }

  private started(): Worker {
    const worker = this.limits.start();
    // It does not keep the server alive.
    worker.unref();
    worker.on('message', (answer: Answer<A>) => this.answered(answer));
    const died = () => {
      if (this.worker === worker) this.end(new KeramosError('tooLarge', this.limits.tooMuch));
    };
    worker.on('error', died);
    worker.on('exit', died);
    return worker;
  }

  private answered(answer: Answer<A>): void {
    const asked = this.running;
    if (!asked || asked.id !== answer.id) return;
    if ('progress' in answer) return asked.told?.(answer.progress);
    clearTimeout(this.timer);
    this.running = null;
    if ('answer' in answer) asked.done(answer.answer);
    else if ('problem' in answer) asked.failed(new Error(answer.problem));
    else {
      const { code, text, path, details } = answer.refusal;
      asked.failed(new KeramosError(code, text, path, details));
    }
    this.next();
  }

  /** The running question is given up, and its thread with it. */
  private end(error: Error): void {
    clearTimeout(this.timer);
    const [asked, worker] = [this.running, this.worker];
    this.running = null;
    this.worker = null;
    void worker?.terminate();
    asked?.failed(error);
    this.next();
  }
}

/** One thread of a name for the whole process, made when it is first asked for. */
export const sharedThread =
  <Q, A>(name: string, limits: ThreadLimits): (() => Thread<Q, A>) =>
  () =>
    once(name, () => new Thread<Q, A>(limits));
