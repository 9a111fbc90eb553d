import type { KeyboardEvent } from 'react';

/** Something that can be done in Lay-up. */
export interface Command {
  id: string;
  title: string;
  group: 'Layers' | 'Angle' | 'Cover' | 'Groups' | 'Judge' | 'View';
  /** As pressed: 'Shift+T', 'Alt+ArrowUp', '['; empty where the palette alone has it. */
  key: string;
  /** Why it cannot be done just now. */
  off?: string | false | undefined;
  run: () => void;
}

const NAMES: Record<string, string> = { ' ': 'Space', ArrowUp: '↑', ArrowDown: '↓' };

/** A key press in the words of a command. */
export function keyOf({
  key,
  shiftKey,
  altKey,
  ctrlKey,
  metaKey,
}: Pick<KeyboardEvent, 'key' | 'shiftKey' | 'altKey' | 'ctrlKey' | 'metaKey'>): string {
  const letter = /^[a-z]$/i.test(key);
  const spelled = key === ' ' ? 'Space' : key;
  const name = letter ? key.toUpperCase() : spelled;
  return [
    ctrlKey || metaKey ? 'Ctrl' : '',
    altKey ? 'Alt' : '',
    shiftKey && (letter || key.length > 1) ? 'Shift' : '',
    name,
  ]
    .filter(Boolean)
    .join('+');
}

/** A command's key as it is shown. */
export const shownKey = (key: string) =>
  key
    .split('+')
    .map((part) => NAMES[part] ?? part)
    .join('+');

/** Whether a press would be read as text where text can be typed. */
export const isText = ({
  key,
  altKey,
  ctrlKey,
  metaKey,
}: Pick<KeyboardEvent, 'key' | 'altKey' | 'ctrlKey' | 'metaKey'>) =>
  !altKey && !ctrlKey && !metaKey && /^[\p{L}\d]$/u.test(key);
