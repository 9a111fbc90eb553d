'use client';
import { useQuery } from '@tanstack/react-query';
import type { ChartConfiguration } from 'chart.js';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { proofFound, type BuildRecordOf } from '@/core/build';
import { displayUnit } from '@/core/quantity';
import { proofResult, proofWords, readCurve, sayPoint, type ProofResult } from '@/core/record';
import { api, textOf } from '../shared/api';
import { CaptureCurve } from '../shared/CaptureCurve';
import { Chart } from '../shared/charts/Chart';
import { Moment } from '../shared/Moment';
import { PALETTE } from '../shared/palette';
import { QuantityField } from '../shared/QuantityField';
import { useUnits } from '../shared/units';
import { useWho } from '../shared/who';
import { NotTaken } from './NotTaken';
import { TakeBack } from './TakeBack';
import { useFloor } from './useFloor';

interface Asked {
  id: string;
  name: string;
  number: number;
  proof: { load: number; deflection: number | null; stop: number; failure: number | null };
  governs: string;
}

const mostOf = (points: readonly (readonly [load: number, deflection: number])[]) =>
  Math.max(...points.map(([load]) => load));

/** Pull a finished detail: what is expected, when to stop, what was read, whether it passed, signed. */
export function ProofView() {
  const { build, state } = useFloor();
  const { words } = useUnits();
  const [chosen, setChosen] = useState('');
  const { data = [], error } = useQuery({
    queryKey: ['proofs', build.id],
    queryFn: () => api<Asked[]>('GET', `/api/log/${build.id}/proofs`),
    retry: false,
  });
  const asked = data.find(({ id }) => id === chosen) ?? data[0];
  return (
    <section aria-label="Proof pulls">
      {error && <p className="floor-held">△ {words(textOf(error))}</p>}
      {!error && data.length === 0 && <p>No detail of this revision asks for a proof pull.</p>}
      {asked && (
        <>
          <Form.Select aria-label="Detail" value={asked.id} onChange={(event) => setChosen(event.target.value)}>
            {data.map(({ id, name, number }) => (
              <option key={id} value={id}>
                {name}
                {number > 1 && `, ${number} on the boat`}
              </option>
            ))}
          </Form.Select>
          <Pull key={asked.id} asked={asked} />
        </>
      )}
      {state.proofs.length > 0 && <h2 className="mt-3">Pulled before</h2>}
      {[...state.proofs].reverse().map((record) => (
        <Pulled key={record.id} record={record} />
      ))}
    </section>
  );
}

/** A pull that was signed, with what it came to by its own readings. */
function Pulled({ record }: { record: BuildRecordOf<'proof'> }) {
  const { full, words } = useUnits();
  const { name, place, load, points, note } = record.body;
  const { passed, notChecked } = proofFound(record.body);
  const reached = mostOf(points);
  return (
    <article className="floor-card" aria-label={name}>
      <div>
        <strong>
          {passed ? '✓' : '✕'} {proofWords({ load, passed, reached })}
        </strong>
        : {name}
        {place && `, ${place}`}, to {full(reached, 'force')}, {record.person}, <Moment iso={record.at} />{' '}
        {note && `(${note})`}
        {notChecked.length > 0 && <div className="soft">Not checked: {words(notChecked.join('; '))}.</div>}
      </div>
      <TakeBack record={record} title="Take the pull back" act="It does not hold" />
    </article>
  );
}

function Pull({ asked }: { asked: Asked }) {
  const { note } = useFloor();
  const { full, system } = useUnits();
  const { may } = useWho();
  const { proof } = asked;
  const [text, setText] = useState('');
  const [set, setSet] = useState<number | null>(null);
  const [place, setPlace] = useState('');
  const [said, setSaid] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  const read = readOf(text, system);
  const result =
    read.points.length > 0 && set !== null
      ? proofResult({ points: read.points, set, load: proof.load, stop: proof.stop })
      : null;
  const reached = Math.max(0, ...read.points.map(([load]) => load));
  const beyond = reached > proof.stop;
  // Beyond the stop load somebody says why.
  const unsaid = beyond && said.trim().length < 3;
  const sign = async () => {
    const passed = result!.failures.length === 0;
    const { load, stop, failure } = proof;
    const own = { load, stop, failure, points: read.points, set, passed, place: place.trim(), note: said.trim() };
    const refused = await note('proof', { detail: asked.id, name: asked.name, ...own });
    setRefusal(refused);
    if (refused !== null) return;
    setText('');
    setSet(null);
    setSaid('');
  };
  return (
    <>
      <div className="floor-card mt-2">
        <div>
          <p>
            Pull to <strong>{full(proof.load, 'force')}</strong>, stop at{' '}
            <strong className="proof-stop">{full(proof.stop, 'force')}</strong>.
            {proof.deflection !== null && ` Expect about ${full(proof.deflection, 'thickness')} at the panel.`}
            {proof.failure !== null && ` ${asked.governs} is thought to give way at ${full(proof.failure, 'force')}.`}
          </p>
          <p className="mb-0">
            △ Nobody within the length of the line twice over, nor in its run; goggles on whoever reads; a release that
            is worked from outside that circle. Load up slowly, off at any sound.
          </p>
        </div>
      </div>
      {beyond && (
        <p className="pot-late" role="alert">
          STOP: {full(reached, 'force')} is beyond the stop load. Let it off, and say below why it went so far.
        </p>
      )}
      <CaptureCurve onPoint={(point) => setText((before) => `${before}${sayPoint(point, system)}\n`)} />
      <Form.Group controlId="proof-points" className="mt-2">
        <Form.Label className="mb-0">
          Load and deflection, a line each ({displayUnit('force', system).label};{' '}
          {displayUnit('thickness', system).label})
        </Form.Label>
        <Form.Control
          as="textarea"
          rows={6}
          value={text}
          placeholder={'0; 0\n0,5; 0,2'}
          onChange={(event) => setText(event.target.value.slice(0, 200_000))}
        />
      </Form.Group>
      <NotTaken text={read.trouble} />
      {read.points.length > 0 && <PullChart points={read.points} proof={proof} />}
      <div className="align-pair">
        <QuantityField
          label="What stayed bent when the load was off"
          kind="thickness"
          value={set}
          minimum={0}
          maximum={5}
          optional
          onCommit={setSet}
        />
        <Form.Group controlId="proof-place">
          <Form.Label className="mb-0">Which one</Form.Label>
          <Form.Control value={place} maxLength={60} onChange={(event) => setPlace(event.target.value)} />
        </Form.Group>
        <Form.Group controlId="proof-note">
          <Form.Label className="mb-0">What was seen and heard</Form.Label>
          <Form.Control value={said} maxLength={300} onChange={(event) => setSaid(event.target.value)} />
        </Form.Group>
      </div>
      {result && <Came result={result} />}
      <NotTaken text={refusal} />
      <Button size="lg" disabled={result === null || !may('sign') || unsaid} onClick={() => void sign()}>
        Sign the pull
      </Button>
    </>
  );
}

function readOf(text: string, system: 'metric' | 'us'): { points: [number, number][]; trouble: string | null } {
  try {
    return { points: readCurve(text, system), trouble: null };
  } catch (error) {
    return { points: [], trouble: textOf(error) };
  }
}

function Came({ result }: { result: ProofResult }) {
  const { full, words } = useUnits();
  return (
    <p role="status">
      <span className={`verdict ${result.failures.length === 0 ? 'meets' : 'fails'}`}>
        {result.failures.length === 0 ? '✓ passed' : '✕ not passed'}
      </span>{' '}
      {full(result.reached, 'force')} reached of {full(result.wanted, 'force')}, bent{' '}
      {full(result.deflection, 'thickness')} there
      {result.softened !== null && `, stiffness of the upper half ${(100 * result.softened).toFixed(0)} % of the lower`}
      {result.failures.length > 0 && `: ${result.failures.join('; ')}`}.
      {result.notChecked.length > 0 && ` Not checked: ${words(result.notChecked.join('; '))}.`}
    </p>
  );
}

function PullChart({ points, proof }: { points: [number, number][]; proof: Asked['proof'] }) {
  const { system, unit, full } = useUnits();
  const [force, length] = [displayUnit('force', system).factor, displayUnit('thickness', system).factor];
  const at = (value: number, label: string) => ({
    type: 'line' as const,
    yMin: value / force,
    yMax: value / force,
    borderColor: PALETTE.ink,
    borderDash: [6, 4],
    label: { display: true, content: label, backgroundColor: PALETTE.card, color: PALETTE.ink },
  });
  const config: ChartConfiguration<'scatter'> = {
    type: 'scatter',
    data: {
      datasets: [
        {
          label: 'read',
          data: points.map(([p, d]) => ({ x: d / length, y: p / force })),
          showLine: true,
          borderColor: PALETTE.clay,
          pointRadius: 2,
        },
      ],
    },
    options: {
      scales: {
        x: { type: 'linear', title: { display: true, text: `deflection, ${unit('thickness')}` } },
        y: { min: 0, title: { display: true, text: `load, ${unit('force')}` } },
      },
      plugins: {
        legend: { display: false },
        annotation: {
          annotations: {
            stop: at(proof.stop, 'stop'),
            ...(proof.failure !== null && { failure: at(proof.failure, 'thought to give way') }),
          },
        },
      },
    },
  };
  return (
    <Chart size="chart-mid" config={config} label="Load against deflection">
      Highest load {full(Math.max(...points.map(([p]) => p)), 'force')}, stop at {full(proof.stop, 'force')}.
    </Chart>
  );
}
