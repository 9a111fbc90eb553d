'use client';
import { memo } from 'react';
import { hasDirection } from '@/core/material';
import { formatNumber } from '@/core/quantity';
import { LAYER_ROLES } from '@/core/document';
import type { ZoneEvaluation } from '@/core/evaluate';
import { useUnits } from '../shared/units';
import { Hatch } from './Hatch';

const WIDTH = 340;
const BAR = 168;
const LEFT = 34;

/**
 * The selected zone's stack to scale, mould face on top as in the grid; labels are pushed apart where layers are
 * thin.
 */
export const SectionDrawing = memo(function SectionDrawing({
  evaluation,
  name,
  chosenLayer,
}: {
  evaluation: ZoneEvaluation;
  name: string;
  chosenLayer: string | null;
}) {
  const { full, show } = useUnits();
  const { layers, thickness } = evaluation;
  if (layers.length === 0) return <p className="soft">No layer covers this zone yet.</p>;
  const step = 11;
  const tall = Math.max(150, layers.length * step);
  const scale = Math.min(tall / thickness, 22_000);
  const height = thickness * scale;
  const top = 16;
  let y = top;
  const bars = layers.map((laid) => {
    const bar = { laid, y, height: laid.thickness * scale };
    y += bar.height;
    return bar;
  });

  // Labels keep their order and a least distance, centred on their bars as far as that allows.
  const labels = bars.map((bar) => bar.y + bar.height / 2);
  for (let i = 1; i < labels.length; i++) labels[i] = Math.max(labels[i]!, labels[i - 1]! + step);
  const overflow = labels.at(-1)! - (top + Math.max(height, layers.length * step) - 4);
  if (overflow > 0) {
    labels[labels.length - 1]! -= overflow;
    for (let i = labels.length - 2; i >= 0; i--) labels[i] = Math.min(labels[i]!, labels[i + 1]! - step);
  }
  const lift = Math.min(0, labels[0]! - top - 4);
  const bottom = Math.max(top + height, labels.at(-1)! - lift) + 16;

  return (
    <svg
      viewBox={`0 ${lift} ${WIDTH} ${bottom - lift}`}
      width="100%"
      role="img"
      aria-label={`Section of ${name}, ${layers.length} layers, ${full(thickness, 'thickness')}, mould face on top`}
    >
      <text x={LEFT} y={top - 5} fontSize="10" fill="var(--clay)">
        mould face
      </text>
      {bars.map(({ laid, y: at, height: tallness }, i) => {
        const chosen = laid.layer.id === chosenLayer;
        const turn = hasDirection(laid.material) ? ` ${formatNumber(laid.layer.angleDeg, 0)}°` : '';
        return (
          <g key={laid.layer.id}>
            {laid.layer.role === 'comesOff' && (
              <line
                x1={LEFT}
                x2={LEFT + BAR}
                y1={at + 1.5}
                y2={at + 1.5}
                stroke="var(--ink)"
                strokeWidth="1.4"
                strokeDasharray="5 3"
              />
            )}
            <Hatch
              material={laid.material}
              angleDeg={laid.layer.angleDeg}
              x={LEFT}
              y={at}
              width={BAR}
              height={tallness}
            />
            <rect
              x={LEFT}
              y={at}
              width={BAR}
              height={tallness}
              fill="none"
              stroke={chosen ? 'var(--clay)' : 'var(--ink)'}
              strokeWidth={chosen ? 1.6 : 0.5}
            />
            <path
              d={`M ${LEFT + BAR} ${at + tallness / 2} L ${LEFT + BAR + 16} ${labels[i]!} h 4`}
              fill="none"
              stroke={chosen ? 'var(--clay)' : 'var(--grey)'}
              strokeWidth="0.7"
            />
            <text
              x={LEFT + BAR + 23}
              y={labels[i]! + 3.5}
              fontSize="10"
              fill={chosen ? 'var(--clay)' : 'var(--ink)'}
              fontWeight={chosen ? 600 : 400}
            >
              {laid.index + 1} {laid.material.code}
              {turn}
              {laid.layer.role !== 'structure' && `, ${LAYER_ROLES[laid.layer.role]}`}
            </text>
          </g>
        );
      })}
      <line x1={LEFT} x2={LEFT + BAR} y1={top} y2={top} stroke="var(--clay)" strokeWidth="2.4" />
      <g stroke="var(--ink)" strokeWidth="0.7" fill="none">
        <path d={`M 24 ${top} V ${top + height} M 20 ${top} h 8 M 20 ${top + height} h 8`} />
      </g>
      <text
        x="14"
        y={top + height / 2}
        fontSize="10"
        textAnchor="middle"
        transform={`rotate(-90 14 ${top + height / 2})`}
        fill="var(--ink)"
      >
        {show(thickness, 'thickness')}
      </text>
    </svg>
  );
});
