import { z } from 'zod';
import data from '@data/habits/habits.json';
import { parseOrThrow } from '../error';
import type { Process } from '../material';
import { ZONE_LOCATIONS, type ZoneLocation } from '../standard';

const id = z.string().min(1).max(60);
const cloths = z.array(id).min(1, 'Name at least one cloth').max(6, 'At most 6 cloths are laid in turn');
const thickness = z.number().positive('A thickness is above 0').max(0.2, 'A core is at most 200 mm thick');

/** Rules that hold wherever a schedule is proposed; each can be given up, and then says what it cost. */
const rulesSchema = z.strictObject({
  /** A skin is the first so many of its cloths in turn; else any number of each. */
  inTurn: z.boolean(),
  /** Most layers of the same cloth one on the other. */
  alike: z.int().min(1).max(20).nullable(),
  /** Mat that must lie between two layers of woven roving. */
  between: id.nullable(),
  /** Mat on both faces of a core. */
  tie: id.nullable(),
  /** Both skins of a sandwich of the same layers, behind what is fixed. */
  symmetric: z.boolean(),
  /** As many layers at an angle as at its mirror image. */
  balanced: z.boolean(),
  /** Places that never have a core. */
  solid: z.array(z.enum(Object.keys(ZONE_LOCATIONS) as ZoneLocation[])).max(20),
  /** No core in a zone that runs over the keel. */
  solidKeel: z.boolean(),
  /** Core where hardware is bolted on, in the place of the usual one; null where its own backing does. */
  hardware: id.nullable(),
  /** Core where the bottom slams; null for the usual one if it is tough enough, else none. */
  slamming: id.nullable().default(null),
  /** Dry fibre of a layer that is handled (kg/m²). */
  ply: z
    .strictObject({ least: z.number().min(0).max(5), most: z.number().positive().max(5) })
    .refine(({ least, most }) => least < most, 'The heaviest ply must be heavier than the lightest'),
  /** Most different materials laid in a part, coat and skin not counted. */
  mostMaterials: z.int().min(1).max(20).nullable(),
  /** Most layers that end at a line between two zones. */
  mostDropped: z.int().min(0).max(40).nullable(),
  /** Least layers of its cloths in a skin, beside what is fixed and what ties a core. */
  leastLayers: z.int().min(0).max(10),
  /** Most layers laid in a zone, coat, skin and core not counted. */
  mostLayers: z.int().min(1).max(40),
});

/** What a yard lays with a process, and by what rules. */
export const habitsSchema = z.strictObject({
  /** Resin that usually goes with the process. */
  resin: id,
  /** First on the mould of whatever is moulded to a finished face (m). */
  coat: z.strictObject({ material: id, thickness: z.number().positive().max(0.01) }).nullable(),
  /** Laid once over everything, behind the coat. */
  skin: z.array(id).max(4),
  /** Laid in turn in a single skin. */
  single: cloths,
  /** The same of a sandwich: on its outer skin, from the mould; on its inner skin, from the core. */
  outer: cloths,
  core: z.strictObject({ material: id, thicknesses: z.array(thickness).min(1, 'Give at least one thickness').max(20) }),
  inner: cloths,
  rules: rulesSchema,
});
export type Habits = z.infer<typeof habitsSchema>;
export type HabitRules = Habits['rules'];

/** What a yard lays to begin with, by process, until it says otherwise. */
export const USUAL_HABITS = parseOrThrow(
  z.record(z.enum(['handLayUp', 'wetBag', 'infusion', 'prepreg']), habitsSchema),
  data,
) as Readonly<Record<Process, Habits>>;

/** The habits of a process as the yard has them. */
export interface HabitsOfYard {
  process: Process;
  habits: Habits;
  /** Counted up with every change; 0 for the usual ones. */
  version: number;
  /** Who said so, and when (ISO 8601); null for the usual ones. */
  own: { author: string; at: string } | null;
}
