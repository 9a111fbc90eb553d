'use client';
import { useState } from 'react';
import type { ChartConfiguration } from 'chart.js';
import { Form } from 'react-bootstrap';
import type { StrainCompatibility } from '@/core/laminate';
import { displayUnit, formatNumber, type UnitSystem } from '@/core/quantity';
import { stackCompatibility, type ZoneAnalysis } from '@/core/evaluate';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';
import { useUnits } from '../shared/units';

const NAMED_DIRECTIONS: Readonly<Record<number, string>> = { 0: 'fore and aft, 0°', 90: 'across, 90°' };
const DIRECTIONS = [0, 45, 90, -45];
/** Load against strain, the order of failure on it, and the strengths simply added up as a dashed line. */
function compatibilityConfig(
  result: StrainCompatibility,
  groups: readonly FailureGroup[],
  system: UnitSystem,
): ChartConfiguration<'scatter'> {
  const load = displayUnit('lineForce', system);
  const most = Math.max(...result.curve.map(({ strain }) => strain)) * 1.06;
  const naive = result.naiveSum / load.factor;
  return {
    type: 'scatter',
    data: {
      datasets: [
        {
          label: 'load',
          data: result.curve.map(({ strain, load: value }) => ({ x: strain * 100, y: value / load.factor })),
          showLine: true,
          pointRadius: 0,
          borderColor: PALETTE.ink,
          borderWidth: 2,
        },
      ],
    },
    options: {
      scales: {
        x: { min: 0, max: most * 100, title: { display: true, text: 'strain, %' } },
        y: { beginAtZero: true, max: naive * 1.12, title: { display: true, text: load.label } },
      },
      plugins: {
        legend: { display: false },
        annotation: {
          annotations: {
            naive: {
              type: 'line',
              yMin: naive,
              yMax: naive,
              borderColor: PALETTE.fails,
              borderDash: [6, 4],
              borderWidth: 1.4,
              label: {
                display: true,
                content: `strengths simply added up: ${formatNumber(naive, load.digits)}`,
                position: 'end',
                yAdjust: -10,
                color: PALETTE.fails,
                backgroundColor: 'transparent',
                font: { size: 11, weight: 'normal' },
              },
            },
            ...Object.fromEntries(
              groups.map(({ strain, load: value, text }) => [
                `fails${text}`,
                {
                  type: 'label' as const,
                  xValue: strain * 100,
                  yValue: value / load.factor,
                  content: text,
                  color: PALETTE.clay,
                  backgroundColor: PALETTE.card,
                  borderColor: PALETTE.clay,
                  borderWidth: 1.6,
                  borderRadius: 9,
                  padding: { top: 2, bottom: 2, left: 6, right: 6 },
                  font: { size: 10 },
                },
              ]),
            ),
          },
        },
      },
    },
  };
}

interface FailureGroup {
  strain: number;
  load: number;
  /** Places in the order of failure: '1' or '2–3'. */
  text: string;
}
const TOGETHER = 1e-4;

/** Members that fail together share one mark. */
function groupsOf(order: readonly { failureStrain: number }[], sequence: readonly { load: number }[]): FailureGroup[] {
  const groups: { from: number; to: number }[] = [];
  order.forEach((member, i) => {
    const last = groups.at(-1);
    if (last && member.failureStrain - order[last.from]!.failureStrain < TOGETHER * member.failureStrain) last.to = i;
    else groups.push({ from: i, to: i });
  });
  return groups.map(({ from, to }) => ({
    strain: order[from]!.failureStrain,
    load: sequence[from]!.load,
    text: from === to ? `${from + 1}` : `${from + 1}–${to + 1}`,
  }));
}

/** Do the fibres work together? Load against strain in one direction, with the order of failure and the honest sum. */
export function CompatibilityPanel({ analysis, zoneName }: { analysis: ZoneAnalysis; zoneName: string }) {
  const { show, unit, system } = useUnits();
  const [direction, setDirection] = useState(0);
  const found = stackCompatibility(analysis.plies, direction);
  if (!found) return <p className="soft">No ply of this zone has strengths.</p>;
  const { members, result } = found;
  const families = new Set(analysis.plies.flatMap((ply) => (ply.fibre ? [ply.fibre] : [])));
  const order = [...members].sort((x, y) => x.failureStrain - y.failureStrain);
  return (
    <div className="row g-3">
      <div className="col-lg-7">
        <Form.Group className="d-flex align-items-center gap-2 mb-2" controlId="compatibility-direction">
          <Form.Label className="mb-0">Pull</Form.Label>
          <Form.Select
            size="sm"
            className="w-auto"
            value={direction}
            onChange={(event) => setDirection(Number(event.target.value))}
          >
            {DIRECTIONS.map((angle) => (
              <option key={angle} value={angle}>
                {NAMED_DIRECTIONS[angle] ?? `at ${formatNumber(angle, 0)}°`}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Chart
          size="chart-mid"
          label={`Load against strain of ${zoneName}`}
          config={compatibilityConfig(result, groupsOf(order, result.sequence), system)}
        />
      </div>
      <div className="col-lg-5">
        <p className="mb-2">
          {families.size > 1 ? `${families.size} fibre families share the load. ` : ''}
          <strong>{result.firstToFail}</strong> goes first, at {show(result.loadAtFirstFailure, 'lineForce')}{' '}
          {unit('lineForce')}. The stack bears {show(result.honestCapacity, 'lineForce')},{' '}
          {formatNumber((result.honestCapacity / result.naiveSum) * 100, 0)} % of the strengths simply added up.
        </p>
        <table className="table table-sm" aria-label="Order of failure">
          <thead>
            <tr>
              <th className="num">#</th>
              <th>Fails</th>
              <th className="num">Share of load %</th>
              <th className="num">At strain %</th>
              <th className="num">
                Load then <span className="unit">{unit('lineForce')}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {order.map((member, i) => (
              <tr key={member.name}>
                <td className="num">{i + 1}</td>
                <td>{member.name}</td>
                <td className="num">{formatNumber(result.shares[members.indexOf(member)]! * 100, 0)}</td>
                <td className="num">{formatNumber(member.failureStrain * 100, 2)}</td>
                <td className="num">{show(result.sequence[i]!.load, 'lineForce')}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="small soft mb-0">
          Design strains after the boat's knock-downs; transverse cracking counts as failure of its ply. When a stiff
          fibre breaks, a stretchy one has taken only its share of strain: that is why strengths of unlike fibres do not
          add up.
        </p>
      </div>
    </div>
  );
}
