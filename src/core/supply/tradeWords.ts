import words from '@data/materials/trade-words.json';
import { bare } from '../table';

/** The trade's words for heads, forms, fibres, units and prices, in the languages that lists come in. */
export const TRADE_WORDS = words;

const holds = (text: string, word: string) => ` ${text} `.includes(` ${word} `);

/**
 * Which of the named things a text speaks of, by the longest of their words that stands in it.
 * @param text as it was written. @param names by key, the words for it, written as `bare` leaves them.
 * @returns null where none of the words stands in it.
 * @example wordIn('Cross-linked PVC 80', { pet: ['pet'], pvcCrossLinked: ['pvc'] }) // 'pvcCrossLinked'
 */
export function wordIn<Key extends string>(text: string, names: Readonly<Record<Key, readonly string[]>>): Key | null {
  const own = bare(text);
  let best: { key: Key; length: number } | null = null;
  for (const key of Object.keys(names) as Key[])
    for (const word of names[key])
      if (word.length > (best?.length ?? 0) && holds(own, word)) best = { key, length: word.length };
  return best?.key ?? null;
}

/** The text with a word taken out of it, and whether it was there. */
export function without(text: string, word: string): string | null {
  if (!holds(text, word)) return null;
  return ` ${text} `.replace(` ${word} `, ' | ').trim();
}
