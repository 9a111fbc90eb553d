import type { Boat, Layer, LayerGroup, Part, Reference } from '../document';
import type { Edit } from './editSchema';

/** Where a laminate of the boat's book is in use. */
export interface LaminateUse {
  partId: string;
  part: string;
  groupId: string | null;
  /** 'Outer skin', or a zone that must match it or hold it layer by layer. */
  place: string;
  how: 'laid' | 'matched' | 'specified';
  /** A laid group that was changed on its own. */
  differs: boolean;
}

const stackOf = (layers: readonly Pick<Layer, 'material' | 'angleDeg' | 'thickness' | 'role'>[]): Reference['layers'] =>
  layers.map(({ material, angleDeg, thickness, role }) => ({ material, angleDeg, thickness, role }));
const same = (a: Reference['layers'], b: Reference['layers']) =>
  JSON.stringify(stackOf(a as Layer[])) === JSON.stringify(stackOf(b as Layer[]));
const layersOf = (part: Part, groupId: string) => part.layers.filter(({ group }) => group === groupId);

/** Every use of a laminate in a boat. */
export function usesOf(boat: Boat, laminate: Reference): LaminateUse[] {
  return boat.parts.flatMap((part): LaminateUse[] => [
    ...part.groups
      .filter((group) => group.laminate === laminate.id && layersOf(part, group.id).length > 0)
      .map((group): LaminateUse => ({
        partId: part.id,
        part: part.name,
        groupId: group.id,
        place: group.name,
        how: 'laid',
        differs: !same(stackOf(layersOf(part, group.id)), laminate.layers),
      })),
    ...part.zones.flatMap((zone): LaminateUse[] =>
      (['match', 'specified'] as const).flatMap((how) =>
        zone[how] === laminate.id
          ? [
              {
                partId: part.id,
                part: part.name,
                groupId: null,
                place: zone.name,
                how: how === 'match' ? ('matched' as const) : ('specified' as const),
                differs: false,
              },
            ]
          : [],
      ),
    ),
  ]);
}

/** Keep the stack of a group as a laminate of the boat's book, which the group follows from then on. */
export function keepAsLaminate(
  boat: Boat,
  part: Part,
  group: LayerGroup,
  laminate: Pick<Reference, 'id' | 'name' | 'note'>,
): Edit[] {
  return [
    {
      type: 'reference.add',
      item: { ...laminate, layers: stackOf(layersOf(part, group.id)) },
      index: boat.references.length,
    },
    {
      type: 'part.set',
      partId: part.id,
      patch: { groups: part.groups.map((one) => (one.id === group.id ? { ...one, laminate: laminate.id } : one)) },
    },
  ];
}

/**
 * Edits that make a group's layers those of a stack: layers that stay keep their identity and their zones, more take
 * the zones of the last.
 */
export function layAs(part: Part, groupId: string, stack: Reference['layers'], newId: () => string): Edit[] {
  const own = layersOf(part, groupId);
  const first = part.layers.findIndex(({ group }) => group === groupId);
  const zones = part.zones.map(({ id }) => id).filter((id) => own.some((layer) => layer.zones.includes(id)));
  return [
    ...stack
      .slice(0, own.length)
      .flatMap((wanted, i): Edit[] =>
        same([wanted], stackOf([own[i]!]))
          ? []
          : [{ type: 'layer.set', layerId: own[i]!.id, patch: stackOf([wanted as Layer])[0]! }],
      ),
    ...own.slice(stack.length).map((layer): Edit => ({ type: 'layer.remove', layerId: layer.id })),
    ...stack.slice(own.length).map((wanted, i): Edit => ({
      type: 'layer.add',
      partId: part.id,
      layer: { ...stackOf([wanted as Layer])[0]!, id: newId(), zones, group: groupId },
      index: Math.max(0, first) + own.length + i,
    })),
  ];
}

/**
 * Change a laminate where it is defined: every group that follows it changes with it; a group that was changed on its
 * own stays as it is.
 * @returns the edits and how many places follow.
 */
export function changeLaminate(
  boat: Boat,
  laminate: Reference,
  newId: () => string,
): { edits: Edit[]; follow: number; stay: number } {
  const old = boat.references.find(({ id }) => id === laminate.id);
  const uses = old ? usesOf(boat, old).filter(({ how }) => how === 'laid') : [];
  const following = uses.filter(({ differs }) => !differs);
  return {
    edits: [
      { type: 'reference.set', item: laminate },
      ...following.flatMap(({ partId, groupId }) =>
        layAs(
          boat.parts.find(({ id }) => id === partId)!,
          groupId!,
          laminate.layers,
          newId,
        ),
      ),
    ],
    follow: following.length,
    stay: uses.length - following.length,
  };
}

/** Take what was changed in one group into its laminate, and so to every other place that follows it. */
export function takeIntoLaminate(
  boat: Boat,
  part: Part,
  group: LayerGroup,
  newId: () => string,
): { edits: Edit[]; follow: number } | null {
  const laminate = boat.references.find(({ id }) => id === group.laminate);
  if (!laminate) return null;
  const { edits, follow } = changeLaminate(boat, { ...laminate, layers: stackOf(layersOf(part, group.id)) }, newId);
  return { edits, follow };
}

/** Lay a laminate of the book as a new group over zones. */
export function layLaminate(
  part: Part,
  laminate: Reference,
  { zones, index }: { zones: readonly string[]; index: number },
  newId: () => string,
): Edit[] {
  const id = newId();
  return [
    {
      type: 'part.set',
      partId: part.id,
      patch: { groups: [...part.groups, { id, name: laminate.name, kind: 'outerSkin', laminate: laminate.id }] },
    },
    ...laminate.layers.map((layer, i): Edit => ({
      type: 'layer.add',
      partId: part.id,
      layer: {
        ...layer,
        id: newId(),
        zones: part.zones.map((zone) => zone.id).filter((zone) => zones.includes(zone)),
        group: id,
      },
      index: index + i,
    })),
  ];
}
