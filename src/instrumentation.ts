/** Runs once when the server starts: bring the database up to date and, when asked to, put the demo boats into an empty one. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { database } = await import('@/server/database/open');
  const db = await database();
  if (process.env.KERAMOS_DEMO !== '1') return;
  const { seedDemo } = await import('@/server/demo');
  await seedDemo(db);
}
