const COLON = ': ';
const BETWEEN = '; ';

/**
 * Notes of many zones as one list, in the order in which they first come: what is said of several things ("Panels of
 * which it has an edge: A", "…: B; C") is said once, with all of them.
 *
 * @example gatherNotes(['Openings', 'Held by: A', 'Held by: B; A']) // ['Openings', 'Held by: A; B']
 */
export function gatherNotes(notes: Iterable<string>): string[] {
  const things = new Map<string, Set<string>>();
  for (const note of notes) {
    const at = note.indexOf(COLON);
    const [head, tail] = at < 0 ? [note, ''] : [note.slice(0, at), note.slice(at + COLON.length)];
    const known = things.get(head) ?? new Set<string>();
    for (const thing of tail.split(BETWEEN)) if (thing !== '') known.add(thing);
    things.set(head, known);
  }
  return [...things].map(([head, of]) => (of.size === 0 ? head : head + COLON + [...of].join(BETWEEN)));
}
