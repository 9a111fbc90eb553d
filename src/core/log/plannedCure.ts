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

/** Where a cure was furthest from its plan: read less planned (K), and how long after the resin was in (s). */
export interface FurthestOff {
  off: number;
  time: number;
}

/**
 * @param begun ms of the clock at which the plan begins. @param stretches of the trace: least and most of each.
 * @returns null where no reading lies within the plan. Above the hottest of the laminate, or below its coolest, counts.
 */
export function furthestOff(
  { moments }: PlannedCure,
  begun: number,
  stretches: readonly { from: number; least: number; most: number }[],
): FurthestOff | null {
  let furthest: FurthestOff | null = null;
  for (const { from, least, most } of stretches) {
    const time = (from - begun) / 1000;
    const after = moments.findIndex((moment) => moment.time >= time);
    if (after < 0 || time < moments[0]!.time) continue;
    const [a, b] = [moments[Math.max(0, after - 1)]!, moments[after]!];
    const share = b.time > a.time ? (time - a.time) / (b.time - a.time) : 0;
    const [over, under] = [
      most - (a.hottest + share * (b.hottest - a.hottest)),
      least - (a.coolest + share * (b.coolest - a.coolest)),
    ];
    const off = Math.max(over, 0) >= -Math.min(under, 0) ? Math.max(over, 0) : Math.min(under, 0);
    if (furthest === null || Math.abs(off) > Math.abs(furthest.off)) furthest = { off, time };
  }
  return furthest;
}
