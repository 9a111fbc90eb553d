import { z } from 'zod';
import { bounded, choice, idSchema, nameOf, noted, refer, since, text, whole } from '../../field';
import { boatList } from '../entity';
import { LAYER_LIMIT, layerSchema } from './layer';
import { ZONE_LIMIT, zoneSchema } from './zone';

export const PART_KINDS = {
  hull: 'Hull',
  deck: 'Deck',
  bulkhead: 'Bulkhead',
  liner: 'Liner',
  small: 'Small part',
} as const;

export const GROUP_KINDS = {
  coat: 'Coat',
  skinCoat: 'Skin coat',
  outerSkin: 'Outer skin',
  core: 'Core',
  innerSkin: 'Inner skin',
  local: 'Local',
} as const;
export type GroupKind = keyof typeof GROUP_KINDS;

/** Layers laid together under a name; `laminate` names the one of the boat's laminates that they follow. */
export const groupSchema = z.object({
  id: idSchema,
  name: nameOf('Group name'),
  kind: choice('Kind', GROUP_KINDS),
  /** May outlive the laminate it was taken from: a family is known by this id in every boat. */
  laminate: noted(z.string().max(40).nullable(), { label: 'Follows the laminate' }),
});
export type LayerGroup = z.infer<typeof groupSchema>;

const width = (what: string) => bounded(what, [0, 2], 'm', { quantity: 'shortLength' });
/**
 * How layers meet the line between two zones of a part; `b` equal to `a` is the centreline, where both hands of one
 * zone meet.
 */
export const joinSchema = z.object({
  a: refer('Zone', 'zones', { whenGone: 'drop' }),
  b: refer('Next zone', 'zones', { whenGone: 'drop' }),
  /** Width by which layers that cover both zones lie over each other there (m); null where they run on in one piece. */
  lap: width('Overlap').nullable(),
  /** Layers that do otherwise. */
  laps: noted(
    z
      .array(z.object({ layer: refer('Layer', 'layers', { whenGone: 'drop' }), lap: width('Overlap').nullable() }))
      .max(LAYER_LIMIT),
    { label: 'Layers that lap otherwise', keys: ['layer'] },
  ),
  /** How far a layer that stops there runs past the line into the other zone (m). */
  ends: noted(
    z
      .array(z.object({ layer: refer('Layer', 'layers', { whenGone: 'drop' }), past: width('Length past the line') }))
      .max(LAYER_LIMIT),
    { label: 'Layers that run past the line', keys: ['layer'] },
  ),
  /** Run of the core's bevel per thickness; null as the part has it. */
  bevel: bounded('Bevel', [1, 50]).nullable(),
  /** Length of the line (m), both hands; null as the geometry gives it. */
  length: bounded('Length of the line', [0, 100], 'm').nullable(),
});
export type Join = z.infer<typeof joinSchema>;

/** A part's own fields, besides zones and layers. */
export const partFields = z.object({
  name: nameOf('Part name'),
  kind: choice('Kind', PART_KINDS),
  groups: since(4, noted(z.array(groupSchema).max(100, 'A part has at most 100 groups'), { label: 'Groups' }), []),
  joins: since(
    4,
    noted(z.array(joinSchema).max(400, 'A part has at most 400 lines'), { label: 'Lines', keys: ['a', 'b'] }),
    [],
  ),
  /** A part of two hands is made to port and to starboard. */
  hands: since(4, choice('Hands', { one: 'one hand', two: 'two hands' }), 'one'),
  /** Number-off, all hands together. */
  number: since(4, whole('Number-off', 1, 200), 1),
  /** Why a part of two hands is made in an odd number. */
  oddNote: since(4, text('Why an odd number', 200), ''),
  /** Least length of a step per thickness of the layer that drops. */
  dropRatio: since(4, bounded('Drop-off ratio', [1, 100]), 20),
  coreBevel: since(4, bounded('Core bevel', [1, 50]), 3),
  weightTarget: since(10, bounded('Weight target', [0.1, 200_000], 'kg').nullable(), null),
  /** What its mould costs, and how many boats share in it; null where the mould is not counted. */
  mould: since(
    10,
    noted(
      z
        .object({
          price: bounded('Price of the mould', [0, 1e8], '', { quantity: 'money' }),
          boats: whole('Boats that share in it', 1, 10_000),
        })
        .nullable(),
      { label: 'Mould' },
    ),
    null,
  ),
});

export const partSchema = z.object({
  id: idSchema,
  ...partFields.shape,
  zones: z.array(zoneSchema).max(ZONE_LIMIT, `A part has at most ${ZONE_LIMIT} zones`),
  /** In laying order from the mould face. */
  layers: z.array(layerSchema).max(LAYER_LIMIT, `A part has at most ${LAYER_LIMIT} layers`),
});
export type Part = z.infer<typeof partSchema>;

export const parts = boatList({
  name: 'part',
  label: 'Part',
  place: 'Parts',
  schema: partSchema,
  limit: 40,
  since: 1,
  empty: () => [],
  title: ({ name }) => name,
  ownEdits: true,
});
