import { displayUnit, type DisplayUnit, type QuantityKind, type UnitSystem } from './units';

/** Figures with which the ends of a range are said, and how far such a figure may lie from the end it stands for. */
const FIGURES = 4;
const NEAR = 6e-4;

/** Without an exponent, which nobody types. */
const plain = (value: number) =>
  (Math.abs(value) < 1e-6 && value !== 0 ? value.toFixed(20).replace(/0+$/, '') : String(value)).replace('-', '−');

/** Both ends of a range to four figures: `sayRange(2.5, 24, 'length', 'us')` is '8.202 ft and 78.74 ft'. */
export function sayRange(minimum: number, maximum: number, kind: QuantityKind, system: UnitSystem): string {
  const { label, factor, offset = 0 } = displayUnit(kind, system);
  const space = ['', '%', '°'].includes(label) ? '' : ' ';
  const end = (value: number) => `${plain(Number(((value - offset) / factor).toPrecision(FIGURES)))}${space}${label}`;
  return `${end(minimum)} and ${end(maximum)}`;
}

/**
 * The value where it lies in the range, the end itself where somebody typed it as it is said; null outside.
 *
 * @param unit in which the range is said: an end of it is as near as its four figures there.
 * @example takeInRange(24.00008, [2.5, 24], displayUnit('length', 'us')) // 24, typed as 78.74 ft
 */
export function takeInRange(
  value: number,
  [minimum, maximum]: readonly [least: number, most: number],
  { offset = 0 }: Pick<DisplayUnit, 'offset'>,
): number | null {
  const taken = Math.min(maximum, Math.max(minimum, value));
  return Math.abs(value - taken) <= NEAR * Math.abs(taken - offset) ? taken : null;
}
