'use client';
import { useState } from 'react';
import { Button, Card } from 'react-bootstrap';
import type { Board, StockBooking, StockLine } from '@/core/kit';
import { Refusal } from '../shared/Refusal';
import { newStockId, useStock } from '../shared/useStock';
import type { CutFor } from './cuttables';

/** Sheets that may be sawn, the oldest first. */
function sheetsIn(stock: readonly StockLine[]): StockLine[] {
  const today = new Date().toISOString().slice(0, 10);
  return stock.filter(
    ({ kind, left, expires }) => kind === 'sheet' && left > 0 && (expires === null || expires >= today),
  );
}

/** Whole sheets taken lot by lot. */
function bookingOf(lots: readonly StockLine[], count: number, cutFor: CutFor, ids: readonly string[]): StockBooking {
  let left = count;
  const moves = lots.flatMap(({ id: lotId, left: there }, i) => {
    const amount = Math.min(left, Math.floor(there + 1e-9));
    left -= amount;
    return amount > 0 ? [{ id: ids[i]!, lotId, amount: -amount, reason: `sawn for ${cutFor.name}` }] : [];
  });
  return { ...(cutFor.kitId !== null && { kitId: cutFor.kitId }), lots: [], moves };
}

/** Books the sheets once they are sawn; what has to be bought first stands in the way, and says so. */
export function BookSheets({ board, count, cutFor }: { board: Board; count: number; cutFor: CutFor }) {
  const { stock, book } = useStock(board.id);
  const [ids] = useState(() => Array.from({ length: 40 }, newStockId));
  const [refusal, setRefusal] = useState<string | null>(null);
  const [state, setState] = useState<'open' | 'busy' | 'booked'>('open');
  if (!stock) return null;
  const lots = sheetsIn(stock).slice(0, ids.length);
  const there = lots.reduce((sum, { left }) => sum + Math.floor(left + 1e-9), 0);
  const missing = state === 'booked' ? 0 : count - there;
  const act = async () => {
    setState('busy');
    const said = await book(bookingOf(lots, count, cutFor, ids));
    setRefusal(said);
    setState(said === null ? 'booked' : 'open');
  };
  return (
    <Card body className="mb-3 d-print-none">
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      {state === 'booked' ? (
        <p className="mb-0" role="status">
          ✓ Booked: {count} {count === 1 ? 'sheet is' : 'sheets are'} taken from the store.
        </p>
      ) : (
        <div className="d-flex gap-3 align-items-center flex-wrap">
          <p className="mb-0 me-auto">
            {missing > 0
              ? `△ ${missing} of the ${count} sheets are not in the store: bring them in on the Shelf.`
              : `All ${count} sheets lie in the store.`}
          </p>
          <Button size="sm" disabled={state === 'busy' || missing > 0} onClick={() => void act()}>
            It is sawn: book it
          </Button>
        </div>
      )}
    </Card>
  );
}
