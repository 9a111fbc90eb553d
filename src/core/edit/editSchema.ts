import { z } from 'zod';
import { materialSchema } from '../material';
import { deckShapeSchema, hullSchema, supportSchema } from '../geometry';
import { packSchema } from '../standard';
import { stiffenerSectionSchema } from '../stiffener';
import {
  acceptanceSchema,
  boatSchema,
  idSchema,
  layerFields,
  layerSchema,
  partFields,
  partSchema,
  zoneFields,
  zoneSchema,
  type Boat,
  briefSchema,
  referenceSchema,
} from '../document';
import { detailSchema } from '../detail/kinds/detailSchema';
import { loadCaseSchema } from '../detail';

const index = z.int().min(0).max(10_000);
/** A patch: any of the object's fields, checked like the whole, nothing unknown. */
const patchOf = <T extends z.ZodRawShape>(schema: z.ZodObject<T>) => schema.partial().strict();

/** Part of a boat's state, nothing filled in that is not there. */
const takenState = z
  .object({
    brief: briefSchema,
    materials: boatSchema.shape.materials,
    parts: boatSchema.shape.parts,
    acceptances: boatSchema.shape.acceptances,
    hull: boatSchema.shape.hull.unwrap(),
    deck: boatSchema.shape.deck.unwrap(),
    supports: boatSchema.shape.supports.unwrap(),
    sections: boatSchema.shape.sections.unwrap(),
    references: boatSchema.shape.references.unwrap(),
    packs: boatSchema.shape.packs.unwrap(),
    loads: boatSchema.shape.loads.unwrap(),
    details: boatSchema.shape.details.unwrap(),
  })
  .partial()
  .strict();

/** The edits that change a boat. Each is data, is checked at the border, and has an inverse. */
export const editSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('boat.rename'), name: boatSchema.shape.name }),
  /** The boat takes another state whole: what a variant follows. `state` holds what differs. */
  z.object({ type: z.literal('boat.take'), state: takenState, from: z.string().max(120) }),
  z.object({ type: z.literal('brief.set'), patch: patchOf(briefSchema) }),
  z.object({ type: z.literal('material.put'), material: materialSchema }),
  z.object({ type: z.literal('material.drop'), materialId: z.string() }),
  z.object({ type: z.literal('part.add'), part: partSchema, index }),
  z.object({ type: z.literal('part.set'), partId: idSchema, patch: patchOf(partFields) }),
  z.object({ type: z.literal('part.remove'), partId: idSchema }),
  z.object({ type: z.literal('zone.add'), partId: idSchema, zone: zoneSchema, index, coveredBy: z.array(idSchema) }),
  z.object({ type: z.literal('zone.set'), zoneId: idSchema, patch: patchOf(zoneFields.omit({ id: true })) }),
  z.object({ type: z.literal('zone.remove'), zoneId: idSchema }),
  z.object({ type: z.literal('layer.add'), partId: idSchema, layer: layerSchema, index }),
  z.object({
    type: z.literal('layer.set'),
    layerId: idSchema,
    patch: patchOf(layerFields.omit({ id: true, zones: true })),
  }),
  z.object({ type: z.literal('layer.move'), layerId: idSchema, index }),
  z.object({ type: z.literal('layer.cover'), layerId: idSchema, zoneId: idSchema, covered: z.boolean() }),
  z.object({ type: z.literal('layer.remove'), layerId: idSchema }),
  z.object({ type: z.literal('caution.accept'), acceptance: acceptanceSchema, index }),
  z.object({ type: z.literal('caution.withdraw'), acceptanceId: idSchema }),
  z.object({ type: z.literal('hull.set'), hull: hullSchema.nullable() }),
  z.object({ type: z.literal('deck.set'), deck: deckShapeSchema }),
  z.object({ type: z.literal('support.add'), item: supportSchema, index }),
  z.object({ type: z.literal('support.set'), item: supportSchema }),
  z.object({ type: z.literal('support.remove'), id: idSchema }),
  z.object({ type: z.literal('section.add'), item: stiffenerSectionSchema, index }),
  z.object({ type: z.literal('section.set'), item: stiffenerSectionSchema }),
  z.object({ type: z.literal('section.remove'), id: idSchema }),
  z.object({ type: z.literal('reference.add'), item: referenceSchema, index }),
  z.object({ type: z.literal('reference.set'), item: referenceSchema }),
  z.object({ type: z.literal('reference.remove'), id: idSchema }),
  z.object({ type: z.literal('pack.add'), item: packSchema, index }),
  z.object({ type: z.literal('pack.set'), item: packSchema }),
  z.object({ type: z.literal('pack.remove'), id: z.string().max(60) }),
  z.object({ type: z.literal('load.add'), item: loadCaseSchema, index }),
  z.object({ type: z.literal('load.set'), item: loadCaseSchema }),
  z.object({ type: z.literal('load.remove'), id: idSchema }),
  z.object({ type: z.literal('detail.add'), item: detailSchema, index }),
  z.object({ type: z.literal('detail.set'), item: detailSchema }),
  z.object({ type: z.literal('detail.remove'), id: idSchema }),
]);
export type Edit = z.infer<typeof editSchema>;
/** What one action of the user does: one or more edits that stand or fall together. */
export const editsSchema = z.array(editSchema).min(1, 'Send at least one edit').max(500, 'At most 500 edits at a time');

/** How edits of some kinds change a boat, each with the edit that undoes it. */
export type EditsOf<K extends Edit['type']> = {
  [Kind in K]: (boat: Boat, edit: Extract<Edit, { type: Kind }>) => [Boat, Edit];
};
