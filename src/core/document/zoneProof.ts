import { z } from 'zod';
import { bounded, choice, idSchema, nameOf, refer, since, text } from '../field';
import { LAYER_ROLES } from './entities/layer';

/** How a zone's panel is held and loaded in direct analysis, besides the pack's pressure. */
export const panelCaseSchema = z.object({
  /** How firmly the supports hold the edges against turning: 0 simply supported, 1 clamped. */
  fixity: bounded('Fixity of the edges', [0, 1]),
  /** Deflection allowed, as a share of the short side. */
  deflectionLimit: bounded('Deflection allowed', [0.001, 0.2]),
  /** A load on a rectangle at the middle of the panel (N, m): a foot, a heel, a fender. */
  patch: z
    .object({
      force: bounded('Force', [1, 1e6], 'N'),
      length: bounded('Length of the patch', [0.01, 5], 'm'),
      breadth: bounded('Breadth of the patch', [0.01, 5], 'm'),
    })
    .nullable(),
});
export type PanelCase = z.infer<typeof panelCaseSchema>;

/**
 * Clamped edges and no patch; 1.7 % of the short side for a sandwich as the method asks, a thirtieth for a single
 * skin, of which it asks nothing.
 */
export const usualPanelCase = (construction: 'single' | 'sandwich'): PanelCase => ({
  fixity: 1,
  deflectionLimit: construction === 'sandwich' ? 0.017 : 1 / 30,
  patch: null,
});

/**
 * A schedule that proved itself, or that the architect asks for: layers from the mould face inward, of the boat's own
 * materials.
 */
export const referenceSchema = z.object({
  id: idSchema,
  name: nameOf('Laminate name'),
  /** Where it comes from: which boat, what it stood. */
  note: text('Note', 600),
  layers: z
    .array(
      z.object({
        material: refer('Material', 'materials', { kinds: ['fabric', 'core', 'coating', 'wood'] }),
        angleDeg: bounded('Angle', [-90, 90], '°'),
        thickness: bounded('Thickness', [5e-5, 0.2], 'm', { quantity: 'thickness' }).nullable(),
        role: since(4, choice('Role', LAYER_ROLES), 'structure'),
      }),
    )
    .min(1, 'A reference needs at least one layer')
    .max(200),
});
export type Reference = z.infer<typeof referenceSchema>;
