'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { READINGS, type BuildRecordOf, type ReadingKind } from '@/core/build';
import type { MeasuredQuantity } from '@/core/instrument';
import { TakeReading } from '../shared/instruments';
import { Moment } from '../shared/Moment';
import { QuantityField } from '../shared/QuantityField';
import { useUnits } from '../shared/units';
import { NotTaken } from './NotTaken';
import { SkinMap } from './SkinMap';
import { TakeBack } from './TakeBack';
import { useFloor } from './useFloor';

const KINDS = Object.keys(READINGS) as ReadingKind[];
const SHOWN = 40;
/** What an instrument may read of it. */
const TAKEN: Partial<Record<ReadingKind, MeasuredQuantity>> = {
  thickness: 'length',
  gap: 'length',
  temperature: 'temperature',
};

/** A reading's figure with its unit. */
export function useReadingWords(): (what: ReadingKind, value: number) => string {
  const { full } = useUnits();
  return (what, value) => {
    const { quantity } = READINGS[what];
    if (quantity) return full(value, quantity);
    return what === 'fibreShare' ? `${(100 * value).toFixed(1)} %` : String(Number(value.toFixed(1)));
  };
}

/** What is read of a part, where on it, by what: one tap on the picture and a figure each. */
export function ReadingsView() {
  const { state, note } = useFloor();
  const [partId, setPart] = useState(state.plan.parts[0]!.id);
  const [what, setWhat] = useState<ReadingKind>('thickness');
  const [place, setPlace] = useState<{ skin: string; at: [number, number]; zone: string; name: string } | null>(null);
  const [value, setValue] = useState<number | null>(null);
  const [instrument, setInstrument] = useState('');
  const [words, setWords] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  const part = state.plan.parts.find(({ id }) => id === partId)!;
  const { name, quantity, range } = READINGS[what];
  const own = state.readings.filter(({ body }) => body.part === partId && body.what === what);
  const placed = what !== 'hours';
  const keep = async () => {
    const said = await note('reading', {
      what,
      value,
      part: partId,
      zone: place?.zone ?? '',
      skin: place?.skin ?? '',
      at: place?.at ?? null,
      instrument: instrument.trim(),
      note: words.trim(),
    });
    setRefusal(said);
    if (said !== null) return;
    setValue(null);
    setPlace(null);
    setWords('');
  };
  return (
    <section aria-label="Readings">
      <div className="align-head">
        <Form.Select
          aria-label="Part that is read"
          value={partId}
          onChange={(event) => {
            setPart(event.target.value);
            setPlace(null);
          }}
        >
          {state.plan.parts.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </Form.Select>
        <Form.Select
          aria-label="What is read"
          value={what}
          onChange={(event) => {
            setWhat(event.target.value as ReadingKind);
            setValue(null);
          }}
        >
          {KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {READINGS[kind].name}
            </option>
          ))}
        </Form.Select>
      </div>
      {placed && (
        <p className="mb-1">
          Where? Tap it: <strong>{place ? place.name || 'beside the zones' : 'not shown yet'}</strong>
        </p>
      )}
      {placed &&
        part.skins.map((skin) => (
          <SkinMap
            key={skin.id}
            skin={skin}
            label={`${skin.name}: tap where it is read`}
            onPoint={(at, zone) => setPlace({ skin: skin.id, at, zone: zone?.id ?? '', name: zone?.name ?? '' })}
          >
            {([w, h]) => (
              <>
                <ReadingMarks readings={own.filter(({ body }) => body.skin === skin.id)} size={[w, h]} />
                {place?.skin === skin.id && (
                  <circle cx={place.at[0] * w} cy={place.at[1] * h} r="11" className="defect-mark open" />
                )}
              </>
            )}
          </SkinMap>
        ))}
      {TAKEN[what] && (
        <TakeReading
          quantity={TAKEN[what]}
          onTake={(taken, from) => {
            setValue(taken);
            setInstrument(from);
          }}
        />
      )}
      <div className="align-pair">
        <QuantityField
          key={`${what}-${own.length}`}
          label={what === 'fibreShare' ? 'Fibre share by weight, 0 to 1' : name}
          kind={quantity ?? 'ratio'}
          value={value}
          minimum={range[0]}
          maximum={range[1]}
          optional
          onCommit={setValue}
        />
        <Form.Group controlId="reading-instrument">
          <Form.Label className="mb-0">Read by</Form.Label>
          <Form.Control
            value={instrument}
            maxLength={60}
            placeholder="gauge, scales…"
            onChange={(event) => setInstrument(event.target.value)}
          />
        </Form.Group>
        <Form.Group controlId="reading-note">
          <Form.Label className="mb-0">Note</Form.Label>
          <Form.Control value={words} maxLength={300} onChange={(event) => setWords(event.target.value)} />
        </Form.Group>
      </div>
      <NotTaken text={refusal} />
      <Button size="lg" disabled={value === null || (placed && place === null)} onClick={() => void keep()}>
        Keep the reading
      </Button>
      <ReadingList readings={[...own].reverse().slice(0, SHOWN)} />
    </section>
  );
}

/** Figures on the picture where they were read. */
export function ReadingMarks({
  readings,
  size: [w, h],
  doubtful,
}: {
  readings: readonly BuildRecordOf<'reading'>[];
  size: readonly [number, number];
  /** The id of one that chance does not explain. */
  doubtful?: ReadonlySet<string>;
}) {
  const { show } = useUnits();
  const figure = ({ what, value }: BuildRecordOf<'reading'>['body']) => {
    const { quantity } = READINGS[what];
    if (quantity) return show(value, quantity);
    return what === 'fibreShare' ? value.toFixed(2) : String(Number(value.toFixed(1)));
  };
  return readings.map(({ id, body }) =>
    body.at === null ? null : (
      <g key={id} transform={`translate(${body.at[0] * w} ${body.at[1] * h})`} className="reading-mark">
        <circle r="4" />
        <text dy="-7" textAnchor="middle">
          {doubtful?.has(id) && '△'}
          {figure(body)}
        </text>
      </g>
    ),
  );
}

function ReadingList({ readings }: { readings: readonly BuildRecordOf<'reading'>[] }) {
  const { state } = useFloor();
  const say = useReadingWords();
  const zones = state.plan.parts.flatMap(({ skins }) => skins.flatMap((skin) => skin.zones));
  const nameOf = (zone: string) => zones.find(({ id }) => id === zone)?.name ?? '';
  if (readings.length === 0) return null;
  return (
    <ul className="record-list mt-3">
      {readings.map((record) => {
        const { what, value, zone, instrument, note } = record.body;
        return (
          <li key={record.id}>
            <strong>{say(what, value)}</strong> {nameOf(zone)} · {record.person}, <Moment iso={record.at} />
            {instrument && `, ${instrument}`} {note && `(${note})`}{' '}
            <TakeBack record={record} title="Take the reading back" act="It was misread" />
          </li>
        );
      })}
    </ul>
  );
}
