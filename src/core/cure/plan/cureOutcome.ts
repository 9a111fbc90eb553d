import { latest, type CureLimit, type ZoneCure } from './zoneCure';

/** What a part comes to as it cures: each figure that of the zone where it is worst. */
export interface CureOutcome {
  /** The limit that is nearest, or furthest broken, and in which zone. */
  nearest: CureLimit & { zone: string };
  /** s until the last zone gels, and until the last may be demoulded; null where one never does. */
  gel: number | null;
  demould: number | null;
  /** Of a zone that may not be demoulded: it is cured, but too warm. */
  warm: boolean;
  /** Least degree of cure at the end. */
  degree: number;
}

/** @param zones at least one. */
export function cureOutcome(zones: readonly ZoneCure[]): CureOutcome {
  const limits = zones.flatMap(({ name, limits: own }) => own.map((limit) => ({ ...limit, zone: name })));
  return {
    nearest: limits.reduce((a, b) => (b.limit - b.hottest < a.limit - a.hottest ? b : a)),
    gel: latest(zones.map(({ gel }) => gel)),
    demould: latest(zones.map(({ demould }) => demould)),
    warm: zones.every(({ demould, warm }) => demould !== null || warm),
    degree: Math.min(...zones.map(({ degree }) => degree)),
  };
}
