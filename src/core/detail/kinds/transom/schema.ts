import { z } from 'zod';
import { bounded, choice, noted, refer, shortLength, whole } from '../../../field';
import { detailFields, fabric, skinLayer } from '../common/schema';

export const transomSchema = z.object({
  ...detailFields,
  kind: z.literal('transom'),
  /** Between the knees, and height above the sole (m). */
  span: shortLength('Between the knees', 0.1, 4),
  height: shortLength('Height', 0.1, 2),
  clamp: noted(z.tuple([shortLength('Clamp from', 0.01, 0.2), shortLength('Clamp to', 0.01, 0.2)]), { label: 'Clamp' }),
  clampBreadth: shortLength('Clamp breadth', 0.1, 1.5),
  boltCount: whole('Bolts', 1, 20),
  boltDiameter: shortLength('Bolt diameter', 0.003, 0.04),
  washerDiameter: shortLength('Washers', 0.005, 0.2),
  preload: bounded('Preload of a bolt', [0, 2e5], 'N'),
  /** Thrust or rudder force acts so far above the middle of the clamp (m). */
  leverArm: shortLength('Thrust above the clamp', 0, 2),
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
