import { isText, keyOf, type Command } from './commands';
import { LEAD_COLUMNS } from './LayerRow';

type Pressed = Pick<KeyboardEvent, 'key' | 'altKey' | 'ctrlKey' | 'metaKey' | 'shiftKey'>;

/** What a key means in the grid. */
export type Meaning =
  /** The first letter of a material, on its column. */
  | { does: 'spell'; seed: string }
  /** The first figure of an angle or a thickness. */
  | { does: 'enter'; seed: string }
  /** Choose, enter or cover what is under the cursor. */
  | { does: 'open' }
  | { does: 'run'; command: Command };

/**
 * On the Layer column letters and figures spell a material; elsewhere figures are an angle or a thickness, and
 * letters are commands.
 *
 * @param takesFigures the layer has an angle or a thickness of its own; null where there is no layer
 * @returns null for a key that means nothing here, and is left to the browser
 */
export function meaningOf(
  event: Pressed,
  column: number,
  takesFigures: boolean | null,
  commands: readonly Command[],
): Meaning | null {
  const plain = !event.ctrlKey && !event.metaKey && !event.altKey;
  const inZones = column >= LEAD_COLUMNS;
  if (column === 0 && isText(event) && takesFigures !== null) return { does: 'spell', seed: event.key };
  if (plain && takesFigures && /^[-−\d.]$/.test(event.key)) return { does: 'enter', seed: event.key };
  if (event.key === ' ' && !inZones) return { does: 'open' };
  if (event.key === 'Enter' && !event.ctrlKey && !event.metaKey) {
    const cover = inZones && commands.find(({ id }) => id === 'cover');
    return cover ? { does: 'run', command: cover } : { does: 'open' };
  }
  const key = keyOf(event);
  const command = commands.find((one) => one.key === key);
  // Escape has another meaning for the browser while nothing is on trial.
  return command && !(command.id === 'drop' && command.off) ? { does: 'run', command } : null;
}
