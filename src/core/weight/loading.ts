import type { Condition } from '../document';
import { massBand, type MassBand } from './massBand';
import type { Mass } from './masses';
import { rollUpMasses, type Vector } from './rollUpMasses';

/** A boat loaded in one way: mass, centre, and how it is spread. kg, m. */
export interface Loading {
  mass: number;
  centre: Vector;
  /** Radii of gyration about the centre: in roll, pitch and yaw. */
  radii: Vector;
  band: MassBand;
}

/** Share of a mass that is aboard. */
export const shareAboard = (mass: Mass, condition: Condition): number => mass.aboard[condition];

/** What is aboard in a condition, by its share. */
export function aboardIn(masses: readonly Mass[], condition: Condition): { mass: Mass; share: number; at: Vector }[] {
  return masses.flatMap((mass) => {
    const share = shareAboard(mass, condition);
    if (share === 0) return [];
    return [{ mass, share, at: share < 1 && mass.centreAt ? mass.centreAt(share) : mass.centre }];
  });
}

/** Mass, centre and radii of gyration of a boat in a condition; null while nothing weighs. */
export function loadingOf(masses: readonly Mass[], condition: Condition): Loading | null {
  const aboard = aboardIn(masses, condition);
  const { mass, centre, inertia } = rollUpMasses(
    aboard.map(({ mass: one, share, at }) => ({
      mass: share * one.mass,
      centre: at,
      inertia: one.inertia.map((value) => share * value) as unknown as Vector,
    })),
  );
  if (!centre || !inertia || mass <= 0) return null;
  const radii = inertia.map((value) => Math.sqrt(Math.max(0, value) / mass)) as unknown as Vector;
  return { mass, centre, radii, band: massBand(masses, (one) => shareAboard(one, condition)) };
}

/** How the centre of a boat moves when a mass in it is moved or made lighter (m). */
export interface CentreShift {
  mass: number;
  centre: Vector;
}

/**
 * The boat with one of its masses changed.
 * @param change what the mass weighs more (kg), and how far it is moved (m).
 * @example shifted(loading, engine, { mass: 0, move: [0, 0, -0.1] }).centre[2] // lower by m·0.1/M
 * Source: first moments.
 */
export function shifted(
  { mass, centre }: Pick<Loading, 'mass' | 'centre'>,
  of: { mass: number; at: Vector },
  change: { mass: number; move: Vector },
): CentreShift {
  const total = mass + change.mass;
  const along = (k: 0 | 1 | 2) =>
    (mass * centre[k] - of.mass * of.at[k] + (of.mass + change.mass) * (of.at[k] + change.move[k])) / total;
  return { mass: total, centre: [along(0), along(1), along(2)] };
}
