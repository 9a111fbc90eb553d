import { diffArrays } from 'diff';
import { compareFields, same, type ListName, type NameOf, type Naming } from '../field';
import {
  layerSchema,
  LIST_KEYS,
  LISTS,
  partSchema,
  SINGLES,
  zoneSchema,
  type Boat,
  type Layer,
  type ListKey,
  type Part,
} from '../document';

/** One line of a difference between two states of a boat. */
export interface Change {
  /** Where: the part's name, or 'Brief' or 'Materials'. */
  place: string;
  kind: 'added' | 'removed' | 'changed' | 'moved';
  /** What it is about: 'Layer 7, BX 800'. */
  subject: string;
  /** What changed, each as 'Field: was → is'; quantities are left open for the reader's units. */
  details: string[];
}

/** What references of a boat mean, by name. */
function namesIn(boat: Boat): NameOf {
  const inParts: Partial<Record<ListName, (part: Part) => [string, string][]>> = {
    zones: ({ zones }) => zones.map(({ id, name }) => [id, name]),
    groups: ({ groups }) => groups.map(({ id, name }) => [id, name]),
    layers: ({ layers }) =>
      layers.map(({ id, material }, i) => [id, `layer ${i + 1}, ${nameOf('materials', material)}`]),
  };
  const made = new Map<ListName, Map<string, string>>();
  const namesOf = (list: ListName): Map<string, string> => {
    const pick = inParts[list];
    if (pick) return new Map(boat.parts.flatMap(pick));
    const key = list as ListKey;
    return new Map(boat[key].map((item) => [item.id, LISTS[key].title(item as never)]));
  };
  const nameOf: NameOf = (list, id) => {
    const names = made.get(list) ?? namesOf(list);
    made.set(list, names);
    return names.get(id) ?? (id || '–');
  };
  return nameOf;
}

/** Of the ids that both lists have, those outside the longest common order: they moved. */
function movedIds(before: readonly { id: string }[], after: readonly { id: string }[]): ReadonlySet<string> {
  const [old, now] = [before, after].map((items) => new Set(items.map(({ id }) => id))) as [Set<string>, Set<string>];
  const common = (items: readonly { id: string }[]) =>
    items.map(({ id }) => id).filter((id) => old.has(id) && now.has(id));
  const runs = diffArrays(common(before), common(after));
  return new Set(runs.filter((run) => run.added).flatMap((run) => run.value));
}

interface Listed<T> {
  place: string;
  before: readonly T[];
  after: readonly T[];
  subject: (item: T, state: 'before' | 'after') => string;
  details: (was: T, is: T) => string[];
  /** What to say of one that came. */
  about?: (item: T) => string[];
}

/** What came, went, moved and changed in a list of things with ids. */
function compareLists<T extends { id: string }>({
  place,
  before,
  after,
  subject,
  details,
  about,
}: Listed<T>): Change[] {
  if (before === after) return [];
  const old = new Map(before.map((item, at) => [item.id, { item, at }]));
  const kept = new Set(after.map(({ id }) => id));
  const moved = movedIds(before, after);
  const gone = before
    .filter(({ id }) => !kept.has(id))
    .map((item): Change => ({ place, kind: 'removed', subject: subject(item, 'before'), details: [] }));
  const rest = after.flatMap((item, at): Change[] => {
    const was = old.get(item.id);
    if (!was) return [{ place, kind: 'added', subject: subject(item, 'after'), details: about?.(item) ?? [] }];
    const lines = same(was.item, item) ? [] : details(was.item, item);
    const places = moved.has(item.id) ? [`place ${was.at + 1} → ${at + 1}`] : [];
    if (lines.length + places.length === 0) return [];
    const kind = lines.length === 0 ? 'moved' : 'changed';
    return [{ place, kind, subject: subject(item, 'after'), details: [...lines, ...places] }];
  });
  return [...gone, ...rest];
}

function compareLayers(before: Part, after: Part, naming: Naming): Change[] {
  const subject = (layer: Layer, state: 'before' | 'after') => {
    const part = state === 'before' ? before : after;
    return `Layer ${part.layers.indexOf(layer) + 1}, ${naming[state]('materials', layer.material)}`;
  };
  const stillThere = new Set(after.zones.map(({ id }) => id));
  const zoneName = (id: string) => {
    const name = naming.after('zones', id);
    return name === id ? naming.before('zones', id) : name;
  };
  return compareLists<Layer>({
    place: after.name,
    before: before.layers,
    after: after.layers,
    subject,
    about: ({ zones }) => [`covers ${zones.map(zoneName).join(', ') || 'nothing yet'}`],
    details: (was, is) => {
      const onto = is.zones.filter((id) => !was.zones.includes(id));
      const off = was.zones.filter((id) => !is.zones.includes(id) && stillThere.has(id));
      return [
        ...compareFields(layerSchema, [was, is], naming, ['zones']),
        ...(onto.length ? [`now also in ${onto.map(zoneName).join(', ')}`] : []),
        ...(off.length ? [`no longer in ${off.map(zoneName).join(', ')}`] : []),
      ];
    },
  });
}

function compareParts(before: Boat, after: Boat, naming: Naming): Change[] {
  const old = new Map(before.parts.map((part) => [part.id, part]));
  const own = compareLists<Part>({
    place: LISTS.parts.place,
    before: before.parts,
    after: after.parts,
    subject: ({ name }) => name,
    about: ({ layers, zones }) => [`${layers.length} layers, ${zones.length} zones`],
    details: (was, is) => compareFields(partSchema, [was, is], naming, ['zones', 'layers']),
  });
  const inside = after.parts.flatMap((part) => {
    const was = old.get(part.id);
    if (!was || was === part) return [];
    const zones = compareLists({
      place: part.name,
      before: was.zones,
      after: part.zones,
      subject: ({ name }) => `Zone ${name}`,
      details: (a, b) => compareFields(zoneSchema, [a, b], naming),
    });
    return [...zones, ...compareLayers(was, part, naming)];
  });
  return [...own, ...inside];
}

/** What the boat has one of: name and brief together, hull, deck. */
function compareSingles(before: Boat, after: Boat, naming: Naming): Change[] {
  const renamed = before.name === after.name ? [] : [`Boat name: ${before.name} → ${after.name}`];
  const lines = (key: keyof typeof SINGLES): string[] => {
    const [was, is] = [before[key], after[key]];
    if (same(was, is)) return [];
    return was && is ? compareFields(SINGLES[key], [was, is], naming) : [is ? 'given' : 'taken away'];
  };
  const changed = (place: string, subject: string, details: string[]): Change[] =>
    details.length ? [{ place, kind: 'changed', subject, details }] : [];
  return [
    ...changed('Brief', 'Particulars', [...renamed, ...lines('brief')]),
    ...changed('Shape', 'Hull', lines('hull')),
    ...changed('Shape', 'Deck', lines('deck')),
  ];
}

/**
 * What changed from one state of a boat to another: every field of every thing it holds, layer by layer. Empty only
 * when nothing did.
 *
 * @example difference(revisionA, draft)
 * // [{ place: 'Hull', kind: 'changed', subject: 'Layer 7, BX 800', details: ['Angle: 45° → 90°'] }]
 */
export function difference(before: Boat, after: Boat): Change[] {
  if (before === after) return [];
  const naming: Naming = { before: namesIn(before), after: namesIn(after) };
  const plain = LIST_KEYS.filter((key) => key !== 'parts').flatMap((key) => {
    const { place, schema, title } = LISTS[key];
    return compareLists<{ id: string }>({
      place,
      before: before[key],
      after: after[key],
      subject: (item) => title(item as never),
      details: (was, is) => compareFields(schema, [was, is], naming),
      about: (item) => ('note' in item && key === 'acceptances' ? [String(item.note)] : []),
    });
  });
  return [...compareSingles(before, after, naming), ...plain, ...compareParts(before, after, naming)];
}
