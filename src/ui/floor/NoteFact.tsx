'use client';
import { nanoid } from 'nanoid';
import { useId, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { MOULD_EVENTS, TOOL_EVENTS } from '@/core/shop';
import { api, textOf } from '../shared/api';
import { NotTaken } from './NotTaken';

const KINDS = {
  mould: { name: 'mould', events: MOULD_EVENTS, counts: 'How many', amount: 'count' },
  tool: { name: 'tool', events: TOOL_EVENTS, counts: null, amount: '' },
  counted: { name: 'consumable', events: null, counts: 'On the shelf', amount: 'amount' },
} as const;
const today = () => new Date().toLocaleDateString('sv-SE');

/** Write down what happened in the shop: the last one can be taken back as long as the page stands. */
export function NoteFact({
  kind,
  names,
  label,
  onKept,
}: {
  kind: keyof typeof KINDS;
  /** Those that are known, to choose from. */
  names: readonly string[];
  label: string;
  onKept: () => void;
}) {
  const listId = useId();
  const { name: key, events, counts, amount: amountKey } = KINDS[kind];
  const [name, setName] = useState('');
  const [what, setWhat] = useState(events ? Object.keys(events)[0]! : '');
  const [amount, setAmount] = useState('1');
  const [on, setOn] = useState(today);
  const [note, setNote] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  const [last, setLast] = useState<object | null>(null);
  const number = Number(amount.replace(',', '.'));
  const send = async (fact: object) => {
    setRefusal(null);
    try {
      await api('POST', '/api/shop', fact);
      onKept();
      return true;
    } catch (error) {
      setRefusal(textOf(error));
      return false;
    }
  };
  const keep = async () => {
    const body = { [key]: name.trim(), ...(events && { what }), ...(counts && { [amountKey]: number }), on, note };
    const fact = { id: nanoid(12), corrects: null, void: false, kind, body };
    if (!(await send(fact))) return;
    setLast(fact);
    setName('');
    setNote('');
  };
  const back = async () => {
    const taken = last as { id: string };
    if (await send({ ...last, id: nanoid(12), corrects: taken.id, void: true })) setLast(null);
  };
  return (
    <Form
      className="note-fact"
      aria-label={`Write down: ${label}`}
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <Form.Control
        size="sm"
        aria-label={label}
        placeholder={label}
        list={listId}
        value={name}
        maxLength={60}
        onChange={(event) => setName(event.target.value)}
      />
      <datalist id={listId}>
        {names.map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
      {events && (
        <Form.Select
          size="sm"
          aria-label={`What happened: ${label}`}
          value={what}
          onChange={(event) => setWhat(event.target.value)}
        >
          {Object.entries(events).map(([id, words]) => (
            <option key={id} value={id}>
              {words}
            </option>
          ))}
        </Form.Select>
      )}
      {counts && (
        <Form.Control
          size="sm"
          className="num"
          inputMode="decimal"
          aria-label={`${counts}: ${label}`}
          value={amount}
          onChange={(event) => setAmount(event.target.value)}
        />
      )}
      <Form.Control
        size="sm"
        type="date"
        aria-label={`Day: ${label}`}
        value={on}
        onChange={(event) => setOn(event.target.value)}
      />
      <Form.Control
        size="sm"
        aria-label={`Note: ${label}`}
        placeholder="Note"
        value={note}
        maxLength={300}
        onChange={(event) => setNote(event.target.value)}
      />
      <Button size="sm" type="submit" disabled={name.trim() === '' || (counts !== null && !(number >= 0))}>
        Write it down
      </Button>
      {last && (
        <Button size="sm" variant="outline-primary" onClick={() => void back()}>
          Take it back
        </Button>
      )}
      <NotTaken text={refusal} />
    </Form>
  );
}
