'use client';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { displayUnit, formatNumber } from '@/core/quantity';
import { stackCompatibility, type ZoneAnalysis } from '@/core/evaluate';
import { useUnits } from '../shared/units';

const DIRECTIONS = [0, 45, 90, -45];
const LEFT = 56,
  WIDTH = 430,
  TOP = 16,
  TALL = 220;

/** Do the fibres work together? Load against strain in one direction, with the order of failure and the honest sum. */
export function CompatibilityPanel({ analysis, zoneName }: { analysis: ZoneAnalysis; zoneName: string }) {
  const { show, unit, system } = useUnits();
  const [direction, setDirection] = useState(0);
  const found = stackCompatibility(analysis.plies, direction);
  if (!found) return <p className="soft">No ply of this zone has strengths.</p>;
  const { members, result } = found;
  const most = Math.max(...result.curve.map(({ strain }) => strain)) * 1.06;
  const top = Math.max(result.naiveSum, result.honestCapacity) * 1.08;
  const x = (strain: number) => LEFT + (strain / most) * WIDTH;
  const y = (load: number) => TOP + TALL - (load / top) * TALL;
  const families = new Set(analysis.plies.flatMap((ply) => (ply.fibre ? [ply.fibre] : [])));
  // Ticks at round figures of the unit shown; members that fail together share one mark.
  const line = displayUnit('lineForce', system).factor;
  const step =
    [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000].find((candidate) => top / line / candidate <= 5) ?? 10_000;
  const ticks = Array.from({ length: Math.floor(top / line / step) + 1 }, (_, i) => i * step);
  const strainStep = [0.001, 0.002, 0.005, 0.01, 0.02].find((candidate) => most / candidate <= 6) ?? 0.05;
  const strainTicks = Array.from({ length: Math.floor(most / strainStep) + 1 }, (_, i) => i * strainStep);
  const order = [...members].sort((a, b) => a.failureStrain - b.failureStrain);
  const groups: { from: number; to: number }[] = [];
  order.forEach((member, i) => {
    const last = groups.at(-1);
    if (last && member.failureStrain - order[last.from]!.failureStrain < 1e-4 * member.failureStrain) last.to = i;
    else groups.push({ from: i, to: i });
  });
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
                {angle === 0 ? 'fore and aft, 0°' : angle === 90 ? 'across, 90°' : `at ${formatNumber(angle, 0)}°`}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <svg
          viewBox={`0 0 ${LEFT + WIDTH + 20} ${TOP + TALL + 44}`}
          width="100%"
          role="img"
          aria-label={`Load against strain of ${zoneName}`}
        >
          {ticks.map((tick) => (
            <g key={tick}>
              <line x1={LEFT} x2={LEFT + WIDTH} y1={y(tick * line)} y2={y(tick * line)} stroke="#e5dccd" />
              <text x={LEFT - 6} y={y(tick * line) + 4} fontSize="10" textAnchor="end">
                {tick}
              </text>
            </g>
          ))}
          {strainTicks.map((tick) => (
            <text key={tick} x={x(tick)} y={TOP + TALL + 15} fontSize="10" textAnchor="middle">
              {formatNumber(tick * 100, 1)}
            </text>
          ))}
          <text x="2" y="10" fontSize="10" fill="#5f574d">
            {unit('lineForce')}
          </text>
          <text x={LEFT + WIDTH / 2} y={TOP + TALL + 34} fontSize="11" textAnchor="middle" fill="#5f574d">
            strain, %
          </text>
          <line
            x1={LEFT}
            x2={LEFT + WIDTH}
            y1={y(result.naiveSum)}
            y2={y(result.naiveSum)}
            stroke="#9b1c31"
            strokeDasharray="6 4"
          />
          <text x={LEFT + WIDTH} y={y(result.naiveSum) - 4} fontSize="10.5" textAnchor="end" fill="#9b1c31">
            strengths simply added up: {show(result.naiveSum, 'lineForce')}
          </text>
          <path
            d={result.curve.map(({ strain, load }, i) => `${i ? 'L' : 'M'} ${x(strain)} ${y(load)}`).join(' ')}
            fill="none"
            stroke="#2b2622"
            strokeWidth="2"
          />
          {groups.map(({ from, to }) => {
            const [cx, cy] = [x(order[from]!.failureStrain), y(result.sequence[from]!.load)];
            const text = from === to ? `${from + 1}` : `${from + 1}–${to + 1}`;
            return (
              <g key={from}>
                <rect
                  x={cx - 4 - text.length * 4}
                  y={cy - 9}
                  width={8 + text.length * 8}
                  height="18"
                  rx="9"
                  fill="#fffdf8"
                  stroke="#9a4527"
                  strokeWidth="1.6"
                />
                <text x={cx} y={cy + 3.5} fontSize="10" textAnchor="middle" fill="#9a4527">
                  {text}
                </text>
              </g>
            );
          })}
        </svg>
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
