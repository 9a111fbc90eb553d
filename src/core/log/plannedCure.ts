import { isWet, type BuildState } from '../build';
import { curedBy, hottestZone, type Curing } from '../cure';
import type { Boat } from '../document';

/** How a part was thought to cure, beside which its trace is drawn. */
export interface PlannedCure {
  /** Name of the schedule, and of the zone that heats itself up most. */
  plan: string;
  zone: string;
  /** ms of the clock at which the resin was in; null where nobody said so: the trace begins with it. */
  from: number | null;
  /** Seconds from then; °C of the air, of the laminate where it is hottest and coolest. */
  moments: { time: number; air: number; hottest: number; coolest: number }[];
}

const MOMENTS = 120;

/**
 * What was planned for the cure of a part, by its first schedule; null where it has none, or nothing of it hardens.
 * The clock begins when the last step that wets it was done.
 */
export function plannedCure(
  boat: Boat,
  partId: string,
  { curing, state }: { curing: Curing; state: BuildState },
): PlannedCure | null {
  const plan = boat.curePlans.find(({ part }) => part === partId);
  const cured = plan && curedBy(boat, plan, curing);
  const zone = cured && typeof cured !== 'string' ? hottestZone(cured.zones) : undefined;
  if (!plan || !zone) return null;
  const wet = [...state.steps.values()].filter(
    ({ step, done }) => step.partId === partId && done !== null && isWet(step) && step.kind !== 'bond',
  );
  const last = wet.map(({ done }) => Date.parse(done!.at)).sort((a, b) => a - b);
  const { moments } = zone.course;
  const each = Math.max(1, Math.floor(moments.length / MOMENTS));
  return {
    plan: plan.name,
    zone: zone.name,
    from: last.at(-1) ?? null,
    moments: moments
      .filter((_, i) => i % each === 0 || i === moments.length - 1)
      .map(({ time, air, hottest, coolest }) => ({ time, air, hottest, coolest })),
  };
}
