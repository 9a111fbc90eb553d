import type { Fibre, Resin } from './schema';

/**
 * Thermal expansion of a unidirectional ply along and across the fibre (1/K) from its constituents.
 *
 * α1 = (φ E_f α_f + (1−φ) E_r α_r)/E1, α2 = (1+ν_f) φ α_f2 + (1+ν_r)(1−φ) α_r − ν12 α1.
 *
 * @example E-glass in vinylester at φ = 0.5: about 8e-6 along, 4e-5 across
 * Source: Schapery 1968; Daniel & Ishai, ch. 8.
 */
export function unidirectionalExpansion(fibre: Fibre, resin: Resin, phi: number) {
  const [Ef, Er] = [fibre.E1.value, resin.E.value];
  const E1 = phi * Ef + (1 - phi) * Er;
  const nu12 = phi * fibre.nu12.value + (1 - phi) * resin.nu.value;
  const alpha1 = (phi * Ef * fibre.alpha1.value + (1 - phi) * Er * resin.alpha.value) / E1;
  const alpha2 =
    (1 + fibre.nu12.value) * phi * fibre.alpha2.value +
    (1 + resin.nu.value) * (1 - phi) * resin.alpha.value -
    nu12 * alpha1;
  return { alpha1, alpha2 };
}
