import { parentPort } from 'node:worker_threads';
import { KeramosError } from '@/core/error';
import type { Progress } from '@/core/job';
import type { Answer, Question } from './thread';

/** The other end of a thread: answers each question, tells how far it is, and hands a refusal back as data. */
export function serve<Q, A>(answerOf: (question: Q, tell: (progress: Progress) => void) => A | Promise<A>): void {
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
