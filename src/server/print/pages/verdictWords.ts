/** A verdict as it is printed: in words and a mark, never in colour alone. */
export const VERDICT_WORDS = {
  fails: '× FAILS',
  thin: '! thin',
  meets: '✓ meets',
  ample: '✓ ample',
  notProven: '? NOT PROVEN',
} as const;
