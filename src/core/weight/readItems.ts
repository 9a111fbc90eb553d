import { itemSchema, ITEM_KINDS, ITEM_STATES, type Item, type ItemKindName, type ItemState } from '../document';
import { fromZod } from '../error';
import { parseQuantity, type QuantityKind, type UnitSystem } from '../quantity';
import { bare, guessColumns, headUnits, numberText, type DecimalSign, type Table } from '../table';

interface Column {
  label: string;
  kind: QuantityKind | 'text' | 'choice';
  /** What its head may be called. */
  words: readonly string[];
}

/** What a list of items may hold, and what its columns may be called. */
export const ITEM_COLUMNS = {
  name: {
    label: 'Name',
    kind: 'text',
    words: ['name', 'item', 'description', 'what', 'component', 'bezeichnung', 'teil', 'désignation', 'artikel'],
  },
  kind: { label: 'Kind', kind: 'choice', words: ['kind', 'type', 'group', 'category', 'art', 'gruppe'] },
  mass: {
    label: 'Mass of one',
    kind: 'mass',
    words: ['mass', 'weight', 'unit mass', 'gewicht', 'masse', 'poids', 'kg'],
  },
  number: { label: 'Number', kind: 'ratio', words: ['number', 'quantity', 'qty', 'count', 'off', 'anzahl', 'nombre'] },
  x: { label: 'Along', kind: 'length', words: ['x', 'along', 'lcg', 'longitudinal', 'xg', 'x cg', 'forward'] },
  y: {
    label: 'To starboard',
    kind: 'length',
    words: ['y', 'tcg', 'to starboard', 'transverse', 'yg', 'y cg', 'starboard'],
  },
  z: {
    label: 'Above baseline',
    kind: 'length',
    words: ['z', 'vcg', 'above baseline', 'height', 'vertical', 'zg', 'z cg', 'kg m'],
  },
  length: { label: 'Length of it', kind: 'length', words: ['length', 'extent', 'länge', 'longueur'] },
  state: { label: 'Known', kind: 'choice', words: ['state', 'known', 'status', 'source', 'basis'] },
  scatter: { label: 'Scatter', kind: 'fraction', words: ['scatter', 'tolerance', 'uncertainty', 'sd'] },
  price: { label: 'Price of one', kind: 'money', words: ['price', 'cost', 'preis', 'prix'] },
  hours: { label: 'Hours to fit one', kind: 'ratio', words: ['hours', 'time', 'labour', 'stunden', 'heures'] },
} as const satisfies Record<string, Column>;
export type ItemColumn = keyof typeof ITEM_COLUMNS;
const COLUMNS = Object.entries(ITEM_COLUMNS) as [ItemColumn, Column][];

/** The columns of a list by their heads. */
export const guessItemColumns = (heads: readonly string[]): Partial<Record<ItemColumn, string>> =>
  guessColumns(heads, Object.fromEntries(COLUMNS.map(([key, { words }]) => [key, words])));
/** Whether a cell may be the head of a list of items. */
export const isItemHead = (cell: string): boolean => Object.keys(guessItemColumns([cell])).length > 0;

/** Words that tell of a kind, in the name or in a column of its own. */
const KIND_WORDS: Readonly<Record<ItemKindName, RegExp>> = {
  tank: /tank$/,
  engine: /engine|motor|outboard|gearbox|shaft|propel|drive/,
  systems: /batter|wiring|pump|electr|alternator|inverter|steer|hydraul|bilge/,
  contents: /fuel|diesel|petrol|water in|fresh water|contents|liquid/,
  outfit: /joiner|sole|seat|cushion|outfit|berth|galley|locker|interior|headlin/,
  hatch: /hatch|window|glaz|portlight|door/,
  rig: /mast|boom|rig|sail|shroud|spar/,
  ballast: /ballast|keel|centreplate|centerplate|plate/,
  bonding: /bonding|adhesive|glue/,
  paint: /paint|antifoul|varnish|primer/,
  people: /crew|people|person|passenger/,
  stores: /stores|gear|food|tools|safety|liferaft|luggage/,
  fitting: /cleat|winch|rail|stanchion|anchor|chain|fender|bollard|fitting|track|rudder|frame/,
  other: /^other$/,
};

/** The kind a word or a name tells of; `other` where none does. */
export function kindOfItem(word: string): ItemKindName {
  const plain = bare(word);
  const named = (Object.keys(ITEM_KINDS) as ItemKindName[]).find((kind) => {
    return plain === kind || plain === bare(ITEM_KINDS[kind].name);
  });
  return named ?? (Object.keys(KIND_WORDS) as ItemKindName[]).find((kind) => KIND_WORDS[kind].test(plain)) ?? 'other';
}

/** A row of a list, as an item or with why it is none. */
export type ItemRow =
  | { number: number; ok: true; item: Omit<Item, 'id'>; questions: string[] }
  | { number: number; ok: false; name: string; reason: string };

/**
 * The items of a list: any heads, any units, in any order. A row without a name or mass is left out where it is empty
 * and refused where it says something else.
 *
 * @param columns heads by what they mean. @param system whose units a bare number is taken in, where the head has none.
 */
export function readItems(
  table: Table,
  columns: Partial<Record<ItemColumn, string>>,
  { decimal, system }: { decimal: DecimalSign; system: UnitSystem },
): ItemRow[] {
  const places = new Map(table.heads.map((head, i) => [head, i]));
  return table.rows.flatMap((row, r): ItemRow[] => {
    const cell = (key: ItemColumn): string => {
      const at = columns[key] === undefined ? undefined : places.get(columns[key]);
      return at === undefined ? '' : (row[at] ?? '').trim();
    };
    const number = table.numbers[r]!;
    const name = cell('name');
    if (name === '' && cell('mass') === '') return [];
    const refuse = (reason: string): ItemRow[] => [{ number, ok: false, name: name || `row ${number}`, reason }];
    if (name === '') return refuse('it has no name');
    if (cell('mass') === '') return refuse('it has no mass');
    const figures: Record<string, number | null> = {};
    for (const [key, { kind, label }] of COLUMNS) {
      if (kind === 'text' || kind === 'choice') continue;
      const text = cell(key);
      if (text === '') continue;
      const value = figureOf(numberText(text, decimal), kind, { head: columns[key]!, system });
      if (value === null) return refuse(`"${text.slice(0, 30)}" is no ${label.toLowerCase()}`);
      figures[key] = value;
    }
    const state = (Object.keys(ITEM_STATES) as ItemState[]).find((one) =>
      bare(cell('state')).includes(one.slice(0, 5)),
    );
    const draft = {
      name: name.slice(0, 80),
      kind: kindOfItem(cell('kind') || name),
      number: 1,
      x: 0,
      y: 0,
      z: 0,
      length: 0,
      state: state ?? 'estimated',
      scatter: null,
      density: null,
      price: null,
      hours: null,
      ...figures,
    };
    const read = itemSchema.omit({ id: true }).safeParse(draft);
    if (!read.success) return refuse(fromZod(read.error, '', draft).text);
    const questions = [
      ...(cell('x') === '' || cell('z') === '' ? ['no place along or above: it stands at 0 until it is given'] : []),
      ...(draft.kind === 'other' ? ['of no kind that is known'] : []),
    ];
    return [{ number, ok: true, item: read.data, questions }];
  });
}

/** A figure in the unit of its cell, of its head, or of the reader. */
function figureOf(
  text: string,
  kind: QuantityKind,
  { head, system }: { head: string; system: UnitSystem },
): number | null {
  const plain = /^[+-]?[\d.]+$/.test(text);
  const tried = plain ? [...headUnits(head).map((unit) => `${text} ${unit}`), text] : [text];
  for (const one of tried) {
    const parsed = parseQuantity(one, kind, system);
    if (parsed.ok) return parsed.value;
  }
  return null;
}
