import { z } from 'zod';
import { bounded, flag, idSchema, nameOf, noted, refer, shortLength, whole } from '../../field';
import { boatList } from '../entity';

/** Points of a flat outline: m across the roll, m along it. */
const coordinate = z.number().min(-60, 'A point lies within 60 m').max(60, 'A point lies within 60 m');
const points = (label: string, [least, most]: readonly [number, number]) =>
  noted(
    z
      .array(z.tuple([coordinate, coordinate]))
      .min(least, `${label}: give at least ${least} points`)
      .max(most, `${label}: at most ${most} points`),
    { label, form: 'none' },
  );
const runName = z.string().max(100);

/** The outline of a piece as somebody drew it: in place of that which the schedule gives, or a piece of its own. */
export const pieceDrawingSchema = z.object({
  id: idSchema,
  name: nameOf('Name of the piece'),
  /** The piece that it stands for; none: it is one that the schedule does not ask for. */
  piece: noted(runName.nullable(), { label: 'In place of', form: 'none' }),
  /** The other hand's piece is drawn alike, mirrored. */
  bothHands: flag('Other hand', 'as the schedule gives it', 'mirrored from this one'),
  material: refer('Material', 'materials', { kinds: ['fabric', 'core'] }).nullable(),
  thickness: shortLength('Thickness', 0.001, 0.2, 'of a core').nullable(),
  count: whole('How many', 1, 999),
  outline: points('Outline', [3, 2000]),
  /** Marks at the edge, by which it is laid to its place. */
  notches: points('Notches', [0, 200]),
  /** What the schedule gave when it was drawn over. */
  basis: points('Outline of the schedule', [3, 2000]).nullable(),
});
export type PieceDrawing = z.infer<typeof pieceDrawingSchema>;

/** Outlines drawn by hand, read from a file or from measures. */
export const pieceDrawings = boatList({
  name: 'pieceDrawing',
  label: 'Piece drawing',
  place: 'Piece drawings',
  schema: pieceDrawingSchema,
  limit: 400,
  since: 11,
  empty: () => [],
  title: ({ name }) => name,
});

/** Where the joints of a layer lie that the roll is too narrow for, as somebody placed them. */
export const jointPlacingSchema = z.object({
  id: idSchema,
  name: nameOf('Name of the joints'),
  /** The run of the layer whose outline is cut. */
  run: noted(runName, { label: 'Run', form: 'none' }),
  joints: noted(
    z
      .array(bounded('Joint', [0.01, 60], 'm'))
      .min(1)
      .max(40),
    { label: 'Joints, from its edge' },
  ),
});
export type JointPlacing = z.infer<typeof jointPlacingSchema>;

/** Joints placed by hand. */
export const jointPlacings = boatList({
  name: 'jointPlacing',
  label: 'Joints of a layer',
  place: 'Joints of layers',
  schema: jointPlacingSchema,
  limit: 400,
  since: 11,
  empty: () => [],
  title: ({ name }) => name,
});
