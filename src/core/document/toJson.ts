import { boatSchema, type Boat } from './boat';

export const DOCUMENT_FORMAT = 'keramos-boat';
/**
 * Version of the documents written now. Versions 2 to 5 were written under the number 1; each is named where a field
 * has it as `since`.
 */
export const DOCUMENT_VERSION = 14;

/** The boat as a JSON document; keys stand in schema order, so that the same boat always gives the same bytes. */
export function boatToJson(boat: Boat): string {
  const file = { format: DOCUMENT_FORMAT, version: DOCUMENT_VERSION, boat: boatSchema.parse(boat) };
  return `${JSON.stringify(file, null, 1)}\n`;
}
