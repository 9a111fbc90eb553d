import { RowRefusal } from '../material';

/** What a price may have to be divided by; SI, null where the row does not say. */
export interface Sold {
  /** Mass of a square metre as it is sold, kg/m². */
  arealWeight: number | null;
  /** Roll or sheet width and length, m. */
  width: number | null;
  length: number | null;
  rollWeight: number | null;
  /** kg/m³ and m, of what is sold by volume or by the sheet. */
  density: number | null;
  thickness: number | null;
}

const POUND = 0.45359237;
const YARD = 0.9144;
const FOOT = 0.3048;

/**
 * A price in money per kilogram.
 *
 * Fabrics are sold by the kilogram, by the square or running metre, by the roll; resin by the litre; cores by the
 * square metre, the sheet or the cubic metre, whose price per kilogram times the density is that of a cubic metre.
 *
 * @param price money for one `basis`, such as 'per m²'.
 * @throws RowRefusal that says what the row would have to tell.
 * @example perKilogram(3, 'per m²', { ...nothing, arealWeight: 0.6 }) // 5
 */
export function perKilogram(price: number, basis: string, sold: Sold): number {
  const need = (value: number | null, what: string): number => {
    if (value === null || value <= 0) throw new RowRefusal('price', `A price ${basis} needs ${what}`);
    return value;
  };
  const squareMetre = () =>
    sold.arealWeight ?? need(sold.density, 'its density') * need(sold.thickness, 'one thickness of sheet');
  const width = () => need(sold.width, 'its width');
  const length = () => need(sold.length, 'its length');
  switch (basis) {
    case 'per kg':
      return price;
    case 'per lb':
      return price / POUND;
    case 'per m²':
      return price / squareMetre();
    case 'per yd²':
      return price / (squareMetre() * YARD ** 2);
    case 'per ft²':
      return price / (squareMetre() * FOOT ** 2);
    case 'per m':
      return price / (squareMetre() * width());
    case 'per yd':
      return price / (squareMetre() * width() * YARD);
    case 'per roll':
      return price / (sold.rollWeight ?? squareMetre() * width() * length());
    case 'per sheet':
      return price / (squareMetre() * width() * length());
    case 'per m³':
      return price / need(sold.density, 'its density');
    case 'per litre':
      return price / (need(sold.density, 'its density') * 1e-3);
    default:
      throw new RowRefusal('price', `"${basis}" is nothing a price can be for`);
  }
}
