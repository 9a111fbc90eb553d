import { parentPort } from 'node:worker_threads';
import type { PrintAnswer, PrintRequest } from './printing';
import { schedulePdf } from './schedulePdf';

/** Prints one schedule after the other, and answers with its bytes or with what went wrong. */
parentPort?.on('message', ({ id, boat, options }: PrintRequest) => {
  const answer = (message: PrintAnswer) => parentPort!.postMessage(message);
  schedulePdf(boat, options).then(
    (pdf) => answer({ id, pdf: new Uint8Array(pdf) }),
    (error: unknown) => answer({ id, problem: String((error as Error).message ?? error) }),
  );
});
