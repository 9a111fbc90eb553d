import { preparation } from '../../../material';
import { z } from 'zod';
import { bounded, choice, noted, refer, shortLength, since, whole } from '../../../field';
import { boltClass, detailFields, fabric, metal, skinLayer } from '../common/schema';

/** Under all the nuts inside; washers alone without it. */
const plate = z.object({
  length: shortLength('Plate athwart', 0.02, 3),
  breadth: shortLength('Plate height', 0.02, 2),
});
/** One each side, taped to board and hull on both its faces. */
const knee = z.object({
  length: shortLength('Knee along the hull', 0.05, 3),
  overlap: shortLength('Tapes of a knee reach', 0.01, 0.5),
  preparation: since(9, preparation, 'peelAbrade'),
  /** Of the wood of the board; null where the knee as a plate is not looked at. */
  thickness: since(9, shortLength('Knee thick', 0.002, 0.1).nullable(), null),
});

export const transomSchema = z.object({
  ...detailFields,
  kind: z.literal('transom'),
  /** Between the knees, and height above the sole (m). */
  span: shortLength('Between the knees', 0.1, 4),
  height: shortLength('Height', 0.1, 2),
  clamp: noted(z.tuple([shortLength('Clamp from', 0.01, 0.2), shortLength('Clamp to', 0.01, 0.2)]), { label: 'Clamp' }),
  clampBreadth: shortLength('Clamp breadth', 0.1, 1.5),
  boltCount: whole('Bolts', 1, 20, 'in two columns; an odd one stands alone in the upper row'),
  boltDiameter: shortLength('Bolt diameter', 0.003, 0.04),
  washerDiameter: shortLength('Washers', 0.005, 0.2),
  preload: bounded('Preload of a bolt', [0, 2e5], 'N'),
  /** The propeller's or rudder's force acts so far below or above the middle of the bolts (m). */
  leverArm: shortLength('Thrust off the middle of the bolts', 0, 2),
  /** Of the bracket, and of its rows of bolts (m). */
  bracketHeight: since(8, shortLength('Height of the bracket', 0.05, 1.5), 0.3),
  boltRows: since(8, shortLength('Between the rows of bolts', 0, 1.5), 0.2),
  /** The weight hangs so far aft of the board (m). */
  overhang: since(8, shortLength('Weight aft of the transom', 0, 2), 0.3),
  astern: since(8, bounded('Thrust astern, share of ahead', [0, 1]), 0.7),
  /** Of the leg on something in the water (N); 0 where it kicks up freely. */
  impact: since(8, bounded('Impact on the leg', [0, 1e6], 'N', { hint: '0: not looked at' }), 0),
  boltMetal: since(8, metal('Bolts of').nullable(), null),
  boltClass: since(8, boltClass, 'metal'),
  plate: since(8, noted(plate.nullable(), { label: 'Plate under the nuts' }), null),
  knees: since(8, noted(knee.nullable(), { label: 'Knees' }), null),
  /** Which of the two is built. */
  built: choice('Built in', { plywood: 'plywood', board: 'high-density board' }),
  plywood: noted(
    z.object({
      wood: refer('Plywood', 'materials', { kinds: ['wood'] }),
      thickness: shortLength('Plywood sheet', 0.003, 0.06),
      sheets: whole('Plywood sheets', 1, 10),
    }),
    { label: 'Of plywood' },
  ),
  board: noted(
    z.object({
      core: refer('Board', 'materials', { kinds: ['core'] }),
      thickness: shortLength('Board sheet', 0.003, 0.08),
      sheets: whole('Board sheets', 1, 10),
    }),
    { label: 'Of board' },
  ),
  glassBetween: fabric('Glass between'),
  outer: noted(z.array(skinLayer).min(1, 'The outer skin needs at least one layer').max(20), { label: 'Outer skin' }),
  inner: noted(z.array(skinLayer).min(1, 'The inner skin needs at least one layer').max(20), { label: 'Inner skin' }),
});
