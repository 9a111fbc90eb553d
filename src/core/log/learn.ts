import { CHARACTERISTIC_K, fabricArealWeight, PROCESSES, type Material, type Process } from '../material';
import { outlier, posterior, sampleOf, toleranceFactor, welch, type Normal } from '../record';
import { learnable, LEARNABLES, type LearnedForm, type LearnedProperty, type LearnedUse } from '../shop';
import type { Observation } from './observe';

/** Readings of one kind: by cloth, by team, by half of the year. */
export interface LearnedSlice {
  by: 'cloth' | 'team' | 'season';
  name: string;
  /** The cloth, by its id; empty for teams and seasons. */
  material: string;
  n: number;
  mean: number;
  /** Chance that it is the same as all others; null where there are none to hold it against. */
  chance: number | null;
}

/** What the yard knows by now of a property, as a factor on what is published. */
export interface Learned {
  property: LearnedProperty;
  process: Process;
  form: LearnedForm;
  /** A material of the Shelf; empty where it is of every cloth of the form. */
  material: string;
  name: string;
  /** What is published: a fibre share, or a figure in its own unit; 1 where it is a factor alone. */
  published: number;
  observations: Observation[];
  prior: Normal;
  posterior: Normal & { predictiveStandardDeviation: number };
  /** Below which no more than one part in ten lies, 95 % sure, by the readings alone; null under two. */
  bound: number | null;
  outlier: number | null;
  slices: LearnedSlice[];
  /** What would be put to use, and why nothing may be. */
  use: LearnedUse | null;
  why: string | null;
}

/** Readings that a slice wants before it says anything. */
const SLICE = 3;

const keyOf = ({ property, process, form, material }: Observation): string =>
  LEARNABLES[property].of === 'form' ? `${property}|${process}|${form}` : `${property}|${material}`;

/** Which half of the year a day lies in. */
const seasonOf = (on: string): string => {
  if (on === '') return '';
  const month = Number(on.slice(5, 7));
  return month >= 4 && month <= 9 ? 'April to September' : 'October to March';
};

function slicesOf(own: readonly Observation[], nameOf: (id: string) => string): LearnedSlice[] {
  const kinds = {
    cloth: ({ material }: Observation) => material,
    team: ({ team }: Observation) => team,
    season: ({ on }: Observation) => seasonOf(on),
  };
  return (Object.keys(kinds) as LearnedSlice['by'][]).flatMap((by): LearnedSlice[] => {
    const groups = new Map<string, number[]>();
    for (const one of own) {
      const name = kinds[by](one);
      if (name !== '') groups.set(name, [...(groups.get(name) ?? []), one.ratio]);
    }
    const enough = [...groups].filter(([, ratios]) => ratios.length >= SLICE);
    if (enough.length < (by === 'cloth' ? 1 : 2)) return [];
    return enough.map(([key, ratios]) => {
      const rest = own.filter((one) => kinds[by](one) !== key).map(({ ratio }) => ratio);
      return {
        by,
        name: by === 'cloth' ? nameOf(key) : key,
        material: by === 'cloth' ? key : '',
        n: ratios.length,
        mean: sampleOf(ratios).mean,
        chance: rest.length >= 2 ? welch(ratios, rest).chance : null,
      };
    });
  });
}

/** The figure that a factor is on, where a material has one. */
export function publishedFigure(property: LearnedProperty, material: Material | undefined): number {
  if (property === 'arealWeight' && material?.kind === 'fabric') return fabricArealWeight(material);
  if (property === 'coreStiffness' && material?.kind === 'core') return material.shearModulus.value;
  if (property === 'coreStrength' && material?.kind === 'core') return material.shearStrength.value;
  return 1;
}

function publishedShare(process: Process, form: LearnedForm): number {
  const { fibreWeightFraction } = PROCESSES[process];
  if (form !== 'all') return fibreWeightFraction[form];
  const all = Object.values(fibreWeightFraction);
  return all.reduce((a, b) => a + b, 0) / all.length;
}

const known = (
  property: LearnedProperty,
  { process, published }: { process: Process; published: number },
): { prior: Normal; spread: number } => {
  const { prior, reading } = learnable(property);
  if (property !== 'fibreShare') return { prior: { mean: 1, standardDeviation: prior }, spread: reading };
  const scatter = PROCESSES[process].scatter / published;
  return { prior: { mean: 1, standardDeviation: scatter }, spread: Math.hypot(reading, scatter / 2) };
};

/** The resin of most readings: figures of a ply are computed with it. */
function resinOf(own: readonly Observation[]): string {
  const counts = new Map<string, number>();
  for (const { resin } of own) counts.set(resin, (counts.get(resin) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? '';
}

/**
 * What may be put to use of some readings: the mean of what is known; of a strength no more than the readings’ own
 * mean, with a scatter by which its characteristic value comes to what nine parts in ten exceed; of a core that bound
 * itself.
 */
function usableOf(one: Omit<Learned, 'use' | 'why' | 'slices'>): Pick<Learned, 'use' | 'why'> {
  const { property, process, form, material, observations, posterior: after, bound } = one;
  const { least, uses } = learnable(property);
  const n = observations.length;
  if (n < least) return { use: null, why: `${least} readings at least are wanted, and there are ${n}` };
  const common = { property, process, form, material, resin: resinOf(observations), n, was: [] };
  const spread = after.predictiveStandardDeviation;
  if (uses === 'mean') return within({ ...common, factor: after.mean, spread });
  const { mean, standardDeviation } = sampleOf(observations.map(({ ratio }) => ratio));
  if (uses === 'bound') return within({ ...common, factor: bound!, spread: standardDeviation / mean });
  const factor = Math.min(after.mean, mean);
  const characteristic = Math.max(standardDeviation / mean, (1 - bound! / factor) / CHARACTERISTIC_K);
  return within({ ...common, factor, spread: Math.min(1, characteristic) });
}

/** Thicker without fibre would gain by every rule that goes by fibre share and thickness, and bears no more. */
export const GAINS_NOTHING = 'Thicker than its fibre and resin are voids, which bear nothing: it is shown, not used';

function within(use: LearnedUse): Pick<Learned, 'use' | 'why'> {
  if (use.property === 'thickness' && use.factor > 1) return { use: null, why: GAINS_NOTHING };
  if (use.factor < 0.5)
    return { use: null, why: 'The readings scatter so far that less than half of what is published is sure' };
  if (use.factor > 1.5) return { use: null, why: 'More than half as much again: look for what was misread first' };
  return { use, why: null };
}

/**
 * What readings say of each property, form and process, with what is published as what was known before.
 *
 * @param materials of the Shelf as published: for names, and the figures that factors are on.
 * @example learn(observations, shelf)[0].posterior.mean // 0.96: this yard lays it with less fibre than published
 * Source: conjugate normal with a known spread of one reading; one-sided tolerance bound of a normal population.
 */
export function learn(observations: readonly Observation[], materials: readonly Material[] = []): Learned[] {
  const groups = new Map<string, Observation[]>();
  for (const one of observations) groups.set(keyOf(one), [...(groups.get(keyOf(one)) ?? []), one]);
  const byId = new Map(materials.map((one) => [one.id, one]));
  const nameOf = (id: string) => byId.get(id)?.name ?? id;
  return [...groups.values()]
    .map((own): Learned => {
      const { property, process, form, material } = own[0]!;
      const isForm = LEARNABLES[property].of === 'form';
      const published =
        property === 'fibreShare' ? publishedShare(process, form) : publishedFigure(property, byId.get(material));
      const { prior, spread } = known(property, { process, published });
      const ratios = own.map(({ ratio }) => ratio);
      const bound =
        ratios.length < 2
          ? null
          : sampleOf(ratios).mean - toleranceFactor(ratios.length) * sampleOf(ratios).standardDeviation;
      const one = {
        property,
        process,
        form,
        material: isForm ? '' : material,
        name: isForm ? '' : nameOf(material),
        published,
        observations: own,
        prior,
        posterior: posterior(prior, ratios, spread),
        bound,
        outlier: ratios.length < 3 ? null : outlier(ratios).index,
      };
      return { ...one, ...usableOf(one), slices: isForm ? slicesOf(own, nameOf) : [] };
    })
    .sort((a, b) => ORDER.indexOf(a.property) - ORDER.indexOf(b.property));
}
const ORDER = Object.keys(LEARNABLES) as LearnedProperty[];

/**
 * The same of one cloth alone, by its own readings.
 * @returns null where none of them is of it.
 */
export function learnCloth(learned: Learned, material: string): Learned | null {
  const own = learned.observations.filter((one) => one.material === material);
  const [one] = learn(own);
  if (!one) return null;
  const alone = { ...one, material, published: learned.published };
  return { ...alone, ...usableOf(alone) };
}
