import { loadCaseSchema } from '../../detail';
import { detailSchema } from '../../detail/kinds/schema';
import { supportSchema } from '../../geometry';
import { materialSchema, type Material } from '../../material';
import { packSchema, SMALL_CRAFT_PACK } from '../../standard';
import { stiffenerSectionSchema } from '../../stiffener';
import { boatList } from '../entity';
import { referenceSchema } from '../zoneProof';

const named = ({ name }: { name: string }) => name;

/** The boat's own copies, so that a later change on the Shelf alters nothing unasked. */
export const materials = boatList({
  name: 'material',
  label: 'Material',
  place: 'Materials',
  schema: materialSchema,
  limit: 400,
  since: 1,
  empty: () => [],
  title: (material: Material) => ('code' in material ? material.code : material.name),
  ownEdits: true,
});
/** Frames, stringers, beams, girders and ribs. */
export const supports = boatList({
  name: 'support',
  label: 'Support',
  place: 'Supports',
  schema: supportSchema,
  limit: 400,
  since: 3,
  empty: () => [],
  title: named,
});
/** Library of stiffener sections. */
export const sections = boatList({
  name: 'section',
  label: 'Section',
  place: 'Sections',
  schema: stiffenerSectionSchema,
  limit: 100,
  since: 3,
  empty: () => [],
  title: named,
});
export const references = boatList({
  name: 'reference',
  label: 'Laminate',
  place: 'Laminates',
  schema: referenceSchema,
  limit: 200,
  since: 3,
  empty: () => [],
  title: named,
});
/**
 * The boat's own copies of the packs it is checked against; the small-craft method comes first and gives the
 * pressures.
 */
export const packs = boatList({
  name: 'pack',
  label: 'Pack',
  place: 'Packs',
  schema: packSchema,
  limit: 8,
  since: 3,
  empty: () => [SMALL_CRAFT_PACK],
  title: ({ title }) => title,
});
/** Loads where they come into the boat. */
export const loads = boatList({
  name: 'load',
  label: 'Load',
  place: 'Loads',
  schema: loadCaseSchema,
  limit: 200,
  since: 5,
  empty: () => [],
  title: named,
});
/** What takes the loads: straps, fittings, joints. */
export const details = boatList({
  name: 'detail',
  label: 'Detail',
  place: 'Details',
  schema: detailSchema,
  limit: 300,
  since: 5,
  empty: () => [],
  title: named,
});
