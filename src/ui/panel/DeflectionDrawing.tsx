'use client';
import { contours } from 'd3-contour';
import { formatNumber } from '@/core/quantity';
import type { PanelAnalysis } from '@/core/evaluate';
import { useUnits } from '../shared/units';
import { saidFixity } from './saidFixity';

const WIDTH = 620;
const HEIGHT = 300;
const LINES = 8;

/** The panel from above: lines of equal deflection, how its edges are held, and where it is nearest its limit. */
export function DeflectionDrawing({ analysis, name }: { analysis: PanelAnalysis; name: string }) {
  const { full, show, unit } = useUnits();
  const { plate, shape, deflection, governing, panelCase } = analysis;
  const scale = Math.min((WIDTH - 110) / plate.length, (HEIGHT - 70) / plate.breadth);
  const [w, h] = [plate.length * scale, plate.breadth * scale];
  const [left, top] = [(WIDTH - w) / 2, 24];
  const greatest = Math.abs(deflection.value);
  const thresholds = Array.from({ length: LINES }, (_, i) => (greatest * (i + 0.5)) / LINES);
  const lines = contours().size([shape.columns, shape.rows]).thresholds(thresholds)(shape.values.map(Math.abs));
  // Values stand at cell middles for the contour finder, at the grid's own points on the panel.
  const X = (i: number) => left + (Math.min(Math.max(i - 0.5, 0), shape.columns - 1) / (shape.columns - 1)) * w;
  const Y = (j: number) => top + h - (Math.min(Math.max(j - 0.5, 0), shape.rows - 1) / (shape.rows - 1)) * h;
  const at = (x: number, y: number): [number, number] => [left + x * scale, top + h - y * scale];
  const [gx, gy] = at(governing.x, governing.y);
  const [dx, dy] = at(deflection.x, deflection.y);
  const held = saidFixity(panelCase.fixity);
  const ticks = (n: number) => Array.from({ length: n }, (_, i) => (i + 0.5) / n);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${top + h + 44}`}
      width="100%"
      role="img"
      aria-label={
        `${name}: deflection ${full(deflection.value, 'thickness')}, ` + `nearest its limit at the ${governing.where}`
      }
    >
      <rect x={left} y={top} width={w} height={h} fill="var(--card)" />
      {lines.map(({ coordinates, value }, i) => (
        <path
          key={value}
          d={coordinates
            .map((polygon) =>
              polygon
                .map((ring) => `M${ring.map(([x, y]) => `${X(x!).toFixed(1)} ${Y(y!).toFixed(1)}`).join('L')}Z`)
                .join(''),
            )
            .join('')}
          fill="var(--clay-deep)"
          fillOpacity={0.09}
          stroke="var(--clay-deep)"
          strokeWidth={i === 0 ? 0.6 : 0.9}
        />
      ))}
      <rect x={left} y={top} width={w} height={h} fill="none" stroke="var(--ink)" strokeWidth="2" />
      {panelCase.fixity > 0.01 &&
        ticks(Math.round(w / 9)).map((t) => (
          <path
            key={`x${t}`}
            d={`M${left + t * w} ${top}l5-6M${left + t * w} ${top + h}l-5 6`}
            stroke="var(--ink)"
            strokeWidth={0.5 + 0.6 * panelCase.fixity}
          />
        ))}
      {panelCase.fixity > 0.01 &&
        ticks(Math.round(h / 9)).map((t) => (
          <path
            key={`y${t}`}
            d={`M${left} ${top + t * h}l-6-5M${left + w} ${top + t * h}l6 5`}
            stroke="var(--ink)"
            strokeWidth={0.5 + 0.6 * panelCase.fixity}
          />
        ))}
      {panelCase.patch && (
        <rect
          x={left + w / 2 - (Math.min(panelCase.patch.length, plate.length) * scale) / 2}
          y={top + h / 2 - (Math.min(panelCase.patch.breadth, plate.breadth) * scale) / 2}
          width={Math.min(panelCase.patch.length, plate.length) * scale}
          height={Math.min(panelCase.patch.breadth, plate.breadth) * scale}
          fill="none"
          stroke="var(--water)"
          strokeWidth="1.6"
          strokeDasharray="5 3"
        />
      )}
      <circle cx={dx} cy={dy} r="3" fill="var(--ink)" />
      <text
        x={dx + 7}
        y={dy + 4}
        fontSize="12"
        fontWeight="600"
        stroke="var(--card)"
        strokeWidth="3"
        paintOrder="stroke"
      >
        {show(deflection.value, 'thickness')} {unit('thickness')}
      </text>
      <g stroke="var(--clay)" strokeWidth="2.2" fill="none">
        <circle cx={gx} cy={gy} r="8" />
        <path d={`M${gx - 5} ${gy - 5}l10 10M${gx + 5} ${gy - 5}l-10 10`} />
      </g>
      <text x={left + w / 2} y={top + h + 20} fontSize="11.5" textAnchor="middle" fill="var(--soft)">
        {full(plate.length, 'shortLength')} along × {full(plate.breadth, 'shortLength')} across, edges {held}; a line
        every {formatNumber((greatest / LINES) * (unit('thickness') === 'mm' ? 1e3 : 39.37), 2)} {unit('thickness')}
      </text>
      <text x={left + w / 2} y={top + h + 36} fontSize="11.5" textAnchor="middle" fill="var(--clay)">
        ⊗ nearest its limit: {governing.name.toLowerCase()}, {governing.where}
      </text>
    </svg>
  );
}
