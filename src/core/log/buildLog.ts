import { isWet, lastDrop, type BuildRecordOf, type BuildState, type ReadingKind } from '../build';
import { outlier, sampleOf } from '../record';
import { standing, type KeptWeighIn } from '../weight';
import { fibreShareOf, thicknessOf } from './fibreShareOf';
import type { Planned, PlannedZone } from './planned';

/** Readings of one kind in one zone, beside what was planned. SI. */
export interface ReadZone {
  zone: PlannedZone;
  what: ReadingKind;
  readings: BuildRecordOf<'reading'>[];
  mean: number;
  standardDeviation: number | null;
  /** What was planned; null where nothing is planned of it. */
  planned: number | null;
  /** Least and most that it should read; null on a side where nothing is too much or too little. */
  limits: [number | null, number | null];
  /** Readings beyond them. */
  outside: number;
  /** Place of the reading that chance does not explain (Grubbs, 5 %); it stays in the mean. */
  outlier: number | null;
}
export interface PartLog {
  partId: string;
  name: string;
  /** As planned, and as it stood on the scales last (kg). */
  mass: { planned: number; weighed: KeptWeighIn | null };
  /** As planned; mixed for it; of that thrown away in the pot (kg of mix). */
  resin: { planned: number; mixed: number; thrown: number };
  /** The last drop test: Pa, min; what it lost a minute and what it may lose a minute. */
  drop: { start: number; end: number; minutes: number; passed: boolean; perMinute: number; limit: number } | null;
  zones: ReadZone[];
  /** Hours planned by its steps, and those that were written down. */
  hours: { planned: number; read: number | null };
  defects: number;
  /** Whether all that wets it is done: before that, resin and hours say nothing of the whole. */
  isLaid: boolean;
}
export interface BuildLog {
  parts: PartLog[];
  /** Readings of zones that the revision does not have. */
  elsewhere: BuildRecordOf<'reading'>[];
}

const PLANNED: Partial<Record<ReadingKind, (zone: PlannedZone) => number>> = {
  thickness: (zone) => zone.thickness,
  fibreShare: (zone) => zone.fibreShare,
};

/** What a laminate of a resin must come to: hardness (Barcol) and the most heat (°C), by the yard's list. */
export interface ResinLimits {
  hardness: number;
  most: number;
}

/** Two standard deviations to both sides of the planned fibre share; hardness and heat by the resin. */
function limitsOf(zone: PlannedZone, what: ReadingKind, resin: ResinLimits | null): ReadZone['limits'] {
  const [thin, rich] = [zone.fibreShare + 2 * zone.scatter, zone.fibreShare - 2 * zone.scatter];
  if (what === 'fibreShare') return [Math.max(0, rich), Math.min(1, thin)];
  if (what === 'thickness' && zone.fibreShare > 0)
    return [thicknessOf(zone, Math.min(0.95, thin)), thicknessOf(zone, Math.max(0.05, rich))];
  if (what === 'hardness') return [resin?.hardness ?? null, null];
  return [null, what === 'temperature' ? (resin?.most ?? null) : null];
}

function readZone(
  zone: PlannedZone,
  { what, readings, resin }: { what: ReadingKind; readings: BuildRecordOf<'reading'>[]; resin: ResinLimits | null },
): ReadZone {
  const [low, high] = limitsOf(zone, what, resin);
  const values = readings.map(({ body }) => body.value);
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  return {
    zone,
    what,
    readings,
    mean,
    standardDeviation: values.length > 1 ? sampleOf(values).standardDeviation : null,
    planned: PLANNED[what]?.(zone) ?? null,
    limits: [low, high],
    outside: values.filter((value) => (low !== null && value < low) || (high !== null && value > high)).length,
    outlier: values.length > 2 ? outlier(values).index : null,
  };
}

/**
 * What was read of a hull beside what its revision plans.
 * @param weighIns of the boat, all hulls. @param resin limits of what it is laid with; null: not judged.
 * @example buildLog(state, plannedOf(boat), { weighIns }).parts[0].mass
 */
export function buildLog(
  state: BuildState,
  planned: Planned,
  { weighIns, resin = null }: { weighIns: readonly KeptWeighIn[]; resin?: ResinLimits | null },
): BuildLog {
  const { plan } = state;
  const own = standing(weighIns).filter(({ hull }) => hull === plan.hull);
  const byZone = new Map<string, BuildRecordOf<'reading'>[]>();
  const elsewhere: BuildRecordOf<'reading'>[] = [];
  for (const reading of state.readings) {
    const { zone, what } = reading.body;
    if (what === 'hours') continue;
    if (!planned.zones.some(({ id }) => id === zone)) elsewhere.push(reading);
    else byZone.set(`${zone}|${what}`, [...(byZone.get(`${zone}|${what}`) ?? []), reading]);
  }
  const parts = planned.parts.map((part): PartLog => {
    const steps = plan.steps.filter(({ partId }) => partId === part.id);
    const ids = new Set(steps.map(({ id }) => id));
    const pots = state.pots.filter(({ record }) => ids.has(record.body.step));
    const mix = (some: typeof pots) =>
      some.reduce((sum, { record }) => sum + record.body.resin + record.body.hardener, 0);
    const bag = steps.map(({ id }) => state.steps.get(id)!).findLast(({ drops }) => drops.length > 0);
    const found = bag && lastDrop(state, bag);
    const reading = bag?.drops.at(-1)?.body;
    const hours = state.readings.filter(({ body }) => body.what === 'hours' && body.part === part.id);
    return {
      partId: part.id,
      name: part.name,
      mass: { planned: part.mass, weighed: own.findLast(({ subject }) => subject === part.id) ?? null },
      resin: {
        planned: part.resin,
        mixed: mix(pots),
        thrown: mix(pots.filter(({ emptied }) => emptied?.body.how === 'thrown away')),
      },
      drop:
        found && reading
          ? {
              start: reading.start,
              end: reading.end,
              minutes: reading.minutes,
              passed: found.passed,
              perMinute: found.perMinute,
              limit: found.limit / reading.minutes,
            }
          : null,
      zones: [...byZone]
        .flatMap(([key, readings]): ReadZone[] => {
          const [zoneId, what] = key.split('|') as [string, ReadingKind];
          const zone = planned.zones.find(({ id }) => id === zoneId)!;
          return zone.partId === part.id ? [readZone(zone, { what, readings, resin })] : [];
        })
        .sort((a, b) => a.what.localeCompare(b.what) || a.zone.name.localeCompare(b.zone.name)),
      hours: {
        planned: steps.reduce(
          (sum, { kind, minutes, people = 2 }) => sum + (kind === 'cure' ? 0 : (minutes * people) / 60),
          0,
        ),
        read: hours.length === 0 ? null : hours.reduce((sum, { body }) => sum + body.value, 0),
      },
      isLaid: steps.filter(isWet).every(({ id }) => state.steps.get(id)!.done !== null) && steps.some(isWet),
      defects: [...state.defects.values()].filter(({ record }) => record.body.part === part.id).length,
    };
  });
  return { parts, elsewhere };
}

/** Why a part may be heavier or lighter than planned: one thing that was read, and the mass that it stands for (kg). */
export interface Cause {
  mass: number;
  says: string;
}

/** How far a part is off its plan (kg, and as a share), what was read that explains it, and what nothing does. */
export interface Causes {
  over: number;
  share: number;
  causes: Cause[];
  unexplained: number;
}

/** What the fibre share of a zone reads, by plugs or else by thickness; null where nothing does. */
export function shareRead(zones: readonly ReadZone[], zoneId: string): { share: number; by: string } | null {
  const of = (what: ReadingKind) => zones.find((one) => one.zone.id === zoneId && one.what === what);
  const plug = of('fibreShare');
  if (plug) return { share: plug.mean, by: 'plugs' };
  const thick = of('thickness');
  if (!thick) return null;
  try {
    return { share: fibreShareOf(thick.zone, thick.mean), by: 'thickness' };
  } catch {
    return null;
  }
}

/**
 * What was read of a part that explains why it weighs what it does, the largest first; and what nothing explains.
 * Resin that went into a zone beyond its plan is W_f (1/ψ read − 1/ψ planned) over its area.
 *
 * @param number how many pieces of the part stood on the scales together.
 * @returns null where it was not weighed.
 */
export function causesOf({ mass, zones }: PartLog, number = 1): Causes | null {
  if (!mass.weighed) return null;
  const over = mass.weighed.mass - mass.planned;
  const ids = [...new Set(zones.map(({ zone }) => zone.id))];
  const causes = ids.flatMap((id): Cause[] => {
    const { zone } = zones.find((one) => one.zone.id === id)!;
    const read = shareRead(zones, id);
    if (!read || zone.fibreShare <= 0) return [];
    const more = zone.dryFibre * (1 / read.share - 1 / zone.fibreShare) * zone.area * number;
    if (Math.abs(more) < 0.002 * mass.planned) return [];
    const says = `${zone.name} reads a fibre share of ${read.share.toFixed(2)} against ${zone.fibreShare.toFixed(2)}`;
    return [{ mass: more, says: `${says} (by ${read.by})` }];
  });
  causes.sort((a, b) => Math.abs(b.mass) - Math.abs(a.mass));
  const explained = causes.reduce((sum, cause) => sum + cause.mass, 0);
  return { over, share: over / mass.planned, causes, unexplained: over - explained };
}
