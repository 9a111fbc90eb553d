/** How far a long computation has come. */
export interface Progress {
  /** Share done, 0 to 1. */
  done: number;
  /** What it is at, in words. */
  at: string;
}

/**
 * A long computation as a generator of progress: the same in a browser worker and in a server thread, the same answer
 * for the same input and seed. It can be left at every step.
 */
export type Job<Input, Result, Step extends Progress = Progress> = (
  input: Input,
  seed: number,
) => Generator<Step, Result>;

/** Run a job to its end, telling each step. @returns its result. */
export function runToEnd<Step, Result>(
  steps: Generator<Step, Result>,
  onProgress: (step: Step) => void = () => {},
): Result {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    onProgress(step.value);
  }
}

export interface SliceOptions<Step> {
  /** Milliseconds of any clock. */
  clock: () => number;
  /** Gives way to whatever else waits, a cancel among it. */
  pause: () => Promise<void>;
  cancelled?: () => boolean;
  onProgress?: (step: Step) => void;
  /** Milliseconds to work before giving way. */
  slice?: number;
}

/**
 * Run a job in slices, so that whoever runs it can be told to stop, and tells how far it is.
 * @returns its result; null when it was cancelled.
 */
export async function runInSlices<Result, Step extends Progress>(
  steps: Generator<Step, Result>,
  { clock, pause, cancelled = () => false, onProgress, slice = 40 }: SliceOptions<Step>,
): Promise<Result | null> {
  let began = clock();
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    onProgress?.(step.value);
    if (clock() - began < slice) continue;
    await pause();
    if (cancelled()) return null;
    began = clock();
  }
}
