import type { ChartConfiguration } from 'chart.js';
import type { Condition } from '@/core/document';
import { displayUnit, formatNumber, type UnitSystem } from '@/core/quantity';
import { aboardIn, loadingOf, type Mass } from '@/core/weight';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';
import { useUnits } from '../shared/units';

const BANDS = 10;

/** Mass in layers of height, what is laid and what comes aboard. */
export function bandsOf(masses: readonly Mass[], condition: Condition) {
  const aboard = aboardIn(masses, condition).map(({ mass, share, at }) => ({
    z: at[2],
    mass: share * mass.mass,
    laid: !['item', 'contents', 'foam'].includes(mass.of),
  }));
  const heights = aboard.map(({ z }) => z);
  const [low, high] = [Math.min(...heights), Math.max(...heights)];
  const step = Math.max(0.05, (high - low) / BANDS);
  return Array.from({ length: Math.max(1, Math.ceil((high - low) / step)) }, (_, i) => {
    const from = low + i * step;
    const last = from + step >= high - 1e-9;
    const there = aboard.filter(({ z }) => z >= from && (z < from + step || (last && z <= high)));
    const sum = (laid: boolean) => there.reduce((total, one) => total + (one.laid === laid ? one.mass : 0), 0);
    return { from, to: from + step, laid: sum(true), items: sum(false) };
  }).reverse();
}

function config(bands: ReturnType<typeof bandsOf>, centre: number, system: UnitSystem): ChartConfiguration<'bar'> {
  const [mass, length] = [displayUnit('mass', system), displayUnit('length', system)];
  const place = bands.findIndex(({ from, to }) => centre >= from && centre <= to);
  const at = place < 0 ? 0 : place + 0.5 - (centre - bands[place]!.from) / (bands[place]!.to - bands[place]!.from);
  const set = (label: string, key: 'laid' | 'items', fill: string) => ({
    label,
    data: bands.map((band) => band[key] / mass.factor),
    backgroundColor: fill,
    borderColor: PALETTE.ink,
    borderWidth: 0.6,
    barPercentage: 0.95,
    categoryPercentage: 0.95,
  });
  return {
    type: 'bar',
    data: {
      labels: bands.map(({ from, to }) => [from, to].map((z) => formatNumber(z / length.factor, 1)).join('–')),
      datasets: [set('laid', 'laid', PALETTE.fibre), set('comes aboard', 'items', PALETTE.blush)],
    },
    options: {
      indexAxis: 'y',
      scales: {
        x: { stacked: true, title: { display: true, text: mass.label } },
        y: {
          stacked: true,
          title: { display: true, text: `above the baseline, ${length.label}` },
          ticks: { autoSkip: false },
          grid: { display: false },
        },
      },
      plugins: {
        legend: { position: 'bottom', labels: { boxWidth: 14 } },
        annotation: {
          annotations: {
            centre: {
              type: 'line',
              yMin: at,
              yMax: at,
              borderColor: PALETTE.clay,
              borderWidth: 2,
              label: {
                display: true,
                content: 'centre',
                position: 'end',
                color: PALETTE.clay,
                backgroundColor: PALETTE.card,
              },
            },
          },
        },
      },
    },
  };
}

/** Where the weight lies by height, with the centre across it. */
export function HeightChart({ masses, condition }: { masses: readonly Mass[]; condition: Condition }) {
  const { system, full } = useUnits();
  const loading = loadingOf(masses, condition);
  if (!loading) return <p className="soft mb-0">Nothing weighs yet.</p>;
  const bands = bandsOf(masses, condition);
  return (
    <Chart
      size="chart-tall"
      label={`Mass by height above the baseline; the centre lies at ${full(loading.centre[2], 'length')}`}
      config={config(bands, loading.centre[2], system)}
    >
      {bands
        .map(
          ({ from, to, laid, items }) =>
            `${full(from, 'length')} to ${full(to, 'length')}: ${full(laid + items, 'mass')}`,
        )
        .join('; ')}
    </Chart>
  );
}
