import { labelOf } from '../field';
import { briefSchema, partSchema, zoneSchema } from '../document';
import type { Edit } from './editSchema';

/** The screens of a boat on which something is edited. */
export type EditScreen =
  | 'brief'
  | 'zones'
  | 'layup'
  | 'panel'
  | 'stiffeners'
  | 'details'
  | 'check'
  | 'weights'
  | 'revisions'
  | 'pack'
  | 'kit'
  | 'fill';

/** Where a change is seen: the screens that show it, the first the usual one; what changed, and its field. */
export interface EditPlace {
  screens: readonly EditScreen[];
  /** Kind of thing and its id: 'layer', 'zone', 'detail'; of the boat itself there is one, without an id. */
  of: string;
  id: string | null;
  /** Label of the field, where one alone changed. */
  label: string | null;
  /** The zone into which a layer was run, or out of which it was taken. */
  zoneId: string | null;
}

const EVERYWHERE: readonly EditScreen[] = [
  'brief',
  'zones',
  'layup',
  'panel',
  'stiffeners',
  'details',
  'check',
  'weights',
  'revisions',
  'pack',
  'kit',
  'fill',
];
/** Where each kind of thing is edited; an acceptance stands beside its caution on several screens. */
const SCREENS: Readonly<Record<string, readonly EditScreen[]>> = {
  brief: ['brief'],
  boat: EVERYWHERE,
  hull: ['zones', 'brief'],
  deck: ['zones', 'brief'],
  part: ['zones', 'layup'],
  zone: ['zones', 'layup', 'panel'],
  layer: ['layup'],
  laminate: ['layup'],
  support: ['zones', 'stiffeners'],
  section: ['stiffeners'],
  load: ['details'],
  detail: ['details'],
  reference: ['layup', 'panel'],
  pack: ['brief', 'check', 'pack'],
  material: ['layup', 'stiffeners', 'details', 'zones'],
  item: ['weights'],
  space: ['weights'],
  pieceDrawing: ['kit'],
  jointPlacing: ['kit'],
  box: ['kit'],
  plug: ['kit'],
  fillPlan: ['fill'],
  curePlan: ['fill'],
  caution: ['check', 'layup', 'details', 'stiffeners'],
};
/** Fields of the Brief and of parts that are entered under Weights. */
const WEIGHED: ReadonlySet<string> = new Set([
  'targets',
  'series',
  'absent',
  'weightTarget',
  'mould',
  'water',
  'coreBond',
  'kerfShare',
]);
const screensOf = (edit: Edit): readonly EditScreen[] => {
  const fields = 'patch' in edit ? Object.keys(edit.patch) : [];
  if (fields.length > 0 && fields.every((field) => WEIGHED.has(field))) return ['weights'];
  // A tank asks a zone for its head.
  if (edit.type === 'zone.set' && fields.join() === 'designPressure') return [...SCREENS['zone']!, 'weights'];
  return SCREENS[kindOf(edit)] ?? EVERYWHERE;
};
const PATCHED: Readonly<Record<string, Record<string, unknown>>> = {
  'brief.set': briefSchema.shape,
  'zone.set': zoneSchema.shape,
  'part.set': partSchema.shape,
};

const kindOf = ({ type }: Edit) => type.split('.')[0]!;
const fetches = ({ type }: Edit) => type === 'material.put' || type === 'material.drop';

/** Every name under which an edit holds the id of what it is about. */
function idOf(edit: Edit): string | null {
  const held = edit as unknown as Record<string, string | { id: string } | undefined>;
  const named = held[`${kindOf(edit)}Id`] ?? held.id;
  if (typeof named === 'string') return named;
  const item = held.item ?? held[kindOf(edit)];
  return typeof item === 'object' ? item.id : null;
}

/**
 * Where an action is seen, by its edits: on the screens that show all of them, or any of them where none shows all.
 * What merely fetches a material does not count.
 *
 * @example placeOfEdits([{ type: 'zone.set', zoneId: 'z1', patch: { solidEdge: 0.1 } }]).screens[0] // 'zones'
 */
export function placeOfEdits(edits: readonly Edit[]): EditPlace {
  const own = edits.filter((edit) => !fetches(edit));
  const told = own.length > 0 ? own : edits;
  const last = told.at(-1);
  if (!last) return { screens: EVERYWHERE, of: 'boat', id: null, label: null, zoneId: null };
  const sets = told.map(screensOf);
  const shared = sets[0]!.filter((screen) => sets.every((screens) => screens.includes(screen)));
  const shape = PATCHED[last.type];
  const fields = shape && 'patch' in last ? Object.keys(last.patch) : [];
  return {
    screens: shared.length > 0 ? shared : [...new Set(sets.flat())],
    of: kindOf(last),
    id: idOf(last),
    label: fields.length === 1 ? labelOf(fields[0]!, shape![fields[0]!] as never) : null,
    zoneId: last.type === 'layer.cover' ? last.zoneId : null,
  };
}
