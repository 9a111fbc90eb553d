'use client';
import { useQueryClient } from '@tanstack/react-query';
import { nanoid } from 'nanoid';
import Link from 'next/link';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import { MEASURED, type ChannelState, type InstrumentsNow } from '@/core/instrument';
import { api, textOf } from '../shared/api';
import { Frame } from '../shared/Frame';
import { useChannelWords, useInstruments } from '../shared/instruments';
import { PersonField } from '../shared/PersonField';
import { Refusal } from '../shared/Refusal';
import { useWho } from '../shared/who';
import { TracesCard } from './TracesCard';

const STATES: Record<ChannelState, { word: string; className: string }> = {
  steady: { word: '✓ steady', className: 'meets' },
  moving: { word: '○ moving', className: '' },
  stale: { word: '✕ silent', className: 'fails' },
  over: { word: '✕ out of range', className: 'fails' },
  stuck: { word: '✕ stuck', className: 'fails' },
  silent: { word: '○ nothing yet', className: '' },
  error: { word: '✕ out of order', className: 'fails' },
};

/** What every instrument says now, how old that is, whether it may be taken, until when it is calibrated. */
export function InstrumentsScreen({ initial, today }: { initial: InstrumentsNow; today: string }) {
  const now = useInstruments() ?? initial;
  const { may } = useWho();
  const { listening, trouble, unknown, channels } = now;
  return (
    <Frame
      head={
        <>
          <h1>Instruments</h1>
          <Link href="/log">The log</Link>
          <span className="spacer" />
          <PersonField />
        </>
      }
    >
      <p className="question">What do they say, and may it be taken?</p>
      <p>
        {listening ? `Listening at ${listening.host}, port ${listening.port}.` : 'Not listening.'}{' '}
        {trouble && <span className="verdict thin">△ {trouble}</span>}{' '}
        {unknown.times > 0 && `${unknown.times} lines named no instrument (${unknown.why}).`} The line they speak is
        described in the documents; the simulated shop is <code>keramos bench</code>.
      </p>
      <Card body className="mb-3">
        {channels.length === 0 ? <p className="mb-0">None has spoken yet.</p> : <Channels channels={channels} />}
      </Card>
      {may('measure') && <Calibrate ids={[...new Set(channels.map(({ id }) => id))]} today={today} />}
      <TracesCard channels={channels} />
    </Frame>
  );
}

function Channels({ channels }: Pick<InstrumentsNow, 'channels'>) {
  const say = useChannelWords();
  return (
    <table className="table table-sm mb-0" aria-label="Instruments">
      <thead>
        <tr>
          <th scope="col">Instrument</th>
          <th scope="col">Reads</th>
          <th scope="col" className="num">
            Says
          </th>
          <th scope="col" className="num">
            Age
          </th>
          <th scope="col">State</th>
          <th scope="col">Calibrated until</th>
        </tr>
      </thead>
      <tbody>
        {channels.map((channel) => {
          const { word, className } = STATES[channel.state];
          const { refused, passed } = channel;
          return (
            <tr key={channel.key}>
              <th scope="row" className="fw-normal">
                {channel.name || channel.id} <span className="soft">{channel.name && channel.id}</span>
              </th>
              <td>{MEASURED[channel.quantity].name}</td>
              <td className="num">{say(channel)}</td>
              <td className="num">{channel.ageMs === null ? '–' : `${(channel.ageMs / 1000).toFixed(1)} s`}</td>
              <td>
                <span className={`verdict ${className}`}>{word}</span>{' '}
                <span className="soft small">
                  {channel.why}
                  {refused && ` · ${refused.times} lines refused, the last: ${refused.why}`}
                  {passed > 0 && ` · ${passed} too close together`}
                </span>
              </td>
              <td>
                {channel.due ?? 'not written down'}{' '}
                {channel.isOverdue && <span className="verdict fails">✕ overdue</span>}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** When an instrument was calibrated, and until when that holds. */
function Calibrate({ ids, today }: { ids: string[]; today: string }) {
  const client = useQueryClient();
  const [instrument, setInstrument] = useState('');
  const [on, setOn] = useState(today);
  const [due, setDue] = useState(`${Number(today.slice(0, 4)) + 1}${today.slice(4)}`);
  const [note, setNote] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  const keep = async () => {
    try {
      const body = { instrument: instrument.trim(), on, due, note };
      await api('POST', '/api/shop', { id: nanoid(12), corrects: null, void: false, kind: 'calibration', body });
      setInstrument('');
      setNote('');
      setRefusal(null);
      void client.invalidateQueries({ queryKey: ['instruments'] });
    } catch (error) {
      setRefusal(textOf(error));
    }
  };
  return (
    <Card body className="mb-3">
      <h2>Calibrated</h2>
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      <Form
        className="note-fact"
        aria-label="Calibrated"
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <Form.Control
          size="sm"
          list="instruments-known"
          aria-label="Instrument that was calibrated"
          placeholder="Instrument"
          value={instrument}
          maxLength={60}
          onChange={(event) => setInstrument(event.target.value)}
        />
        <datalist id="instruments-known">
          {ids.map((id) => (
            <option key={id} value={id} />
          ))}
        </datalist>
        <Form.Control
          size="sm"
          type="date"
          aria-label="Calibrated on"
          value={on}
          onChange={(event) => setOn(event.target.value)}
        />
        <Form.Control
          size="sm"
          type="date"
          aria-label="Holds until"
          value={due}
          onChange={(event) => setDue(event.target.value)}
        />
        <Form.Control
          size="sm"
          aria-label="By whom, against what"
          placeholder="By whom, against what"
          value={note}
          maxLength={300}
          onChange={(event) => setNote(event.target.value)}
        />
        <Button size="sm" type="submit" disabled={instrument.trim() === ''}>
          Write it down
        </Button>
      </Form>
    </Card>
  );
}
