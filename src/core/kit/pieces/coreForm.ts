import type { Zone } from '../../document';
import { CORE_FORMS, type Core, type CoreForm } from '../../material';
import { formatNumber } from '../../quantity';

/** Radius over thickness down to which a sheet is bent plain, and down to which it is when it is grooved. */
const BENDS = { plain: 100, grooved: 45 };

/** Tightest radius to which a surface bends over the panel of a zone (m); Infinity where it is flat. */
export const bendOf = ({ geometry: { crown, panelBreadth } }: Pick<Zone, 'geometry'>): number =>
  crown > 1e-4 ? panelBreadth ** 2 / (8 * crown) + crown / 2 : Infinity;

/** Above this ratio nobody sees it bend. */
const FLAT = 1000;

/** Forms in which a core does, from the best on. */
function wantedAt(ratio: number, infused: boolean): readonly CoreForm[] {
  if (ratio >= BENDS.plain) return infused ? ['perforated', 'grooved', 'scored', 'plain'] : ['plain'];
  return ratio >= BENDS.grooved ? ['grooved', 'scored'] : ['scored'];
}

/**
 * How a core is taken where it bends: plain while its radius is a hundred times its thickness, grooved on one face down
 * to forty-five times, scored through below that; where resin is drawn through, perforated rather than plain.
 *
 * Derived: a face of a sheet of thickness t bent to R is strained by t/(2R): 0.5 % at 100 t, which rigid foam bears
 * cold; beyond it grooves open instead. The radius is that of a circle of the panel's crown over its breadth.
 * @returns the form, and why; null where the core is not to be had so.
 */
export function coreFormFor(
  core: Core,
  thickness: number,
  { zones, infused }: { zones: readonly Pick<Zone, 'geometry'>[]; infused: boolean },
): { form: CoreForm | null; why: string } {
  const radius = Math.min(...zones.map(bendOf));
  const ratio = radius / thickness;
  const wanted = wantedAt(ratio, infused);
  const form = wanted.find((one) => core.forms.includes(one)) ?? null;
  const bent =
    ratio < FLAT
      ? `bends to ${formatNumber(radius, 2)} m, ${formatNumber(ratio, 0)} times its thickness`
      : 'lies flat or nearly';
  const why =
    form === null
      ? `${bent}: it is not to be had ${wanted.map((one) => CORE_FORMS[one]).join(' or ')}, heat it or take it thinner`
      : `${bent}: ${CORE_FORMS[form]}${infused && form === 'plain' ? ', and resin is not drawn through it' : ''}`;
  return { form, why };
}
