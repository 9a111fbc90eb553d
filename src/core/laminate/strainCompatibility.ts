import { invalid } from '../error';

/** One member of a set that is strained alike: modulus (Pa), area (m², or m per metre of width), strain at failure. */
export interface Member {
  name: string;
  E: number;
  area: number;
  failureStrain: number;
}

export interface StrainCompatibility {
  /** Share of the load that each member carries while all are whole. */
  shares: number[];
  firstToFail: string;
  /** Load (N, or N/m) at which the first member fails. */
  loadAtFirstFailure: number;
  /** Strengths added up as if all failed together: the classic error. */
  naiveSum: number;
  /** Members in the order in which they fail, with the load that those still whole carry at that strain. */
  sequence: { name: string; load: number }[];
  /** The greatest load on the way: what the set really bears. */
  honestCapacity: number;
  /** Load against strain, a corner at each failure before and after the drop. */
  curve: { strain: number; load: number }[];
}

/**
 * Load sharing and order of failure of members side by side in one direction under one strain.
 *
 * @throws KeramosError `invalid` for an empty set.
 * @example strainCompatibility([{ name: 'carbon', E: 125e9, area: 6e-4, failureStrain: 0.013 }, { name: 'glass', E:
 * 38e9, area: 12e-4, failureStrain: 0.022 }]).loadAtFirstFailure
 * // 1.568e6
 * Source: equal strain in parallel members.
 */
export function strainCompatibility(members: readonly Member[]): StrainCompatibility {
  if (members.length === 0) throw invalid('members', 'Give at least one member');
  const stiffness = members.reduce((sum, { E, area }) => sum + E * area, 0);
  const order = [...members].sort((a, b) => a.failureStrain - b.failureStrain);
  const left = (from: number) => order.slice(from).reduce((sum, { E, area }) => sum + E * area, 0);
  const sequence = order.map(({ name, failureStrain }, i) => ({ name, load: failureStrain * left(i) }));
  const curve = [
    { strain: 0, load: 0 },
    ...order.flatMap(({ failureStrain: strain }, i) => [
      { strain, load: strain * left(i) },
      { strain, load: strain * left(i + 1) },
    ]),
  ];
  return {
    shares: members.map(({ E, area }) => (E * area) / stiffness),
    firstToFail: order[0]!.name,
    loadAtFirstFailure: sequence[0]!.load,
    naiveSum: members.reduce((sum, { E, area, failureStrain }) => sum + E * area * failureStrain, 0),
    sequence,
    honestCapacity: Math.max(...sequence.map(({ load }) => load)),
    curve,
  };
}
