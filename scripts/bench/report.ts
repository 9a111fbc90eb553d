import { cpus, loadavg } from 'node:os';
import { writeFileSync } from 'node:fs';
import { performance } from 'node:perf_hooks';
import { format } from 'prettier';

export interface Figure {
  what: string;
  median: number;
  p95: number;
  unit: string;
  samples: number;
  /** What the budget holds: the median or the 95th percentile. */
  budget?: { limit: number; of: 'median' | 'p95' };
}

const figures: Figure[] = [];
const percentile = (sorted: readonly number[], share: number) =>
  sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))]!;

/** Note a figure from its samples; none is left out. */
export function note(what: string, samples: readonly number[], unit: string, budget?: Figure['budget']): void {
  const sorted = [...samples].sort((a, b) => a - b);
  const figure = {
    what,
    median: percentile(sorted, 0.5),
    p95: percentile(sorted, 0.95),
    unit,
    samples: samples.length,
  };
  figures.push({ ...figure, ...(budget && { budget }) });
  console.log(`${what}: median ${digits(figure.median)}, 95 % ${digits(figure.p95)} ${unit} (${samples.length})`);
}

/** Milliseconds that work takes. */
export async function time(work: () => unknown): Promise<number> {
  const start = performance.now();
  await work();
  return performance.now() - start;
}

/** So many samples of a synchronous work, the first ones (in which the engine warms up) thrown away. */
export function sample(count: number, work: (i: number) => unknown, warmUp = Math.floor(count / 4)): number[] {
  const samples: number[] = [];
  for (let i = 0; i < count + warmUp; i++) {
    const start = performance.now();
    work(i);
    if (i >= warmUp) samples.push(performance.now() - start);
  }
  return samples;
}

const digits = (value: number) => (value < 1 ? value.toFixed(3) : value.toFixed(value < 20 ? 1 : 0));
const measuredOf = ({ budget, median, p95 }: Figure) => (budget?.of === 'p95' ? p95 : median);

function standing(figure: Figure): string {
  if (!figure.budget) return '';
  const over = measuredOf(figure) / figure.budget.limit;
  if (over <= 1) return 'kept';
  return over <= 2 ? 'missed' : 'MISSED by more than twice';
}

/** Write the table to docs/bench.md. @returns whether nothing is beyond twice its budget. */
export async function writeReport(): Promise<boolean> {
  const [one, five] = loadavg();
  const rows = figures.map((figure) => {
    const { what, median, p95, unit, samples, budget } = figure;
    const limit = budget ? `${budget.limit} ${unit} (${budget.of === 'p95' ? '95 %' : 'median'})` : '';
    return `| ${what} | ${digits(median)} | ${digits(p95)} | ${unit} | ${samples} | ${limit} | ${standing(figure)} |`;
  });
  const text = [
    '# What was measured',
    '',
    '`npm run build && npm run bench` writes this table. Inputs are never repeated, so that ' +
      'nothing is remembered from one sample to the next; warm and cold are told apart; no ' +
      'sample is left out. The run ends with status 1 when a figure is beyond twice its budget.',
    '',
    `Measured on ${new Date().toISOString().slice(0, 10)}, Node ${process.version}, ` +
      `${cpus().length} cores (${cpus()[0]?.model.trim() ?? 'unknown'}), load average at ` +
      `the end ${one!.toFixed(1)} (1 min), ${five!.toFixed(1)} (5 min).`,
    '',
    '| what | median | 95 % | unit | samples | budget | |',
    '| --- | ---: | ---: | --- | ---: | --- | --- |',
    ...rows,
    '',
  ].join('\n');
  writeFileSync('docs/bench.md', await format(text, { parser: 'markdown' }));
  return figures.every((figure) => !standing(figure).startsWith('MISSED'));
}
