import { parseQuantity } from '../quantity';
import { numberText, type DecimalSign, type Table } from '../table';
import {
  fabricArealWeight,
  readRow,
  RowRefusal,
  slug,
  type Core,
  type Fabric,
  type Fibre,
  type Material,
  type MaterialKind,
} from '../material';
import { fillFabric, type FilledRow } from './fabricRow';
import { fillFromGeneric } from './genericRow';
import { listColumns, type ListColumn } from './columns';
import { perKilogram } from './perKilogram';
import { priceBasisOf } from './units';

/** How a list is read: what its columns are, their units, how its numbers are written, what its money is worth. */
export interface Reading {
  kind: MaterialKind;
  /** Head by column. */
  columns: Readonly<Record<string, string>>;
  /** Unit by column; of the price, what it is for. */
  units: Readonly<Record<string, string>>;
  decimal: DecimalSign;
  /** One of the list's money in the yard's own. */
  rate: number;
}

/** A row of a list: what it comes to, or why not. */
export interface ListRow {
  /** In the sheet, counted from 1. */
  number: number;
  label: string;
  result: { ok: true; material: Material } | { ok: false; column: string; message: string };
  /** What the row does not say and is taken from what is generic, in words. */
  assumed: string[];
  /** Number of the earlier row that is of the same material; `same` when nothing differs. */
  again: { number: number; how: 'same' | 'joined' | 'differs' } | null;
}

const BARE_NUMBER = /^[+-]?(?:\d+(?:\.\d+)?|\.\d+|\d+\s*\/\s*\d+|\d+[ -]\d+\/\d+)$/;

/** What an inch is parted into. */
const INCHES: ReadonlySet<number> = new Set([2, 4, 8, 16, 32]);
/** "3/4" and "1 1/2" are parts of an inch, "10/12" two sheets. */
const FRACTION = /^(?:\d+[ -])?(\d+)\/(\d+)(?!\d)/;
/** The thicknesses that one cell lists: '10, 12, 15', '10/12', '1/2; 3/4 in'. */
const sheetsIn = (cell: string, decimal: DecimalSign): string[] =>
  cell
    .split(decimal === ',' ? ';' : /[;,]/)
    .map((text) => text.trim())
    .flatMap((text) => {
      const [, top, bottom] = FRACTION.exec(text) ?? [];
      return INCHES.has(Number(bottom)) && Number(top) % 2 === 1 && Number(top) < Number(bottom)
        ? [text]
        : text.split(/\/|\s+(?=\d)/);
    })
    .map((text) => text.trim())
    .filter(Boolean);

/** A cell of a quantity with its unit behind it; sheets that one cell lists have each their own. */
function withUnit(cell: string, { quantity, key }: ListColumn, { units, decimal }: Reading): string {
  const unit = units[key] ?? '';
  const one = (text: string) => {
    const plain = numberText(text, decimal);
    if (!BARE_NUMBER.test(plain)) return plain;
    if (unit === 'share') return `${Number(plain) * 100} %`;
    return unit === '' ? plain : `${plain} ${unit}`;
  };
  if (key === 'thicknesses') return sheetsIn(cell, decimal).map(one).join('; ');
  return quantity === null || quantity === 'money' ? cell : one(cell);
}

/** SI value of a cell; null where it is empty or no such quantity. */
function valueOf(cell: string, quantity: Parameters<typeof parseQuantity>[1]): number | null {
  const parsed = cell === '' ? null : parseQuantity(cell, quantity, 'metric');
  return parsed?.ok ? parsed.value : null;
}

/** Mass of a square metre of what is sold by area, kg/m². */
function squareMetre(material: Material): number | null {
  if (material.kind === 'consumable') return material.weight.value;
  return material.kind === 'fabric' ? fabricArealWeight(material) + material.bindingWeight.value : null;
}

/** A row's price per kilogram (of a core per cubic metre) as a cell; '' where it states none. */
function priceCell(raw: string, material: Material, cell: (key: string) => string, reading: Reading): string {
  if (raw === '' || /^(poa|n\/?a|on request|auf anfrage|-|–)$/i.test(raw)) return '';
  const text = numberText(raw, reading.decimal);
  const [, number, unit = ''] = /^([+-]?[\d.]+)\s*(.*)$/.exec(text) ?? [];
  const price = Number(number);
  if (number === undefined || !Number.isFinite(price))
    throw new RowRefusal('price', `"${raw.slice(0, 30)}" is no price`);
  const basis =
    (unit !== '' ? priceBasisOf(unit) : null) ??
    (cell('priceBasis') !== '' ? priceBasisOf(cell('priceBasis')) : null) ??
    reading.units.price ??
    'per kg';
  const density = 'density' in material ? material.density.value : null;
  const sheets = valueOf(cell('thicknesses'), 'thickness');
  const each = perKilogram(price * reading.rate, basis, {
    arealWeight: squareMetre(material),
    width: valueOf(cell(material.kind === 'core' ? 'sheetWidth' : 'width'), 'shortLength'),
    length:
      material.kind === 'core' ? valueOf(cell('sheetLength'), 'shortLength') : valueOf(cell('rollLength'), 'length'),
    rollWeight: valueOf(cell('rollWeight'), 'mass'),
    density,
    thickness: material.kind === 'coating' ? material.thickness.value : sheets,
  });
  return String(Number((material.kind === 'core' ? each * density! : each).toPrecision(6)));
}

function filled(
  cell: (key: string) => string,
  reading: Reading,
  known: { fibres: readonly Fibre[]; generic: readonly Material[] },
): FilledRow {
  const { kind, decimal } = reading;
  if (cell('name') === '' && cell('code') === '') throw new RowRefusal('name', 'Name is missing');
  // The Shelf's own tables say everything themselves.
  if (cell('origins') !== '' || cell('components') !== '') return { cells: {}, assumed: [] };
  if (kind === 'fabric') {
    if (cell('arealWeight') === '') throw new RowRefusal('arealWeight', 'Dry weight is missing');
    const patterns = known.generic.filter((one): one is Fabric => one.kind === 'fabric');
    return fillFabric(cell, { decimal, fibres: known.fibres, patterns });
  }
  if (kind === 'core' || kind === 'resin' || kind === 'coating' || kind === 'consumable')
    return fillFromGeneric(kind, cell, known.generic);
  return { cells: {}, assumed: [] };
}

/** What tells apart rows that share one name: the dry weight of fabrics, the density of cores. */
function nameOf(material: Material): string {
  if (material.kind === 'fabric') return `${material.name} ${Math.round(fabricArealWeight(material) * 1000)}`;
  return material.kind === 'core' ? `${material.name} ${Math.round(material.density.value)}` : material.name;
}
const named = (material: Material, name: string): Material => ({
  ...material,
  name: name.slice(0, 80),
  id: slug(name),
});

/** Thicknesses of two rows of one core, the dearer price. */
function joined(first: Core, second: Core): Core {
  const thicknesses = [...new Set([...first.thicknesses, ...second.thicknesses])].sort((a, b) => a - b).slice(0, 20);
  const dearer = (second.price?.value ?? 0) > (first.price?.value ?? 0) ? second.price : first.price;
  return { ...first, thicknesses, price: dearer };
}
const alike = (a: Material, b: Material) => JSON.stringify(a) === JSON.stringify(b);
const sameCore = (a: Material, b: Material) =>
  a.kind === 'core' &&
  b.kind === 'core' &&
  alike({ ...a, thicknesses: [], price: null }, { ...b, thicknesses: [], price: null });

/** Rows of one material found out: what is there twice, and cores of which each row is another sheet. */
function withRepeats(rows: readonly ListRow[]): ListRow[] {
  const first = new Map<string, number>();
  const out: ListRow[] = [];
  for (const row of rows) {
    const material = row.result.ok ? row.result.material : null;
    const at = material ? first.get(material.id) : undefined;
    if (!material || at === undefined) {
      if (material) first.set(material.id, out.length);
      out.push(row);
      continue;
    }
    const earlier = out[at]!;
    const before = (earlier.result as { material: Material }).material;
    if (sameCore(before, material) && !alike(before, material)) {
      out[at] = { ...earlier, result: { ok: true, material: joined(before as Core, material as Core) } };
      out.push({ ...row, again: { number: earlier.number, how: 'joined' } });
    } else out.push({ ...row, again: { number: earlier.number, how: alike(before, material) ? 'same' : 'differs' } });
  }
  return out;
}

/**
 * Materials from a supplier's list. Every row stands for itself: one that cannot be read says why, and holds no other
 * back. Rows of one name are told apart by weight or density; rows that differ by their sheet alone are one core.
 *
 * @param known fibres on the Shelf, and the generic materials from which what a row leaves out is taken.
 * @example readList(table, { kind: 'fabric', columns: { name: 'Article', arealWeight: 'gsm' }, … }, known)
 */
export function readList(
  table: Table,
  reading: Reading,
  known: { fibres: readonly Fibre[]; generic: readonly Material[] },
): ListRow[] {
  const columns = listColumns(reading.kind);
  const at = new Map(table.heads.map((head, i) => [head, i]));
  const read = table.rows.map((row, i): ListRow => {
    const raw = (key: string) => row[at.get(reading.columns[key] ?? '') ?? -1] ?? '';
    const cells = new Map(
      columns.map((column): [string, string] => {
        const text = raw(column.key);
        return [column.key, text === '' ? '' : withUnit(text, column, reading)];
      }),
    );
    const cell = (key: string) => (key === 'title' ? table.titles[i]! : (cells.get(key) ?? ''));
    const bare = { number: table.numbers[i]!, label: raw('name') || raw('code'), again: null };
    try {
      const { cells: more, assumed } = filled(cell, reading, known);
      const all = { ...Object.fromEntries(cells), ...more, price: '' };
      const before = readRow(reading.kind, all, known.fibres);
      if (!before.ok) return { ...bare, assumed, result: before };
      const own = cell('origins') !== '' ? raw('price') : priceCell(raw('price'), before.material, cell, reading);
      return {
        ...bare,
        assumed,
        result: own === '' ? before : readRow(reading.kind, { ...all, price: own }, known.fibres),
      };
    } catch (error) {
      if (!(error instanceof RowRefusal)) throw error;
      return { ...bare, assumed: [], result: { ok: false, column: error.column, message: error.message } };
    }
  });
  const times = new Map<string, Set<string>>();
  for (const { result } of read)
    if (result.ok) {
      const { name } = result.material;
      times.set(name, (times.get(name) ?? new Set()).add(nameOf(result.material)));
    }
  const told = read.map((row): ListRow => {
    if (!row.result.ok || reading.columns.id !== undefined) return row;
    const { material } = row.result;
    const name = times.get(material.name)!.size > 1 ? nameOf(material) : material.name;
    return { ...row, result: { ok: true, material: named(material, name) } };
  });
  return withRepeats(told);
}
