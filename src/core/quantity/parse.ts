import Qty from 'js-quantities';
import { displayUnit, QUANTITIES, type QuantityKind, type UnitSystem } from './units';

export type ParsedQuantity = { ok: true; value: number; understood: string } | { ok: false; message: string };

/** How the trade writes a unit, and how the conversion library spells it. */
const THOUSANDS_OF_PSI: Readonly<Record<string, number>> = { ksi: 1e3, msi: 1e6 };
/** Units that the conversion knows by another name. */
const SPELLED_OTHERWISE: Readonly<Record<string, string>> = { kn: 'kt', '°': 'deg' };
const SPELLINGS: [RegExp, string][] = [
  [/^(gsm|g\/sqm)$/i, 'g/m2'],
  [/^(oz|osy)(\/sq\s?yd)?$/i, 'oz/yd2'],
  [/^(kn|kt|kts|knots?)$/i, 'kn'],
  [/^(°|deg|degrees?)$/i, '°'],
  [/^(%|percent)$/i, '%'],
  [/^(t|tonnes?)$/i, 'tonne'],
  [/^(lbs|pounds?)$/i, 'lb'],
  [/^(inch|inches|"|″|'')$/i, 'in'],
  [/^(feet|foot|'|′)$/i, 'ft'],
  [/^pcf$/i, 'lb/ft3'],
];
/** "oz" alone means ounces per square yard only where an areal weight is asked for. */
const AREAL = new Set<QuantityKind>(['arealWeight', 'laminateWeight']);

const NUMBER = String.raw`\d+(?:[.,]\d+)*`;
const MIXED = String.raw`(?:${NUMBER}[ -]+\d+\/\d+|\d+\/\d+|${NUMBER})`;
const FEET_INCHES = new RegExp(
  String.raw`^(${MIXED})\s*(?:ft|feet|foot|'|′)\s*(${MIXED})\s*(?:in|inch|inches|"|″|'')?$`,
  'i',
);
const ENTRY = new RegExp(String.raw`^([+−-]?)\s*(${MIXED}(?:e[+-]?\d+)?|\.\d+)\s*(.*)$`, 'i');

/** '5/8', '1 5/8', '1-5/8', '1,200', '1.5' or '1,5' as a number; NaN when it is none of them. */
function readNumber(text: string): number {
  const fraction = /^(?:(.+?)[ -]+)?(\d+)\/(\d+)$/.exec(text);
  if (fraction) return (fraction[1] ? readNumber(fraction[1]) : 0) + Number(fraction[2]) / Number(fraction[3]);
  if (/^\d{1,3}(,\d{3})+(\.\d+)?$/.test(text)) return Number(text.replaceAll(',', ''));
  return Number(text.replace(',', '.'));
}

/** A unit as it is typed where there are no raised figures and no dots. */
const typedUnit = (unit: string) => unit.replace('²', '2').replace('³', '3').replaceAll('·', '*');

function ok(value: number, kind: QuantityKind, system: UnitSystem): ParsedQuantity {
  const { offset = 0, factor, label } = displayUnit(kind, system);
  return { ok: true, value, understood: `${Number(((value - offset) / factor).toPrecision(6))} ${label}`.trim() };
}

/**
 * What a person typed, as an SI number of the wanted kind.
 *
 * Understands fractions ("5/8 in", "1 5/8 in"), feet and inches ("27 ft 6 in", `27' 6"`), any unit of the right
 * dimension ("17 oz/yd2", "600 gsm", "80 kg/m3", "0.8 t") and a bare number in the display unit of `system`.
 * A comma is a decimal comma ("1,5") unless it groups thousands ("1,200").
 *
 * @returns the SI value (knots, degrees and shares as {@link QUANTITIES} says) with the words for what it was taken
 * for, or a message that says what was expected.
 * @example parseQuantity('27 ft 6 in', 'length', 'metric') // { ok: true, value: 8.382, understood: '8.382 m' }
 */
export function parseQuantity(text: string, kind: QuantityKind, system: UnitSystem): ParsedQuantity {
  const entry = text.trim();
  const { name, si } = QUANTITIES[kind];
  const unit = displayUnit(kind, system);
  const expected = `Expected ${name}${unit.label ? `, such as "12 ${unit.label}"` : ''}`;
  if (entry === '') return { ok: false, message: `${expected}; nothing was entered.` };

  const feetInches = FEET_INCHES.exec(entry);
  if (feetInches) {
    if (si !== 'm') return { ok: false, message: `${expected}; "${entry}" is a length.` };
    return ok((readNumber(feetInches[1]!) * 12 + readNumber(feetInches[2]!)) * 0.0254, kind, system);
  }

  const match = ENTRY.exec(entry);
  if (!match) return { ok: false, message: `${expected}; "${entry.slice(0, 40)}" is not a number.` };
  const magnitude = readNumber(match[2]!);
  const value = match[1] === '-' || match[1] === '−' ? -magnitude : magnitude;
  if (!Number.isFinite(value)) return { ok: false, message: `${expected}; "${entry.slice(0, 40)}" is not a number.` };

  const written = typedUnit(match[3]!.trim());
  const shown = value * unit.factor + (unit.offset ?? 0);
  if (written === '') return ok(shown, kind, system);
  if (kind === 'temperature') {
    if (/^(°|deg)?\s*c$/i.test(written)) return ok(value, kind, system);
    if (/^(°|deg)?\s*f$/i.test(written)) return ok(((value - 32) * 5) / 9, kind, system);
    return { ok: false, message: `${expected}; "${written.slice(0, 20)}" is neither °C nor °F.` };
  }
  if (written === typedUnit(unit.label)) return ok(shown, kind, system);
  const spelled =
    SPELLINGS.find(
      ([pattern, to]) => pattern.test(written) && (to !== 'oz/yd2' || AREAL.has(kind) || /\//.test(written)),
    )?.[1] ?? written;
  if (si === 'kn' && spelled === 'kn') return ok(value, kind, system);
  if (si === '°' && spelled === '°') return ok(value, kind, system);
  if (kind === 'fraction' && spelled === '%') return ok(value / 100, kind, system);
  try {
    const thousands = THOUSANDS_OF_PSI[spelled.toLowerCase()];
    const quantity = thousands === undefined ? Qty(value, spelled) : Qty(value * thousands, 'psi');
    const target = SPELLED_OTHERWISE[si] ?? si;
    if (!target || !quantity.isCompatible(target))
      return { ok: false, message: `${expected}; "${written}" does not measure that.` };
    return ok(quantity.to(target).scalar, kind, system);
  } catch {
    return { ok: false, message: `${expected}; the unit "${written.slice(0, 20)}" is not known here.` };
  }
}
