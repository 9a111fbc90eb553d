import { CHECKS } from '@/core/standard';
import type { Material } from '@/core/material';
import type { HabitCost } from '@/core/option';

/** A material as it is called in a row. */
export const codeOf = (material: Material): string => ('code' in material ? material.code : material.name);

/** A check by its name. */
export const checkName = (id: string): string => CHECKS[id as keyof typeof CHECKS] ?? id;

/** Habits as they are called. */
export const HABIT_NAMES: Readonly<Record<HabitCost['habit'], string>> = {
  skin: 'Skin coat behind the coat',
  inTurn: 'Cloths laid in turn',
  alike: 'Most layers alike together',
  between: 'Mat between rovings',
  tie: 'Mat on both faces of a core',
  symmetric: 'Both skins alike',
  balanced: 'As much at an angle as at its mirror image',
  solid: 'Places without a core',
  solidKeel: 'No core over the keel',
  hardware: 'Core where hardware is bolted on',
  slamming: 'Core where the bottom slams',
  ply: 'Least and greatest mass of a ply',
  mostMaterials: 'Most different materials in a part',
  mostDropped: 'Most layers that end at a line',
  leastLayers: 'Least layers in a skin',
  mostLayers: 'Most layers in a zone',
};
