import { Matrix, solve } from 'ml-matrix';
import { STAGES, type Stage } from '../document';
import { TO_P95 } from './combine';
import { SCATTER_SOURCES } from './massBand';
import type { Mass, MassScatter } from './masses';
import { standing, WHOLE_BOAT, type WeighIn } from './weighIn';

const ORDER = Object.keys(STAGES) as Stage[];
const ALIKE = ['fibre', 'core', 'film'] as const;

/** Whether a mass is there at a stage. Loaded is full load. */
const isThere = ({ stage }: Mass, at: Stage) => ORDER.indexOf(stage) <= ORDER.indexOf(at);
/** What of the boat stands on the scales with a subject at a stage. */
export const weighedMasses = (masses: readonly Mass[], subject: string, stage: Stage): Mass[] =>
  masses.filter((mass) => isThere(mass, stage) && (subject === WHOLE_BOAT || mass.group === subject));

/** A figure with its band (kg). */
export interface Forecast {
  mass: number;
  standardDeviation: number;
  p05: number;
  p95: number;
}
const forecastOf = (mass: number, variance: number): Forecast => {
  const standardDeviation = Math.sqrt(Math.max(0, variance));
  const reach = TO_P95 * standardDeviation;
  return { mass, standardDeviation, p05: mass - reach, p95: mass + reach };
};

/** A stage of the boat: what was planned, what was weighed, what is to be expected now. */
export interface StageBudget {
  stage: Stage;
  planned: Forecast;
  weighed: { mass: number; scales: number; day: string } | null;
  /** After every weigh-in so far. */
  forecast: Forecast;
}

/** What a difference is put down to: the likeliest share of each source (kg), and what remains. */
export interface Explained {
  weighIn: WeighIn;
  planned: number;
  difference: number;
  causes: { cause: keyof MassScatter | 'scales'; name: string; mass: number }[];
  /** The difference in standard deviations of what was to be expected: beyond 2, look for something else. */
  surprise: number;
}

export interface Budget {
  stages: StageBudget[];
  explained: Explained[];
}

/** Columns of what is uncertain: three sources that are off alike, then every mass on its own. */
function sensitivity(masses: readonly Mass[], all: readonly Mass[]): number[] {
  const there = new Set(masses.map(({ id }) => id));
  const alike = ALIKE.map((source) => masses.reduce((sum, { scatter }) => sum + scatter[source], 0));
  return [...alike, ...all.map(({ id, scatter }) => (there.has(id) ? scatter.own : 0))];
}
const dot = (a: readonly number[], b: readonly number[]) => a.reduce((sum, value, i) => sum + value * b[i]!, 0);
const total = (masses: readonly Mass[]) => masses.reduce((sum, { mass }) => sum + mass, 0);

/**
 * The budget of a boat by stage: planned with its band, weighed, and what is to be expected of every stage after what
 * was weighed; each difference put down to what is known to scatter.
 *
 * A hull that came out heavy says that the fibre fraction is low, and so that the deck will be heavy too: fibre
 * fraction, cores and films are off alike all over the boat, areas and estimates each on its own.
 *
 * Source: the normal distribution given what was observed (linear Gaussian conditioning); docs/engineering.md, "Budget
 * by stage".
 */
export function budgetOf(masses: readonly Mass[], weighIns: readonly WeighIn[]): Budget {
  const weighed = standing(weighIns)
    .map((weighIn) => ({ weighIn, there: weighedMasses(masses, weighIn.subject, weighIn.stage) }))
    .filter(({ there }) => there.length > 0);
  const rows = weighed.map(({ there }) => sensitivity(there, masses));
  const misses = weighed.map(({ weighIn, there }) => weighIn.mass - total(there));
  const spread = new Matrix(
    rows.map((row, i) =>
      rows.map((other, j) => dot(row, other) + (i === j ? Math.max(weighed[i]!.weighIn.scales, 0.01) ** 2 : 0)),
    ),
  );
  const weights = rows.length > 0 ? solve(spread, Matrix.columnVector(misses)).to1DArray() : [];
  /** Likeliest deviation of each column, in its standard deviations. */
  const off = masses.length + ALIKE.length;
  const deviations = Array.from({ length: off }, (_, k) =>
    rows.reduce((sum, row, i) => sum + row[k]! * weights[i]!, 0),
  );
  const expect = (some: readonly Mass[]): Forecast => {
    const own = sensitivity(some, masses);
    const seen = rows.map((row) => dot(row, own));
    const known = rows.length > 0 ? dot(seen, solve(spread, Matrix.columnVector(seen)).to1DArray()) : 0;
    return forecastOf(total(some) + dot(own, deviations), dot(own, own) - known);
  };
  const stages = ORDER.map((stage): StageBudget => {
    const there = weighedMasses(masses, WHOLE_BOAT, stage);
    const own = sensitivity(there, masses);
    const last = weighed.findLast(({ weighIn }) => weighIn.subject === WHOLE_BOAT && weighIn.stage === stage)?.weighIn;
    return {
      stage,
      planned: forecastOf(total(there), dot(own, own)),
      weighed: last ? { mass: last.mass, scales: last.scales, day: last.day } : null,
      forecast: expect(there),
    };
  });
  const explained = weighed.map(({ weighIn, there }, i): Explained => {
    const row = rows[i]!;
    const planned = total(there);
    const difference = weighIn.mass - planned;
    const alike = ALIKE.map((cause, k) => ({ cause, name: SCATTER_SOURCES[cause], mass: row[k]! * deviations[k]! }));
    const own = row.slice(ALIKE.length).reduce((sum, value, k) => sum + value * deviations[ALIKE.length + k]!, 0);
    const rest = difference - own - alike.reduce((sum, { mass }) => sum + mass, 0);
    const causes: Explained['causes'] = [
      ...alike,
      { cause: 'own', name: SCATTER_SOURCES.own, mass: own },
      { cause: 'scales', name: 'the scales', mass: rest },
    ];
    return {
      weighIn,
      planned,
      difference,
      causes: causes.filter(({ mass }) => Math.abs(mass) > 0.005).sort((a, b) => Math.abs(b.mass) - Math.abs(a.mass)),
      surprise: difference / Math.sqrt(dot(row, row) + weighIn.scales ** 2 || 1),
    };
  });
  return { stages, explained };
}

/**
 * Share of the cases in which a forecast comes out over a limit.
 * Source: the normal distribution (Abramowitz & Stegun 7.1.26).
 */
export function chanceOver({ mass, standardDeviation }: Forecast, limit: number): number {
  if (standardDeviation === 0) return mass > limit ? 1 : 0;
  const z = (limit - mass) / standardDeviation / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * Math.abs(z));
  const tail =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) *
    Math.exp(-z * z);
  return z >= 0 ? tail / 2 : 1 - tail / 2;
}
