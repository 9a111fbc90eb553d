import { bare } from './bare';
import { headWords } from './headUnit';

/** How well a head fits what a column is called; 0 where it does not. */
function fit(head: string, name: string): number {
  const [words, wanted] = [bare(headWords(head)), bare(headWords(name))];
  if (wanted === '') return 0;
  if (words === wanted) return 100 + wanted.length;
  const whole = ` ${words} `;
  return whole.includes(` ${wanted} `) ? (50 * wanted.length) / words.length + wanted.length / 100 : 0;
}

/**
 * For each column that is wanted, the head of a foreign table that seems to mean it: best fits first, each head once.
 * Case, accents, units in brackets and order do not matter.
 *
 * @param names by key, what the column may be called, in any language.
 * @returns heads by key; no entry where none fits.
 * @example guessColumns(['Artikel', 'Gewicht (g/m²)'], { name: ['name', 'artikel'], weight: ['weight', 'gewicht'] })
 * // { name: 'Artikel', weight: 'Gewicht (g/m²)' }
 */
export function guessColumns(
  heads: readonly string[],
  names: Readonly<Record<string, readonly string[]>>,
): Record<string, string> {
  const fits = Object.entries(names).flatMap(([key, words]) =>
    heads.map((head) => ({ key, head, worth: Math.max(0, ...words.map((word) => fit(head, word))) })),
  );
  const mapping: Record<string, string> = {};
  const taken = new Set<string>();
  for (const { key, head } of fits.filter((one) => one.worth > 0).sort((a, b) => b.worth - a.worth)) {
    if (mapping[key] !== undefined || taken.has(head)) continue;
    mapping[key] = head;
    taken.add(head);
  }
  return mapping;
}
