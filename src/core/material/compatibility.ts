import { BINDERS, isStyrenated, type Core, type Material, type Resin } from './schema';

export type Compatibility = 'suits' | 'withCare' | 'never';
export const COMPATIBILITIES: Record<Compatibility, string> = { suits: 'suits', withCare: 'with care', never: 'never' };

/** Whether a resin may touch a core, and why not. */
export function resinOnCore(resin: Resin, core: Core): { verdict: Compatibility; reason: string } {
  if (isStyrenated(resin) && core.styrene === 'dissolves') return { verdict: 'never', reason: 'styrene dissolves it' };
  if (isStyrenated(resin) && core.styrene === 'swells')
    return { verdict: 'withCare', reason: 'styrene swells it: seal first, cure fast' };
  return { verdict: 'suits', reason: '' };
}

/**
 * What a resin goes with: every core of a list, every binder.
 * @example resinCompatibility(vinylester, materials).cores.find((c) => c.name === 'Extruded polystyrene 35')?.verdict
 * // 'never'
 * Source: material data sheets; the same rules as the cautions.
 */
export function resinCompatibility(resin: Resin, materials: readonly Material[]) {
  const cores = materials
    .filter((material): material is Core => material.kind === 'core')
    .map((core) => ({ name: core.name, ...resinOnCore(resin, core) }));
  const binders = (Object.keys(BINDERS) as (keyof typeof BINDERS)[]).map((binder) => ({
    name: BINDERS[binder],
    verdict: (binder === 'emulsion' && !isStyrenated(resin) ? 'never' : 'suits') as Compatibility,
    reason: binder === 'emulsion' && !isStyrenated(resin) ? 'it softens in styrene only' : '',
  }));
  return { cores, binders };
}
