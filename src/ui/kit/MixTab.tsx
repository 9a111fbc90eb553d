'use client';
import type { ChartConfiguration } from 'chart.js';
import { useMemo, useState } from 'react';
import { Alert, Button, Card } from 'react-bootstrap';
import { KeramosError } from '@/core/error';
import { evaluateDetails } from '@/core/detail/kinds';
import { makeEvaluator } from '@/core/evaluate';
import { writeAt } from '@/core/field';
import { drawnBesides, type Filling } from '@/core/fill';
import { mixingPlan, USUAL_MIXING, type Mixing, type MixingPlan, type MixStage } from '@/core/kit';
import { formatNumber } from '@/core/quantity';
import { useDesign } from '../shared/boat';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';
import { QuantityField } from '../shared/QuantityField';
import { Refusal } from '../shared/Refusal';
import { useUnits } from '../shared/units';
import { useSetting, type Kept } from '../shared/useSetting';
import { MixingCard } from './MixingCard';

const KIND_NAMES = { coating: 'coat', laminate: 'lay', fill: 'fill', paste: 'paste' } as const;
const whatOf = ({ kind, name, layers }: MixStage) => {
  if (kind === 'coating' || kind === 'paste') return name;
  return layers.length === 0 ? name.toLowerCase() : `layers ${layers[0]} to ${layers.at(-1)}`;
};
const titleOf = (stage: MixStage, copies: number) =>
  `${stage.part}${copies > 1 ? ` ${stage.copy}` : ''}, ${KIND_NAMES[stage.kind]} ${whatOf(stage)}`;

/** Batches of resin by part and stage; a change of the shop's temperature plans them anew. */
export function MixTab({
  mixing,
  filling,
  onKept,
}: {
  mixing: Kept<Mixing>;
  filling: Filling;
  onKept: (kept: Kept<Mixing>) => void;
}) {
  const { boat } = useDesign();
  const { draft, setDraft, refusal, setRefusal, busy, changed, keep } = useSetting<Mixing>('mixing', mixing, onKept);
  const evaluations = useMemo(() => makeEvaluator()(boat), [boat]);
  const plan = useMemo((): MixingPlan | string => {
    try {
      return mixingPlan(boat, evaluations, draft, {
        details: evaluateDetails(boat),
        drawn: drawnBesides(boat, evaluations, filling),
      });
    } catch (error) {
      if (error instanceof KeramosError) return error.text;
      throw error;
    }
  }, [boat, evaluations, draft, filling]);
  const set = (key: string, value: unknown) => {
    setDraft(writeAt(draft, key, value));
    return undefined;
  };
  const quick = (
    label: string,
    key: 'temperature' | 'people' | 'workingShare',
    kind: 'temperature' | 'ratio',
    range: [number, number],
  ) => (
    <div className="narrow-field">
      <QuantityField
        label={label}
        kind={kind}
        value={draft[key]}
        minimum={range[0]}
        maximum={range[1]}
        onCommit={(value) => {
          if (key === 'people' && !Number.isInteger(value)) return 'A whole number';
          set(key, value);
          return undefined;
        }}
      />
    </div>
  );
  return (
    <>
      <div className="d-flex gap-3 align-items-end flex-wrap mb-3 d-print-none">
        {quick('Shop', 'temperature', 'temperature', [5, 40])}
        {quick('People who wet out', 'people', 'ratio', [1, 30])}
        {quick('Of the pot life, used', 'workingShare', 'ratio', [0.1, 1])}
        <Button size="sm" disabled={!changed || busy} onClick={() => void keep()}>
          Keep these
        </Button>
        {changed && <span className="soft">Planned with what stands here; not kept yet.</span>}
      </div>
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      {typeof plan === 'string' ? (
        <Alert variant="danger" role="alert">
          ✕ {plan}.
        </Alert>
      ) : (
        <Planned plan={plan} temperature={draft.temperature} />
      )}
      <MixingCard draft={draft} onSet={set} onBack={() => setDraft(USUAL_MIXING)} own={mixing.own} busy={busy} />
    </>
  );
}

function Planned({ plan, temperature }: { plan: MixingPlan; temperature: number }) {
  const { boat } = useDesign();
  const { full, show, unit } = useUnits();
  const [at, setAt] = useState(0);
  if (plan.stages.length === 0)
    return (
      <p className="soft">Nothing is laid that is mixed for: {plan.problems.join('; ') || 'lay a schedule first'}.</p>
    );
  const stage = plan.stages[Math.min(at, plan.stages.length - 1)]!;
  const batchCount = plan.stages.reduce((sum, one) => sum + one.batches.length, 0);
  const copies = (one: MixStage) => boat.parts.find(({ id }) => id === one.partId)?.number ?? 1;
  const { hardener, batches } = stage;
  const strokes = (share: number) => formatNumber(10 * share, 1);
  const config: ChartConfiguration<'bar'> = {
    type: 'bar',
    data: {
      labels: batches.map((_, i) => `batch ${i + 1}`),
      datasets: [
        {
          data: batches.map(({ startMinute, usedUp }) => [startMinute, usedUp] as [number, number]),
          backgroundColor: PALETTE.clay,
          borderSkipped: false,
          label: 'wetted out',
        },
        {
          data: batches.map(
            ({ startMinute, usedUp }) => [usedUp, startMinute + stage.workingMinutes] as [number, number],
          ),
          backgroundColor: PALETTE.line,
          borderSkipped: false,
          label: 'working time left',
        },
      ],
    },
    options: {
      indexAxis: 'y',
      scales: {
        x: { title: { display: true, text: 'Minutes from the first batch' }, beginAtZero: true },
        y: { stacked: true },
      },
      plugins: { legend: { display: true, position: 'bottom' } },
    },
  };
  return (
    <>
      <p>
        {full(plan.resin, 'mass')} of resin and {full(plan.hardener, 'mass')} of hardener at {temperature} °C in{' '}
        {batchCount} batches; about {full(plan.leftOver, 'mass')} stays in pots and on tools
        {plan.besides > 0 && <>, {full(plan.besides, 'mass')} in mesh, peel ply, film and lines</>}.
        {plan.problems.map((text) => ` ${text}.`)}
      </p>
      <p className="small soft">
        Every batch is inside its pot and its working time. Not checked: whether a part is full before the first batch
        gels, how hot a thick laminate gets (Fill & cure says both). Not in it: the filler of boxes, and overlaps on
        lines of unknown length (Weights names them).
        {plan.stages.some(({ kind }) => kind === 'fill') &&
          ' ⚠ For a fill nothing is mixed before the last drop test of its bag has passed (Fill & cure, Bag).'}
      </p>
      <Card className="mb-3">
        <Card.Body className="p-0 table-responsive">
          <table className="table table-sm mb-0" aria-label="What is mixed, stage by stage">
            <thead>
              <tr>
                <th scope="col">Stage</th>
                <th scope="col" className="num">
                  stays, {unit('batchMass')}
                </th>
                <th scope="col" className="num">
                  mix, {unit('batchMass')}
                </th>
                <th scope="col" className="num">
                  batches
                </th>
                <th scope="col">Hardener</th>
                <th scope="col" className="num">
                  minutes to work
                </th>
              </tr>
            </thead>
            <tbody>
              {plan.stages.map((one, i) => (
                <tr key={titleOf(one, copies(one))} className={one === stage ? 'table-active' : undefined}>
                  <th scope="row" className="fw-normal">
                    <button
                      type="button"
                      className="btn btn-link btn-sm p-0 text-start"
                      aria-pressed={one === stage}
                      onClick={() => setAt(i)}
                    >
                      {titleOf(one, copies(one))}
                    </button>
                  </th>
                  <td className="num">{show(one.stays, 'batchMass')}</td>
                  <td className="num">{show(one.mixed, 'batchMass')}</td>
                  <td className="num">{one.batches.length}</td>
                  <td>{one.hardener.name}</td>
                  <td className="num">{formatNumber(one.workingMinutes, 0)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Card.Body>
      </Card>
      <Card body className="mb-3">
        <h2>{titleOf(stage, copies(stage))}</h2>
        <p>
          {hardener.share > 0
            ? `${hardener.name}: ${formatNumber(100 * hardener.share, 1)} by mass for 100 of resin, ` +
              `${formatNumber(100 * stage.byVolume, 1)} by volume; at the pump ${strokes(1)} strokes of resin to ` +
              `${strokes(stage.byVolume)} of hardener. Weigh it; a pump is checked by scale every morning.`
            : `${hardener.name}. Weigh it.`}
        </p>
        {batches.length > 1 && (
          <Chart size="chart-mid" label="Batches over time" config={config}>
            {batches
              .map(
                ({ startMinute, usedUp }, i) =>
                  `batch ${i + 1} from ${formatNumber(startMinute, 0)} to ${formatNumber(usedUp, 0)} minutes`,
              )
              .join('. ')}
          </Chart>
        )}
        <div className="table-responsive">
          <table className="table table-sm mb-2" aria-label="Batches">
            <thead>
              <tr>
                <th scope="col">Batch</th>
                <th scope="col" className="num">
                  resin, {unit('batchMass')}
                </th>
                <th scope="col" className="num">
                  hardener, {unit('smallMass')}
                </th>
                <th scope="col" className="num">
                  resin, L
                </th>
                <th scope="col" className="num">
                  hardener, mL
                </th>
                <th scope="col" className="num">
                  from minute
                </th>
                <th scope="col" className="num">
                  used up by
                </th>
                <th scope="col">Wets</th>
              </tr>
            </thead>
            <tbody>
              {batches.map((batch, i) => (
                <tr key={i}>
                  <th scope="row" className="fw-normal">
                    {i + 1}
                  </th>
                  <td className="num">{show(batch.resin, 'batchMass')}</td>
                  <td className="num">{show(batch.hardener, 'smallMass')}</td>
                  <td className="num">{formatNumber(batch.resinVolume, 2)}</td>
                  <td className="num">{formatNumber(1000 * batch.hardenerVolume, 0)}</td>
                  <td className="num">{formatNumber(batch.startMinute, 0)}</td>
                  <td className="num">{formatNumber(batch.usedUp, 0)}</td>
                  <td className="small">
                    {batch.wets
                      .map(
                        ({ layerNumber, share }) =>
                          `layer ${layerNumber}${share < 0.995 ? ` (${formatNumber(100 * share, 0)} %)` : ''}`,
                      )
                      .join(', ')}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        {stage.besides > 0 && (
          <p className="mb-1">
            Of it {full(stage.besides, 'batchMass')} go into mesh, peel ply, film and lines, and come off with them.
          </p>
        )}
        {stage.cautions.map((text) => (
          <p key={text} className="mb-1">
            △ {text}.
          </p>
        ))}
        <p className="small soft mb-0">
          Goggles and gloves for hardener and resin; never mix accelerator into peroxide; resin on skin comes off with
          soap, not with solvent. What the maker&apos;s data sheet says goes before these figures.
        </p>
      </Card>
    </>
  );
}
