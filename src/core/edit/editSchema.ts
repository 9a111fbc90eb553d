import { z } from 'zod';
import { idSchema } from '../field';
import { materialSchema } from '../material';
import {
  acceptanceSchema,
  boatSchema,
  briefSchema,
  layerSchema,
  LIST_KEYS,
  LISTS,
  partFields,
  partSchema,
  patchOf,
  SINGLES,
  zoneSchema,
  type Boat,
  type ListKey,
} from '../document';

const index = z.int().min(0).max(10_000);
const bare = (schema: z.ZodType) => (schema instanceof z.ZodDefault ? (schema.unwrap() as z.ZodType) : schema);

/** Part of a boat's state, nothing filled in that is not there. */
const takenState = z
  .object(
    Object.fromEntries(
      Object.entries(boatSchema.shape)
        .filter(([key]) => key !== 'name')
        .map(([key, schema]) => [key, bare(schema)]),
    ),
  )
  .partial()
  .strict() as unknown as z.ZodType<Partial<Omit<Boat, 'name'>>>;

/** Lists whose entries are added, replaced whole and removed in one way. */
type PlainKey = { [K in ListKey]: (typeof LISTS)[K] extends { ownEdits: true } ? never : K }[ListKey];
type PlainListKey = Extract<
  PlainKey,
  | 'supports'
  | 'sections'
  | 'references'
  | 'packs'
  | 'loads'
  | 'details'
  | 'items'
  | 'spaces'
  | 'pieceDrawings'
  | 'jointPlacings'
  | 'boxes'
  | 'plugs'
  | 'fillPlans'
  | 'curePlans'
>;
export const PLAIN_LISTS = LIST_KEYS.filter((key) => !LISTS[key].ownEdits) as PlainListKey[];

type NameOfList = {
  supports: 'support';
  sections: 'section';
  references: 'reference';
  packs: 'pack';
  loads: 'load';
  details: 'detail';
  items: 'item';
  spaces: 'space';
  pieceDrawings: 'pieceDrawing';
  jointPlacings: 'jointPlacing';
  boxes: 'box';
  plugs: 'plug';
  fillPlans: 'fillPlan';
  curePlans: 'curePlan';
};
/** The three edits of a plain list. */
export type ListEdit = {
  [K in PlainListKey]:
    | { type: `${NameOfList[K]}.add`; item: Boat[K][number]; index: number }
    | { type: `${NameOfList[K]}.set`; item: Boat[K][number] }
    | { type: `${NameOfList[K]}.remove`; id: string };
}[PlainListKey];

const listEdits = PLAIN_LISTS.flatMap((key) => {
  const { name, schema } = LISTS[key];
  return [
    z.object({ type: z.literal(`${name}.add`), item: schema as z.ZodType, index }),
    z.object({ type: z.literal(`${name}.set`), item: schema as z.ZodType }),
    z.object({ type: z.literal(`${name}.remove`), id: z.string().max(60) }),
  ];
});

const ownEdits = [
  z.object({ type: z.literal('boat.rename'), name: boatSchema.shape.name }),
  /** The boat takes another state whole: what a variant follows. `state` holds what differs. */
  z.object({ type: z.literal('boat.take'), state: takenState, from: z.string().max(120) }),
  z.object({ type: z.literal('brief.set'), patch: patchOf(briefSchema) }),
  z.object({ type: z.literal('material.put'), material: materialSchema, index: index.optional() }),
  z.object({ type: z.literal('material.drop'), materialId: z.string() }),
  z.object({ type: z.literal('part.add'), part: partSchema, index }),
  z.object({ type: z.literal('part.set'), partId: idSchema, patch: patchOf(partFields) }),
  z.object({ type: z.literal('part.move'), partId: idSchema, index }),
  z.object({ type: z.literal('part.remove'), partId: idSchema }),
  z.object({ type: z.literal('zone.add'), partId: idSchema, zone: zoneSchema, index, coveredBy: z.array(idSchema) }),
  z.object({ type: z.literal('zone.set'), zoneId: idSchema, patch: patchOf(zoneSchema.omit({ id: true })) }),
  z.object({ type: z.literal('zone.move'), zoneId: idSchema, index }),
  z.object({ type: z.literal('zone.remove'), zoneId: idSchema }),
  z.object({ type: z.literal('layer.add'), partId: idSchema, layer: layerSchema, index }),
  z.object({
    type: z.literal('layer.set'),
    layerId: idSchema,
    patch: patchOf(layerSchema.omit({ id: true, zones: true })),
  }),
  z.object({ type: z.literal('layer.move'), layerId: idSchema, index }),
  z.object({ type: z.literal('layer.cover'), layerId: idSchema, zoneId: idSchema, covered: z.boolean() }),
  z.object({ type: z.literal('layer.remove'), layerId: idSchema }),
  z.object({ type: z.literal('caution.accept'), acceptance: acceptanceSchema, index }),
  z.object({ type: z.literal('caution.withdraw'), acceptanceId: idSchema }),
  z.object({ type: z.literal('hull.set'), hull: SINGLES.hull.unwrap() }),
  z.object({ type: z.literal('deck.set'), deck: SINGLES.deck.unwrap() }),
] as const;

export type Edit = z.infer<(typeof ownEdits)[number]> | ListEdit;
/** The edits that change a boat. Each is data, is checked at the border, and has an inverse. */
export const editSchema = z.discriminatedUnion('type', [...ownEdits, ...listEdits] as unknown as [
  (typeof ownEdits)[0],
]) as unknown as z.ZodType<Edit>;
/** What one action of the user does: one or more edits that stand or fall together. */
export const editsSchema = z.array(editSchema).min(1, 'Send at least one edit').max(500, 'At most 500 edits at a time');

/** How edits of some kinds change a boat, each with the edit that undoes it. */
export type EditsOf<K extends Edit['type']> = {
  [Kind in K]: (boat: Boat, edit: Extract<Edit, { type: Kind }>) => [Boat, Edit];
};
