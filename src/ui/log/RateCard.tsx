'use client';
import { useQuery } from '@tanstack/react-query';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { Button, Card } from 'react-bootstrap';
import { LEARNED_RATES, type LearnedRates, type LearningPage, type RateEffect } from '@/core/log';
import { PROCESSES } from '@/core/material';
import { api, textOf } from '../shared/api';
import { Refusal } from '../shared/Refusal';
import { useWho } from '../shared/who';
import { EffectTable } from './EffectTable';

/** What hours and resin of the hulls say of the yard's rates: put into the rates of Weights, and taken back. */
export function RateCard({
  learned,
  used,
  today,
  onPage,
}: {
  learned: LearnedRates;
  used: LearningPage['ratesInUse'][number] | undefined;
  today: string;
  onPage: (page: LearningPage) => void;
}) {
  const { may } = useWho();
  const { rate, process, observations, prior, posterior } = learned;
  const [looking, setLooking] = useState(false);
  const [refusal, setRefusal] = useState<string | null>(null);
  const n = observations.length;
  const put = async (fact: object) => {
    try {
      onPage(await api<LearningPage>('POST', '/api/learning', { kind: 'learnedRate', id: nanoid(12), ...fact }));
      setLooking(false);
      setRefusal(null);
    } catch (error) {
      setRefusal(textOf(error));
    }
  };
  const body = { rate, process, value: posterior.mean, n, on: today, note: '' };
  return (
    <Card body className="mb-3">
      <h2>
        {PROCESSES[process].name}: {LEARNED_RATES[rate]}
      </h2>
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      <p className="mb-2">
        By the rates {prior.mean.toFixed(2)}; after {n} {n === 1 ? 'part' : 'parts'}{' '}
        <strong>{posterior.mean.toFixed(2)}</strong> ± {posterior.standardDeviation.toFixed(2)} (
        {observations.map((one) => one.ratio.toFixed(2)).join(', ')}).
      </p>
      {used && (
        <p className="mb-2">
          <span className="verdict meets">✓ in use</span> since {used.on}, by {used.author || 'somebody'}:{' '}
          {used.value.toFixed(2)} from {used.n} {used.n === 1 ? 'part' : 'parts'}, in the rates of Weights, from which
          costs and hours follow.{' '}
          {may('design') && (
            <Button
              size="sm"
              variant="outline-primary"
              onClick={() => {
                const { id, author: _author, ...own } = used;
                void put({ corrects: id, void: true, body: own });
              }}
            >
              Take it back
            </Button>
          )}
        </p>
      )}
      {may('design') && (
        <Button size="sm" variant="outline-primary" aria-expanded={looking} onClick={() => setLooking(!looking)}>
          What would it change?
        </Button>
      )}
      {looking && (
        <Effect learned={learned}>
          <Button onClick={() => void put({ corrects: null, void: false, body })}>Put it into the rates</Button>
        </Effect>
      )}
    </Card>
  );
}

/** Hours and cost of the boats before and after. */
function Effect({ learned, children }: { learned: LearnedRates; children: React.ReactNode }) {
  const { rate, process, posterior } = learned;
  const asked = { rate, process, value: String(posterior.mean) };
  const { data, error } = useQuery({
    queryKey: ['learning', asked],
    queryFn: () => api<RateEffect[]>('GET', `/api/learning?${new URLSearchParams(asked)}`),
    retry: false,
  });
  if (error) return <Refusal text={textOf(error)} onClose={() => undefined} />;
  if (!data) return <p className="soft">Computing…</p>;
  return (
    <div className="mt-2">
      <EffectTable
        rows={data.map(({ id, name, before, after, currency }) => {
          const money = (value: number) => `${value.toFixed(0)} ${currency}`;
          return {
            id,
            name,
            moved: [
              { head: 'Hours', now: `${before.hours.toFixed(0)} h`, then: `${after.hours.toFixed(0)} h` },
              { head: 'Cost', now: money(before.cost), then: money(after.cost) },
            ],
          };
        })}
      />
      {children}
    </div>
  );
}
