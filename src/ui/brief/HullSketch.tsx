'use client';
import type { Brief } from '@/core/document';
import { useUnits } from '../shared/units';

/** Profile and body section from the particulars alone, to scale: lengths, beams, deadrise, waterline. */
export function HullSketch({ brief }: { brief: Brief }) {
  const { full } = useUnits();
  const { hullLength: LH, waterlineLength: LWL, maximumBeam: B, chineBeam: BC, deadriseDeg } = brief;
  const scale = 430 / LH;
  const beamScale = Math.min(150 / B, scale * 1.15);
  const overhang = (LH - LWL) * 0.25;
  const chineRise = (BC / 2) * Math.tan((deadriseDeg * Math.PI) / 180);
  const depth = Math.max(chineRise + B * 0.28, B * 0.42);
  const x = (metres: number) => 20 + metres * scale;
  const base = 128;
  const y = (metres: number) => base - metres * scale;
  const draught = depth * 0.3;
  const cx = 585;
  const by = (metres: number) => base - metres * beamScale;
  const half = (BC / 2) * beamScale;
  const wide = (B / 2) * beamScale;
  return (
    <svg
      viewBox="0 18 690 148"
      width="100%"
      role="img"
      aria-label={
        `Profile and section: hull ${full(LH, 'length')}, waterline ` +
        `${full(LWL, 'length')}, beam ${full(B, 'length')}, deadrise ` +
        `${full(deadriseDeg, 'angle')}`
      }
    >
      <path
        d={
          `M ${x(0)} ${y(depth * 0.8)} L ${x(overhang * 0.3)} ${y(0.05)} L ${x(LWL * 0.72)} ` +
          `${y(0)} Q ${x(LWL)} ${y(0.02)} ${x(overhang + LWL)} ${y(draught)} L ${x(LH)} ` +
          `${y(depth * 1.15)} Q ${x(LH * 0.55)} ${y(depth * 0.78)} ${x(0)} ${y(depth * 0.8)} Z`
        }
        fill="var(--card)"
        stroke="var(--ink)"
        strokeWidth="1.4"
      />
      <path
        d={
          `M ${x(overhang * 0.2)} ${y(chineRise * 0.8)} Q ${x(LWL * 0.6)} ` +
          `${y(chineRise)} ${x(LH * 0.95)} ${y(depth * 0.85)}`
        }
        fill="none"
        stroke="var(--ink)"
        strokeWidth="0.8"
      />
      <line x1={x(-0.1)} x2={x(LH) + 6} y1={y(draught)} y2={y(draught)} stroke="var(--water)" strokeDasharray="7 4" />
      <g stroke="var(--clay)" strokeWidth="0.8" fill="var(--clay)" fontSize="11" textAnchor="middle">
        <path d={`M ${x(0)} 148 H ${x(LH)} M ${x(0)} 144 v8 M ${x(LH)} 144 v8`} fill="none" />
        <text x={x(LH / 2)} y="162" stroke="none">
          hull {full(LH, 'length')}, waterline {full(LWL, 'length')}
        </text>
      </g>
      <path
        d={
          `M ${cx} ${by(0)} L ${cx + half} ${by(chineRise)} L ${cx + wide} ${by(depth)} M ${cx} ` +
          `${by(0)} L ${cx - half} ${by(chineRise)} L ${cx - wide} ${by(depth)}`
        }
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1.4"
      />
      <line x1={cx - wide} x2={cx + wide} y1={by(depth)} y2={by(depth)} stroke="var(--ink)" strokeWidth="0.8" />
      <line
        x1={cx - wide - 6}
        x2={cx + wide + 6}
        y1={by(draught)}
        y2={by(draught)}
        stroke="var(--water)"
        strokeDasharray="7 4"
      />
      <line x1={cx} x2={cx + half} y1={by(0)} y2={by(0)} stroke="var(--clay)" strokeWidth="0.7" strokeDasharray="2 2" />
      <g fill="var(--clay)" fontSize="11" textAnchor="middle">
        <text x={cx} y={by(depth) - 6}>
          beam {full(B, 'length')}
        </text>
        <text x={cx} y="148">
          chine {full(BC, 'length')}
        </text>
        <text x={cx} y="162">
          deadrise {full(deadriseDeg, 'angle')}
        </text>
      </g>
    </svg>
  );
}
