/**
 * Runs once when the server starts: bring the database up to date, fold old history and, when asked to, put in the
 * demo boats.
 */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { storeContext } = await import('@/server/http');
  const context = await storeContext();
  const { foldAll } = await import('@/server/stores/history');
  // Answering comes first; the history of last month can wait a minute.
  setTimeout(() => void foldAll(context), 60_000).unref();
  if (process.env.KERAMOS_DEMO !== '1') return;
  const { seedDemo } = await import('@/server/demo');
  await seedDemo(context);
}
