import { bare, headUnits } from '../table';
import type { QuantityKind } from '../quantity';
import { TRADE_WORDS, wordIn } from './tradeWords';

/** Ounces alone: of a mat they are per square foot, of everything else per square yard. */
export const TRADE_OUNCES = 'oz';

const LENGTHS = ['mm', 'cm', 'm', 'in', 'ft', 'yd'] as const;
const STRESSES = ['MPa', 'GPa', 'kPa', 'psi', 'ksi', 'Msi'] as const;

/** The units that a column of a kind of quantity may stand in, as lists write them. */
export const LIST_UNITS: Partial<Record<QuantityKind, readonly string[]>> = {
  arealWeight: ['g/m²', 'kg/m²', 'oz/yd²', 'oz/ft²', TRADE_OUNCES, 'lb/ft²'],
  laminateWeight: ['kg/m²', 'g/m²', 'lb/ft²', 'oz/yd²'],
  length: ['m', ...LENGTHS.filter((unit) => unit !== 'm')],
  shortLength: LENGTHS,
  thickness: LENGTHS,
  density: ['kg/m³', 'g/cm³', 'lb/ft³'],
  stress: STRESSES,
  modulus: ['GPa', ...STRESSES.filter((unit) => unit !== 'GPa')],
  coreModulus: STRESSES,
  temperature: ['°C', '°F'],
  viscosity: ['mPa·s', 'cP', 'Pa·s'],
  duration: ['min', 'h', 's'],
  fraction: ['%', 'share'],
  mass: ['kg', 'lb', 'g'],
};

/** What a price in a list may be for. */
export const PRICE_BASES = Object.keys(TRADE_WORDS.prices);

const byWords = (text: string, names: Readonly<Record<string, readonly string[]>>, keys: readonly string[]) => {
  const own = bare(text);
  return keys.find((key) => names[key]?.includes(own)) ?? null;
};

/** The unit that a piece of text is, among those of a kind of quantity; null when it is none of them. */
export function unitOf(text: string, kind: QuantityKind): string | null {
  const units = LIST_UNITS[kind] ?? [];
  const own = text.trim();
  if (kind === 'fraction' && own.includes('%')) return '%';
  if (own === '"' || own === '″') return units.find((unit) => unit === 'in') ?? null;
  return units.find((unit) => unit === own) ?? byWords(own, TRADE_WORDS.units, units);
}

/** Whether a cell is a unit and nothing else, so that a row of them belongs to the heads. */
export const isUnit = (cell: string): boolean =>
  Object.keys(LIST_UNITS).some((kind) => unitOf(cell, kind as QuantityKind) !== null) ||
  /^[€$£]?\s*(eur|usd|gbp)?\s*\/\s*\w+[²³23]?$/i.test(cell.trim());

/**
 * The unit of a column by its head, else by its figures: shares where none is above 1.
 * @returns the first unit of the kind where neither says; '' for what has none.
 */
export function guessUnit(kind: QuantityKind, head: string, cells: readonly string[]): string {
  const said = headUnits(head)
    .map((text) => unitOf(text, kind))
    .find((unit) => unit !== null);
  if (said) return said;
  if (kind === 'fraction') {
    const numbers = cells.map((cell) => Number(cell.replace(',', '.'))).filter((n) => Number.isFinite(n) && n !== 0);
    return numbers.length > 0 && numbers.every((n) => n <= 1) ? 'share' : '%';
  }
  return LIST_UNITS[kind]?.[0] ?? '';
}

const PER = /(?:\bper\b|\/|\bje\b|\bpro\b|\bpar\b|\bpor\b|\bal\b)\s*([a-z0-9²³ .]+)/i;
/** What a price is for, by a head, a cell or a word: 'EUR/m²', 'price per kg', 'roll'; null where nothing says. */
export function priceBasisOf(text: string): string | null {
  const own = PER.exec(text)?.[1] ?? text;
  const words = bare(own);
  const exact = PRICE_BASES.find((basis) =>
    TRADE_WORDS.prices[basis as keyof typeof TRADE_WORDS.prices].includes(words),
  );
  return exact ?? (PER.test(text) ? wordIn(own, TRADE_WORDS.prices) : null);
}

/** The currency a head or cell names; null where none. */
export function currencyOf(text: string): string | null {
  const own = text.toLowerCase();
  const words = ` ${bare(text)} `;
  for (const [currency, names] of Object.entries(TRADE_WORDS.currencies))
    if (names.some((name) => (/[a-z]/.test(name) ? words.includes(` ${name} `) : own.includes(name)))) return currency;
  return null;
}
