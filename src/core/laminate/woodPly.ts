import type { Wood } from '../material';
import type { Ply } from './ply';

/**
 * Stiffness of clear wood across the grain and in shear over that along it, the lower of the two directions across, and
 * Poisson's ratio. Source: FPL-GTR-282, Wood Handbook, ch. 5, ratios of Douglas-fir, larch, mahogany and oak.
 */
const ACROSS = {
  softwood: { E: 0.05, G: 0.06, nu: 0.35 },
  hardwood: { E: 0.06, G: 0.065, nu: 0.35 },
  plywood: { E: 0.05, G: 0.065, nu: 0.1 },
} as const;
/** Strength pulled apart across the grain over that pressed across it: the least of the same tables. */
const PULLED_ACROSS = 0.4;
/** Shear that rolls the fibres over shear along the grain. Source: as above, 18 to 28 % and a little more. */
const ROLLING = 0.25;
/** Published rolling shear of plywood ends here (Pa); a greater figure is that of the panel's plane unless tested. */
const MOST_ROLLING = 2.5e6;
/** Least thickness (m) from which sheets are usually of that many veneers; fewer are taken, which is weaker across. */
const VENEERS: readonly (readonly [number, number])[] = [
  [0.0115, 7],
  [0.0075, 5],
  [0, 3],
];

/**
 * Bending stiffness and bending strength of plywood across the grain of its faces over those along it.
 *
 * @param veneers of equal thickness, an odd number from 3; every second one lies across.
 * @param across modulus of a veneer across its grain over that along it.
 * @returns ratios of the whole sheet taken as homogeneous. Along, all veneers bear and the face is strained most;
 * across, the faces crack and the outermost cross veneer is strained most.
 * @example plywoodAcross(3, 0.05) // { stiffness: 0.087, strength: 0.115 }
 * Source: sum of E t (t²/12 + z²) over the veneers; docs/engineering.md, "Sheets of wood".
 */
export function plywoodAcross(veneers: number, across: number): { stiffness: number; strength: number } {
  const t = 1 / veneers;
  const places = Array.from({ length: veneers }, (_, i) => (i + 0.5) * t - 0.5);
  const secondMoment = (some: readonly number[]) => some.reduce((sum, z) => sum + t * (t ** 2 / 12 + z ** 2), 0);
  const long = places.filter((_, i) => i % 2 === 0);
  const cross = places.filter((_, i) => i % 2 === 1);
  const [I0, I90] = [secondMoment(long), secondMoment(cross)];
  const farthest = Math.max(...cross.map((z) => z + t / 2));
  return {
    stiffness: (I90 + across * I0) / (I0 + across * I90),
    strength: I90 / farthest / (I0 / 0.5),
  };
}

/** A sheet of wood: its ply, and the strengths that a bent sheet is judged by (Pa). */
export interface WoodPly {
  ply: Ply;
  /** Bending strength along the grain of the faces, and across it. */
  bending: { along: number; across: number };
  /** Pressed evenly in its plane. */
  compression: { along: number; across: number };
  /** Shear through its thickness, where fibres roll. */
  rollingShear: number;
}

/**
 * A sheet or planking of wood as one orthotropic ply.
 *
 * Solid wood takes what its kind has across the grain; plywood is laid of equal veneers, 3 up to 7.5 mm, 5 up to
 * 11.5 mm, 7 above. In tension it bears no more than in bending, in compression its strength along the grain.
 *
 * @param thickness m. @example woodPly(plywood, 0.009).bending.across // 0.43 of that along
 * Source: FPL-GTR-282, Wood Handbook, ch. 5; plywood by its veneers (docs/engineering.md, "Sheets of wood").
 */
export function woodPly(wood: Wood, thickness: number): WoodPly {
  const own = ACROSS[wood.family];
  const along = { bending: wood.bendingStrength.value, compression: wood.compressiveStrength.value };
  const isPlywood = wood.family === 'plywood';
  const veneers = VENEERS.find(([least]) => thickness >= least)![1];
  const { stiffness, strength } = plywoodAcross(veneers, own.E);
  const pressed = wood.compressiveAcross.value;
  const across = isPlywood
    ? { bending: strength * along.bending, compression: strength * along.compression }
    : { bending: PULLED_ACROSS * pressed, compression: pressed };
  const { value: shear, origin } = wood.shearStrength;
  const rolls = origin === 'yardTest' ? shear : Math.min(shear, MOST_ROLLING);
  const E1 = wood.E.value;
  return {
    ply: {
      thickness,
      angleDeg: 0,
      E1,
      E2: (isPlywood ? stiffness : own.E) * E1,
      nu12: own.nu,
      G12: own.G * E1,
      name: wood.code,
      strength: {
        Xt: along.bending,
        Xc: Math.min(along.bending, along.compression),
        Yt: across.bending,
        Yc: Math.max(across.bending, across.compression),
        S: shear,
      },
      alpha1: 4e-6,
      alpha2: isPlywood ? 6e-6 : 3e-5,
    },
    bending: { along: along.bending, across: across.bending },
    compression: { along: Math.min(along.bending, along.compression), across: across.compression },
    rollingShear: isPlywood ? rolls : ROLLING * shear,
  };
}

/**
 * Strength of wood at an angle to its grain: P Q / (P sin² + Q cos²).
 *
 * @param along Pa. @param across Pa. @example grainStrength({ along: 40e6, across: 4e6 }, 90) // 4e6
 * Source: Hankinson's formula, FPL-GTR-282, ch. 5.
 */
export function grainStrength({ along, across }: { along: number; across: number }, angleDeg: number): number {
  const radians = (angleDeg * Math.PI) / 180;
  return (along * across) / (along * Math.sin(radians) ** 2 + across * Math.cos(radians) ** 2);
}
