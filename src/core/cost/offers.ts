import { z } from 'zod';
import { bounded, choice, noted, text } from '../field';
import type { Material } from '../material';

/** What a price is for. */
export const PRICED_BY = {
  weight: 'a kilogram',
  area: 'a square metre',
  length: 'a metre off the roll',
  roll: 'a whole roll',
  piece: 'a sheet or piece',
  volume: 'a cubic metre',
} as const;
export type PricedBy = keyof typeof PRICED_BY;

/** What a supplier asks for a material; one a material. */
export const offerSchema = z.strictObject({
  material: z.string().min(1).max(60),
  supplier: text('Supplier', 80),
  by: choice('Price of', PRICED_BY),
  price: bounded('Price', [0, 1e7], '', { quantity: 'money' }),
  currency: text('Currency', 8),
  /** Day of the offer. */
  date: z.iso.date('A day is wanted: 2026-11-29'),
  /** From so many of the unit on, another price. */
  breaks: noted(
    z
      .array(
        z.strictObject({
          from: bounded('From', [0, 1e7]),
          price: bounded('Price', [0, 1e7], '', { quantity: 'money' }),
        }),
      )
      .max(8),
    { label: 'Price breaks' },
  ),
  /** Cut away of this one (share); null as is usual. */
  waste: bounded('Cut away', [0, 2], '', { hint: 'share; empty: as usual' }).nullable(),
  /** Roll or sheet: width and length (m); of a piece its area. */
  width: bounded('Width', [0.01, 10], 'm').nullable(),
  length: bounded('Length', [0.01, 5000], 'm').nullable(),
});
export type Offer = z.infer<typeof offerSchema>;

/** The yard's price list. */
export const priceListSchema = z.strictObject({ offers: z.array(offerSchema).max(2000) });
export type PriceList = z.infer<typeof priceListSchema>;

/** A price that lasts no longer than this is looked at again (days). */
export const OFFER_LASTS = 365;

/** How much of a material is bought: as laid, with what is cut away. */
export interface Need {
  material: Material;
  /** m²; null of what goes by mass alone. */
  area: number | null;
  /** kg. */
  mass: number;
  /** m; null of a fabric. */
  thickness: number | null;
}

const valueOf = (figure: { value: number } | number | null | undefined): number | null =>
  typeof figure === 'object' ? (figure?.value ?? null) : (figure ?? null);

/** How many of the unit of an offer a need is; null where the offer does not tell. */
export function unitsOf(offer: Pick<Offer, 'by' | 'width' | 'length'>, need: Need): number | null {
  const { material, area, mass, thickness } = need;
  const roll = material.kind === 'fabric' ? material : null;
  const width = offer.width ?? valueOf(roll?.width);
  const length = offer.length ?? valueOf(roll?.rollLength);
  switch (offer.by) {
    case 'weight':
      return mass;
    case 'area':
      return area;
    case 'volume':
      return area !== null && thickness !== null ? area * thickness : null;
    case 'length':
      return area !== null && width ? area / width : null;
    case 'roll':
    case 'piece':
      return area !== null && width && length ? area / (width * length) : null;
  }
}

/**
 * The price of one unit when so many are bought.
 * @example breakPrice({ price: 5, breaks: [{ from: 10, price: 4 }] }, 12) // 4
 */
export const breakPrice = ({ price, breaks }: Pick<Offer, 'price' | 'breaks'>, units: number): number =>
  breaks.reduce((best, step) => (units >= step.from && step.from > best.from ? step : best), { from: 0, price }).price;
