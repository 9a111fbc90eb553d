/** Which sign parts the whole from the fraction in the numbers of a file. */
export type DecimalSign = '.' | ',';

/** A number, perhaps with signs of money before it and a unit behind it. */
const NUMBER = /^([^\d.,+−-]{0,5}?)([+−-]?\d[\d.,'’\u00a0\u202f ]*)(.*)$/s;
const GROUPS = /['’\u00a0\u202f ]/g;

/** The pieces of a cell that starts with a number; null for any other. */
function piecesOf(cell: string): { before: string; digits: string; unit: string } | null {
  const match = NUMBER.exec(cell.trim());
  if (!match) return null;
  const digits = match[2]!.trim();
  // '1 1/2 in' and '3/4 oz' are fractions, and '600/300' or '2-7-4' is more than one number.
  if (/^\s*[/-]\s*\d/.test(match[3]!)) return null;
  return { before: match[1]!.trim(), digits, unit: match[3]!.trim() };
}

/** What a number says of the decimal sign: the later of two different ones, or one that parts no thousands. */
function saysOf(digits: string): DecimalSign | null {
  const text = digits.replace(GROUPS, '');
  const [point, comma] = [text.lastIndexOf('.'), text.lastIndexOf(',')];
  if (point >= 0 && comma >= 0) return point > comma ? '.' : ',';
  if (point < 0 && comma < 0) return null;
  const sign: DecimalSign = point >= 0 ? '.' : ',';
  const [whole = '', ...groups] = text.replace(/^[+−-]/, '').split(sign);
  if (groups.length > 1) return sign === '.' ? ',' : '.';
  // "1,200" may be either; "0,125" and "1200,500" are no thousands.
  return groups[0]!.length === 3 && /^[1-9]\d{0,2}$/.test(whole) ? null : sign;
}

/**
 * The decimal sign of a table, by the numbers that leave no doubt; a point where none does.
 * @example decimalSign([['Roving', '1.200', '3,85']]) // ','
 */
export function decimalSign(rows: readonly (readonly string[])[]): DecimalSign {
  let commas = 0;
  for (const row of rows)
    for (const cell of row) {
      const says = saysOf(piecesOf(cell)?.digits ?? '');
      if (says !== null) commas += says === ',' ? 1 : -1;
    }
  return commas > 0 ? ',' : '.';
}

/**
 * A cell with its number written plainly: a decimal point, no thousands, no sign of money in front; anything that
 * holds no single number comes back as it is.
 * @example numberText('€ 1.200,50 /kg', ',') // '1200.50 /kg'
 */
export function numberText(cell: string, decimal: DecimalSign): string {
  const pieces = piecesOf(cell);
  if (!pieces) return cell.trim();
  const thousands = decimal === '.' ? ',' : '.';
  const digits = pieces.digits.replace(GROUPS, '').replaceAll(thousands, '').replace(decimal, '.').replace('−', '-');
  return `${digits}${pieces.unit && ` ${pieces.unit}`}`;
}
