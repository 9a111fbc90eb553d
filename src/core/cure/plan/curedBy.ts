import type { Boat, CurePlan, Zone } from '../../document';
import { KeramosError } from '../../error';
import { makeEvaluator, type ZoneEvaluation } from '../../evaluate';
import type { Resin } from '../../material';
import type { Curing } from '../curing';
import { resinCure, type ResinCure } from '../resinCure';
import { zoneCure, type ZoneCure } from './zoneCure';

/** A part as it cures: each zone, and what it was reckoned from. */
export interface Cured {
  cure: ResinCure;
  zones: ZoneCure[];
  /** What each zone was reckoned from. */
  given: { zone: Zone; evaluation: ZoneEvaluation }[];
  bagged: boolean;
}

/** Every zone of a part by a schedule, or why not. */
export function curedBy(boat: Boat, plan: CurePlan, curing: Curing): Cured | string {
  const part = boat.parts.find(({ id }) => id === plan.part);
  const resin = boat.materials.find((one): one is Resin => one.kind === 'resin' && one.id === boat.brief.resin);
  if (!part || !resin) return 'The boat has no resin: choose one in the Brief';
  try {
    const cure = resinCure(resin, curing, plan.potLife);
    const evaluations = makeEvaluator()(boat);
    const bagged = boat.brief.process !== 'handLayUp';
    const given = part.zones.map((zone) => ({ zone, evaluation: evaluations.get(zone.id)! }));
    const zones = given.flatMap(
      ({ zone, evaluation }) => zoneCure(evaluation, { zone, plan, cure, curing, bagged }) ?? [],
    );
    return zones.length === 0
      ? `${part.name}: nothing is laid in it that hardens: lay its schedule first`
      : { cure, zones, given, bagged };
  } catch (error) {
    if (error instanceof KeramosError) return error.text;
    throw error;
  }
}

/** The zone that heats itself up most. */
export const hottestZone = (zones: readonly ZoneCure[]): ZoneCure | undefined =>
  zones.reduce<ZoneCure | undefined>((most, zone) => {
    const hot = (one: ZoneCure) => Math.max(...one.shots.map(({ peak }) => peak));
    return most === undefined || hot(zone) > hot(most) ? zone : most;
  }, undefined);
