'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { rectangle, STOCK_KINDS, type StockKind, type StockLine, type StockLot } from '@/core/kit';
import type { Material } from '@/core/material';
import { formatNumber } from '@/core/quantity';
import { Choice } from '../shared/Choice';
import { day, moment } from '../shared/dates';
import { QuantityField } from '../shared/QuantityField';
import { Refusal } from '../shared/Refusal';
import { TextField } from '../shared/TextField';
import { useUnits } from '../shared/units';
import { newStockId, useStock } from '../shared/useStock';

const KINDS_OF: Partial<Record<Material['kind'], readonly StockKind[]>> = {
  fabric: ['roll', 'offcut'],
  core: ['sheet', 'offcut'],
  resin: ['can'],
  coating: ['can'],
  adhesive: ['can'],
};
/** Whether a material is kept in lots. */
export const isStocked = (material: Material): boolean => material.kind in KINDS_OF;

const isPast = (expires: string | null) => expires !== null && expires < new Date().toISOString().slice(0, 10);

/** What lies in the store of a material: rolls, sheets, offcuts, cans, each with its movements. */
export function MaterialStock({ material }: { material: Material }) {
  const { stock, book } = useStock(material.id);
  const { full } = useUnits();
  const [open, setOpen] = useState<'in' | string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  if (!stock) return null;
  const there = stock.filter(({ left }) => left > 0);
  const saidSize = ({ kind, width, length, outline }: StockLine) => {
    if (kind === 'offcut' && outline) {
      const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)];
      const span = (of: readonly number[]) => full(Math.max(...of) - Math.min(...of), 'length');
      return `${span(xs)} × ${span(ys)}`;
    }
    return [width, length].flatMap((size) => (size === null ? [] : [full(size, 'length')])).join(' × ');
  };
  const send = async (booking: Parameters<typeof book>[0]) => {
    const said = await book(booking);
    setRefusal(said);
    if (said === null) setOpen(null);
  };
  return (
    <section className="mb-2" aria-label={`In the store: ${material.name}`}>
      <div className="d-flex gap-2 align-items-center mb-1">
        <h3 className="mb-0">In the store</h3>
        <Button size="sm" variant="outline-primary" onClick={() => setOpen(open === 'in' ? null : 'in')}>
          Bring in
        </Button>
      </div>
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      {open === 'in' && <BringIn material={material} onBook={send} onLeave={() => setOpen(null)} />}
      {there.length === 0 && <p className="soft mb-1">Nothing of it lies in the store.</p>}
      <ul className="list-unstyled mb-0">
        {there.map((line) => (
          <li key={line.id} className="mb-1">
            <button
              type="button"
              className="btn btn-link btn-sm p-0 text-start"
              aria-expanded={open === line.id}
              onClick={() => setOpen(open === line.id ? null : line.id)}
            >
              {STOCK_KINDS[line.kind].name} {line.lot}
            </button>{' '}
            {saidSize(line)}
            {line.kind !== 'offcut' && `, ${formatNumber(line.left, 1)} ${STOCK_KINDS[line.kind].unit} left`}
            {line.place && `, ${line.place}`}
            {line.expires && (
              <span className={isPast(line.expires) ? 'verdict fails ms-1' : 'soft'}>
                {isPast(line.expires) ? `✕ past ${day(line.expires)}` : `, until ${day(line.expires)}`}
              </span>
            )}
            {open === line.id && <Moves line={line} onBook={send} />}
          </li>
        ))}
      </ul>
    </section>
  );
}

type Send = (booking: Parameters<ReturnType<typeof useStock>['book']>[0]) => Promise<void>;

/** A lot's movements, and one more. */
function Moves({ line, onBook }: { line: StockLine; onBook: Send }) {
  const [amount, setAmount] = useState<number | null>(null);
  const [reason, setReason] = useState('');
  const [id] = useState(newStockId);
  const { unit } = STOCK_KINDS[line.kind];
  return (
    <div className="ps-3">
      <ul className="small mb-1">
        {line.moves.map((move) => (
          <li key={move.id}>
            {move.amount > 0 ? '+' : '−'}
            {formatNumber(Math.abs(move.amount), 2)} {unit}: {move.reason}{' '}
            <span className="soft">
              {move.author || 'somebody'}, {moment(move.at)}
            </span>
          </li>
        ))}
      </ul>
      <div className="d-flex gap-2 align-items-end flex-wrap">
        <div className="narrow-field">
          <QuantityField
            label={`Comes (+) or goes (−), ${unit}`}
            kind="ratio"
            value={amount}
            minimum={-1e5}
            maximum={1e5}
            optional
            onCommit={setAmount}
          />
        </div>
        <TextField
          label="Why"
          value={reason}
          maximum={200}
          onCommit={(text) => {
            setReason(text);
            return undefined;
          }}
        />
        <Button
          size="sm"
          disabled={!amount || reason === ''}
          onClick={() => void onBook({ lots: [], moves: [{ id, lotId: line.id, amount: amount!, reason }] })}
        >
          Book it
        </Button>
      </div>
    </div>
  );
}

/** A delivery, or an offcut that was found. */
function BringIn({ material, onBook, onLeave }: { material: Material; onBook: Send; onLeave: () => void }) {
  const kinds = KINDS_OF[material.kind]!;
  const usualWidth = material.kind === 'fabric' ? material.width.value : null;
  const usualLength = material.kind === 'fabric' ? material.rollLength.value : 1;
  const [ids] = useState(() => ({ lot: newStockId(), move: newStockId() }));
  const [kind, setKind] = useState<StockKind>(kinds[0]!);
  const [amount, setAmount] = useState<number>(usualLength);
  const [size, setSize] = useState<{ width: number | null; length: number | null }>({
    width: usualWidth,
    length: null,
  });
  const [words, setWords] = useState({ lot: '', place: '' });
  const [price, setPrice] = useState<number | null>(null);
  const [expires, setExpires] = useState('');
  const isOffcut = kind === 'offcut';
  const lot: StockLot = {
    id: ids.lot,
    material: material.id,
    kind,
    ...words,
    width: isOffcut ? null : size.width,
    length: kind === 'sheet' ? size.length : null,
    outline: isOffcut ? rectangle(size.width ?? 0, size.length ?? 0) : null,
    price,
    expires: expires === '' ? null : expires,
  };
  const sized = (label: string, key: 'width' | 'length') => (
    <div className="narrow-field">
      <QuantityField
        label={label}
        kind="length"
        value={size[key]}
        minimum={0.02}
        maximum={12}
        optional
        onCommit={(value) => setSize({ ...size, [key]: value })}
      />
    </div>
  );
  const word = (label: string, key: 'lot' | 'place') => (
    <TextField
      label={label}
      value={words[key]}
      maximum={60}
      onCommit={(text) => {
        setWords({ ...words, [key]: text });
        return undefined;
      }}
    />
  );
  return (
    <div className="d-flex gap-2 align-items-end flex-wrap mb-2">
      <Choice
        label="Kind"
        value={kind}
        options={Object.fromEntries(kinds.map((one) => [one, STOCK_KINDS[one].name])) as Record<StockKind, string>}
        onChoose={setKind}
      />
      {!isOffcut && (
        <div className="narrow-field">
          <QuantityField
            label={`How much, ${STOCK_KINDS[kind].unit}`}
            kind="ratio"
            value={amount}
            minimum={0.01}
            maximum={1e5}
            onCommit={(value) => setAmount(value!)}
          />
        </div>
      )}
      {kind !== 'can' && sized(isOffcut ? 'Across the cloth' : 'Width', 'width')}
      {(isOffcut || kind === 'sheet') && sized(isOffcut ? 'Along its warp' : 'Length', 'length')}
      {word('Lot', 'lot')}
      {word('Place', 'place')}
      <div className="narrow-field">
        <QuantityField
          label={`Price of a ${STOCK_KINDS[kind].unit}`}
          kind="ratio"
          value={price}
          minimum={0}
          maximum={1e6}
          optional
          onCommit={setPrice}
        />
      </div>
      <Form.Group controlId="stock-expires">
        <Form.Label className="mb-0">Use until</Form.Label>
        <Form.Control size="sm" type="date" value={expires} onChange={(event) => setExpires(event.target.value)} />
      </Form.Group>
      <Button
        size="sm"
        disabled={isOffcut && (!size.width || !size.length)}
        onClick={() =>
          void onBook({
            lots: [lot],
            moves: [
              {
                id: ids.move,
                lotId: ids.lot,
                amount: isOffcut ? 1 : amount,
                reason: isOffcut ? 'offcut kept' : 'brought in',
              },
            ],
          })
        }
      >
        Book it in
      </Button>
      <Button size="sm" variant="outline-primary" onClick={onLeave}>
        Leave it
      </Button>
    </div>
  );
}
