import type { Matrix3, Ply } from './ply';

/** A stack repeats its plies as the same objects, so each is computed once. Plies are never changed in place. */
const reduced = new WeakMap<object, Matrix3>();
const transformed = new WeakMap<Ply, Matrix3>();

/**
 * Plane-stress stiffness Q of a ply in its own axes (Pa). A core without modulus in its plane (E = 0) carries none.
 * Source: Jones, Mechanics of Composite Materials, eq. 2.70.
 */
export function reducedStiffness(ply: Pick<Ply, 'E1' | 'E2' | 'nu12' | 'G12'>): Matrix3 {
  const known = reduced.get(ply);
  if (known) return known;
  const { E1, E2, nu12, G12 } = ply;
  // Without modulus in one direction nothing is carried across either.
  const coupled = E1 > 0 && E2 > 0;
  const denominator = coupled ? 1 - (nu12 * nu12 * E2) / E1 : 1;
  const Q12 = coupled ? (nu12 * E2) / denominator : 0;
  const Q: Matrix3 = [
    [E1 / denominator, Q12, 0],
    [Q12, E2 / denominator, 0],
    [0, 0, G12],
  ];
  reduced.set(ply, Q);
  return Q;
}

/** Cosine and sine of an angle in degrees, exact at multiples of 90. */
export function cosSin(angleDeg: number): [number, number] {
  const turn = ((angleDeg % 360) + 360) % 360;
  if (turn % 90 === 0)
    return [
      [1, 0],
      [0, 1],
      [-1, 0],
      [0, -1],
    ][turn / 90] as [number, number];
  const angle = (angleDeg * Math.PI) / 180;
  return [Math.cos(angle), Math.sin(angle)];
}

/**
 * Stiffness Q̄ of a ply in laminate axes (Pa), the ply turned by its angle from x towards y.
 * Source: Jones, eq. 2.85.
 */
export function transformedStiffness(ply: Ply): Matrix3 {
  const known = transformed.get(ply);
  if (known) return known;
  const Q = transform(ply);
  transformed.set(ply, Q);
  return Q;
}
function transform(ply: Ply): Matrix3 {
  const [[Q11, Q12], [, Q22], [, , Q66]] = reducedStiffness(ply);
  const [c, s] = cosSin(ply.angleDeg);
  const c2 = c * c,
    s2 = s * s,
    cs = c * s;
  const Q11bar = Q11 * c2 * c2 + 2 * (Q12 + 2 * Q66) * s2 * c2 + Q22 * s2 * s2;
  const Q22bar = Q11 * s2 * s2 + 2 * (Q12 + 2 * Q66) * s2 * c2 + Q22 * c2 * c2;
  const Q12bar = (Q11 + Q22 - 4 * Q66) * s2 * c2 + Q12 * (s2 * s2 + c2 * c2);
  const Q66bar = (Q11 + Q22 - 2 * Q12 - 2 * Q66) * s2 * c2 + Q66 * (s2 * s2 + c2 * c2);
  const Q16bar = (Q11 - Q12 - 2 * Q66) * cs * c2 + (Q12 - Q22 + 2 * Q66) * cs * s2;
  const Q26bar = (Q11 - Q12 - 2 * Q66) * cs * s2 + (Q12 - Q22 + 2 * Q66) * cs * c2;
  return [
    [Q11bar, Q12bar, Q16bar],
    [Q12bar, Q22bar, Q26bar],
    [Q16bar, Q26bar, Q66bar],
  ];
}
