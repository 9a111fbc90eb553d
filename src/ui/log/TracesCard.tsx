'use client';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import type { ChartConfiguration } from 'chart.js';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import { MEASURED, type InstrumentsNow, type MeasuredQuantity } from '@/core/instrument';
import { displayUnit } from '@/core/quantity';
import { api, textOf } from '../shared/api';
import { Chart } from '../shared/charts/Chart';
import { Moment } from '../shared/Moment';
import { PALETTE } from '../shared/palette';
import { Refusal } from '../shared/Refusal';
import { useUnits } from '../shared/units';
import { useWho } from '../shared/who';

interface Trace {
  id: string;
  part: string;
  channel: string;
  quantity: MeasuredQuantity;
  name: string;
  begunAt: string;
  endedAt: string | null;
  count: number;
}
interface Stretch {
  from: number;
  to: number;
  least: number;
  most: number;
}

/** What instruments read over hours, of one hull or of all: begun, ended, drawn, exported. */
export function TracesCard({ channels, build = null }: Pick<InstrumentsNow, 'channels'> & { build?: string | null }) {
  const client = useQueryClient();
  const { may } = useWho();
  const key = ['traces', build];
  const [name, setName] = useState('');
  const [channel, setChannel] = useState('');
  const [open, setOpen] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const { data: traces = [] } = useQuery({
    queryKey: key,
    queryFn: () => api<Trace[]>('GET', build === null ? '/api/traces' : `/api/traces?build=${build}`),
    refetchInterval: 10_000,
  });
  const chosen = channels.find((one) => one.key === channel) ?? channels[0];
  const act = async (work: () => Promise<unknown>) => {
    try {
      await work();
      setRefusal(null);
      void client.invalidateQueries({ queryKey: key });
    } catch (error) {
      setRefusal(textOf(error));
    }
  };
  const begin = () =>
    act(async () => {
      const { key: instrument, quantity } = chosen!;
      const body = { id: nanoid(12), build, part: '', channel: instrument, quantity, name: name.trim() };
      await api('POST', '/api/traces', body);
      setName('');
    });
  return (
    <Card body className="mb-3">
      <h2>Over hours</h2>
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      {may('record') && chosen && (
        <div className="note-fact">
          <Form.Select
            size="sm"
            aria-label="Instrument to record"
            value={chosen.key}
            onChange={(event) => setChannel(event.target.value)}
          >
            {channels.map(({ key: one, name: called, id, quantity }) => (
              <option key={one} value={one}>
                {called || id}: {MEASURED[quantity].name}
              </option>
            ))}
          </Form.Select>
          <Form.Control
            size="sm"
            aria-label="What it is of"
            placeholder="Cure of hull 4, midships"
            value={name}
            maxLength={80}
            onChange={(event) => setName(event.target.value)}
          />
          <Button size="sm" disabled={name.trim() === ''} onClick={() => void begin()}>
            Record it
          </Button>
        </div>
      )}
      {traces.length === 0 && <p className="mb-0">None recorded yet.</p>}
      <ul className="record-list">
        {traces.map((trace) => (
          <li key={trace.id}>
            <strong>{trace.name}</strong> {trace.channel}, from <Moment iso={trace.begunAt} />
            {trace.endedAt ? '' : ' ▶ running'}, {trace.count} readings{' '}
            <Button
              size="sm"
              variant="outline-primary"
              aria-expanded={open === trace.id}
              onClick={() => setOpen(open === trace.id ? null : trace.id)}
            >
              Draw
            </Button>{' '}
            <a href={`/api/traces/${trace.id}?format=csv`}>CSV</a>{' '}
            {!trace.endedAt && may('record') && (
              <Button size="sm" onClick={() => void act(() => api('DELETE', `/api/traces/${trace.id}`))}>
                End it
              </Button>
            )}
            {open === trace.id && <TraceChart trace={trace} />}
          </li>
        ))}
      </ul>
    </Card>
  );
}

function TraceChart({ trace }: { trace: Trace }) {
  const { system, unit } = useUnits();
  const { data } = useQuery({
    queryKey: ['trace', trace.id, trace.count],
    queryFn: () => api<{ stretches: Stretch[] }>('GET', `/api/traces/${trace.id}?points=600`),
  });
  const stretches = data?.stretches ?? [];
  const { shown, name } = MEASURED[trace.quantity];
  const { factor, offset = 0 } = shown ? displayUnit(shown, system) : { factor: 1 };
  const begun = stretches[0]?.from ?? 0;
  // The least and the most of every stretch, so that no peak is thinned away.
  const points = stretches.flatMap(({ from, to, least, most }) => [
    { x: (from - begun) / 60_000, y: (least - offset) / factor },
    { x: (to - begun) / 60_000, y: (most - offset) / factor },
  ]);
  const config: ChartConfiguration<'scatter'> = {
    type: 'scatter',
    data: {
      datasets: [
        { label: name, data: points, showLine: true, pointRadius: 0, borderWidth: 1.5, borderColor: PALETTE.clay },
      ],
    },
    options: {
      scales: {
        x: { type: 'linear', title: { display: true, text: 'minutes' } },
        y: { title: { display: true, text: shown ? `${name}, ${unit(shown)}` : `${name}, %` } },
      },
      plugins: { legend: { display: false } },
    },
  };
  return (
    <Chart size="chart-mid" config={config} label={`${trace.name}, over time`}>
      {stretches.length} stretches from {Math.min(...stretches.map(({ least }) => least)).toPrecision(4)} to{' '}
      {Math.max(...stretches.map(({ most }) => most)).toPrecision(4)}.
    </Chart>
  );
}
