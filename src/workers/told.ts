import { KeramosError } from '@/core/error';

export const pause = () => new Promise<void>((resolve) => setTimeout(resolve, 0));
export const clock = () => performance.now();

/** What came out, or why nothing did, in words. */
export async function told<Result>(work: () => Promise<Result>): Promise<Result | string> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof KeramosError) return error.text;
    throw error;
  }
}
