import { lostGroupMembers, mendedJoins, type Boat } from '../document';
import type { Edit } from './editSchema';

/**
 * What else must change when zones, layers or groups went: lines that named them let go of them, layers leave a group
 * that is no more. As edits, so that they are undone with what caused them.
 */
export function consequencesOf(before: Boat, after: Boat): Edit[] {
  if (before.parts === after.parts) return [];
  return after.parts.flatMap((part, p): Edit[] => {
    if (before.parts[p] === part) return [];
    const joins = mendedJoins(part);
    const lost = lostGroupMembers(part);
    return [
      ...(joins === part.joins ? [] : [{ type: 'part.set', partId: part.id, patch: { joins } } as const]),
      ...lost.map((layerId) => ({ type: 'layer.set', layerId, patch: { group: null } }) as const),
    ];
  });
}
