'use client';
import { useState } from 'react';
import { Button, Card } from 'react-bootstrap';
import { rectangle, type CutWay, type StockBooking } from '@/core/kit';
import type { Fabric } from '@/core/material';
import { Refusal } from '../shared/Refusal';
import { useUnits } from '../shared/units';
import type { CutFor } from './cuttables';
import { newStockId, type useStock } from '../shared/useStock';

/** The booking of a cut: rolls taken from, offcuts used up, what is left kept with its shape. All of it or nothing. */
function bookingOf(way: CutWay, fabric: Fabric, cutFor: CutFor, ids: readonly string[]): StockBooking {
  const next = [...ids];
  const id = () => next.pop()!;
  const reason = `cut for ${cutFor.name}`;
  const moves = way.cloth
    .filter(({ bought }) => !bought)
    .map(({ id: lotId, taken, outline }) => ({ id: id(), lotId, amount: outline ? -1 : -taken, reason }));
  const kept = way.offcuts.map(({ from, width, length }) => ({
    lot: {
      id: id(),
      material: fabric.id,
      kind: 'offcut' as const,
      lot: `from ${from}`.slice(0, 60),
      place: '',
      width: null,
      length: null,
      outline: rectangle(width, length),
      price: null,
      expires: null,
    },
    move: id(),
  }));
  return {
    ...(cutFor.kitId !== null && { kitId: cutFor.kitId }),
    lots: kept.map(({ lot }) => lot),
    moves: [
      ...moves,
      ...kept.map(({ lot, move }) => ({ id: move, lotId: lot.id, amount: 1, reason: `left of what was ${reason}` })),
    ],
  };
}

/** Books the stock once a fabric is cut; what has to be bought first stands in the way, and says so. */
export function BookCut({
  way,
  fabric,
  cutFor,
  booked,
  onBooked,
  onBook,
}: {
  way: CutWay;
  fabric: Fabric;
  cutFor: CutFor;
  /** Whether this lay, or another way of it, was booked. */
  booked: boolean;
  onBooked: () => void;
  onBook: ReturnType<typeof useStock>['book'];
}) {
  const { full } = useUnits();
  const [refusal, setRefusal] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  // The same booking sent twice, by an answer that was lost, is booked once.
  const [ids] = useState(() => Array.from({ length: way.cloth.length + 2 * way.offcuts.length }, newStockId));
  const missing = way.cloth.filter(({ bought }) => bought);
  const metres = missing.reduce((sum, { taken }) => sum + taken, 0);
  const book = async () => {
    setBusy(true);
    const said = await onBook(bookingOf(way, fabric, cutFor, ids));
    setRefusal(said);
    setBusy(false);
    if (said === null) onBooked();
  };
  return (
    <Card body className="mb-3 d-print-none">
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      {booked ? (
        <p className="mb-0" role="status">
          ✓ Booked: rolls and offcuts are taken from the store, and what is left is in it.
        </p>
      ) : (
        <div className="d-flex gap-3 align-items-center flex-wrap">
          {missing.length > 0 ? (
            <p className="mb-0 me-auto">
              △ {full(metres, 'length')} of {fabric.code} is not in the store: buy {missing.length}{' '}
              {missing.length === 1 ? 'roll' : 'rolls'}, bring {missing.length === 1 ? 'it' : 'them'} in on the Shelf,
              and lay it out again.
            </p>
          ) : (
            <p className="mb-0 me-auto">All of it lies in the store.</p>
          )}
          <Button size="sm" disabled={busy || missing.length > 0} onClick={() => void book()}>
            It is cut: book it
          </Button>
        </div>
      )}
    </Card>
  );
}
