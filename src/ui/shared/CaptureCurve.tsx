'use client';
import { useEffect, useEffectEvent, useState } from 'react';
import { Button } from 'react-bootstrap';
import type { InstrumentsNow } from '@/core/instrument';
import { api } from './api';
import { useInstruments } from './instruments';

const EVERY = 400;
/** A figure older than this belongs to no other (ms). */
const FRESH = 1500;

/** Follow load cell and displacement gauge, a point each time both have something new, until it is ended. */
export function CaptureCurve({ onPoint }: { onPoint: (point: [load: number, deflection: number]) => void }) {
  const now = useInstruments();
  const [isOn, setOn] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const take = useEffectEvent((seen: InstrumentsNow) => {
    const of = (quantity: string) => seen.channels.find((channel) => channel.quantity === quantity);
    const [load, gauge] = [of('force'), of('length')];
    for (const channel of [load, gauge])
      if (
        !channel ||
        channel.value === null ||
        (channel.ageMs ?? Infinity) > FRESH ||
        /over|stuck|error/.test(channel.state)
      )
        return setTrouble(
          channel ? `${channel.name || channel.id}: ${channel.why}` : 'A load cell or gauge is missing',
        );
    setTrouble(null);
    onPoint([load!.value!, gauge!.value!]);
  });
  useEffect(() => {
    if (!isOn) return;
    const timer = setInterval(() => {
      void api<InstrumentsNow>('GET', '/api/instruments').then(take, () => setTrouble('The server is away'));
    }, EVERY);
    return () => clearInterval(timer);
  }, [isOn]);
  const isThere = (now?.channels ?? []).some(({ quantity }) => quantity === 'force');
  if (!isThere && !isOn) return null;
  return (
    <div className="take-reading">
      <Button variant={isOn ? 'primary' : 'outline-primary'} aria-pressed={isOn} onClick={() => setOn(!isOn)}>
        {isOn ? '■ End reading' : '● Read load cell and gauge'}
      </Button>
      {isOn && trouble !== null && <span className="floor-bad">△ {trouble}</span>}
    </div>
  );
}
