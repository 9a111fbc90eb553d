import type { Command } from './command';
import { toolsOf, type CommandContext } from './context';
import { covering } from './covering';
import { following } from './following';
import { grouping } from './grouping';
import { judging } from './judging';
import { layering } from './layering';
import { roles } from './roles';
import { turning } from './turning';
import { viewing } from './viewing';

export { isText, keyOf, shownKey, type Command } from './command';
export type { CommandContext } from './context';

/** Everything that can be done in the grid, with its key, for what is selected. */
export function layerCommands(context: CommandContext): Command[] {
  const tools = toolsOf(context);
  return [viewing, layering, turning, covering, grouping, following, roles, judging].flatMap((commandsOf) =>
    commandsOf(tools),
  );
}
