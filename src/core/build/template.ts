import { z } from 'zod';
import data from '@data/steps/steps.json';
import { PART_KINDS } from '../document';
import { parseOrThrow } from '../error';
import { bounded, choice, nameOf, noted, text, whole } from '../field';
import { PROCESSES, RESIN_FAMILIES, type Process } from '../material';

/** What a step is, and with it what is recorded of it. */
export const STEP_KINDS = {
  task: 'a task',
  coats: 'coats on the mould, counted',
  lay: 'laying pieces',
  bag: 'bag and drop test',
  fill: 'filling',
  cure: 'cure',
  demould: 'demoulding',
  inspect: 'inspection',
  bond: 'bonding',
} as const;
export type StepKind = keyof typeof STEP_KINDS;

/** Which layers are laid in a step. */
export const LAYER_STAGES = {
  none: 'nothing',
  coat: 'coatings',
  skinCoat: 'skin coat',
  outerSkin: 'outer skin',
  core: 'core',
  innerSkin: 'inner skin',
  local: 'stiffeners, straps and patches',
  rest: 'all that is left',
} as const;
export type LayerStage = keyof typeof LAYER_STAGES;

export const HOLDS = { none: 'nobody', lead: 'laminating lead', inspector: 'inspector' } as const;
export const LATE = {
  nothing: 'it may begin all the same',
  abrade: 'abrade and wipe first',
  release: 'a lead or inspector must decide',
} as const;
/** What others in the hall suffer from: gathered into a day of its own. */
export const MESS = { nothing: 'nothing', dust: 'dust: grinding, sanding, cutting' } as const;
const processes = Object.fromEntries(Object.entries(PROCESSES).map(([id, { name }]) => [id, name])) as Record<
  Process,
  string
>;
const minutes = (label: string, most = 60_000, hint?: string) =>
  bounded(label, [0, most], 'min', { ...(hint && { hint }) });

/** A step as the yard does it, for every part that it fits. */
export const stepTemplateSchema = z.strictObject({
  name: nameOf('Step', 60),
  kind: choice('It is', STEP_KINDS),
  of: choice('Of', { every: 'every part', ...PART_KINDS, boat: 'the boat, once', fit: 'every part that is fitted' }),
  process: choice('With', { any: 'any process', ...processes }),
  lays: choice('Lays', LAYER_STAGES),
  minutes: minutes('Takes'),
  coats: whole('Coats', 0, 20),
  wait: minutes('Between coats, and before the next step', 20_000, 'at least'),
  within: minutes('Begins after the step before within', 60_000, 'at 20 °C; warmer air shortens it. 0: any time'),
  late: choice('Later than that', LATE),
  stay: choice('Once begun', { may: 'may be interrupted', must: 'must not be interrupted' }),
  hold: choice('Signed by', HOLDS),
  people: whole('People', 1, 20).default(2),
  mess: choice('Leaves behind', MESS).default('nothing'),
  closes: text('Closes', 120),
  reaches: text('Must be reached for it', 120),
  wear: text('Wear', 120),
  caution: text('Caution', 240),
  note: text('How', 300),
});
export type StepTemplate = z.infer<typeof stepTemplateSchema>;

/** In what air a resin may be worked. */
const climateLimit = z.strictObject({
  family: choice('Resin', RESIN_FAMILIES),
  coldest: bounded('From', [0, 60], '°C'),
  warmest: bounded('Up to', [0, 80], '°C'),
  dampest: bounded('Humidity at most', [10, 100], '%'),
});

/** How the yard builds: its steps in order, the air its resins want, when a mould is serviced. */
export const stepsSchema = z.strictObject({
  steps: noted(z.array(stepTemplateSchema).max(120), { label: 'Steps, in order' }),
  climate: noted(z.array(climateLimit).max(20), { label: 'The air that a resin wants' }),
  /** A reading of the air is good for so long (min). */
  climateLasts: minutes('A reading of the air is good for', 1440),
  /** Coats on a mould that has released fewer times than `seasonedAfter`, and after that. */
  coatsNew: whole('Coats on a new mould', 1, 20),
  coatsSeasoned: whole('Coats on a seasoned mould', 1, 20),
  seasonedAfter: whole('A mould is seasoned after pulls', 1, 100),
  /** The pot is warned about with so much of its life left. */
  warnAt: bounded('Warn of the pot with left', [0.05, 0.9], '', { hint: 'share of its life' }),
});
export type Steps = z.infer<typeof stepsSchema>;

/** How a small yard commonly works, to begin with. */
export const USUAL_STEPS: Steps = parseOrThrow(stepsSchema, data);

/** What a step closes or must reach, one by one: 'tank bolts, wiring' is two. */
export const tagsOf = (said: string): string[] =>
  said
    .split(',')
    .map((tag) => tag.trim().toLowerCase())
    .filter((tag) => tag !== '');
