'use client';
import type { ChartConfiguration, PointStyle } from 'chart.js';
import { craftOf, methodOf, type Boat, type Zone } from '@/core/document';
import type { ZoneEvaluation } from '@/core/evaluate';
import { displayUnit, type UnitSystem } from '@/core/quantity';
import { isHead, panelPressure } from '@/core/standard';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';
import { useUnits } from '../shared/units';

/** One shape a part, so that parts are told apart without colour. */
const SHAPES: PointStyle[] = ['circle', 'rect', 'triangle', 'rectRot', 'star', 'crossRot'];
const STEPS = 32;

/**
 * Pressure on a zone's own panel were it elsewhere along the boat (m, Pa); empty where a head of water or a missing
 * figure decides.
 */
function alongTheBoat(boat: Boat, zone: Zone, evaluation: ZoneEvaluation | undefined): [number, number][] {
  if (isHead(zone.location) || zone.designPressure !== null || !evaluation?.construction || evaluation.problem)
    return [];
  const [craft, pack, LWL] = [craftOf(boat.brief), methodOf(boat), boat.brief.waterlineLength];
  const { construction } = evaluation;
  return Array.from({ length: STEPS + 1 }, (_, i) => {
    const panelX = (LWL * i) / STEPS;
    const geometry = { ...zone.geometry, panelX };
    return [
      panelX,
      panelPressure({ craft, location: zone.location, geometry, construction }, undefined, pack).pressure,
    ];
  });
}

export interface PressureChartProps {
  boat: Boat;
  evaluations: ReadonlyMap<string, ZoneEvaluation>;
  chosen: string | null;
  onChoose: (zoneId: string) => void;
}

interface ChartPoint {
  x: number;
  y: number;
  name?: string;
  chosen?: boolean;
  zoneId?: string;
}

function pressureConfig({ boat, evaluations, chosen, onChoose }: PressureChartProps, system: UnitSystem) {
  const [length, pressure] = [displayUnit('length', system), displayUnit('pressure', system)];
  const point = (x: number, y: number): ChartPoint => ({ x: x / length.factor, y: y / pressure.factor });
  const own = boat.parts.flatMap((part) => part.zones).find(({ id }) => id === chosen);
  const curve = own ? alongTheBoat(boat, own, evaluations.get(own.id)) : [];
  const parts = boat.parts.map((part, p) => ({
    label: part.name,
    pointStyle: SHAPES[p % SHAPES.length]!,
    pointRadius: 6,
    pointHoverRadius: 8,
    borderWidth: 1.4,
    borderColor: PALETTE.ink,
    backgroundColor: (context: { raw?: unknown }) =>
      (context.raw as ChartPoint | undefined)?.chosen ? PALETTE.clay : PALETTE.card,
    data: part.zones.flatMap((zone): ChartPoint[] => {
      const value = evaluations.get(zone.id)?.pressure?.pressure;
      if (value === undefined) return [];
      return [{ ...point(zone.geometry.panelX, value), name: zone.name, chosen: zone.id === chosen, zoneId: zone.id }];
    }),
  }));
  const elsewhere = {
    label: own ? `the panel of ${own.name}, were it elsewhere` : '',
    data: curve.map(([x, y]) => point(x, y)),
    showLine: true,
    pointRadius: 0,
    pointStyle: 'line' as const,
    borderColor: PALETTE.clay,
    borderWidth: 1.4,
    borderDash: [6, 3],
  };
  const config: ChartConfiguration<'scatter'> = {
    type: 'scatter',
    data: { datasets: (curve.length > 0 ? [elsewhere, ...parts] : parts) as never },
    options: {
      layout: { padding: { right: 90 } },
      onClick: (_, elements, chart) => {
        const [hit] = elements;
        const data = hit && (chart.data.datasets[hit.datasetIndex]!.data[hit.index] as unknown as ChartPoint);
        if (data?.zoneId) onChoose(data.zoneId);
      },
      scales: {
        x: { title: { display: true, text: `${length.label} from aft end of waterline` } },
        y: { beginAtZero: true, title: { display: true, text: pressure.label } },
      },
      plugins: { legend: { position: 'bottom', labels: { usePointStyle: true } } },
    },
  };
  return config;
}

/** Design pressure of every zone's panel along the waterline, one mark shape per part. */
export function PressureChart(props: PressureChartProps) {
  const { boat, evaluations, chosen, onChoose } = props;
  const { full, system } = useUnits();
  return (
    <>
      <Chart size="chart-mid" label="Design pressure along the waterline" config={pressureConfig(props, system)} />
      <ul className="chart-names" aria-label="Design pressure of each zone">
        {boat.parts
          .flatMap((part) => part.zones)
          .flatMap((zone) => {
            const pressure = evaluations.get(zone.id)?.pressure?.pressure;
            return pressure === undefined ? [] : [{ zone, pressure }];
          })
          .map(({ zone, pressure }) => (
            <li key={zone.id}>
              <button
                type="button"
                className="plain-button"
                aria-pressed={zone.id === chosen}
                onClick={() => onChoose(zone.id)}
              >
                {zone.name}: {full(pressure, 'pressure')}
              </button>
            </li>
          ))}
      </ul>
    </>
  );
}
