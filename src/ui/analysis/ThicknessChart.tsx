'use client';
import type { ChartConfiguration } from 'chart.js';
import { scaleLinear } from 'd3-scale';
import { throughThickness, type ZoneAnalysis } from '@/core/evaluate';
import { FAILURE_MODES } from '@/core/laminate';
import { displayUnit, formatNumber, formatReserve, type UnitSystem } from '@/core/quantity';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';
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

/** Most of the height that cores may take: beyond it they are drawn shortened, so that the skins can be read. */
const CORE_SHARE = 0.3;

/** Depth (m) to height on the chart (0 to 1), cores shortened where they would take most of it. */
function depthScale(plies: ZoneAnalysis['plies']) {
  const total = plies.reduce((sum, ply) => sum + ply.thickness, 0);
  const core = plies.reduce((sum, ply) => sum + (ply.role === 'core' ? ply.thickness : 0), 0);
  const shortened = core > CORE_SHARE * total;
  const height = (ply: ZoneAnalysis['plies'][number]) => {
    if (!shortened) return ply.thickness / total;
    const share = ply.role === 'core' ? CORE_SHARE / core : (1 - CORE_SHARE) / (total - core);
    return ply.thickness * share;
  };
  const [depths, heights] = [[0], [0]];
  for (const ply of plies) {
    depths.push(depths.at(-1)! + ply.thickness);
    heights.push(heights.at(-1)! + height(ply));
  }
  const scale = scaleLinear(depths, heights);
  const bounds = plies.flatMap((ply, i) => (ply.role === 'core' ? [depths[i]!, depths[i + 1]!] : []));
  const ticks = shortened ? [0, ...bounds, total] : [0, 0.25, 0.5, 0.75, 1].map((share) => share * total);
  return { scale, heights, shortened, ticks: [...new Set(ticks)] };
}

interface ThicknessChartProps {
  analysis: ZoneAnalysis;
  curve: CurveId;
  zoneName: string;
}

function thicknessConfig({ analysis, curve }: ThicknessChartProps, system: UnitSystem): ChartConfiguration<'scatter'> {
  const { label, quantity, component, kind } = CURVES[curve];
  const { failure, plies, layerOf } = analysis;
  const { scale, heights, shortened, ticks } = depthScale(plies);
  const factor = kind === 'strain' ? 1e-3 : displayUnit('stress', system).factor;
  const unit = kind === 'strain' ? '10⁻³' : displayUnit('stress', system).label;
  const thickness = displayUnit('thickness', system);
  const points = throughThickness(analysis, quantity, component);
  const data = points.map(({ value, ply }, i) => ({ x: value / factor, y: heights[ply + (i % 2)]! }));
  const most = Math.max(1e-9, ...data.map(({ x }) => Math.abs(x)));
  const band = (i: number) => ({
    type: 'box' as const,
    yMin: heights[i]!,
    yMax: heights[i + 1]!,
    backgroundColor: bandColour(i === failure.ply, plies[i]!.role === 'core'),
    borderColor: PALETTE.line,
    borderWidth: 0.5,
    drawTime: 'beforeDatasetsDraw' as const,
  });
  const middle = (heights[failure.ply]! + heights[failure.ply + 1]!) / 2;
  const governing = {
    type: 'label' as const,
    xValue: most * 1.08,
    yValue: middle,
    position: { x: 'start' as const, y: 'center' as const },
    content: [
      `◀ ${plies[failure.ply]?.name ?? ''}, layer ${(layerOf[failure.ply] ?? 0) + 1}`,
      FAILURE_MODES[failure.mode],
      `reserve ${formatReserve(failure.reserveFactor)}`,
    ],
    textAlign: 'left' as const,
    color: PALETTE.clay,
    font: { size: 11 },
  };
  return {
    type: 'scatter',
    data: {
      datasets: [{ data, showLine: true, pointRadius: 0, borderColor: PALETTE.ink, borderWidth: 1.8 }],
    },
    options: {
      layout: { padding: { top: 4 } },
      scales: {
        x: {
          min: -most * 1.05,
          max: most * 1.75,
          title: { display: true, text: `${label}, ${unit} (tension to the right)` },
          afterBuildTicks: (axis) => (axis.ticks = [-1, -0.5, 0, 0.5, 1].map((share) => ({ value: share * most }))),
          ticks: { callback: (value) => formatNumber(Number(value), kind === 'strain' ? 2 : 1) },
        },
        y: {
          min: 0,
          max: 1,
          reverse: true,
          title: {
            display: true,
            text: `${thickness.label} from the mould face${shortened ? ', core shortened' : ''}`,
          },
          afterBuildTicks: (axis) => (axis.ticks = ticks.map((depth) => ({ value: scale(depth) }))),
          ticks: {
            autoSkip: false,
            callback: (value) => formatNumber(scale.invert(Number(value)) / thickness.factor, thickness.digits),
          },
          grid: { display: false },
        },
      },
      plugins: {
        legend: { display: false },
        annotation: {
          annotations: { ...Object.fromEntries(plies.map((_, i) => [`ply${i}`, band(i)])), governing },
        },
      },
    },
  };
}

function bandColour(governs: boolean, core: boolean): string {
  if (governs) return PALETTE.blush;
  return core ? PALETTE.straw : PALETTE.card;
}

/**
 * One quantity through the thickness, mould face on top as in the grid; the governing ply is marked by a band, an
 * arrow and words.
 */
export function ThicknessChart(props: ThicknessChartProps) {
  const { analysis, curve, zoneName } = props;
  const { show, unit, system } = useUnits();
  const { label, quantity, component, kind } = CURVES[curve];
  const points = throughThickness(analysis, quantity, component);
  const most = Math.max(...points.map(({ value }) => Math.abs(value)));
  const text = kind === 'strain' ? `${formatNumber(most * 1e3, 2)} 10⁻³` : `${show(most, 'stress')} ${unit('stress')}`;
  return (
    <Chart
      size="chart-tall"
      label={`${label} through the thickness of ${zoneName}, greatest ${text}`}
      config={thicknessConfig(props, system)}
    />
  );
}
