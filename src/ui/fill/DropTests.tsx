'use client';
import { nanoid } from 'nanoid';
import { useEffect, useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import type { FillPlan } from '@/core/document';
import { KeramosError } from '@/core/error';
import {
  dropTest,
  mayBeMixed,
  standingTests,
  type DropResult,
  type DropTest,
  type Filling,
  type KeptDropTest,
} from '@/core/fill';
import { formatNumber } from '@/core/quantity';
import { api, wordsOf } from '../shared/api';
import { useBoat } from '../shared/boat';
import { Moment } from '../shared/Moment';
import { QuantityField } from '../shared/QuantityField';
import { Refusal } from '../shared/Refusal';
import { TextField } from '../shared/TextField';
import { useUnits } from '../shared/units';
import { minutes as lasted } from './minutes';

/** Why a test is none, whatever it lost; nothing where it is one. */
function noTest({ tooWeak, tooShort, tooLittle }: DropResult, { dropMinutes }: Filling): string {
  if (tooWeak)
    return ' With less than half of the air’s pressure drawn off a leak hardly shows: pump the bag down first.';
  if (tooShort) return ` Read too soon: a slow leak shows after ${formatNumber(dropMinutes, 0)} min.`;
  return tooLittle ? ' It drives less than the plan counts on: pump it down, or fill the plan by what it drives.' : '';
}

interface Draft {
  hull: string;
  start: number | null;
  end: number | null;
  minutes: number | null;
  startCelsius: number | null;
  endCelsius: number | null;
  instrument: string;
  note: string;
}
const EMPTY: Draft = {
  hull: '',
  start: null,
  end: null,
  minutes: null,
  startCelsius: null,
  endCelsius: null,
  instrument: '',
  note: '',
};

/** Drop tests of the bag over one part, hull by hull: the last one says whether resin may be mixed. */
export function DropTests({
  plan,
  volume,
  gel,
  filling,
}: {
  plan: FillPlan;
  volume: number;
  gel: number;
  filling: Filling;
}) {
  const { id: boatId } = useBoat();
  const { full, unit } = useUnits();
  const [tests, setTests] = useState<KeptDropTest[] | null>(null);
  const [draft, setDraft] = useState<Draft>({ ...EMPTY, minutes: filling.dropMinutes });
  const [refusal, setRefusal] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  /** The id that the reading being typed will have: sent twice, it is kept once. */
  const [nextId, setNextId] = useState(() => nanoid(10));
  useEffect(() => {
    let wanted = true;
    api<KeptDropTest[]>('GET', `/api/boats/${boatId}/dropTests`).then(
      (found) => wanted && setTests(found),
      (error: unknown) => wanted && setRefusal(wordsOf(error)),
    );
    return () => {
      wanted = false;
    };
  }, [boatId]);
  const keep = async (test: DropTest) => {
    setBusy(true);
    setRefusal(null);
    try {
      const kept = await api<KeptDropTest>('POST', `/api/boats/${boatId}/dropTests`, test);
      setTests([...(tests ?? []).filter(({ id }) => id !== kept.id), kept]);
      setNextId(nanoid(10));
      setDraft({ ...draft, start: null, end: null, note: '' });
    } catch (error) {
      setRefusal(wordsOf(error));
    } finally {
      setBusy(false);
    }
  };
  const { start, end, minutes } = draft;
  const reading = start !== null && end !== null && minutes !== null ? { ...draft, start, end, minutes } : null;
  const now = reading && resultOf(reading, { volume, gel, drives: plan.pressure, filling });
  const own = standingTests(tests ?? []).filter((one) => one.plan === plan.id);
  const hulls = [...new Set(own.map(({ hull }) => hull))];
  const number = (
    key: 'start' | 'end' | 'minutes' | 'startCelsius' | 'endCelsius',
    label: string,
    {
      kind,
      range,
      optional = false,
    }: { kind: 'pressure' | 'temperature' | 'ratio'; range: [number, number]; optional?: boolean },
  ) => (
    <QuantityField
      label={label}
      kind={kind}
      value={draft[key]}
      minimum={range[0]}
      maximum={range[1]}
      optional={optional}
      onCommit={(value) => setDraft({ ...draft, [key]: value })}
    />
  );
  return (
    <Card body className="mb-3">
      <h2>Drop test: {plan.name}</h2>
      {hulls.length === 0 && (
        <p>
          ✕ No drop test yet: no batch may be mixed. Draw down, shut the pump off, wait until it settles, read twice.
        </p>
      )}
      {hulls.map((hull) => {
        const found = mayBeMixed(tests ?? [], { plan: plan.id, hull, filling, gel, drives: plan.pressure })!;
        return (
          <p key={hull} className="mb-1">
            <span className={`verdict ${found.result.passed ? 'meets' : 'fails'}`}>
              {found.result.passed ? '✓ passed' : '✕ not passed'}
            </span>{' '}
            {hull ? `Hull ${hull}: ` : ''}
            {found.result.passed ? 'resin may be mixed' : 'no batch may be mixed: find the leak and test again'}.
            {noTest(found.result, filling)}
            {!found.result.passed &&
              found.test.gel < gel &&
              ` The resin lives ${lasted(gel)} by now, not ${lasted(found.test.gel)} as when it was tested.`}
          </p>
        );
      })}
      <div className="detail-fields mt-2 d-print-none">
        <TextField
          label="Hull"
          value={draft.hull}
          maximum={40}
          onCommit={(hull) => {
            setDraft({ ...draft, hull });
            return undefined;
          }}
        />
        {number('start', `Under the bag at the start, absolute`, { kind: 'pressure', range: [1, 110_000] })}
        {number('end', 'At the end', { kind: 'pressure', range: [1, 110_000] })}
        {number('minutes', 'Minutes between', { kind: 'ratio', range: [0.5, 1440] })}
        {number('startCelsius', 'Temperature at the start', { kind: 'temperature', range: [-20, 60], optional: true })}
        {number('endCelsius', 'At the end', { kind: 'temperature', range: [-20, 60], optional: true })}
        <TextField
          label="Read by"
          value={draft.instrument}
          maximum={60}
          onCommit={(instrument) => {
            setDraft({ ...draft, instrument });
            return undefined;
          }}
        />
      </div>
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      {now !== null && (
        <p className="mt-2 mb-1" role="status">
          {typeof now === 'string' ? (
            `✕ ${now}`
          ) : (
            <>
              {now.passed ? '✓' : '✕'} It lost {full(reading!.end - reading!.start, 'pressure')}, may lose{' '}
              {full(now.limit, 'pressure')} (
              {now.limitBy === 'yard'
                ? 'the yard’s limit'
                : `else ${formatNumber(100 * filling.voids, 0)} % of air until gel`}
              ); {formatNumber(now.leakRate * 10, 2)} mbar·L/s leak in, {formatNumber(100 * now.voids, 1)} % of the
              resin’s room until gel.{noTest(now, filling)}
            </>
          )}
        </p>
      )}
      <Button
        size="sm"
        className="d-print-none"
        disabled={busy || reading === null || typeof now === 'string' || tests === null}
        onClick={() =>
          reading &&
          void keep({
            ...reading,
            id: nextId,
            plan: plan.id,
            day: new Date().toISOString().slice(0, 10),
            volume,
            gel: Math.max(60, gel),
            corrects: null,
            void: false,
          })
        }
      >
        Keep this reading
      </Button>
      {own.length > 0 && (
        <table className="table table-sm mt-3 mb-0" aria-label="Drop tests that were kept">
          <thead>
            <tr>
              <th scope="col">Hull</th>
              <th scope="col">when, by whom</th>
              <th scope="col">start, end, {unit('pressure')}</th>
              <th scope="col">minutes</th>
              <th scope="col">passed</th>
              <th scope="col" className="d-print-none">
                <span className="visually-hidden">take it back</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {own.map((test) => {
              const result = resultOf(test, { ...test, filling });
              return (
                <tr key={test.id}>
                  <td>{test.hull || '–'}</td>
                  <td>
                    <Moment iso={test.at} />, {test.author || 'somebody'}
                    {test.instrument && `, ${test.instrument}`}
                  </td>
                  <td>
                    {full(test.start, 'pressure')}, {full(test.end, 'pressure')}
                  </td>
                  <td>{formatNumber(test.minutes, 1)}</td>
                  <td>{passedWords(result)}</td>
                  <td className="d-print-none">
                    <Button
                      size="sm"
                      variant="outline-primary"
                      disabled={busy}
                      onClick={() => {
                        const { author: _author, at: _at, ...body } = test;
                        void keep({ ...body, id: nextId, corrects: test.id, void: true });
                      }}
                    >
                      Take it back
                    </Button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      <Form.Text>
        Kept for good: a reading is taken back by a later one, never changed. Both temperatures, where they are read,
        take the warming of the air out of it.
      </Form.Text>
    </Card>
  );
}

function passedWords(result: ReturnType<typeof resultOf>): string {
  if (typeof result === 'string') return `✕ ${result}`;
  return result.passed ? '✓ passed' : '✕ not passed';
}

/** What a reading comes to, or why it can be none. */
function resultOf(
  test: Parameters<typeof dropTest>[0],
  given: Parameters<typeof dropTest>[1],
): ReturnType<typeof dropTest> | string {
  try {
    return dropTest(test, given);
  } catch (error) {
    if (error instanceof KeramosError) return error.text;
    throw error;
  }
}
