'use client';
import { FAILURE_MODES } from '@/core/laminate';
import { formatNumber, formatReserve, type QuantityKind } from '@/core/quantity';
import { throughThickness, type ZoneAnalysis } from '@/core/evaluate';
import { useUnits } from '../shared/units';

export const CURVES = {
  fibreStress: { label: 'Stress along the fibre', quantity: 'materialStress', component: 0, kind: 'stress' },
  crossStress: { label: 'Stress across the fibre', quantity: 'materialStress', component: 1, kind: 'stress' },
  shearStress: { label: 'Shear stress in the ply', quantity: 'materialStress', component: 2, kind: 'stress' },
  strainX: { label: 'Strain fore and aft', quantity: 'strain', component: 0, kind: 'strain' },
  strainY: { label: 'Strain across', quantity: 'strain', component: 1, kind: 'strain' },
  strainXY: { label: 'Shear strain', quantity: 'strain', component: 2, kind: 'strain' },
} as const;
export type CurveId = keyof typeof CURVES;

const LEFT = 58,
  WIDTH = 300,
  TOP = 26,
  TALL = 330;

/** Most of the height that cores may take: beyond it they are drawn shortened, so that the skins can be read. */
const CORE_SHARE = 0.3;

/** Where each ply is drawn: cores shortened where they would take most of the height. */
function layOut(plies: ZoneAnalysis['plies']) {
  const total = plies.reduce((sum, ply) => sum + ply.thickness, 0);
  const core = plies.reduce((sum, ply) => sum + (ply.role === 'core' ? ply.thickness : 0), 0);
  const shortened = core > CORE_SHARE * total;
  const scaleOf = (role: string | undefined) =>
    !shortened
      ? TALL / total
      : role === 'core'
        ? (CORE_SHARE * TALL) / core
        : ((1 - CORE_SHARE) * TALL) / (total - core);
  const edges: { from: number; to: number; z: number; core: boolean }[] = [];
  let y = TOP;
  let z = 0;
  for (const ply of plies) {
    const from = y;
    y += ply.thickness * scaleOf(ply.role);
    edges.push({ from, to: y, z, core: ply.role === 'core' });
    z += ply.thickness;
  }
  const ticks = [
    { y: TOP, z: 0 },
    ...edges.flatMap((edge, i) =>
      edge.core
        ? [
            { y: edge.from, z: edge.z },
            { y: edge.to, z: edge.z + plies[i]!.thickness },
          ]
        : [],
    ),
    { y: TOP + TALL, z: total },
  ];
  return {
    edges,
    shortened,
    ticks: shortened ? ticks : [0, 0.25, 0.5, 0.75, 1].map((share) => ({ y: TOP + share * TALL, z: share * total })),
  };
}

/** One quantity through the thickness, mould face on top as in the grid; the governing ply is marked by a band, an arrow and words. */
export function ThicknessChart({
  analysis,
  curve,
  zoneName,
}: {
  analysis: ZoneAnalysis;
  curve: CurveId;
  zoneName: string;
}) {
  const { show, unit } = useUnits();
  const { label, quantity, component, kind } = CURVES[curve];
  const points = throughThickness(analysis, quantity, component);
  const values = points.map(({ value }) => value);
  const most = Math.max(...values.map(Math.abs), 1e-12);
  const x = (value: number) => LEFT + WIDTH / 2 + (value / most) * (WIDTH / 2 - 8);
  const text = (value: number) =>
    kind === 'strain' ? formatNumber(value * 1e3, 2) : show(value, 'stress' satisfies QuantityKind);
  const { failure, plies, layerOf } = analysis;
  const governing = plies[failure.ply];
  const { edges, shortened, ticks } = layOut(plies);
  const mark = edges[failure.ply]!;
  const middle = (mark.from + mark.to) / 2;
  const placed = points.map(({ value, ply }, i) => ({
    x: x(value),
    y: i % 2 === 0 ? edges[ply]!.from : edges[ply]!.to,
  }));
  return (
    <svg
      viewBox={`0 0 ${LEFT + WIDTH + 130} ${TOP + TALL + 42}`}
      width="100%"
      role="img"
      aria-label={`${label} through the thickness of ${zoneName}, greatest ${text(most)}`}
    >
      {edges.map(({ from, to, core }, i) => (
        <rect
          key={i}
          x={LEFT}
          y={from}
          width={WIDTH}
          height={Math.max(0.3, to - from)}
          fill={i === failure.ply ? '#f6d9cc' : core ? '#f7efdc' : '#fffdf8'}
          stroke="#d9cfbf"
          strokeWidth="0.5"
        />
      ))}
      <line x1={x(0)} x2={x(0)} y1={TOP} y2={TOP + TALL} stroke="#2b2622" strokeWidth="0.8" />
      <path
        d={placed.map((point, i) => `${i ? 'L' : 'M'} ${point.x.toFixed(1)} ${point.y.toFixed(1)}`).join(' ')}
        fill="none"
        stroke="#2b2622"
        strokeWidth="1.8"
      />
      <line x1={LEFT} x2={LEFT + WIDTH} y1={TOP} y2={TOP} stroke="#9a4527" strokeWidth="2.4" />
      <text x={LEFT} y={TOP - 6} fontSize="10" fill="#9a4527">
        mould face
      </text>
      {[-1, -0.5, 0, 0.5, 1].map((share) => (
        <g key={share}>
          <line x1={x(most * share)} x2={x(most * share)} y1={TOP + TALL} y2={TOP + TALL + 4} stroke="#2b2622" />
          <text x={x(most * share)} y={TOP + TALL + 15} fontSize="10" textAnchor="middle">
            {text(most * share)}
          </text>
        </g>
      ))}
      <text x={LEFT + WIDTH / 2} y={TOP + TALL + 32} fontSize="11" textAnchor="middle" fill="#5f574d">
        {label}, {kind === 'strain' ? '10⁻³' : unit('stress')} (tension to the right)
      </text>
      {ticks.map((tick, i) => (
        <text key={i} x={LEFT - 6} y={tick.y + 3.5} fontSize="10" textAnchor="end">
          {show(tick.z, 'thickness')}
        </text>
      ))}
      {shortened && (
        <text
          x={LEFT + WIDTH - 6}
          y={(edges.find((edge) => edge.core)?.from ?? TOP) + 14}
          fontSize="10"
          textAnchor="end"
          fill="#5f574d"
        >
          core drawn shortened
        </text>
      )}
      <text x="4" y={TOP - 6} fontSize="10" fill="#5f574d">
        {unit('thickness')}
      </text>
      <path d={`M ${LEFT + WIDTH + 3} ${middle} l 8 -4 v 8 Z`} fill="#9a4527" />
      <text x={LEFT + WIDTH + 14} y={middle - 2} fontSize="11" fontWeight="600" fill="#9a4527">
        {governing?.name}, layer {layerOf[failure.ply]! + 1}
      </text>
      <text x={LEFT + WIDTH + 14} y={middle + 11} fontSize="10" fill="#2b2622">
        {FAILURE_MODES[failure.mode]}
      </text>
      <text x={LEFT + WIDTH + 14} y={middle + 23} fontSize="10" fill="#2b2622">
        reserve {formatReserve(failure.reserveFactor)}
      </text>
    </svg>
  );
}
