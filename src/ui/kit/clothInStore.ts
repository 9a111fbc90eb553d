import type { Cloth, StockLine } from '@/core/kit';

/** What of the store can be cut from: offcuts first, the smallest first, then rolls. */
export const clothIn = (stock: readonly StockLine[]): Cloth[] => {
  const today = new Date().toISOString().slice(0, 10);
  const there = stock.filter(({ left, expires }) => left > 0 && (expires === null || expires >= today));
  const offcuts = there.filter(({ kind }) => kind === 'offcut');
  const rolls = there.filter(({ kind }) => kind === 'roll').sort((a, b) => a.left - b.left);
  return [
    ...offcuts.map(({ id, lot, outline }): Cloth => ({ id, name: `offcut ${lot}`, length: null, outline })),
    ...rolls.map(({ id, lot, left }): Cloth => ({ id, name: `roll ${lot || id}`, length: left, outline: null })),
  ];
};

/** What of it lies in the store, in words. */
export function saidStock(stock: readonly StockLine[] | null, full: (value: number, kind: 'length') => string): string {
  if (!stock) return 'looking into the store';
  const cloth = clothIn(stock);
  const rolls = cloth.filter(({ outline }) => outline === null);
  const offcuts = cloth.length - rolls.length;
  if (cloth.length === 0) return 'none of it lies in the store, so new rolls are taken';
  const metres = rolls.reduce((sum, { length }) => sum + (length ?? 0), 0);
  return `in the store ${full(metres, 'length')} on ${rolls.length} rolls and ${offcuts} offcuts`;
}
