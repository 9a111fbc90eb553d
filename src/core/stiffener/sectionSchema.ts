import { z } from 'zod';
import { bounded } from '../geometry';

/** One fabric of a stiffener and where it goes: over the crown, down the webs, out on the flanges. Angle from the stiffener's own direction. */
export const sectionLayerSchema = z.object({
  material: z.string(),
  angleDeg: bounded('Angle', -90, 90, '°'),
  crown: z.boolean(),
  web: z.boolean(),
  flange: z.boolean(),
});
export type SectionLayer = z.infer<typeof sectionLayerSchema>;

export const SECTION_KINDS = { topHat: 'Top-hat', flatBar: 'Flat bar' } as const;

/** A stiffener section of the boat's library. m. */
export const stiffenerSectionSchema = z.object({
  id: z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, 'Id must be 1 to 40 letters, digits, hyphens or underscores'),
  name: z.string().trim().min(1, 'A section needs a name').max(60),
  kind: z.enum(['topHat', 'flatBar']),
  /** Of the former, from the plating up. */
  height: bounded('Height', 0.01, 0.6, 'm'),
  /** Foot and head of the former; a flat bar has none. */
  baseWidth: bounded('Width at the foot', 0.01, 0.6, 'm'),
  crownWidth: bounded('Width of the crown', 0.01, 0.6, 'm'),
  /** Bonding flange on each side. */
  flangeWidth: bounded('Flange', 0.01, 0.3, 'm'),
  /** Core material that fills it; null where the former is paper, hollow or taken away. */
  former: z.string().nullable(),
  layers: z.array(sectionLayerSchema).min(1, 'A section needs at least one layer').max(30),
});
export type StiffenerSection = z.infer<typeof stiffenerSectionSchema>;
