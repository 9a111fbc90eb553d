import type { QuantityKind } from '../quantity';
import { guessColumns } from '../table';
import { columnsOf, FIGURES, type Column, type MaterialKind } from '../material';
import { TRADE_WORDS } from './tradeWords';

/** A column that a list of materials may have, with the kind of quantity that stands in it. */
export interface ListColumn extends Column {
  quantity: QuantityKind | null;
}

const extra = (key: string, head: string, quantity: QuantityKind | null = null, required = false): ListColumn => ({
  key,
  head,
  required,
  quantity,
});
/** What lists say and the Shelf keeps in another form. */
const EXTRA: Partial<Record<MaterialKind, readonly ListColumn[]>> = {
  fabric: [
    extra('arealWeight', 'Dry weight', 'arealWeight', true),
    extra('matWeight', 'Weight of its mat', 'arealWeight'),
    extra('fibre', 'Fibre'),
    extra('directions', 'Directions'),
    extra('rollWeight', 'Weight of a roll', 'mass'),
  ],
  core: [extra('sheetWidth', 'Sheet width', 'shortLength'), extra('sheetLength', 'Sheet length', 'shortLength')],
};
/** Kinds whose missing figures follow from what is generic for their family: of these a list may say little. */
const FOLLOW: ReadonlySet<MaterialKind> = new Set(['fabric', 'core', 'resin', 'coating', 'consumable']);
/** What no generic figure can stand for. */
const NEEDED: ReadonlySet<string> = new Set(['name', 'arealWeight']);
const SPECIAL: Readonly<Record<string, QuantityKind>> = { thicknesses: 'thickness', cellSize: 'thickness' };
/** Of the yard's own export: it tells them by their heads. */
const OWN: ReadonlySet<string> = new Set(['id', 'components', 'measured', 'cure', 'origins']);
const withoutUnit = (head: string) => head.replace(/ \([^)]*\)$/, '');

/** The columns a list of a kind may have, those that are looked for first in front. */
export function listColumns(kind: MaterialKind): ListColumn[] {
  const figures = new Map(FIGURES[kind].map(({ key, kind: quantity }) => [key, quantity]));
  const own = columnsOf(kind).map((column): ListColumn => {
    const quantity = figures.get(column.key) ?? SPECIAL[column.key] ?? null;
    const required = FOLLOW.has(kind) ? NEEDED.has(column.key) : column.required;
    const head = quantity === null ? column.head : withoutUnit(column.head);
    return { ...column, head: column.key === 'price' ? 'Price' : head, quantity, required };
  });
  const at = own.findIndex(({ key }) => key === 'family') + 1;
  const all = [...own.slice(0, at), ...(EXTRA[kind] ?? []), ...own.slice(at)];
  const price = all.findIndex(({ key }) => key === 'price');
  if (price >= 0) all.splice(price + 1, 0, extra('priceBasis', 'What the price is for'));
  return all;
}

const known = TRADE_WORDS.heads as Record<string, Record<string, readonly string[]>>;
function namesOf(kind: MaterialKind): Record<string, readonly string[]> {
  const exported = new Map(columnsOf(kind).map(({ key, head }) => [key, head]));
  return Object.fromEntries(
    listColumns(kind).map(({ key, head }) => [
      key,
      OWN.has(key)
        ? [head]
        : [head, exported.get(key) ?? head, key, ...(known[kind]?.[key] ?? []), ...(known.any![key] ?? [])],
    ]),
  );
}

/** For each column of a kind the head of a foreign table that seems to mean it. */
export const guessMapping = (kind: MaterialKind, heads: readonly string[]): Record<string, string> =>
  guessColumns(heads, namesOf(kind));

const KINDS: readonly MaterialKind[] = [
  'fabric',
  'core',
  'resin',
  'coating',
  'adhesive',
  'consumable',
  'wood',
  'metal',
  'fibre',
];

/** The kind of material whose columns fit a table best. @param usual taken where several fit alike. */
export function guessKind(heads: readonly string[], usual: MaterialKind): MaterialKind {
  const worth = (kind: MaterialKind) => Object.keys(guessMapping(kind, heads)).filter((key) => key !== 'note').length;
  const best = Math.max(...KINDS.map(worth));
  return worth(usual) === best ? usual : KINDS.find((kind) => worth(kind) === best)!;
}

/** Whether a cell is a head that a list of materials may have. */
export const isListHead = (cell: string): boolean =>
  Object.keys(guessColumns([cell], Object.assign({}, known.any, ...Object.values(known)))).length > 0;
