'use client';
import type { ChartConfiguration } from 'chart.js';
import { useMemo, useState } from 'react';
import { Button, Card } from 'react-bootstrap';
import type { Boat, Part, Zone } from '@/core/document';
import { targetOf } from '@/core/evaluate';
import type { Material } from '@/core/material';
import { takeRead, type PartCandidate, type PartRead } from '@/core/option';
import { formatReserve } from '@/core/quantity';
import { useDesign } from '../shared/boat';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';
import { Refusal } from '../shared/Refusal';
import { useEditAs } from '../shared/useEdit';
import { useUnits } from '../shared/units';
import { Verdict } from '../shared/Verdict';
import { TakeIt } from './TakeIt';
import { checkName } from './words';

const nameOf = ({ layers }: PartCandidate): string =>
  layers.map(({ code, count }) => (count > 1 ? `${count} × ${code}` : code)).join(', ');
const percent = (share: number) => (share < 0.01 ? 'under 1 %' : `${Math.round(share * 100)} %`);

interface ReadViewProps {
  read: PartRead;
  of: Boat;
  current: boolean;
  part: Part;
  zone: Zone;
  shelf: readonly Material[];
}

/** The laminates that explain the readings: how likely each is, what it comes to, and taking one over. */
export function ReadView({ read, of, current, part, zone, shelf }: ReadViewProps) {
  const { id: boatId } = useDesign();
  const { full, show, unit, words } = useUnits();
  const editAs = useEditAs();
  const [chosen, setChosen] = useState<number | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const { candidates, band, laminate, suspicions, thickest, tried } = read;
  const one = chosen === null ? null : candidates[chosen]!;
  const taken = useMemo(
    () => one && takeRead(of, { part, zone }, { rows: one.rows, name: `${zone.name}, as it was read`, shelf }),
    [one, of, part, zone, shelf],
  );
  const config: ChartConfiguration<'bar'> = {
    type: 'bar',
    data: {
      labels: candidates.map((candidate) => words(nameOf(candidate))),
      datasets: [
        {
          data: candidates.map(({ likelihood }) => likelihood * 100),
          backgroundColor: candidates.map((_, i) => (i === chosen ? PALETTE.blush : PALETTE['in-hand'])),
          borderColor: candidates.map((_, i) => (i === chosen ? PALETTE.clay : PALETTE.ink)),
          borderWidth: 0.8,
        },
      ],
    },
    options: {
      indexAxis: 'y',
      onClick: (_, [bar]) => bar && setChosen(bar.index),
      scales: {
        x: { min: 0, title: { display: true, text: 'How likely, %' } },
        y: { ticks: { autoSkip: false, color: PALETTE.ink }, grid: { display: false } },
      },
      plugins: { legend: { display: false } },
    },
  };
  const between = ([low, high]: [number, number], said: (value: number) => string) =>
    low === high ? said(low) : `${said(low)} to ${said(high)}`;
  return (
    <div className="d-grid gap-3">
      <Card body>
        <p className="mb-1">
          It weighs {between(band.mass, (value) => full(value, 'laminateWeight'))} without coating
          {band.reserve && <>, and would hold {between(band.reserve, formatReserve)} of what the rule asks here</>}:
          nine times in ten, if it is laid of these cloths.
        </p>
        {laminate && (
          <p className="mb-1">
            Laminate {full(laminate.mean, 'thickness')} from {laminate.from}{' '}
            {laminate.from === 1 ? 'reading' : 'readings'}
            {laminate.from > 1 && <>, scatter {full(laminate.deviation, 'thickness')}</>}
            {thickest !== null && laminate.from > 1 && <>, thickest at reading {thickest + 1}</>}.
          </p>
        )}
        {suspicions.length > 0 && (
          <ul className="mb-2 ps-3" aria-label="What is suspicious">
            {suspicions.map((text) => (
              <li key={text}>△ {words(text)}.</li>
            ))}
          </ul>
        )}
        <Chart size="chart-tall" label="How likely each laminate is" config={config} />
      </Card>
      <Card>
        <Card.Body className="p-0 table-responsive">
          <table className="table table-sm mb-0" aria-label="Laminates that it may be">
            <thead>
              <tr>
                <th scope="col">Laminate, cloths in turn</th>
                <th scope="col" className="num">
                  likely
                </th>
                <th scope="col" className="num">
                  {unit('thickness')}
                </th>
                <th scope="col" className="num">
                  {unit('laminateWeight')}
                </th>
                <th scope="col">By the rule here</th>
              </tr>
            </thead>
            <tbody>
              {candidates.map((candidate, i) => (
                <tr key={nameOf(candidate)} className={i === chosen ? 'table-active' : undefined}>
                  <th scope="row" className="fw-normal">
                    <button
                      type="button"
                      className="btn btn-link btn-sm p-0 text-start"
                      aria-pressed={i === chosen}
                      onClick={() => setChosen(i)}
                    >
                      {words(nameOf(candidate))}
                    </button>
                  </th>
                  <td className="num">{percent(candidate.likelihood)}</td>
                  <td className="num">{show(candidate.thickness, 'thickness')}</td>
                  <td className="num">{show(candidate.mass, 'laminateWeight')}</td>
                  <td>
                    {candidate.reserveFactor === null ? (
                      <span className="soft">not proven</span>
                    ) : (
                      <>
                        <Verdict reserveFactor={candidate.reserveFactor} target={targetOf(of)} words={false} />{' '}
                        <span className="soft">{checkName(candidate.governs ?? '')}</span>
                      </>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Card.Body>
      </Card>
      {one && taken && (
        <Card body>
          <h2>{words(nameOf(one))}</h2>
          {current ? (
            <>
              <p className="mb-2">
                <Button
                  variant="outline-primary"
                  onClick={() =>
                    setRefusal(editAs(`${zone.name} is to match what was read`, ...taken.reference) ?? null)
                  }
                >
                  Keep it as what {zone.name} must match
                </Button>
              </p>
              <Refusal text={refusal} onClose={() => setRefusal(null)} />
              <TakeIt boat={of} boatId={boatId} title={`laid ${zone.name} as it was read`} edits={taken.schedule} />
            </>
          ) : (
            <p className="mb-0">The boat has changed since: ask again before you take it.</p>
          )}
        </Card>
      )}
      <p className="small soft mb-0">
        {tried} stacks weighed by how well they explain the readings: a gauge reads to {full(0.0002, 'thickness')},
        hands lay to 8 %, layers are counted to 0.7, burning off is good to 5 %. Fibre fractions are those of the boat’s
        process and resin; the order of cloths, voids, water and damage are not seen by a thickness. Strength is of new
        material: an old part is for a surveyor to judge.
      </p>
    </div>
  );
}
