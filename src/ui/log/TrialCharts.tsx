'use client';
import type { ChartConfiguration } from 'chart.js';
import { displayUnit } from '@/core/quantity';
import type { TrialSeries } from '@/core/trial';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';
import { useUnits } from '../shared/units';

const SHAPES = ['circle', 'rect', 'triangle', 'rectRot', 'star', 'crossRot'] as const;

/** Strength against weight: what each bore and what it should have, with the target and what is too strong. */
export function StrengthChart({ series: { samples, recommendation } }: { series: TrialSeries }) {
  const { system, unit, full } = useUnits();
  const [force, weight] = [displayUnit('force', system).factor, displayUnit('laminateWeight', system).factor];
  const target = (samples.at(-1)?.trial.target ?? 0) / force;
  const at = (id: string) => {
    const { trial, prediction, result } = samples.find((one) => one.id === id)!;
    const x = (trial.arealWeight ?? prediction?.arealWeight ?? 0) / weight;
    return { x, bore: (result.failure?.load ?? result.highest) / force, should: (prediction?.failure ?? 0) / force };
  };
  const tried = samples.filter(({ id }) => recommendation.standing[id] !== 'open');
  const line = (value: number, content: string) => ({
    type: 'line' as const,
    yMin: value,
    yMax: value,
    borderColor: PALETTE.ink,
    borderDash: [6, 4],
    label: { display: true, content, position: 'start' as const, backgroundColor: PALETTE.card, color: PALETTE.ink },
  });
  const config: ChartConfiguration<'scatter'> = {
    type: 'scatter',
    data: {
      datasets: [
        {
          label: 'bore',
          data: tried.map(({ id }) => ({ x: at(id).x, y: at(id).bore })),
          pointStyle: tried.map(({ id }) => (recommendation.standing[id] === 'fails' ? 'crossRot' : 'circle')),
          pointRadius: 8,
          borderWidth: 3,
          borderColor: PALETTE.clay,
          backgroundColor: PALETTE.clay,
        },
        {
          label: 'should bear',
          data: samples.map(({ id }) => ({ x: at(id).x, y: at(id).should })),
          pointStyle: 'rectRot',
          pointRadius: 6,
          borderColor: PALETTE.ink,
          backgroundColor: PALETTE.card,
        },
      ],
    },
    options: {
      scales: {
        x: { type: 'linear', grace: '12%', title: { display: true, text: `weight, ${unit('laminateWeight')}` } },
        y: { min: 0, grace: '10%', title: { display: true, text: `load, ${unit('force')}` } },
      },
      plugins: {
        annotation: {
          annotations: { target: line(target, 'must bear'), strong: line(1.5 * target, 'stronger than it need be') },
        },
      },
    },
  };
  return (
    <Chart size="chart-mid" config={config} label="Strength against weight">
      {tried.map(({ id, trial, result, prediction }) => (
        <span key={id}>
          {trial.name}: {full(trial.arealWeight ?? prediction?.arealWeight, 'laminateWeight')},{' '}
          {full(result.failure?.load ?? result.highest, 'force')}.{' '}
        </span>
      ))}
    </Chart>
  );
}

/** Load against deflection of every sample, with what was expected of each until it should break. */
export function TrialCurves({ series: { samples } }: { series: Pick<TrialSeries, 'samples'> }) {
  const { system, unit, full } = useUnits();
  const [force, length] = [displayUnit('force', system).factor, displayUnit('thickness', system).factor];
  const config: ChartConfiguration<'scatter'> = {
    type: 'scatter',
    data: {
      datasets: samples.flatMap(({ trial, prediction }, i) => [
        {
          label: trial.name,
          data: trial.points.map(([p, d]) => ({ x: d / length, y: p / force })),
          showLine: true,
          borderColor: i % 2 === 0 ? PALETTE.clay : PALETTE.water,
          pointStyle: SHAPES[i % SHAPES.length]!,
          pointRadius: 3,
        },
        {
          label: `${trial.name}, expected`,
          data: prediction
            ? [
                { x: 0, y: 0 },
                { x: prediction.failure / prediction.stiffness / length, y: prediction.failure / force },
              ]
            : [],
          showLine: true,
          borderDash: [5, 4],
          borderWidth: 1,
          borderColor: PALETTE.ink,
          pointRadius: 0,
        },
      ]),
    },
    options: {
      scales: {
        x: { type: 'linear', title: { display: true, text: `deflection, ${unit('thickness')}` } },
        y: { min: 0, title: { display: true, text: `load, ${unit('force')}` } },
      },
    },
  };
  return (
    <Chart size="chart-mid" config={config} label="Load against deflection">
      {samples.map(({ id, trial, result }) => (
        <span key={id}>
          {trial.name}: highest {full(result.highest, 'force')}.{' '}
        </span>
      ))}
    </Chart>
  );
}
