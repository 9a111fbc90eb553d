const HOUR = 3_600_000;

/**
 * Runs once when the server starts: bring the database up to date, keep the copy of the day, fold old history and,
 * when asked to, put in the demo boats. A database that cannot be used is said on every page; nothing takes its place.
 */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { markConnections } = await import('@/server/connection');
  markConnections();
  const { databaseTrouble } = await import('@/server/database/open');
  const trouble = await databaseTrouble();
  if (trouble !== null) return console.error(trouble);
  const { storeContext } = await import('@/server/http');
  const { endUnlessAllowed } = await import('@/server/people/start');
  await endUnlessAllowed((await storeContext()).db);
  const { foldAll } = await import('@/server/stores/history');
  const { backupDaily } = await import('@/server/database/backup');
  const { archiveYearly } = await import('@/server/database/archive');
  const { copyToSecond } = await import('@/server/database/second');
  // Answering comes first; history and copies can wait a minute.
  const keep = async () => {
    try {
      const context = await storeContext();
      await backupDaily(context.db, context.now());
      await archiveYearly(context.db, context.now());
      copyToSecond(context.now());
      await foldAll(context);
    } catch (error) {
      console.error('The copy of the day was not made', error);
    }
  };
  setTimeout(() => void keep(), 60_000).unref();
  setInterval(() => void keep(), HOUR).unref();
  const { openInstruments } = await import('@/server/instruments/openInstruments');
  await openInstruments(await storeContext());
  if (process.env.KERAMOS_DEMO !== '1') return;
  const { seedDemo } = await import('@/server/demo');
  if (!(await seedDemo(await storeContext()))) return;
  // The boats are there at once; what is issued and built of them takes a while, and nobody waits for it.
  const { seedDemoBuilds } = await import('@/server/demoBuilds');
  seedDemoBuilds(await storeContext()).catch((error: unknown) => console.error('The demo builds were not made', error));
}
