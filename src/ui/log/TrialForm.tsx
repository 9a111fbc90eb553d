'use client';
import { useQuery } from '@tanstack/react-query';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import type { QuantityKind } from '@/core/quantity';
import { readCurve, sayPoint } from '@/core/record';
import {
  BREAKS,
  readTrial,
  TESTS,
  type BreakKind,
  type NextTrial,
  type TestKind,
  type Trial,
  type TrialBoat,
  type TrialLayer,
  type TrialPrediction,
} from '@/core/trial';
import { api, textOf } from '../shared/api';
import { CaptureCurve } from '../shared/CaptureCurve';
import { QuantityField } from '../shared/QuantityField';
import { Refusal } from '../shared/Refusal';
import { useUnits } from '../shared/units';
import { TrialCurves } from './TrialCharts';

interface Expected {
  prediction: TrialPrediction;
  next: NextTrial[];
}

/** One sample: its lay-up, how it is loaded, what it should do, and what was read. */
export function TrialForm({
  boats,
  draft,
  onDraft,
  onKept,
  onLeave,
}: {
  boats: TrialBoat[];
  draft: Trial;
  onDraft: (trial: Trial) => void;
  onKept: (trial: Trial) => void;
  onLeave: () => void;
}) {
  const { system, words } = useUnits();
  const [text, setText] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  const [id] = useState(() => nanoid(12));
  const boat = boats.find((one) => one.id === draft.boat) ?? boats[0]!;
  const set = (change: Partial<Trial>) => onDraft({ ...draft, ...change });
  const { layers, test, span, width } = draft;
  const asked = JSON.stringify({ boat: boat.id, layers, test, span, width });
  const { data: expected, error } = useQuery({
    queryKey: ['trial', asked],
    queryFn: () => api<Expected>('GET', `/api/trials?asked=${encodeURIComponent(asked)}`),
    retry: false,
    placeholderData: (before) => before,
  });
  const read = (typed: string) => {
    setText(typed);
    setRefusal(null);
    try {
      set({ points: readCurve(typed, system) });
    } catch (reason) {
      setRefusal(textOf(reason));
    }
  };
  const keep = async () => {
    try {
      await api('POST', '/api/trials', { id, corrects: null, void: false, kind: 'trial', body: draft });
      onKept(draft);
    } catch (reason) {
      setRefusal(textOf(reason));
    }
  };
  const fresh = error ? undefined : expected;
  return (
    <Card body className="mb-3">
      <h2>A sample</h2>
      <Refusal text={refusal === null ? null : words(refusal)} onClose={() => setRefusal(null)} />
      <div className="align-pair">
        <Form.Group controlId="trial-series">
          <Form.Label className="mb-0">Series</Form.Label>
          <Form.Control
            value={draft.series}
            maxLength={60}
            placeholder="Hatch 7"
            onChange={(event) => set({ series: event.target.value })}
          />
        </Form.Group>
        <Form.Group controlId="trial-name">
          <Form.Label className="mb-0">Sample</Form.Label>
          <Form.Control value={draft.name} maxLength={60} onChange={(event) => set({ name: event.target.value })} />
        </Form.Group>
        <Form.Group controlId="trial-boat">
          <Form.Label className="mb-0">Laid like</Form.Label>
          <Form.Select
            value={boat.id}
            onChange={(event) => {
              const next = boats.find((one) => one.id === event.target.value)!;
              set({ boat: next.id, layers: next.zones[0]?.layers ?? [] });
            }}
          >
            {boats.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="trial-zone">
          <Form.Label className="mb-0">Lay-up of a zone</Form.Label>
          <Form.Select
            value=""
            onChange={(event) => {
              const zone = boat.zones.find((one) => one.id === event.target.value);
              if (zone) set({ layers: zone.layers });
            }}
          >
            <option value="">take over…</option>
            {boat.zones.map((zone) => (
              <option key={zone.id} value={zone.id}>
                {zone.name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      </div>
      <Layers boat={boat} layers={layers} onChange={(next) => set({ layers: next })} />
      <SetUp draft={draft} set={set} />
      {error && <p className="floor-refusal">✕ {words(textOf(error))}</p>}
      {fresh && <Expectation expected={fresh} target={draft.target} onTake={(next) => set({ layers: next })} />}
      <CaptureCurve onPoint={(point) => read(`${text}${sayPoint(point, system)}\n`)} />
      <Form.Group controlId="trial-points" className="mb-2">
        <Form.Label className="mb-0">
          Load and deflection, a line each, typed, pasted or from a CSV ({system === 'us' ? 'lbf; in' : 'kN; mm'})
        </Form.Label>
        <Form.Control as="textarea" rows={5} value={text} onChange={(event) => read(event.target.value)} />
      </Form.Group>
      {draft.points.length > 0 && (
        <TrialCurves
          series={{
            samples: [
              { id, trial: draft, prediction: fresh?.prediction ?? null, result: readTrial(draft), author: '', on: '' },
            ],
          }}
        />
      )}
      <Breaks draft={draft} set={set} />
      <div className="d-flex gap-2">
        <Button disabled={draft.series.trim() === '' || layers.length === 0} onClick={() => void keep()}>
          Keep the sample
        </Button>
        <Button variant="outline-primary" onClick={onLeave}>
          Leave it
        </Button>
      </div>
    </Card>
  );
}

function Layers({
  boat,
  layers,
  onChange,
}: {
  boat: TrialBoat;
  layers: TrialLayer[];
  onChange: (layers: TrialLayer[]) => void;
}) {
  const set = (i: number, change: Partial<TrialLayer>) =>
    onChange(layers.map((layer, k) => (k === i ? { ...layer, ...change } : layer)));
  const coreOf = (id: string) => boat.materials.find((one) => one.id === id)?.isCore ?? false;
  return (
    <table className="table table-sm" aria-label="Layers of the sample, the face under the load first">
      <tbody>
        {layers.map((layer, i) => (
          <tr key={i}>
            <th scope="row" className="num fw-normal">
              {i + 1}
            </th>
            <td>
              <Form.Select
                size="sm"
                aria-label={`Material of layer ${i + 1}`}
                value={layer.material}
                onChange={(event) => {
                  const material = event.target.value;
                  set(i, { material, thickness: coreOf(material) ? (layer.thickness ?? 0.015) : null });
                }}
              >
                {boat.materials.map(({ id, code, name }) => (
                  <option key={id} value={id}>
                    {code} {name}
                  </option>
                ))}
              </Form.Select>
            </td>
            <td>
              {layer.thickness === null ? (
                <QuantityField
                  hideLabel
                  label={`Angle of layer ${i + 1}`}
                  kind="angle"
                  value={layer.angleDeg}
                  minimum={-360}
                  maximum={360}
                  onCommit={(angleDeg) => set(i, { angleDeg: angleDeg ?? 0 })}
                />
              ) : (
                <QuantityField
                  hideLabel
                  label={`Thickness of layer ${i + 1}`}
                  kind="thickness"
                  value={layer.thickness}
                  minimum={0.0005}
                  maximum={0.3}
                  onCommit={(thickness) => set(i, { thickness: thickness ?? layer.thickness })}
                />
              )}
            </td>
            <td>
              <Button
                size="sm"
                variant="outline-primary"
                aria-label={`Lay layer ${i + 1} twice`}
                onClick={() => onChange([...layers.slice(0, i + 1), layer, ...layers.slice(i + 1)])}
              >
                +
              </Button>{' '}
              <Button
                size="sm"
                variant="outline-primary"
                aria-label={`Leave layer ${i + 1} out`}
                disabled={layers.length === 1}
                onClick={() => onChange(layers.filter((_, k) => k !== i))}
              >
                ✕
              </Button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const SIZES: {
  label: string;
  key: 'span' | 'width' | 'target' | 'mostDeflection' | 'arealWeight';
  kind: QuantityKind;
  range: [number, number];
  optional?: true;
}[] = [
  { label: 'Between the supports', key: 'span', kind: 'shortLength', range: [0.02, 10] },
  { label: 'Width', key: 'width', kind: 'shortLength', range: [0.005, 5] },
  { label: 'Must bear', key: 'target', kind: 'force', range: [1, 1e8] },
  { label: 'May bend by', key: 'mostDeflection', kind: 'thickness', range: [0.00001, 10], optional: true },
  { label: 'Weighed', key: 'arealWeight', kind: 'laminateWeight', range: [0.1, 500], optional: true },
];

function SetUp({ draft, set }: { draft: Trial; set: (change: Partial<Trial>) => void }) {
  return (
    <div className="align-pair">
      <Form.Group controlId="trial-test">
        <Form.Label className="mb-0">Test</Form.Label>
        <Form.Select value={draft.test} onChange={(event) => set({ test: event.target.value as TestKind })}>
          {Object.entries(TESTS).map(([key, name]) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      {SIZES.map(({ label, key, kind, range: [minimum, maximum], optional = false }) => (
        <QuantityField
          key={key}
          label={key === 'span' && draft.test === 'tension' ? 'Between the grips' : label}
          kind={kind}
          value={draft[key]}
          minimum={minimum}
          maximum={maximum}
          optional={optional}
          onCommit={(value) => {
            if (value !== null || optional) set({ [key]: value });
          }}
        />
      ))}
    </div>
  );
}

function Expectation({
  expected: { prediction, next },
  target,
  onTake,
}: {
  expected: Expected;
  target: number;
  onTake: (layers: TrialLayer[]) => void;
}) {
  const { full } = useUnits();
  return (
    <div className="mb-2" role="status">
      <p className="mb-1">
        Should weigh <strong>{full(prediction.arealWeight, 'laminateWeight')}</strong> and break at{' '}
        <strong>{full(prediction.failure, 'force')}</strong>: {BREAKS[prediction.how]}
        {prediction.failure < target && ' △ below what it must bear'}, its first ply crack at{' '}
        {full(prediction.firstCrack, 'force')}
        {prediction.firstCrack < target && ' △ below what it must bear'}. Stop before anything flies: guard it, goggles
        on.
      </p>
      <details>
        <summary>One layer more or less</summary>
        <ul className="list-unstyled mb-0">
          {next.map((one) => (
            <li key={one.says}>
              <Button size="sm" variant="outline-primary" onClick={() => onTake(one.layers)}>
                Take
              </Button>{' '}
              {one.says}: {full(one.prediction.arealWeight, 'laminateWeight')}, {full(one.prediction.failure, 'force')}
            </li>
          ))}
        </ul>
      </details>
    </div>
  );
}

function Breaks({ draft, set }: { draft: Trial; set: (change: Partial<Trial>) => void }) {
  const change = (i: number, own: Partial<Trial['breaks'][number]>) =>
    set({ breaks: draft.breaks.map((one, k) => (k === i ? { ...one, ...own } : one)) });
  const highest = Math.max(0, ...draft.points.map(([load]) => load));
  const kind: BreakKind = draft.breaks.length === 0 ? 'crack' : 'compression';
  return (
    <div className="mb-2">
      {draft.breaks.map((one, i) => (
        <div key={i} className="align-pair">
          <Form.Group controlId={`break-${i}`}>
            <Form.Label className="mb-0">What happened</Form.Label>
            <Form.Select value={one.kind} onChange={(event) => change(i, { kind: event.target.value as BreakKind })}>
              {Object.entries(BREAKS)
                .filter(([key]) => key !== 'none')
                .map(([key, name]) => (
                  <option key={key} value={key}>
                    {name}
                  </option>
                ))}
            </Form.Select>
          </Form.Group>
          <QuantityField
            label="At"
            kind="force"
            value={one.load}
            minimum={0}
            maximum={1e8}
            onCommit={(load) => change(i, { load: load ?? one.load })}
          />
          <Form.Group controlId={`break-where-${i}`}>
            <Form.Label className="mb-0">Where</Form.Label>
            <Form.Control
              value={one.where}
              maxLength={120}
              onChange={(event) => change(i, { where: event.target.value })}
            />
          </Form.Group>
        </div>
      ))}
      <Button
        size="sm"
        variant="outline-primary"
        disabled={draft.breaks.length >= 10}
        onClick={() => set({ breaks: [...draft.breaks, { kind, load: highest, where: '' }] })}
      >
        {draft.breaks.length === 0 ? 'First crack, or broken' : 'And then'}
      </Button>
    </div>
  );
}
