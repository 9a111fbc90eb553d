import { nanoid } from 'nanoid';
import type { Boat } from '@/core/document';
import { SECTION_KINDS, type StiffenerSection } from '@/core/stiffener';

/** A top-hat or flat bar to begin with, of the first glass fabrics at hand; a hat on the boat's own core. */
export function starter(kind: StiffenerSection['kind'], { sections, materials }: Boat): StiffenerSection {
  const [slanted, along] = ['bx45-450', 'ud-300'];
  const layer = (material: string, place: Partial<Record<'crown' | 'web' | 'flange', boolean>>) => ({
    material,
    angleDeg: 0,
    ...{ crown: false, web: false, flange: false, ...place },
  });
  const section = {
    id: nanoid(8),
    name: `${SECTION_KINDS[kind]} ${sections.length + 1}`,
    flangeWidth: 0.04,
    bonded: 'notSaid' as const,
    adhesive: null,
  };
  if (kind === 'flatBar') {
    const [face, inside] = [layer(slanted, { web: true, flange: true }), layer(slanted, { web: true })];
    const middle = layer(along, { web: true });
    const layers = [face, inside, inside, inside, middle, middle, inside, inside, inside, face];
    return { ...section, kind, height: 0.04, baseWidth: 0.03, crownWidth: 0.03, former: null, layers };
  }
  const all = layer(slanted, { crown: true, web: true, flange: true });
  const former = materials.find((one) => one.kind === 'core')?.id ?? null;
  const layers = [all, all, layer(along, { crown: true })];
  return { ...section, kind, height: 0.06, baseWidth: 0.06, crownWidth: 0.045, former, layers };
}
