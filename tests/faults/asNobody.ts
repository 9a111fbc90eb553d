/**
 * Opens the database of a folder as somebody who may not write to it, and prints what it says. Modules are loaded
 * first: whoever it becomes need not be able to read them.
 */
import { openGuarded } from '@/server/database/open';
import { contextOf } from '@/server/context';
import { editBoat, listBoats } from '@/server/stores/boats';
import { troubleOf } from '@/server/database/trouble';

const [folder, id] = process.argv.slice(2) as [string, string];
if (process.getuid?.() === 0) process.seteuid?.(65534);
const words = (error: unknown) => (troubleOf(error) ?? (error as Error)).message;
const opened = await openGuarded(folder).catch(words);
if (typeof opened === 'string') process.stdout.write(`opening: ${opened}\n`);
else {
  process.stdout.write(`boats: ${(await listBoats(contextOf(opened))).length}\n`);
  const edit = { type: 'brief.set' as const, patch: { weightTarget: 444 } };
  const said = await editBoat(contextOf(opened), id, 0, [{ clientId: 'nobody-1', action: 'do', edits: [edit] }]).then(
    () => 'taken',
    words,
  );
  process.stdout.write(`writing: ${said}\n`);
}
