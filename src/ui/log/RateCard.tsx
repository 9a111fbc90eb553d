'use client';
import { useState } from 'react';
import { Button, Card } from 'react-bootstrap';
import type { Rates } from '@/core/cost';
import { LEARNED_RATES, ratesWithLearned, type LearnedRates } from '@/core/log';
import { PROCESSES } from '@/core/material';
import { api, textOf } from '../shared/api';
import { Refusal } from '../shared/Refusal';
import type { Kept } from '../shared/useSetting';
import { useWho } from '../shared/who';

/** What hours and resin of the hulls say of the yard's rates: put to use as the rates of Weights, and taken back. */
export function RateCard({ learned }: { learned: LearnedRates }) {
  const { may } = useWho();
  const { rate, process, observations, prior, posterior } = learned;
  const [before, setBefore] = useState<Rates | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const parts = `${observations.length} ${observations.length === 1 ? 'part' : 'parts'}`;
  const keep = async (change: (rates: Rates) => Rates) => {
    try {
      const { body, version } = await api<Kept<Rates>>('GET', '/api/yard/rates');
      await api('PUT', '/api/yard/rates', { body: change(body), version });
      setRefusal(null);
      return body;
    } catch (error) {
      setRefusal(textOf(error));
      return null;
    }
  };
  const use = async () =>
    setBefore(await keep((rates) => ratesWithLearned(rates, { rate, process, value: posterior.mean })));
  const back = async () => {
    if (before && (await keep(() => before))) setBefore(null);
  };
  return (
    <Card body className="mb-3">
      <h2>
        {PROCESSES[process].name}: {LEARNED_RATES[rate]}
      </h2>
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      <p className="mb-2">
        By the rates {prior.mean.toFixed(2)}; after {parts} <strong>{posterior.mean.toFixed(2)}</strong> ±{' '}
        {posterior.standardDeviation.toFixed(2)} ({observations.map((one) => one.ratio.toFixed(2)).join(', ')}).
      </p>
      {before ? (
        <>
          <p className="mb-2">
            <span className="verdict meets">✓ in use</span> in the rates of Weights, from which costs and hours follow.
          </p>
          <Button size="sm" variant="outline-primary" onClick={() => void back()}>
            Take it back
          </Button>
        </>
      ) : (
        may('design') && (
          <Button size="sm" variant="outline-primary" onClick={() => void use()}>
            Put it into the rates
          </Button>
        )
      )}
    </Card>
  );
}
