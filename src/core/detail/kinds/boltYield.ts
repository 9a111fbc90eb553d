import { BOLT_CLASSES, type BoltClass } from '../boltClasses';
import { invalid } from '../../error';
import type { Material } from '../../material';

/**
 * Yield strength of a bolt (Pa): of its class, or of the metal where none is given.
 * @throws KeramosError `invalid` for a class that the metal is not made in.
 */
export function boltYield(
  metal: Extract<Material, { kind: 'metal' }>,
  boltClass: BoltClass | 'metal',
  what: string,
): number {
  if (boltClass === 'metal') return metal.yieldStrength.value;
  const { name, family, yieldStrength } = BOLT_CLASSES[boltClass];
  if (family !== metal.family)
    throw invalid('boltClass', `${what}: ${metal.name} is not made in class ${name}: choose a class of that metal`);
  return yieldStrength;
}
