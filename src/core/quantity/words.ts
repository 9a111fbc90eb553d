import { formatQuantity, inUnit } from './format';
import { displayUnit, QUANTITIES, type QuantityKind, type UnitSystem } from './units';

/**
 * A quantity inside a sentence, in SI, left open for the units of the reader; {@link wordsIn} puts them in.
 *
 * @param most where a range is meant: from `value` to `most`
 * @example wordsIn(`Lap ${said(0.025, 'shortLength', 0.05)}`, 'metric') // 'Lap 25 to 50 mm'
 */
export const said = (value: number, kind: QuantityKind, most?: number): string =>
  `{{${kind} ${value}${most === undefined ? '' : ` ${most}`}}}`;

/** A length as it is said at the bench: tenths of a millimetre where it is thin. */
export const saidLength = (metres: number, most?: number): string =>
  said(metres, Math.abs(most ?? metres) < 0.01 ? 'thickness' : 'shortLength', most);

/** A limit inside a sentence: said to six digits, so that what is allowed is not rounded away. */
export const saidExactly = (value: number, kind: QuantityKind): string => `{{${kind}! ${value}}}`;

/** A sentence with its quantities in the units of a system. What is no quantity stands as it is. */
export function wordsIn(text: string, system: UnitSystem): string {
  return text.replace(
    /\{\{(\w+)(!?) (\S+?)(?: (\S+?))?\}\}/g,
    (whole, ...found: [kind: string, exactly: string, value: string, most: string | undefined]) => {
      const [kind, exactly, value, most] = found;
      // Somebody may have called a layer just that.
      if (!Object.hasOwn(QUANTITIES, kind)) return whole;
      const known = kind as QuantityKind;
      const figures = [value, ...(most === undefined ? [] : [most])].map((figure) =>
        exactly
          ? String(Number(inUnit(Number(figure), known, system).toPrecision(6))).replace('-', '−')
          : trimmed(formatQuantity(Number(figure), known, system)),
      );
      const { label } = displayUnit(known, system);
      return `${figures.join(' to ')}${label === '' || label === '%' || label === '°' ? '' : ' '}${label}`;
    },
  );
}

const trimmed = (figure: string) => (figure.includes('.') ? figure.replace(/\.?0+$/, '') : figure);
