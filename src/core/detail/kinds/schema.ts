import { z } from 'zod';
import { referencesIn } from '../../field';
import { strapSchema } from './strap/schema';
import { boltedSchema } from './bolted/schema';
import { patchSchema } from './patch/schema';
import { transomSchema } from './transom/schema';
import { tabbingSchema } from './tabbing/schema';
import { flangeSchema } from './flange/schema';
import { extensionSchema } from './extension/schema';
import { linerSchema } from './liner/schema';
import { stiffenerEndSchema } from './stiffenerEnd/schema';

export { CORE_TREATMENTS, type CoreTreatment } from './bolted/schema';
export { type DetailSheet } from './common/schema';

/** A detail: a load, a zone whose laminate takes it, and how. One folder a kind. */
export const detailSchema = z.discriminatedUnion('kind', [
  strapSchema,
  boltedSchema,
  patchSchema,
  transomSchema,
  tabbingSchema,
  flangeSchema,
  extensionSchema,
  linerSchema,
  stiffenerEndSchema,
]);
export type Detail = z.infer<typeof detailSchema>;
export type DetailKind = Detail['kind'];
/** Materials a detail names, which must stay in the boat's book. */
export const materialsOfDetail = (detail: Detail): string[] =>
  referencesIn(detailSchema, detail).flatMap(({ reference, id }) => (reference.list === 'materials' ? [id] : []));
export type DetailOf<K extends DetailKind> = Extract<Detail, { kind: K }>;
