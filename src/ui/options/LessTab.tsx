'use client';
import type { ChartConfiguration } from 'chart.js';
import { useEffect, useState } from 'react';
import { Card } from 'react-bootstrap';
import { targetOf } from '@/core/evaluate';
import type { LighterStack } from '@/core/option';
import { displayUnit, formatReserve } from '@/core/quantity';
import { useDesign } from '../shared/boat';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';
import { useUnits } from '../shared/units';
import { useZoneShown } from '../shared/useZoneShown';
import { ZonePicker } from '../shared/ZonePicker';
import { SearchCard } from './SearchCard';
import { TakeIt } from './TakeIt';
import { useSearch } from './useSearch';
import { checkName } from './words';

interface Ask {
  partId: string;
  zoneId: string;
}

/** Why a zone is not lighter: the nearest lighter stacks, and what each fails by. */
export function LessTab() {
  const { id: boatId, boat, evaluations } = useDesign();
  const { part, zone, choose } = useZoneShown(boat);
  const search = useSearch<Ask, LighterStack[]>(
    'less',
    boat,
    (remote, ask, { boat: of, known, onStep }) =>
      remote.whyNotLess({ boat: of, ...ask, evaluations: new Map(evaluations) }, known, onStep) as Promise<
        LighterStack[] | string
      >,
  );
  const { run } = search;
  const [partId, zoneId] = [part?.id, zone?.id];
  useEffect(() => {
    if (partId !== undefined && zoneId !== undefined) run({ partId, zoneId }, boat);
  }, [run, boat, partId, zoneId]);
  if (!part || !zone) return <p className="soft">This boat has no zones yet. Add one under Zones.</p>;
  const { result, of } = search;
  return (
    <>
      <div className="d-flex align-items-center gap-3 mb-2 flex-wrap">
        <ZonePicker zoneId={zone.id} onChoose={choose} />
      </div>
      <SearchCard search={search} boat={boat} wayOut="Choose another zone." />
      {Array.isArray(result) && of === boat && (
        <Lighter key={zone.id} stacks={result} zone={zone} boat={boat} boatId={boatId} />
      )}
    </>
  );
}

function Lighter({
  stacks,
  zone,
  boat,
  boatId,
}: {
  stacks: readonly LighterStack[];
  zone: { name: string };
  boat: Parameters<typeof targetOf>[0];
  boatId: string;
}) {
  const { system, show, unit, words } = useUnits();
  const [chosen, setChosen] = useState<LighterStack | null>(null);
  const target = targetOf(boat);
  if (stacks.length === 0)
    return (
      <Card body>
        No layer of {zone.name} can be taken out, laid lighter or made thinner: what is there is coat, skin coat, or
        what ties a core.
      </Card>
    );
  const { factor, label } = displayUnit('mass', system);
  const least = ({ fails }: LighterStack) => fails[0]?.reserveFactor ?? null;
  const drawn = stacks.filter(({ problem }) => problem === null);
  const config: ChartConfiguration<'scatter'> = {
    type: 'scatter',
    data: {
      datasets: [
        {
          data: drawn.map((one) => ({ x: one.weight / factor, y: least(one) ?? target })),
          pointStyle: drawn.map((one) => (least(one) === null ? 'triangle' : 'crossRot')),
          pointRadius: 6,
          pointBorderWidth: 2,
          pointBorderColor: drawn.map((one) => (least(one) === null ? PALETTE.meets : PALETTE.fails)),
          pointBackgroundColor: PALETTE.meets,
        },
      ],
    },
    options: {
      scales: {
        x: { title: { display: true, text: `Lighter by, ${label} in ${zone.name}` } },
        y: { title: { display: true, text: 'Least reserve of what falls short' } },
      },
      plugins: {
        legend: { display: false },
        annotation: {
          annotations: {
            asked: { type: 'line', yMin: target, yMax: target, borderColor: PALETTE.clay, borderWidth: 1.5 },
          },
        },
      },
    },
  };
  const would = stacks.filter(
    ({ fails, problem, harms }) => fails.length === 0 && problem === null && harms.length === 0,
  );
  return (
    <div className="d-grid gap-3">
      <p className="mb-0">
        {would.length === 0
          ? `No single change makes ${zone.name} lighter and leaves it at ${formatReserve(target)}.`
          : `${would.length} of ${stacks.length} lighter stacks would do: the nearest is ${would[0]!.title}.`}
      </p>
      <Card body>
        <Chart
          size="chart-mid"
          label={`Lighter stacks of ${zone.name}: crosses fall short, triangles on the line would do`}
          config={config}
        />
      </Card>
      <Card>
        <Card.Body className="p-0 table-responsive">
          <table className="table table-sm mb-0" aria-label="Lighter stacks and what each fails by">
            <thead>
              <tr>
                <th scope="col">Instead</th>
                <th scope="col" className="num">
                  {unit('mass')}
                </th>
                <th scope="col">Why not</th>
              </tr>
            </thead>
            <tbody>
              {stacks.map((one) => (
                <tr key={one.title}>
                  <th scope="row" className="fw-normal">
                    {words(one.title)}
                  </th>
                  <td className="num">−{show(-one.weight, 'mass')}</td>
                  <td>
                    <WhyNot one={one} onChoose={() => setChosen(one)} />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Card.Body>
      </Card>
      {chosen && (
        <Card body>
          <h2>{words(chosen.title)}</h2>
          <TakeIt boat={boat} boatId={boatId} title={chosen.title} edits={chosen.edits} />
        </Card>
      )}
      <p className="small soft mb-0">
        One change at a time. Coat, skin coat and what ties a core are not taken out: no check of strength counts them.
      </p>
    </div>
  );
}

function WhyNot({ one, onChoose }: { one: LighterStack; onChoose: () => void }) {
  const { words } = useUnits();
  if (one.problem !== null) return <>✕ {words(one.problem)}</>;
  if (one.fails.length > 0)
    return (
      <>
        {one.fails.slice(0, 3).map(({ id, governs, reserveFactor }) => (
          <div key={id}>
            ✕ {checkName(id)} {formatReserve(reserveFactor)} <span className="soft">{words(governs)}</span>
          </div>
        ))}
        {one.fails.length > 3 && <div className="soft">and {one.fails.length - 3} more</div>}
      </>
    );
  if (one.harms.length > 0) return <>✕ {one.harms.join(', ')} would fall below 1</>;
  return (
    <>
      ✓ it would do{' '}
      <button type="button" className="btn btn-link btn-sm p-0 align-baseline" onClick={onChoose}>
        look at it
      </button>
    </>
  );
}
