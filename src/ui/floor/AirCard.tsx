'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { TakeReading } from '../shared/instruments';
import { Moment } from '../shared/Moment';
import { QuantityField } from '../shared/QuantityField';
import { useUnits } from '../shared/units';
import { Ask } from './Ask';
import { useFloor } from './useFloor';
import { useNow } from './useNow';

/** Temperature and humidity of the shop: the last reading, whether it still counts and suits the resin. */
export function AirCard() {
  const { state } = useFloor();
  const { full } = useUnits();
  const now = useNow();
  const [asking, setAsking] = useState(false);
  const { air, plan } = state;
  const old = air !== null && now > 0 && now - Date.parse(air.at) > plan.climateLasts * 60_000;
  const limits = plan.air;
  const reading = air?.body;
  const bad =
    reading !== undefined &&
    limits !== null &&
    (reading.celsius < limits.coldest || reading.celsius > limits.warmest || reading.humidity > limits.dampest);
  return (
    <section className="floor-card air" aria-label="Air in the shop">
      <div>
        {air === null ? (
          <strong>Air not read yet</strong>
        ) : (
          <>
            <strong className={bad ? 'floor-bad' : ''}>
              {bad && '△ '}
              {full(air.body.celsius, 'temperature')}, {Math.round(air.body.humidity)} %
            </strong>{' '}
            <span className={old ? 'floor-bad' : 'soft'}>
              {old && '△ too old: '}
              <Moment iso={air.at} />
            </span>
          </>
        )}
        {limits && (
          <div className="soft">
            {plan.resin.name}: {full(limits.coldest, 'temperature')} to {full(limits.warmest, 'temperature')}, humidity
            up to {limits.dampest} %
          </div>
        )}
      </div>
      <Button variant={air === null || old ? 'primary' : 'outline-primary'} onClick={() => setAsking(true)}>
        Read the air
      </Button>
      {asking && <AskAir onLeave={() => setAsking(false)} />}
    </section>
  );
}

export function AskAir({ onLeave }: { onLeave: () => void }) {
  const { state, note } = useFloor();
  const [celsius, setCelsius] = useState<number | null>(state.air?.body.celsius ?? null);
  const [humidity, setHumidity] = useState(state.air ? String(state.air.body.humidity) : '');
  const share = Number(humidity.replace(',', '.'));
  const good = celsius !== null && humidity.trim() !== '' && share >= 0 && share <= 100;
  return (
    <Ask
      title="Air in the shop"
      act="Keep the reading"
      disabled={!good}
      onAct={() => note('air', { celsius: celsius!, humidity: share })}
      onLeave={onLeave}
    >
      <QuantityField
        label="Temperature at the mould"
        kind="temperature"
        value={celsius}
        minimum={-30}
        maximum={80}
        onCommit={(value) => setCelsius(value)}
      />
      <TakeReading quantity="temperature" onTake={(value) => setCelsius(Math.round(value * 10) / 10)} />
      <TakeReading quantity="humidity" onTake={(value) => setHumidity(value.toFixed(0))} />
      <label className="mt-2 d-block" htmlFor="floor-humidity">
        Humidity, %
      </label>
      <input
        id="floor-humidity"
        className="form-control"
        inputMode="decimal"
        value={humidity}
        onChange={(event) => setHumidity(event.target.value)}
      />
    </Ask>
  );
}
