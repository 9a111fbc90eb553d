import { preparation } from '../../../material';
import { z } from 'zod';
import { bounded, choice, noted, refer, shortLength, since } from '../../../field';
import { boltClass, detailFields, metal, sheetSchema } from '../common/schema';

export const CORE_TREATMENTS = {
  none: 'no core there',
  solid: 'core out, solid laminate',
  highDensity: 'high-density core let in',
  plywood: 'plywood let in',
} as const;
export type CoreTreatment = keyof typeof CORE_TREATMENTS;

export const boltedSchema = z.object({
  ...detailFields,
  kind: z.literal('bolted'),
  bolts: noted(
    z
      .array(z.tuple([shortLength('Bolt along', -2, 2), shortLength('Bolt across', -2, 2)]))
      .min(1, 'A fitting needs at least one bolt')
      .max(40),
    { label: 'Bolts', hint: 'along and across from the middle of the base' },
  ),
  boltDiameter: shortLength('Bolt diameter', 0.003, 0.04),
  boltMetal: metal('Bolts of'),
  boltClass: since(8, boltClass, 'metal'),
  nut: since(8, choice('Nuts', { full: 'full height', thin: 'thin, half height' }), 'full'),
  washerDiameter: shortLength('Washers', 0.005, 0.2),
  /** Along and across the base of the fitting (m). */
  base: noted(z.tuple([shortLength('Base along', 0.02, 3), shortLength('Base across', 0.02, 3)]), { label: 'Base' }),
  stands: since(
    7,
    choice('Where on the panel', { panel: 'in its middle', support: 'over a bulkhead, frame or beam' }),
    'panel',
  ),
  face: since(
    7,
    choice('Bolted to', { either: 'either face: both senses count', outer: 'the outer face', inner: 'the inner face' }),
    'either',
  ),
  baseOf: since(7, choice('Base', { stiff: 'stiff: cast, or thick plate', bends: 'bends: sheet metal' }), 'stiff'),
  edgeDistance: shortLength('Hole to the edge', 0.003, 2),
  core: choice('Core under it', CORE_TREATMENTS),
  insert: refer('Let in', 'materials', { kinds: ['core', 'wood'] }).nullable(),
  beyond: since(7, shortLength('Let in beyond the base', 0, 1), 0),
  bevel: bounded('Bevel, 1 to', [1, 20]),
  preload: bounded('Preload of a bolt', [0, 2e5], 'N'),
  plate: noted(
    z
      .object({
        metal: metal('Plate of'),
        thickness: shortLength('Plate thickness', 0.001, 0.05),
        length: shortLength('Plate length', 0.02, 3),
        breadth: shortLength('Plate breadth', 0.02, 3),
      })
      .nullable(),
    { label: 'Backing plate' },
  ),
  /** A metal plate laminated in, with tapped threads. */
  tapped: noted(
    z
      .object({ metal: metal('Tapped plate of'), thickness: shortLength('Tapped plate thickness', 0.002, 0.05) })
      .nullable(),
    { label: 'Tapped metal plate laminated in' },
  ),
  sheets: noted(z.array(sheetSchema).max(30), { label: 'Patch and doublers' }),
  preparation,
});
