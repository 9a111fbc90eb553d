import { z } from 'zod';
import { KeramosError, parseOrThrow, refuseBrokenText } from '../error';
import { boatSchema, type Boat } from './boat';
import { checkBoat } from './check';
import { fillEarly } from './fillEarly';
import { mendReferences } from './mend';
import { settleGeometry } from './settleGeometry';
import { DOCUMENT_FORMAT, DOCUMENT_VERSION } from './toJson';

/** Documents from this version on hold together, because every edit is checked against the whole. */
const CHECKED_SINCE = 6;

/**
 * What turns the raw boat of a version into that of the next. A field that only came needs no step: its description has
 * its default. A step is written when something is renamed, split or moved.
 */
const UPGRADES: Readonly<Record<number, (boat: Record<string, unknown>) => Record<string, unknown>>> = { 5: fillEarly };

/**
 * A raw boat of any earlier version as a boat of today: upgraded step by step, later fields at their defaults, loose
 * ends of the versions that allowed them tied.
 * @throws KeramosError `invalid` naming the field.
 */
export function upgradeBoat(raw: unknown, version: number, what = 'boat'): Boat {
  let boat = raw as Record<string, unknown>;
  for (let from = version; from < DOCUMENT_VERSION; from++) boat = UPGRADES[from]?.(boat) ?? boat;
  const parsed = parseOrThrow(boatSchema, boat, what);
  const whole = version < CHECKED_SINCE ? mendReferences(parsed) : parsed;
  return version < SETTLED_SINCE ? settledAnew(whole) : whole;
}

/**
 * Since this version bow and bulkhead panels (7), areas (8), hulls drawn from particulars (9) and panels that taper a
 * little (13) are as they are.
 */
const SETTLED_SINCE = 13;
/** A boat with the figures of its zones taken anew from its geometry; as it is where that does not do. */
function settledAnew(boat: Boat): Boat {
  try {
    return settleGeometry({ ...boat, supports: [...boat.supports] }, boat);
  } catch (error) {
    if (!(error instanceof KeramosError)) throw error;
    return boat;
  }
}

const headSchema = z.object({
  format: z.literal(DOCUMENT_FORMAT),
  version: z.int('The version of a boat document is a whole number').min(1),
  boat: z.record(z.string(), z.unknown(), { error: 'The document holds no boat' }),
});

/**
 * A boat from its JSON document, of this or any earlier version.
 * @throws KeramosError `malformed` when the text is no JSON or no such document, `invalid` when the boat contradicts
 * itself or the document is of a later version.
 */
export function boatFromJson(text: string): Boat {
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch (error) {
    throw new KeramosError('malformed', `This is not JSON: ${(error as Error).message.slice(0, 120)}`);
  }
  if ((document as { format?: unknown } | null)?.format !== DOCUMENT_FORMAT)
    throw new KeramosError(
      'malformed',
      `This is not a boat document: its "format" must be "${DOCUMENT_FORMAT}"`,
      'format',
    );
  const { version, boat: raw } = parseOrThrow(headSchema, document);
  if (version > DOCUMENT_VERSION)
    throw new KeramosError(
      'invalid',
      `This document has version ${version}, and this Keramos reads up to ` +
        `version ${DOCUMENT_VERSION}: open it with the newer one`,
      'version',
      { version, known: DOCUMENT_VERSION },
    );
  const boat = upgradeBoat(raw, version);
  checkBoat(boat);
  return boat;
}

/** Paths of what a raw value holds and the value read from it does not. */
function leftOut(raw: unknown, read: unknown, path = ''): string[] {
  if (typeof raw !== 'object' || raw === null || typeof read !== 'object' || read === null) return [];
  return Object.entries(raw).flatMap(([key, value]) => {
    const at = path === '' ? key : `${path}.${key}`;
    return Object.hasOwn(read, key) ? leftOut(value, (read as Record<string, unknown>)[key], at) : [at];
  });
}

/**
 * Fields of a document of this version that no boat has: they are left out when it is read, and said.
 * @returns dotted paths, the first hundred; none for a document of an earlier version, whose fields have moved.
 */
export function unknownIn(text: string, boat: Boat): string[] {
  const { version, boat: raw } = JSON.parse(text) as { version: number; boat: unknown };
  return version === DOCUMENT_VERSION ? leftOut(raw, boat).slice(0, 100) : [];
}

/**
 * A boat from a document somebody hands in: checked as {@link boatFromJson} does, and the figures of its zones taken
 * anew from its geometry, for a document changed by another hand may say one thing with its shape and another with its
 * figures. Overrides are kept.
 *
 * @throws KeramosError `invalid` naming the field, or the zone whose place contradicts the shape.
 */
export function boatFromFile(text: string): Boat {
  const boat = boatFromJson(text);
  refuseBrokenText(boat);
  return settleGeometry({ ...boat, hull: null }, boat);
}
