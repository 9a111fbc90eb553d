import type { Boat, GroupKind, Part } from '../document';
import type { LayerStage } from './template';

const BY_GROUP: Partial<Record<GroupKind, LayerStage>> = {
  coat: 'coat',
  skinCoat: 'skinCoat',
  outerSkin: 'outerSkin',
  core: 'core',
  innerSkin: 'innerSkin',
};

/**
 * In which stage each layer of a part is laid: as its group says, or by what it is and whether it lies before or after
 * the core. Layers are laid from the mould outward, so no stage begins again after a later one: a coating under the
 * inside of the part, say, belongs to the inner skin.
 *
 * @returns one stage for each layer, in order.
 */
export function layerStages(boat: Pick<Boat, 'materials'>, part: Part): LayerStage[] {
  const groups = new Map(part.groups.map(({ id, kind }) => [id, kind]));
  const kinds = new Map(boat.materials.map(({ id, kind }) => [id, kind]));
  const isCore = (id: string) => kinds.get(id) === 'core' || kinds.get(id) === 'wood';
  const firstCore = part.layers.findIndex(({ material }) => isCore(material));
  const order: LayerStage[] = ['coat', 'skinCoat', 'outerSkin', 'core', 'innerSkin'];
  let reached = 0;
  return part.layers.map((layer, i) => {
    const kind = layer.group === null ? undefined : groups.get(layer.group);
    const bySelf = (): LayerStage => {
      if (kinds.get(layer.material) === 'coating') return 'coat';
      if (isCore(layer.material)) return 'core';
      return firstCore >= 0 && i > firstCore ? 'innerSkin' : 'outerSkin';
    };
    const stage = (kind && BY_GROUP[kind]) ?? bySelf();
    reached = Math.max(reached, order.indexOf(stage));
    return order[reached]!;
  });
}
