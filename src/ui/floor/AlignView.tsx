'use client';
import type { ChartConfiguration } from 'chart.js';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { lineUp, type AlignmentSurvey, type LinedUp, type MeasuredPair } from '@/core/align';
import type { BuildRecordOf } from '@/core/build';
import { displayUnit } from '@/core/quantity';
import { Chart } from '../shared/charts/Chart';
import { Moment } from '../shared/Moment';
import { PALETTE } from '../shared/palette';
import { QuantityField } from '../shared/QuantityField';
import { useUnits } from '../shared/units';
import { FittingAngle } from './FittingAngle';
import { NotTaken } from './NotTaken';
import { TakeBack } from './TakeBack';
import { useFloor } from './useFloor';

const pairAt = (name: string, x: number): MeasuredPair => ({
  name,
  x,
  port: null,
  starboard: null,
  portHeight: null,
  starboardHeight: null,
});
const FRESH: AlignmentSurvey = {
  pairs: [pairAt('1', 0), pairAt('2', 2), pairAt('3', 4)],
  diagonals: [],
  tape: 0.001,
};
const COLUMNS = {
  x: 'Along the string',
  port: 'To port',
  starboard: 'To starboard',
  portHeight: 'Height, port',
  starboardHeight: 'Height, starboard',
} as const;
const REACH: Record<keyof typeof COLUMNS, [number, number]> = {
  x: [-60, 60],
  port: [-30, 30],
  starboard: [-30, 30],
  portHeight: [-30, 30],
  starboardHeight: [-30, 30],
};

/** Whether it stands straight: pairs to port and starboard of a string, diagonals, heights; what the tape says. */
export function AlignView() {
  const { state, note } = useFloor();
  const [survey, setSurvey] = useState(FRESH);
  const [name, setName] = useState('');
  const [part, setPart] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  const found = lineUp(survey);
  const set = (pairs: MeasuredPair[]) => setSurvey({ ...survey, pairs });
  const setPair = (i: number, change: Partial<MeasuredPair>) =>
    set(survey.pairs.map((pair, k) => (k === i ? { ...pair, ...change } : pair)));
  const keep = async () => {
    const said = await note('alignment', { part: part === '' ? null : part, name: name.trim(), survey });
    setRefusal(said);
    if (said !== null) return;
    setSurvey(FRESH);
    setName('');
  };
  const next = () => pairAt(String(survey.pairs.length + 1), (survey.pairs.at(-1)?.x ?? -2) + 2);
  return (
    <section aria-label="Line up">
      <div className="align-head">
        <Form.Control
          aria-label="What is measured"
          placeholder="What is measured: hull in the cradle…"
          value={name}
          maxLength={60}
          onChange={(event) => setName(event.target.value)}
        />
        <Form.Select aria-label="Part" value={part} onChange={(event) => setPart(event.target.value)}>
          <option value="">the boat</option>
          {state.plan.parts.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </Form.Select>
        <QuantityField
          label="A reading is good to"
          kind="thickness"
          value={survey.tape}
          minimum={0.0001}
          maximum={0.05}
          onCommit={(tape) => setSurvey({ ...survey, tape: tape ?? survey.tape })}
        />
      </div>
      <Pairs
        survey={survey}
        found={found}
        onPair={setPair}
        onRemove={(i) => set(survey.pairs.filter((_, k) => k !== i))}
      />
      <Button
        variant="outline-primary"
        disabled={survey.pairs.length >= 60}
        onClick={() => set([...survey.pairs, next()])}
      >
        Another pair
      </Button>
      <Diagonals survey={survey} found={found} onChange={setSurvey} />
      <Findings found={found} />
      <NotTaken text={refusal} />
      <Button size="lg" disabled={name.trim() === '' || found.centreline === null} onClick={() => void keep()}>
        Keep what was measured
      </Button>
      <FittingAngle lean={found.lean?.leanDeg ?? 0} />
      {state.alignments.length > 0 && <h2 className="mt-3">Measured before</h2>}
      {[...state.alignments].reverse().map((record) => (
        <KeptSurvey key={record.id} record={record} onAgain={() => setSurvey(record.body.survey)} />
      ))}
    </section>
  );
}

/** Whether a pair is borne out by the others, in its centreline or its level. */
function doubtOf({ centreline, lean }: LinedUp, name: string): string | null {
  const among = (line: LinedUp['centreline'] | LinedUp['lean']) =>
    line?.doubtful.some((i) => line.names[i] === name) ?? false;
  if (among(centreline)) return 'the others put its middle elsewhere: measure it again';
  return among(lean) ? 'the others lean otherwise: measure its heights again' : null;
}

function Pairs({
  survey,
  found,
  onPair,
  onRemove,
}: {
  survey: AlignmentSurvey;
  found: LinedUp;
  onPair: (i: number, change: Partial<MeasuredPair>) => void;
  onRemove: (i: number) => void;
}) {
  return (
    <div className="align-pairs" role="group" aria-label="Pairs">
      {survey.pairs.map((pair, i) => {
        const doubt = doubtOf(found, pair.name);
        return (
          <div key={i} className={`align-pair ${doubt ? 'doubtful' : ''}`}>
            <Form.Group controlId={`pair-${i}`}>
              <Form.Label className="mb-0">Pair</Form.Label>
              <Form.Control
                value={pair.name}
                maxLength={60}
                onChange={(event) => onPair(i, { name: event.target.value })}
              />
            </Form.Group>
            {(Object.keys(COLUMNS) as (keyof typeof COLUMNS)[]).map((key) => (
              <QuantityField
                key={key}
                label={COLUMNS[key]}
                kind={key === 'x' ? 'length' : 'shortLength'}
                value={pair[key]}
                minimum={REACH[key][0]}
                maximum={REACH[key][1]}
                optional={key !== 'x'}
                onCommit={(value) => onPair(i, { [key]: key === 'x' ? (value ?? 0) : value })}
              />
            ))}
            <Button variant="outline-primary" aria-label={`Leave pair ${pair.name} out`} onClick={() => onRemove(i)}>
              ✕
            </Button>
            {doubt && <p className="floor-bad mb-0">△ Doubtful: {doubt}</p>}
          </div>
        );
      })}
    </div>
  );
}

function Diagonals({
  survey,
  found,
  onChange,
}: {
  survey: AlignmentSurvey;
  found: LinedUp;
  onChange: (survey: AlignmentSurvey) => void;
}) {
  const { full } = useUnits();
  const { diagonals } = survey;
  const set = (i: number, change: object) =>
    onChange({ ...survey, diagonals: diagonals.map((one, k) => (k === i ? { ...one, ...change } : one)) });
  const add = () => onChange({ ...survey, diagonals: [...diagonals, { name: 'deck corners', one: 3, other: 3 }] });
  return (
    <div className="mt-2">
      {diagonals.map((one, i) => (
        <div key={i} className="align-pair">
          <Form.Group controlId={`diagonal-${i}`}>
            <Form.Label className="mb-0">Between</Form.Label>
            <Form.Control value={one.name} maxLength={60} onChange={(event) => set(i, { name: event.target.value })} />
          </Form.Group>
          {(['one', 'other'] as const).map((key) => (
            <QuantityField
              key={key}
              label={key === 'one' ? 'Port fore to starboard aft' : 'Starboard fore to port aft'}
              kind="shortLength"
              value={one[key]}
              minimum={0.01}
              maximum={60}
              onCommit={(value) => set(i, { [key]: value ?? one[key] })}
            />
          ))}
          <p className={found.diagonals[i]!.doubtful ? 'floor-bad mb-0' : 'mb-0'}>
            {found.diagonals[i]!.doubtful ? '△ racked or misread by ' : 'differ by '}
            {full(Math.abs(found.diagonals[i]!.difference), 'thickness')}
          </p>
        </div>
      ))}
      <Button variant="outline-primary" disabled={diagonals.length >= 20} onClick={add}>
        Diagonals
      </Button>
    </div>
  );
}

const degrees = (value: number) => `${Math.abs(value).toFixed(2)}°`;
const SIDES: [string, string] = ['starboard', 'port'];
const side = (value: number, [positive, negative]: [string, string]) => (value >= 0 ? positive : negative);

/** Centreline, lean and twist in words and as a picture. */
function Findings({ found: { centreline, lean, missing } }: { found: LinedUp }) {
  const { full, system, unit } = useUnits();
  const scale = displayUnit('thickness', system).factor;
  const along = displayUnit('length', system).factor;
  if (!centreline) return <p className="soft mt-2">Wanted for a result: {missing.join('; ')}.</p>;
  const at = ([x, y]: [number, number]) => ({ x: x / along, y: y / scale });
  const isKept = (_: unknown, i: number) => !centreline.doubtful.includes(i);
  const xs = centreline.points.map(([x]) => x);
  const ends = [Math.min(...xs), Math.max(...xs)];
  const line = ends.map((x) => at([x, centreline.offset + centreline.slope * x]));
  const config: ChartConfiguration<'scatter'> = {
    type: 'scatter',
    data: {
      datasets: [
        { label: 'best centreline', data: line, showLine: true, pointRadius: 0, borderColor: PALETTE.clay },
        {
          label: 'middle of a pair',
          data: centreline.points.filter(isKept).map(at),
          pointRadius: 6,
          backgroundColor: PALETTE.ink,
        },
        {
          label: 'doubtful, left out',
          data: centreline.points.filter((_, i) => !isKept(_, i)).map(at),
          pointStyle: 'crossRot',
          pointRadius: 9,
          borderWidth: 3,
          borderColor: PALETTE.ink,
        },
      ],
    },
    options: {
      scales: {
        x: { type: 'linear', title: { display: true, text: `along the string, ${unit('length')}` } },
        y: { title: { display: true, text: `to starboard of the string, ${unit('thickness')}` } },
      },
    },
  };
  const first = centreline.offset + centreline.slope * ends[0]!;
  const last = centreline.offset + centreline.slope * ends[1]!;
  return (
    <div className="mt-3">
      <Chart size="chart-mid" config={config} label="Middles of the pairs and the best centreline">
        {centreline.points.map(([x, y], i) => (
          <span key={i}>
            Pair {centreline.names[i]} at {full(x, 'length')}: {full(y, 'thickness')}
            {centreline.doubtful.includes(i) && ', doubtful'}.{' '}
          </span>
        ))}
      </Chart>
      <ul className="align-says">
        <li>
          Best centreline: <strong>{full(Math.abs(first), 'thickness')}</strong> to {side(first, SIDES)} of the string
          at its first pair, <strong>{full(Math.abs(last), 'thickness')}</strong> to {side(last, SIDES)} at its last;
          turned {degrees(centreline.turnDeg)} to {side(centreline.turnDeg, SIDES)}. The middles scatter by{' '}
          {full(centreline.spread, 'thickness')} about it.
        </li>
        {[centreline, lean].map((line, i) =>
          line?.doubtful.map((k) => (
            <li key={`${i}-${k}`} className="floor-bad">
              △ {line.names[k]} is doubtful and left out: measure its {i === 0 ? 'two sides' : 'heights'} again.
            </li>
          )),
        )}
        {lean && (
          <li>
            Leans <strong>{degrees(lean.leanDeg)}</strong> to {side(lean.leanDeg, SIDES)} where the string begins,
            twists <strong>{degrees(lean.twistDegPerMetre)}</strong> a metre to
            {` ${side(lean.twistDegPerMetre, SIDES)} `}going along it.
          </li>
        )}
        {centreline.points.length < 4 && (
          <li className="soft">Not checked: with fewer than four pairs no reading can be found doubtful.</li>
        )}
        {missing.map((what) => (
          <li key={what} className="soft">
            Not found: {what}.
          </li>
        ))}
      </ul>
    </div>
  );
}

function KeptSurvey({ record, onAgain }: { record: BuildRecordOf<'alignment'>; onAgain: () => void }) {
  const { state } = useFloor();
  const { name, part, survey } = record.body;
  const where = state.plan.parts.find(({ id }) => id === part)?.name ?? 'the boat';
  return (
    <article className="floor-card" aria-label={name}>
      <div>
        <strong>{name}</strong>, {where}: {survey.pairs.length} pairs, by {record.person}, <Moment iso={record.at} />
        <Findings found={lineUp(survey)} />
      </div>
      <div className="d-grid gap-2">
        <Button variant="outline-primary" onClick={onAgain}>
          Measure it again
        </Button>
        <TakeBack record={record} title="Take the measurement back" act="It does not hold" />
      </div>
    </article>
  );
}
