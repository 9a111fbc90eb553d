'use client';
import { useQuery } from '@tanstack/react-query';
import { Button } from 'react-bootstrap';
import { MEASURED, type InstrumentsNow, type MeasuredQuantity } from '@/core/instrument';
import { api } from './api';
import { useUnits } from './units';

const EVERY = 1000;
type ChannelHere = InstrumentsNow['channels'][number];

/** What instruments say, asked for each second while something on the page wants it. */
export function useInstruments(wanted = true): InstrumentsNow | undefined {
  const { data } = useQuery({
    queryKey: ['instruments'],
    queryFn: () => api<InstrumentsNow>('GET', '/api/instruments'),
    refetchInterval: wanted ? EVERY : false,
    enabled: wanted,
    retry: false,
  });
  return data;
}

/** Why a figure may not be taken now; null where it may. */
export function refusalOf({ state, why, isOverdue, due }: ChannelHere): string | null {
  if (state !== 'steady') return why;
  return isOverdue ? `its calibration ended on ${due}` : null;
}

/** A figure with its unit, as the reader has it. */
export function useChannelWords(): (channel: Pick<ChannelHere, 'quantity' | 'value'>) => string {
  const { full } = useUnits();
  return ({ quantity, value }) => {
    if (value === null) return '–';
    const { shown } = MEASURED[quantity];
    return shown ? full(value, shown) : `${value.toFixed(0)} %`;
  };
}

/** Take a figure from an instrument: only one that is steady, fresh and calibrated. Nothing where there is none. */
export function TakeReading({
  quantity,
  onTake,
}: {
  quantity: MeasuredQuantity;
  onTake: (value: number, instrument: string) => void;
}) {
  const now = useInstruments();
  const say = useChannelWords();
  const own = now?.channels.filter((channel) => channel.quantity === quantity && channel.state !== 'silent') ?? [];
  if (own.length === 0) return null;
  return (
    <div className="take-reading" aria-label={`Instruments: ${MEASURED[quantity].name}`}>
      {own.map((channel) => {
        const why = refusalOf(channel);
        return (
          <span key={channel.key}>
            <Button
              size="sm"
              variant="outline-primary"
              disabled={why !== null}
              onClick={() => onTake(channel.value!, channel.name || channel.id)}
            >
              Take {say(channel)} from {channel.name || channel.id}
            </Button>
            {why !== null && <span className="soft small"> △ {why}</span>}
          </span>
        );
      })}
    </div>
  );
}
