import { displayUnit, type QuantityKind, type UnitSystem } from './units';

/** A value with fixed decimals; true minus sign; '–' where there is no number. */
export function formatNumber(value: number | null | undefined, digits: number): string {
  if (value === null || value === undefined || !Number.isFinite(value)) return '–';
  const text = value.toFixed(digits);
  return Number(text) === 0 ? (0).toFixed(digits) : text.replace('-', '−');
}

/** A difference with its sign in front; + where it is nothing. */
export const formatSigned = (value: number, digits: number): string =>
  `${value < 0 ? '−' : '+'}${formatNumber(Math.abs(value), digits)}`;

/** Arithmetic of a chain of factors lands this close to a round figure. */
const NEAR = 1e-9;
const LARGE_RESERVE = 10;

/**
 * A reserve factor as it is shown, rounded down so that no figure claims what is not there: what fails reads below 1,
 * and what reads as the target reaches it. Hundredths below 10, whole figures above.
 */
export function shownReserve(reserveFactor: number): number {
  const steps = Math.abs(reserveFactor) < LARGE_RESERVE ? 100 : 1;
  return Math.floor(reserveFactor * steps * (1 + NEAR)) / steps;
}

/** A reserve factor as it is read: '1.16', '47', '> 99'; '–' where nothing is asked. */
export function formatReserve(reserveFactor: number): string {
  const shown = shownReserve(reserveFactor);
  return shown > 99 && Number.isFinite(shown) ? '> 99' : formatNumber(shown, shown < LARGE_RESERVE ? 2 : 0);
}

/** Whether a reserve reaches what is asked of it. */
export const reaches = (reserveFactor: number, target: number): boolean => reserveFactor >= target * (1 - NEAR);

/** Margin = reserve factor as it is shown − 1, signed, in percent: '+16 %', '−11 %', '> 900 %'. */
export function formatMargin(reserveFactor: number): string {
  if (reserveFactor > LARGE_RESERVE) return '> 900 %';
  return `${reaches(reserveFactor, 1) ? '+' : ''}${formatNumber((shownReserve(reserveFactor) - 1) * 100, 0)} %`;
}

/** The number alone, in the display unit of the system: `formatQuantity(0.0123, 'thickness', 'metric')` is '12.3'. */
export function formatQuantity(value: number | null | undefined, kind: QuantityKind, system: UnitSystem): string {
  const unit = displayUnit(kind, system);
  if (value === null || value === undefined) return formatNumber(value, unit.digits);
  const shown = (value - (unit.offset ?? 0)) / unit.factor;
  const small = unit.finer && shown !== 0 && Math.abs(shown) < 1;
  return formatNumber(shown, unit.digits + (small ? 1 : 0));
}

/** Number and unit: '12.3 mm', '31%', '45°'. */
export function formatWithUnit(value: number | null | undefined, kind: QuantityKind, system: UnitSystem): string {
  const { label } = displayUnit(kind, system);
  return `${formatQuantity(value, kind, system)}${label === '' || label === '%' || label === '°' ? '' : ' '}${label}`;
}

/**
 * A change with its sign, in the display unit of the system: `formatDifference(0.0012, 'thickness', 'us')` is '+0.047'.
 */
export function formatDifference(value: number, kind: QuantityKind, system: UnitSystem): string {
  const unit = displayUnit(kind, system);
  // A difference has no zero point: degrees of temperature differ by their size alone.
  const text = formatNumber(value / unit.factor, unit.digits);
  return Number(text.replace('−', '-')) > 0 ? `+${text}` : text;
}

/** The figure of an SI value in the display unit of a system. */
export function inUnit(value: number, kind: QuantityKind, system: UnitSystem): number {
  const unit = displayUnit(kind, system);
  return (value - (unit.offset ?? 0)) / unit.factor;
}

/** Digits of an entry: a round figure of the one system is an endless one in the other. */
const ENTRY_DIGITS: Record<UnitSystem, number> = { metric: 9, us: 5 };

/** For an input box: the digits somebody would type, no trailing zeros; in metric they give the stored value back. */
export function formatForEntry(value: number | null | undefined, kind: QuantityKind, system: UnitSystem): string {
  if (value === null || value === undefined) return '';
  return String(Number(inUnit(value, kind, system).toPrecision(ENTRY_DIGITS[system])));
}

const PREFIXED: Record<string, [limit: number, factor: number, label: string][]> = {
  Pa: [
    [1e9, 1e9, 'GPa'],
    [1e6, 1e6, 'MPa'],
    [1e3, 1e3, 'kPa'],
    [0, 1, 'Pa'],
  ],
  m: [
    [1, 1, 'm'],
    [0, 1e-3, 'mm'],
  ],
  'N/m': [
    [1e6, 1e6, 'kN/mm'],
    [1e3, 1e3, 'kN/m'],
    [0, 1, 'N/m'],
  ],
  'm³/m': [[0, 1e-6, 'cm³/m']],
  'm⁴/m': [[0, 1e-8, 'cm⁴/m']],
};

/** A figure of a working in SI with a handy prefix and four significant digits: 36020 Pa gives '36.02 kPa'. */
export function formatWorkingValue(value: number, unit: string): string {
  const scale = PREFIXED[unit]?.find(([limit]) => Math.abs(value) >= limit) ?? [0, 1, unit];
  const scaled = value / scale[1];
  const size = Math.abs(scaled);
  const text =
    size !== 0 && (size < 1e-3 || size >= 1e7) ? scaled.toExponential(3) : Number(scaled.toPrecision(4)).toString();
  const label = scale[2];
  return `${text.replace('-', '−')}${label && label !== '°' && label !== '%' ? ' ' : ''}${label}`;
}
