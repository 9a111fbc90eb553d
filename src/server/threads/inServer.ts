/** Inside the server there is somebody to keep waiting; command line and tests compute where they stand. */
export const inServer = (): boolean => process.env.NEXT_RUNTIME === 'nodejs';

/** One for the whole process, however often a module is loaded. */
export function once<T>(name: string, make: () => T): T {
  const kept = globalThis as unknown as Record<string, T | undefined>;
  return (kept[`keramos.${name}`] ??= make());
}
