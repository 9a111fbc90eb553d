export type Vector = readonly [number, number, number];

/** A mass with its centre; inertia is its own, about axes through its centre. kg, m, kg·m². */
export interface PlacedMass {
  mass: number;
  centre: Vector;
  inertia?: Vector | undefined;
  standardDeviation?: number | undefined;
}

export interface MassProperties {
  mass: number;
  /** Null where the masses cancel. */
  centre: Vector | null;
  /** About axes through the common centre (kg·m²). */
  inertia: Vector | null;
  /** Of the mass, each item scattering on its own (kg). */
  standardDeviation: number;
}

/**
 * Mass, centre and moments of inertia of items together. What is taken off enters with a negative mass.
 *
 * @example rollUpMasses([{ mass: 1, centre: [0, 0, 0] }, { mass: 1, centre: [2, 0, 0] }]).inertia // [0, 2, 2]
 * Source: first moments, and the parallel-axis rule.
 */
export function rollUpMasses(items: readonly PlacedMass[]): MassProperties {
  const mass = items.reduce((sum, item) => sum + item.mass, 0);
  const standardDeviation = Math.hypot(...items.map((item) => item.standardDeviation ?? 0));
  if (Math.abs(mass) < 1e-12) return { mass: 0, centre: null, inertia: null, standardDeviation };
  const moment = (axis: 0 | 1 | 2) => items.reduce((sum, item) => sum + item.mass * item.centre[axis], 0);
  const centre: Vector = [moment(0) / mass, moment(1) / mass, moment(2) / mass];
  const about = (axis: 0 | 1 | 2) => {
    const [j, k] = ([0, 1, 2] as const).filter((other) => other !== axis) as [0 | 1 | 2, 0 | 1 | 2];
    return items.reduce((sum, item) => {
      const square = (item.centre[j] - centre[j]) ** 2 + (item.centre[k] - centre[k]) ** 2;
      return sum + (item.inertia?.[axis] ?? 0) + item.mass * square;
    }, 0);
  };
  return { mass, centre, inertia: [about(0), about(1), about(2)], standardDeviation };
}
