import { z } from 'zod';
import { bounded, choice, flag, idSchema, nameOf, noted, refer, since } from '../field';
import { PREPARATIONS } from '../material';

/**
 * One fabric of a stiffener and where it goes: over the crown, down the webs, out on the flanges. Angle from the
 * stiffener's own direction.
 */
export const sectionLayerSchema = z.object({
  material: refer('Material', 'materials', { kinds: ['fabric'] }),
  angleDeg: bounded('Angle', [-90, 90], '°'),
  crown: flag('Over the crown'),
  web: flag('Down the webs'),
  flange: flag('Out on the flanges'),
});
export type SectionLayer = z.infer<typeof sectionLayerSchema>;

export const SECTION_KINDS = { topHat: 'Top-hat', flatBar: 'Flat bar' } as const;

/** A stiffener section of the boat's library. m. */
export const stiffenerSectionSchema = z.object({
  id: idSchema,
  name: nameOf('Section name', 60),
  kind: choice('Kind', SECTION_KINDS),
  /** Of the former, from the plating up. */
  height: bounded('Height', [0.01, 0.6], 'm', { quantity: 'shortLength' }),
  /** Foot and head of the former; a flat bar has none. */
  baseWidth: bounded('Width at the foot', [0.01, 0.6], 'm', { quantity: 'shortLength' }),
  crownWidth: bounded('Width of the crown', [0.01, 0.6], 'm', { quantity: 'shortLength' }),
  /** Bonding flange on each side. */
  flangeWidth: bounded('Flange', [0.01, 0.3], 'm', { quantity: 'shortLength' }),
  /** Core material that fills it; null where the former is paper, hollow or taken away. */
  former: refer('Former', 'materials', { kinds: ['core'] }).nullable(),
  /** How the plating was prepared for its flanges. */
  bonded: since(
    14,
    choice('Bonded to the plating', { notSaid: 'not said (counts as peel ply alone)', ...PREPARATIONS }),
    'notSaid',
  ),
  /** Glued on where it is given; laminated on otherwise. */
  adhesive: since(14, refer('Glued with', 'materials', { kinds: ['adhesive'] }).nullable(), null),
  layers: noted(z.array(sectionLayerSchema).min(1, 'A section needs at least one layer').max(30), { label: 'Layers' }),
});
export type StiffenerSection = z.infer<typeof stiffenerSectionSchema>;
