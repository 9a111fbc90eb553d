'use client';
import { useQuery } from '@tanstack/react-query';
import type { ChartConfiguration } from 'chart.js';
import { nanoid } from 'nanoid';
import Link from 'next/link';
import { useState } from 'react';
import { Button, Card } from 'react-bootstrap';
import { LEARNED_FORMS, type Learned, type LearningEffect, type LearningPage } from '@/core/log';
import { PROCESSES } from '@/core/material';
import { formatReserve } from '@/core/quantity';
import { api, textOf } from '../shared/api';
import { Chart } from '../shared/charts/Chart';
import { Frame } from '../shared/Frame';
import { PALETTE } from '../shared/palette';
import { PersonField } from '../shared/PersonField';
import { Refusal } from '../shared/Refusal';
import { RateCard } from './RateCard';
import { useUnits } from '../shared/units';
import { useWho } from '../shared/who';

const percent = (value: number) => `${(100 * value).toFixed(1)} %`;
const apart = ({ zone, hull }: Learned['observations'][number]) => `${zone} of hull ${hull}`;
const keyOf = ({ process, form }: Pick<Learned, 'process' | 'form'>) => `${process}|${form}`;

/** What the yard's own hulls teach, drawn against what is published, and put to use on purpose. */
export function LearningScreen({ initial, today }: { initial: LearningPage; today: string }) {
  const [page, setPage] = useState(initial);
  return (
    <Frame
      head={
        <>
          <h1>Learning</h1>
          <Link href="/log">The log</Link>
          <span className="spacer" />
          <PersonField />
        </>
      }
    >
      <p className="question">What do our own hulls say, and shall we build by it?</p>
      {page.learned.length === 0 && (
        <p>
          Nothing was read that teaches yet: drill plugs, or read thickness where one form of cloth is most of a zone.
        </p>
      )}
      {page.learned.map((learned) => (
        <LearnedCard
          key={keyOf(learned)}
          learned={learned}
          used={page.inUse.find((one) => keyOf(one) === keyOf(learned)) ?? null}
          today={today}
          onPage={setPage}
        />
      ))}
      {page.rates.map((learned) => (
        <RateCard key={`${learned.rate}|${learned.process}`} learned={learned} />
      ))}
    </Frame>
  );
}

function LearnedCard({
  learned,
  used,
  today,
  onPage,
}: {
  learned: Learned;
  used: LearningPage['inUse'][number] | null;
  today: string;
  onPage: (page: LearningPage) => void;
}) {
  const { may } = useWho();
  const [looking, setLooking] = useState(false);
  const [refusal, setRefusal] = useState<string | null>(null);
  const { process, form, published, observations, posterior, bound, outlier } = learned;
  const say = (ratio: number) => percent(ratio * published);
  const put = async (fact: object) => {
    try {
      onPage(await api<LearningPage>('POST', '/api/learning', fact));
      setLooking(false);
      setRefusal(null);
    } catch (error) {
      setRefusal(textOf(error));
    }
  };
  const body = { process, form, factor: posterior.mean, n: observations.length };
  const fresh = {
    id: nanoid(12),
    corrects: null,
    void: false,
    kind: 'learned',
    body: { ...body, spread: posterior.predictiveStandardDeviation, on: today, note: '' },
  };
  return (
    <Card body className="mb-3">
      <h2>
        Fibre share of {LEARNED_FORMS[form]}, {PROCESSES[process].name.toLowerCase()}
      </h2>
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      <LearnedChart learned={learned} />
      <p className="mb-2 mt-2">
        Published {percent(published)}; after {observations.length} {observations.length === 1 ? 'zone' : 'zones'} this
        yard lays <strong>{say(posterior.mean)}</strong> ± {percent(posterior.standardDeviation * published)}, the next
        part within ± {percent(2 * posterior.predictiveStandardDeviation * published)}.
        {bound !== null &&
          ` No more than one part in ten lies below ${say(Math.max(0, bound))} (95 % sure, by them alone).`}
        {outlier !== null && ` △ ${apart(observations[outlier]!)} stands out (Grubbs, 5 %); it stays in.`}
      </p>
      {used ? (
        <p className="mb-2">
          <span className="verdict meets">✓ in use</span> since {used.on}, by {used.author || 'somebody'}: factor{' '}
          {used.factor.toFixed(3)} from {used.n} readings. Every margin that stands on it says “yard test”.{' '}
          {may('design') && (
            <Button
              size="sm"
              variant="outline-primary"
              onClick={() => {
                const { id: _id, author: _author, ...own } = used;
                void put({ ...fresh, id: nanoid(12), corrects: used.id, void: true, body: own });
              }}
            >
              Take it back
            </Button>
          )}
        </p>
      ) : (
        <p className="mb-2 soft">Not in use: boats are built by what is published.</p>
      )}
      {may('design') && (
        <Button size="sm" variant="outline-primary" aria-expanded={looking} onClick={() => setLooking(!looking)}>
          What would it change?
        </Button>
      )}
      {looking && (
        <Effect learned={learned}>
          <Button onClick={() => void put(fresh)}>Put it to use on the Shelf</Button>
        </Effect>
      )}
    </Card>
  );
}

/** Mass and least reserve of the boats before and after. */
function Effect({ learned, children }: { learned: Learned; children: React.ReactNode }) {
  const { full } = useUnits();
  const { process, form, posterior } = learned;
  const { data, error } = useQuery({
    queryKey: ['learning', process, form, posterior.mean],
    queryFn: () =>
      api<LearningEffect[]>('GET', `/api/learning?process=${process}&form=${form}&factor=${posterior.mean}`),
    retry: false,
  });
  if (error) return <Refusal text={textOf(error)} onClose={() => undefined} />;
  if (!data) return <p className="soft">Computing…</p>;
  return (
    <div className="mt-2">
      {data.length === 0 && <p>No boat is laid so.</p>}
      {data.length > 0 && (
        <table className="table table-sm" aria-label="What it changes">
          <thead>
            <tr>
              <th scope="col">Boat</th>
              {['Laminate, now', 'then', 'Least reserve, now', 'then'].map((head) => (
                <th key={head} scope="col" className="num">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {data.map(({ id, name, before, after, target }) => (
              <tr key={id}>
                <th scope="row" className="fw-normal">
                  {name}
                </th>
                <td className="num">{full(before.mass, 'mass')}</td>
                <td className="num">{full(after.mass, 'mass')}</td>
                <td className="num">{before.least === null ? '–' : formatReserve(before.least)}</td>
                <td className="num">
                  {after.least === null ? '–' : formatReserve(after.least)}
                  {after.least !== null && after.least < target && ' △ below its target'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="small soft">
        The Shelf carries it as tested by the yard; each boat takes it over under Shelf, Boats that use it. Revisions
        that were issued stay as they are.
      </p>
      {children}
    </div>
  );
}

const bell = (mean: number, deviation: number, x: number) =>
  Math.exp(-(((x - mean) / deviation) ** 2) / 2) / (deviation * Math.sqrt(2 * Math.PI));

/** What was thought before and what is known now, as curves; every reading as a mark under them. */
function LearnedChart({ learned: { prior, posterior, observations, published, outlier } }: { learned: Learned }) {
  const least = Math.min(1 - 4 * prior.standardDeviation, ...observations.map(({ ratio }) => ratio - 0.02));
  const most = Math.max(1 + 4 * prior.standardDeviation, ...observations.map(({ ratio }) => ratio + 0.02));
  const xs = Array.from({ length: 121 }, (_, i) => least + ((most - least) * i) / 120);
  const curve = (mean: number, deviation: number) =>
    xs.map((x) => ({ x: 100 * published * x, y: bell(mean, deviation, x) / published }));
  const config: ChartConfiguration<'scatter'> = {
    type: 'scatter',
    data: {
      datasets: [
        {
          label: 'published, with its scatter',
          data: curve(prior.mean, prior.standardDeviation),
          showLine: true,
          pointRadius: 0,
          borderDash: [6, 4],
          borderColor: PALETTE.soft,
        },
        {
          label: 'what is known now of the mean',
          data: curve(posterior.mean, posterior.standardDeviation),
          showLine: true,
          pointRadius: 0,
          borderColor: PALETTE.clay,
        },
        {
          label: 'readings',
          data: observations.map(({ ratio }) => ({ x: 100 * published * ratio, y: 0 })),
          pointStyle: observations.map((_, i) => (i === outlier ? 'triangle' : 'circle')),
          pointRadius: 6,
          backgroundColor: PALETTE.ink,
        },
      ],
    },
    options: {
      scales: {
        x: { type: 'linear', title: { display: true, text: 'fibre by weight, %' } },
        y: { min: 0, ticks: { display: false }, title: { display: true, text: 'how likely' } },
      },
    },
  };
  return (
    <Chart size="chart-mid" config={config} label="Published and learned">
      {observations.map(({ hull, zone, ratio }, i) => (
        <span key={i}>
          Hull {hull}, {zone}: {percent(ratio * published)}.{' '}
        </span>
      ))}
    </Chart>
  );
}
