import { z } from 'zod';
import { bounded, choice, flag, idSchema, nameOf, noted, refer, shortLength, whole } from '../../field';
import { boatList } from '../entity';

/** Faces of a box, as it stands before whoever builds it. */
export const BOX_FACES = {
  front: 'Front',
  back: 'Back',
  left: 'Left end',
  right: 'Right end',
  top: 'Top',
  bottom: 'Bottom',
} as const;
export type BoxFace = keyof typeof BOX_FACES;

const cutOutSchema = z.object({
  face: choice('Face', BOX_FACES),
  across: shortLength('From the left edge', 0, 10),
  up: shortLength('From the lower edge', 0, 10),
  width: shortLength('Width', 0.005, 10),
  height: shortLength('Height', 0.005, 10),
});

/** A small part of flat panels: a locker, a seat box, a pod, a hatch. */
export const boxSchema = z.object({
  id: idSchema,
  name: nameOf('Name of the box', 60),
  number: whole('How many', 1, 200),
  width: shortLength('Width outside', 0.03, 6, 'left to right'),
  depth: shortLength('Depth outside', 0.03, 6, 'front to back'),
  height: shortLength('Height outside', 0.02, 4),
  material: refer('Panels of', 'materials', { kinds: ['core', 'wood'] }).nullable(),
  thickness: shortLength('Panel thickness', 0.002, 0.1, 'finished, skins on'),
  front: flag('Front', 'open', 'a panel'),
  back: flag('Back', 'open', 'a panel'),
  left: flag('Left end', 'open', 'a panel'),
  right: flag('Right end', 'open', 'a panel'),
  top: flag('Top', 'open', 'a panel'),
  bottom: flag('Bottom', 'open', 'a panel'),
  /** Which faces run over the edges of the others; the others are so much smaller. */
  over: choice('Runs over at the corners', { sides: 'front and back', ends: 'the ends' }),
  lids: choice('Top and bottom', { over: 'lie over the walls', between: 'lie between the walls' }),
  /** Vertical corners of the front bent to a radius: front and ends are one panel. */
  bend: shortLength('Bent corners, radius outside', 0, 2, '0: square corners; front and ends in one panel'),
  corner: shortLength('Corner radius of cut-outs', 0, 0.5, 'the same throughout'),
  cutOuts: noted(z.array(cutOutSchema).max(40), { label: 'Cut-outs' }),
  fillet: shortLength('Fillet inside, radius', 0, 0.1),
  screws: bounded('Screws every', [0.02, 2], 'm', {
    quantity: 'shortLength',
    hint: 'while it is glued; empty: none',
  }).nullable(),
  skin: refer('Skin wrapped round the outside', 'materials', { kinds: ['fabric'] }).nullable(),
  skins: whole('Layers of it', 1, 12),
});
export type Box = z.infer<typeof boxSchema>;

/** Boxes, furniture, pods and hatches of flat panels. */
export const boxes = boatList({
  name: 'box',
  label: 'Box',
  place: 'Boxes',
  schema: boxSchema,
  limit: 100,
  since: 11,
  empty: () => [],
  title: ({ name }) => name,
});

/** A plug or mould stood up on frames: sections of the hull less what is laid over them. */
export const plugSchema = z.object({
  id: idSchema,
  name: nameOf('Name of the plug or mould', 60),
  kind: choice('Kind', { plug: 'plug: skinned from outside', mould: 'mould: skinned from inside' }),
  from: bounded('From', [-10, 40], 'm', { hint: 'forward of the aft end of the waterline' }),
  to: bounded('To', [-10, 40], 'm'),
  spacing: shortLength('Frames every', 0.05, 3),
  skin: shortLength('Skin', 0, 0.2, 'what is laid over the battens, finished'),
  battenThickness: shortLength('Batten, thickness', 0, 0.1, '0: none, the skin lies on the frames'),
  battenWidth: shortLength('Batten, width', 0.005, 0.3),
  battenSpacing: shortLength('Battens every', 0.03, 1, 'round the girth'),
  notched: flag('Battens', 'lie on the frames', 'let into the frames'),
  board: shortLength('Frame, thickness', 0.003, 0.1),
  /** Frames of a plug stand upside down on a floor. */
  floor: bounded('Floor above the baseline', [-10, 12], 'm', { hint: 'frames run to it: a plug stands keel up' }),
  level: bounded('Level line', [-10, 12], 'm', { hint: 'above the baseline, drawn on every frame' }),
});
export type Plug = z.infer<typeof plugSchema>;

/** Plugs and moulds on frames. */
export const plugs = boatList({
  name: 'plug',
  label: 'Plug or mould',
  place: 'Plugs and moulds',
  schema: plugSchema,
  limit: 20,
  since: 11,
  empty: () => [],
  title: ({ name }) => name,
});
