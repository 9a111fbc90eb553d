import { KeramosError, parseOrThrow } from '@/core/error';
import type { Process } from '@/core/material';
import { habitsSchema, USUAL_HABITS, type HabitsOfYard } from '@/core/option';
import { allow, inTransaction, type StoreContext } from '../context';

const PROCESSES = Object.keys(USUAL_HABITS) as Process[];
const processOf = (name: string): Process => {
  const found = PROCESSES.find((process) => process === name);
  if (!found)
    throw new KeramosError(
      'notFound',
      `There is no process "${name.slice(0, 60)}": ${PROCESSES.join(', ')}`,
      'process',
    );
  return found;
};

/** What the yard lays with each process: its own habits, or the usual ones where it has said nothing. */
export async function listHabits({ db }: StoreContext): Promise<HabitsOfYard[]> {
  const rows = await db.selectFrom('habit').selectAll().execute();
  return PROCESSES.map((process) => {
    const row = rows.find((one) => one.process === process);
    if (!row) return { process, habits: USUAL_HABITS[process], version: 0, own: null };
    const habits = parseOrThrow(habitsSchema, JSON.parse(row.body_json), 'habits');
    return { process, habits, version: row.version, own: { author: row.author, at: row.at } };
  });
}

/**
 * Keep the yard's habits of a process.
 * @param version of the habits that were changed; 0 for the usual ones.
 * @throws KeramosError `invalid`; `notFound` for another process; `conflict` when somebody changed them in between.
 */
export async function keepHabits(
  context: StoreContext,
  name: string,
  { habits: raw, version }: { habits: unknown; version: number },
): Promise<HabitsOfYard> {
  allow(context, 'design');
  const process = processOf(name);
  const habits = parseOrThrow(habitsSchema, raw, 'habits');
  return inTransaction(context, async (inside) => {
    const there = (await listHabits(inside)).find((one) => one.process === process)!;
    if (there.version !== version)
      throw new KeramosError(
        'conflict',
        `${there.own?.author || 'Somebody'} changed these habits in between: look at them again`,
        'version',
        { version: there.version },
      );
    const own = { author: inside.actor, at: inside.now() };
    const row = { version: version + 1, body_json: JSON.stringify(habits), ...own };
    await inside.db
      .insertInto('habit')
      .values({ process, ...row })
      .onConflict((c) => c.column('process').doUpdateSet(row))
      .execute();
    return { process, habits, version: version + 1, own };
  });
}

/** Go back to the usual habits of a process. @throws KeramosError `notFound` for another process. */
export async function dropHabits(context: StoreContext, name: string): Promise<void> {
  allow(context, 'design');
  await context.db.deleteFrom('habit').where('process', '=', processOf(name)).execute();
}
