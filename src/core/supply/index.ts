/** Supplier lists: whatever their heads, units and words. */
export { guessKind, guessMapping, isListHead, listColumns, type ListColumn } from './columns';
export { readList, type ListRow, type Reading } from './readList';
export { currencyOf, guessUnit, isUnit, LIST_UNITS, PRICE_BASES, priceBasisOf, TRADE_OUNCES } from './units';
