'use client';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import type { ChartConfiguration } from 'chart.js';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import { MEASURED, type InstrumentsNow, type MeasuredQuantity } from '@/core/instrument';
import { furthestOff, type PlannedCure } from '@/core/log';
import { formatDifference, inUnit } from '@/core/quantity';
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
export function TracesCard({
  channels,
  build = null,
  parts = [],
}: Pick<InstrumentsNow, 'channels'> & { build?: string | null; parts?: readonly { id: string; name: string }[] }) {
  const client = useQueryClient();
  const { may } = useWho();
  const key = ['traces', build];
  const [name, setName] = useState('');
  const [channel, setChannel] = useState('');
  const [part, setPart] = useState(parts[0]?.id ?? '');
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
      const body = { id: nanoid(12), build, part, channel: instrument, quantity, name: name.trim() };
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
          {parts.length > 0 && (
            <Form.Select
              size="sm"
              aria-label="Part that it is of"
              value={part}
              onChange={(event) => setPart(event.target.value)}
            >
              {parts.map(({ id, name: called }) => (
                <option key={id} value={id}>
                  {called}
                </option>
              ))}
            </Form.Select>
          )}
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
  const { system, unit, full } = useUnits();
  const { data } = useQuery({
    queryKey: ['trace', trace.id, trace.count],
    queryFn: () =>
      api<{ stretches: Stretch[]; planned: PlannedCure | null }>('GET', `/api/traces/${trace.id}?points=600`),
  });
  if (!data) return <p className="soft">Fetching…</p>;
  const { stretches, planned } = data;
  const { shown, name } = MEASURED[trace.quantity];
  const begun = planned?.from ?? stretches[0]?.from ?? 0;
  const isLong = (stretches.at(-1)?.to ?? begun) - begun > 4 * 3_600_000 || planned !== null;
  const each = isLong ? 3_600_000 : 60_000;
  const at = (ms: number, value: number) => ({ x: ms / each, y: shown ? inUnit(value, shown, system) : value });
  // The least and the most of every stretch, so that no peak is thinned away.
  const points = stretches.flatMap(({ from, to, least, most }) => [at(from - begun, least), at(to - begun, most)]);
  const line = (label: string, of: keyof Omit<PlannedCure['moments'][number], 'time'>, style: object) => ({
    label,
    data: planned!.moments.map((moment) => at(1000 * moment.time, moment[of])),
    showLine: true,
    pointRadius: 0,
    borderWidth: 1.5,
    ...style,
  });
  const config: ChartConfiguration<'scatter'> = {
    type: 'scatter',
    data: {
      datasets: [
        {
          label: planned ? 'read' : name,
          data: points,
          showLine: true,
          pointRadius: 0,
          borderWidth: 2,
          borderColor: PALETTE.clay,
        },
        ...(planned
          ? [
              line('planned, hottest', 'hottest', { borderColor: PALETTE.ink, borderDash: [6, 4] }),
              line('planned, coolest', 'coolest', { borderColor: PALETTE.sand, borderDash: [2, 2] }),
              line('planned air', 'air', { borderColor: PALETTE.grey, borderDash: [8, 3, 2, 3] }),
            ]
          : []),
      ],
    },
    options: {
      scales: {
        x: {
          type: 'linear',
          title: { display: true, text: `${isLong ? 'hours' : 'minutes'}${planned ? ' after the resin was in' : ''}` },
        },
        y: { title: { display: true, text: shown ? `${name}, ${unit(shown)}` : `${name}, %` } },
      },
      plugins: { legend: { display: planned !== null, position: 'bottom', labels: { usePointStyle: false } } },
    },
  };
  const least = Math.min(...stretches.map((one) => one.least));
  const most = Math.max(...stretches.map((one) => one.most));
  const say = (value: number) => (shown ? full(value, shown) : `${value.toFixed(0)} %`);
  return (
    <>
      <Chart size={planned ? 'chart-tall' : 'chart-mid'} config={config} label={`${trace.name}, over time`}>
        {stretches.length === 0 ? 'Nothing was read yet.' : `From ${say(least)} to ${say(most)}.`}
      </Chart>
      {planned && stretches.length > 0 && <Beside planned={planned} begun={begun} stretches={stretches} />}
    </>
  );
}

/** Further off than this a cure was another one than planned (K). */
const OFF = 8;

/** Where a cure went beside its plan, in words. */
function Beside({ planned, begun, stretches }: { planned: PlannedCure; begun: number; stretches: readonly Stretch[] }) {
  const { system, unit } = useUnits();
  const found = furthestOff(planned, begun, stretches);
  const { plan, zone, from } = planned;
  const said = found && `${formatDifference(found.off, 'temperature', system)} ${unit('temperature')}`;
  return (
    <p className="small mb-0">
      {found
        ? `Furthest from “${plan}” in ${zone}: ${said} after ${(found.time / 3600).toFixed(1)} h. `
        : `Nothing was read while “${plan}” runs. `}
      {found &&
        Math.abs(found.off) > OFF &&
        '△ Another cure than planned: look at its degree of cure and its limits again under Fill & cure. '}
      {from === null && 'Nobody said when the resin was in: the plan is drawn from the first reading. '}
      <span className="soft">What the gauge does not touch was not read.</span>
    </p>
  );
}
