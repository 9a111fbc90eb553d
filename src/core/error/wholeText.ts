import { invalid } from '.';

/**
 * What no text may hold: control characters but tab and line ends, halves of a character that takes two (lone
 * surrogates), code points that are no characters. A database, a file or a print would cut or change them.
 */
const BROKEN = /[\p{Cs}\p{Noncharacter_Code_Point}\u0000-\u0008\u000B\u000C\u000E-\u001F\u007F-\u009F]/u;
const EVERY_BROKEN = new RegExp(BROKEN, 'gu');
/** Something that can be seen: neither space, nor control, nor a mark without width. */
const VISIBLE = /[^\p{Z}\p{C}]/u;
/** Fields that name something or somebody. */
const NAMES: ReadonlySet<string> = new Set(['name', 'title', 'by', 'author', 'askedBy', 'decidedBy', 'label']);

const codeOf = (character: string) => `U+${character.codePointAt(0)!.toString(16).toUpperCase().padStart(4, '0')}`;

function refuseText(text: string, path: string, key: string): void {
  const [broken] = BROKEN.exec(text) ?? [];
  if (broken !== undefined)
    throw invalid(
      path,
      `${path || 'The text'}: holds a character that cannot be kept (${codeOf(broken)}): take it out`,
      {
        given: codeOf(broken),
      },
    );
  if (NAMES.has(key) && text !== '' && !VISIBLE.test(text))
    throw invalid(path, `${path}: a name needs at least one character that can be seen`);
}

/**
 * Refuse a value from outside in which any text, key or value, holds what cannot be kept, or a name nobody could see.
 * @param value as JSON gives it: depth is no matter, it is walked without recursion.
 * @throws KeramosError `invalid` with the path of the first.
 */
export function refuseBrokenText(value: unknown): void {
  const open: { value: unknown; path: string; key: string }[] = [{ value, path: '', key: '' }];
  for (let next = open.pop(); next; next = open.pop()) {
    const { value: now, path, key } = next;
    if (typeof now === 'string') refuseText(now, path, key);
    if (typeof now !== 'object' || now === null) continue;
    for (const [inner, held] of Object.entries(now)) {
      const at = path === '' ? inner : `${path}.${inner}`;
      refuseText(inner, path, '');
      if (typeof held === 'string' || (typeof held === 'object' && held !== null))
        open.push({ value: held, path: at, key: Array.isArray(now) ? key : inner });
    }
  }
}

/** The text without what cannot be kept: what is pasted or read from a table is cleaned rather than refused. */
export const cleanText = (text: string): string => text.replace(EVERY_BROKEN, '');

/** A plain value with every text in it clean. */
export function cleaned<T>(value: T): T {
  if (typeof value === 'string') return cleanText(value) as T;
  if (Array.isArray(value)) return value.map((one: unknown) => cleaned(one)) as T;
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, cleaned(inner as unknown)])) as T;
}
