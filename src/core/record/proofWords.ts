/**
 * How a pull came out, in words: one that stopped below the load that was asked for has shown no more than it reached.
 *
 * @param pull loads N.
 * @example proofWords({ passed: true, load: 6000, reached: 4000 }) // 'passed, to less than was asked for'
 */
export function proofWords({ passed, load, reached }: { passed: boolean; load: number; reached: number }): string {
  if (!passed) return 'not passed';
  return reached < load * (1 - 1e-9) ? 'passed, to less than was asked for' : 'passed';
}
