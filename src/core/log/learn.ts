import {
  COMPONENT_FORMS,
  fibreFractionFor,
  PROCESSES,
  type ComponentForm,
  type Fabric,
  type Material,
  type Process,
  type Resin,
} from '../material';
import { outlier, posterior, sampleOf, toleranceFactor, type Normal } from '../record';
import { shareRead, type BuildLog } from './buildLog';

/** A form of cloth, or all of them where a zone is a mixture. */
export type LearnedForm = ComponentForm | 'all';
export const LEARNED_FORMS: Record<LearnedForm, string> = { ...COMPONENT_FORMS, all: 'mixed cloth, all forms alike' };

/** What one zone of one hull reads: its fibre share over the planned one. */
export interface Observation {
  process: Process;
  form: LearnedForm;
  ratio: number;
  boat: string;
  hull: string;
  zone: string;
  by: string;
}

/** A zone speaks for a form of cloth that is so much of its dry fibre; else for the mixture. */
const DOMINANT = 0.7;
/** How far a plug, or a mean of thickness readings, is off (as a share of the fibre share). */
export const READING_SPREAD = 0.03;

/** What a hull says of the forms of cloth that it is laid of. */
export function observationsOf(
  { boat, hull, process }: { boat: string; hull: string; process: Process },
  log: BuildLog,
): Observation[] {
  return log.parts.flatMap(({ zones }) =>
    [...new Map(zones.map(({ zone }) => [zone.id, zone])).values()].flatMap((zone): Observation[] => {
      const read = shareRead(zones, zone.id);
      const [form] = Object.entries(zone.forms).find(([, share]) => share >= DOMINANT) ?? [];
      if (!read || zone.fibreShare <= 0) return [];
      const ratio = read.share / zone.fibreShare;
      return [
        {
          process,
          form: (form as ComponentForm | undefined) ?? 'all',
          ratio,
          boat,
          hull,
          zone: zone.name,
          by: read.by,
        },
      ];
    }),
  );
}

/** What the yard knows by now of a form of cloth in a process: as a factor on the published fibre share. */
export interface Learned {
  process: Process;
  form: LearnedForm;
  /** Published share of glass by weight; of a mixture the mean of the forms. */
  published: number;
  observations: Observation[];
  prior: Normal;
  posterior: Normal & { predictiveStandardDeviation: number };
  /** Below which no more than one part in ten lies, 95 % sure, by the readings alone; null under two. */
  bound: number | null;
  outlier: number | null;
}

/**
 * What readings say of each form and process, with the scatter of the process as what was known before.
 * @example learn(observations)[0].posterior.mean // 0.96: this yard lays it with less fibre than published
 * Source: conjugate normal with a known spread of one reading.
 */
export function learn(observations: readonly Observation[]): Learned[] {
  const groups = new Map<string, Observation[]>();
  for (const one of observations) {
    const key = `${one.process}|${one.form}`;
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  return [...groups.values()].map((own): Learned => {
    const { process, form } = own[0]!;
    const { fibreWeightFraction, scatter } = PROCESSES[process];
    const all = Object.values(fibreWeightFraction);
    const published = form === 'all' ? all.reduce((a, b) => a + b, 0) / all.length : fibreWeightFraction[form];
    const prior = { mean: 1, standardDeviation: scatter / published };
    const ratios = own.map(({ ratio }) => ratio);
    const spread = Math.hypot(READING_SPREAD, scatter / published / 2);
    return {
      process,
      form,
      published,
      observations: own,
      prior,
      posterior: posterior(prior, ratios, spread),
      bound:
        ratios.length < 2
          ? null
          : sampleOf(ratios).mean - toleranceFactor(ratios.length) * sampleOf(ratios).standardDeviation,
      outlier: ratios.length < 3 ? null : outlier(ratios).index,
    };
  });
}

/** What is put to use: a factor on the published fibre share of a form in a process. */
export interface LearnedUse {
  process: Process;
  form: LearnedForm;
  factor: number;
  /** Readings behind it, and how far a part scatters about it. */
  n: number;
  spread: number;
}

const isOurs = (process: Process) => (one: Fabric['components'][number]['measured'][number]) =>
  one.property === 'fibreWeightFraction' && one.process === process && one.origin === 'yardTest';

/**
 * A fabric as the yard lays it: the fibre share of its components of that form, as tested by the yard. Tested shares
 * that are there for the process already give way.
 */
export function withLearned(
  fabric: Fabric,
  { process, form, factor, n, spread }: LearnedUse,
  { fibreDensity, resinDensity }: { fibreDensity: (fibre: string) => number; resinDensity: number },
): Fabric {
  return {
    ...fabric,
    components: fabric.components.map((component) => {
      if (form !== 'all' && component.form !== form) return component;
      const { fibreWeightFraction } = fibreFractionFor({
        process,
        form: component.form,
        fibreDensity: fibreDensity(component.fibre),
        resinDensity,
      });
      const value = Math.min(0.85, Math.max(0.1, Math.round(fibreWeightFraction * factor * 1e4) / 1e4));
      const own = { property: 'fibreWeightFraction', value, origin: 'yardTest', n, spread, process } as const;
      return { ...component, measured: [...component.measured.filter((one) => !isOurs(process)(one)), own] };
    }),
  };
}

/** The same fabric without the yard's own fibre share for that form and process. */
export const withoutLearned = (fabric: Fabric, { process, form }: Pick<LearnedUse, 'process' | 'form'>): Fabric => ({
  ...fabric,
  components: fabric.components.map((component) =>
    form === 'all' || component.form === form
      ? { ...component, measured: component.measured.filter((one) => !isOurs(process)(one)) }
      : component,
  ),
});

/** Every material of a book with what was learned, its densities from the book itself. */
export function bookWithLearned(materials: readonly Material[], resin: Resin | undefined, use: LearnedUse): Material[] {
  const fibres = new Map(materials.flatMap((one) => (one.kind === 'fibre' ? [[one.id, one.density.value]] : [])));
  const densities = {
    fibreDensity: (id: string) => fibres.get(id) ?? 2560,
    resinDensity: resin?.density.value ?? 1200,
  };
  return materials.map((one) => (one.kind === 'fabric' ? withLearned(one, use, densities) : one));
}
