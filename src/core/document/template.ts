import { z } from 'zod';
import { KeramosError, parseOrThrow, refuseBrokenText } from '../error';
import { idSchema, nameOf, text } from '../field';
import type { Boat } from './boat';
import { boatFromFile } from './file';
import { boatToJson } from './toJson';

export const TEMPLATE_FORMAT = 'keramos-template';
const TEMPLATE_VERSION = 1;

/** What a template is called and what it is for. */
export const templateHeadSchema = z.object({ name: nameOf('Template name'), note: text('What it is for', 400) });
export type TemplateHead = z.infer<typeof templateHeadSchema>;

/** A boat to begin others from. */
export interface Template extends TemplateHead {
  id: string;
  boat: Boat;
}

const fileSchema = z.object({
  format: z.literal(TEMPLATE_FORMAT),
  version: z.int().min(1),
  id: idSchema,
  ...templateHeadSchema.shape,
  document: z.record(z.string(), z.unknown(), { error: 'The template holds no boat document' }),
});

/** Whether a JSON document says that it is a template. */
export const isTemplate = (source: string): boolean => source.slice(0, 200).includes(`"${TEMPLATE_FORMAT}"`);

/**
 * A template from its JSON document; the boat in it may be of this or any earlier version.
 * @throws KeramosError `malformed` when the text is no template, `invalid` naming the field of the boat.
 */
export function templateFromJson(source: string): Template {
  let raw: unknown;
  try {
    raw = JSON.parse(source);
  } catch (error) {
    throw new KeramosError('malformed', `This is not JSON: ${(error as Error).message.slice(0, 120)}`);
  }
  if ((raw as { format?: unknown } | null)?.format !== TEMPLATE_FORMAT)
    throw new KeramosError('malformed', `This is no template: its "format" must be "${TEMPLATE_FORMAT}"`, 'format');
  const { version, id, name, note, document } = parseOrThrow(fileSchema, raw, 'template');
  if (version > TEMPLATE_VERSION)
    throw new KeramosError(
      'invalid',
      `This template has version ${version}, and this Keramos reads up to version ${TEMPLATE_VERSION}`,
      'version',
    );
  refuseBrokenText({ name, note });
  return { id, name, note, boat: boatFromFile(JSON.stringify(document)) };
}

/** A template as its JSON document. */
export const templateToJson = ({ id, name, note, boat }: Template): string =>
  JSON.stringify(
    { format: TEMPLATE_FORMAT, version: TEMPLATE_VERSION, id, name, note, document: JSON.parse(boatToJson(boat)) },
    null,
    1,
  );
