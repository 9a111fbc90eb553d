import { setPriority } from 'node:os';
import { parentPort } from 'node:worker_threads';
import { KeramosError } from '@/core/error';
import type { Progress } from '@/core/job';
import type { Answer, Question } from './thread';

/**
 * How far a thread stands behind the one that answers everybody (nice value). On Linux it counts for the thread that
 * asks for it alone; elsewhere it would slow the whole process.
 */
const BEHIND = 10;

/** The other end of a thread: answers each question, tells how far it is, and hands a refusal back as data. */
export function serve<Q, A>(answerOf: (question: Q, tell: (progress: Progress) => void) => A | Promise<A>): void {
  if (parentPort && process.platform === 'linux') setPriority(BEHIND);
  const answer = (message: Answer<A>) => parentPort?.postMessage(message);
  parentPort?.on('message', ({ id, question }: Question<Q>) => {
    Promise.resolve()
      .then(() => answerOf(question, (progress) => answer({ id, progress })))
      .then(
        (found) => answer({ id, answer: found }),
        (error: unknown) => {
          if (!(error instanceof KeramosError))
            return answer({ id, problem: String((error as Error | null)?.message ?? error) });
          const { code, text, path, details } = error;
          return answer({ id, refusal: { code, text, path, ...(details && { details }) } });
        },
      );
  });
}
