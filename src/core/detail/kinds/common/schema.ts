import { z } from 'zod';
import { BOLT_CLASS_NAMES } from '../../boltClasses';
import { bounded, choice, idSchema, nameOf, noted, refer, text, whole } from '../../../field';

/** What every kind of detail has. */
export const detailFields = {
  id: idSchema,
  name: nameOf('Name'),
  /** The zone whose laminate it stands on. */
  zone: refer('Stands on', 'zones'),
  load: refer('Load', 'loads').nullable(),
  /** From the aft end of the waterline, and from the centreline (m). */
  x: bounded('Position along', [-10, 40], 'm'),
  y: bounded('Distance from the centreline', [-6, 6], 'm'),
  /** Pieces on the boat: one to each side is 2. */
  number: whole('Number on the boat', 1, 60),
  note: text('Note', 400),
  /** A pull or lift on the finished detail: this share of the load, or null for none. */
  proof: bounded('Proof load as a share of the load', [0.2, 3]).nullable(),
};

export const fabric = (label: string) => refer(label, 'materials', { kinds: ['fabric'] });
export const metal = (label: string) => refer(label, 'materials', { kinds: ['metal'] });
export const adhesive = (label: string) => refer(label, 'materials', { kinds: ['adhesive'] });
export const boltClass = choice('Class of the bolts', BOLT_CLASS_NAMES);
export const angle = bounded('Angle', [-90, 90], '°');

/** A sheet of the detail's own laminate. */
export const sheetSchema = z.object({
  material: fabric('Fabric'),
  angleDeg: angle,
  length: bounded('Length', [0.02, 10], 'm', { quantity: 'shortLength' }),
  breadth: bounded('Breadth', [0.01, 5], 'm', { quantity: 'shortLength' }),
});
export type DetailSheet = z.infer<typeof sheetSchema>;

/** A layer of a skin that covers the whole detail. */
export const skinLayer = z.object({ material: fabric('Fabric'), angleDeg: angle });

/** Tapes or overlap layers, each with how far it reaches. */
export const overlaps = (label: string, reach: z.ZodNumber) =>
  noted(z.array(z.object({ material: fabric('Fabric'), angleDeg: angle, overlap: reach })).max(12), { label });
