import { lostGroupMembers, mendedJoins, type Boat } from '../document';
import type { Edit } from './editSchema';

/**
 * What else must change when parts, zones, layers or groups went: lines that named them let go of them, layers leave a
 * group that is no more, plans of a part go with it. As edits, so that they are undone with what caused them.
 */
export function consequencesOf(before: Boat, after: Boat): Edit[] {
  if (before.parts === after.parts) return [];
  return [...ofParts(before, after), ...ofPlans(after)];
}

/** Plans of filling and curing whose part, or whose zone without mesh, is gone. */
function ofPlans({ parts, fillPlans, curePlans }: Boat): Edit[] {
  const there = new Set(parts.map(({ id }) => id));
  const zones = new Set(parts.flatMap((part) => part.zones.map(({ id }) => id)));
  return [
    ...fillPlans.flatMap((item): Edit[] => {
      if (!there.has(item.part)) return [{ type: 'fillPlan.remove', id: item.id }];
      const bare = item.bare.filter(({ zone }) => zones.has(zone));
      return bare.length < item.bare.length ? [{ type: 'fillPlan.set', item: { ...item, bare } }] : [];
    }),
    ...curePlans.flatMap((item): Edit[] => (there.has(item.part) ? [] : [{ type: 'curePlan.remove', id: item.id }])),
  ];
}

function ofParts(before: Boat, after: Boat): Edit[] {
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
