import { KeramosError } from '@/core/error';

export const MOST_TRIANGLES = 200_000;
const MOST_CORNERS = 3 * MOST_TRIANGLES;
/** Objects, groups and materials of an OBJ: each would become a thing of its own. */
const MOST_PIECES = 2000;
/** Characters of one facet; a longer one is no triangle. */
const LONGEST_FACET = 2000;

const refused = (message: string) => new KeramosError('malformed', message, 'file');
const tooLarge = (what: string) =>
  new KeramosError('tooLarge', `${what}. Export the mesh coarser, as one piece`, 'file');

/**
 * Look through the text of an STL in one pass before anything else reads it: solids and facets open and close in turn,
 * as often as they are opened. A reader that searches for an end that is not there searches the rest of the file at
 * every start.
 *
 * @throws KeramosError `malformed`, `tooLarge`.
 */
export function surveyStlText(text: string): void {
  let inSolid = false;
  let facetAt = -1;
  let facets = 0;
  for (const { 0: word, index } of text.matchAll(/\b(?:end)?(?:solid|facet)\b/g)) {
    if (word === 'solid' && facetAt < 0) {
      // The name of a solid may be any word, this one among them.
      inSolid = true;
    } else if (word === 'facet' && inSolid && facetAt < 0) facetAt = index;
    else if (word === 'endfacet' && facetAt >= 0) {
      if (index - facetAt > LONGEST_FACET) throw refused('A facet of this STL file is too long to be a triangle');
      facetAt = -1;
      facets += 1;
      if (facets > MOST_TRIANGLES)
        throw tooLarge(`The mesh has more than the ${MOST_TRIANGLES} triangles that are read`);
    } else if (word === 'endsolid' && inSolid && facetAt < 0) inSolid = false;
    else throw refused(`This STL file is damaged: "${word}" stands where it cannot, after ${facets} triangles`);
  }
  if (inSolid || facetAt >= 0) throw refused(`This STL file is cut off after ${facets} triangles: it has no end`);
  if (facets === 0) throw refused('The mesh holds no triangles');
}

/**
 * Look through the text of an OBJ in one pass: so many corners, triangles and pieces, and no more.
 * @throws KeramosError `malformed`, `tooLarge`.
 */
export function surveyObjText(text: string): void {
  let [corners, triangles, pieces] = [0, 0, 0];
  for (let at = 0; at < text.length;) {
    const newline = text.indexOf('\n', at);
    const end = newline < 0 ? text.length : newline;
    const head = text.slice(at, Math.min(end, at + 8)).trimStart();
    if (head.startsWith('v ') || head.startsWith('v\t')) corners += 1;
    else if (/^f\s/.test(head)) triangles += Math.max(0, text.slice(at, end).trim().split(/\s+/).length - 3);
    else if (/^(?:[og](?:\s|$)|usemtl)/.test(head)) pieces += 1;
    if (corners > MOST_CORNERS) throw tooLarge(`The mesh has more than the ${MOST_CORNERS} corners that are read`);
    if (triangles > MOST_TRIANGLES)
      throw tooLarge(`The mesh has more than the ${MOST_TRIANGLES} triangles that are read`);
    if (pieces > MOST_PIECES) throw tooLarge(`The mesh is in more than the ${MOST_PIECES} pieces that are read`);
    at = end + 1;
  }
  if (corners === 0 || triangles === 0) throw refused('This is no OBJ mesh: it holds no corners or no faces');
}
