import { readFileSync } from 'node:fs';
import { boatFromJson, type Boat, type Part, type Zone } from '../../src/core/document';

import { MERROW_FILE } from './files';

export const merrow = (): Boat => boatFromJson(readFileSync(MERROW_FILE, 'utf8'));

/** A zone of a boat by its name, with its part. */
export function zoneOf(boat: Boat, name: string): [Part, Zone] {
  for (const part of boat.parts) for (const zone of part.zones) if (zone.name === name) return [part, zone];
  throw new Error(`no zone ${name}`);
}

export const brant = (): Boat => boatFromJson(readFileSync('data/demo/brant-56.json', 'utf8'));
