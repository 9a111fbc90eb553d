import displacementLaunch from '@data/templates/displacement-launch.json';
import keelYacht from '@data/templates/keel-yacht.json';
import multihullHull from '@data/templates/multihull-hull.json';
import planingMotorBoat from '@data/templates/planing-motor-boat.json';
import pullingGig from '@data/templates/pulling-gig.json';
import sailingDinghy from '@data/templates/sailing-dinghy.json';
import smallPart from '@data/templates/small-part.json';
import { KeramosError, parseOrThrow } from '@/core/error';
import {
  boatFromJson,
  boatToJson,
  DOCUMENT_VERSION,
  templateFromJson,
  templateHeadSchema,
  type Boat,
  type Template,
} from '@/core/document';
import type { TemplateSummary } from '@/core/revision';
import { allow, type StoreContext } from '../context';

const SHIPPED = [
  planingMotorBoat,
  displacementLaunch,
  sailingDinghy,
  keelYacht,
  pullingGig,
  multihullHull,
  smallPart,
] as const;

/** Shipped templates as they were read, once each: to check one costs as much as to open a boat. */
const read = new Map<string, Template>();
function shipped(id: string): Template | null {
  const source = SHIPPED.find((one) => one.id === id);
  if (!source) return null;
  const template = read.get(id) ?? templateFromJson(JSON.stringify(source));
  read.set(id, template);
  return template;
}

const gone = (id: string) => new KeramosError('notFound', `There is no template "${id.slice(0, 60)}"`, 'templateId');

/** Every template, those that ship first, then the yard's own by name. */
export async function listTemplates({ db }: StoreContext): Promise<TemplateSummary[]> {
  const rows = await db
    .selectFrom('template')
    .select(['id', 'name', 'note', 'author', 'created_at'])
    .orderBy('name')
    .execute();
  return [
    ...SHIPPED.map(({ id, name, note }): TemplateSummary => ({ id, name, note, own: null })),
    ...rows.map(({ id, name, note, author, created_at }): TemplateSummary => {
      return { id, name, note, own: { author, at: created_at } };
    }),
  ];
}

/** A template whole. @throws KeramosError `notFound`; `invalid` when its boat does not read any more. */
export async function readTemplate({ db }: StoreContext, id: string): Promise<Template> {
  const own = shipped(id);
  if (own) return own;
  const row = await db.selectFrom('template').selectAll().where('id', '=', id).executeTakeFirst();
  if (!row) throw gone(id);
  return { id, name: row.name, note: row.note, boat: boatFromJson(row.document) };
}

/**
 * Keep a boat as a template of the yard; cautions that somebody accepted for it stay behind.
 * @param raw name and what it is for. @throws KeramosError `invalid`.
 */
export async function keepTemplate(context: StoreContext, raw: unknown, boat: Boat): Promise<{ id: string }> {
  allow(context, 'design');
  const { db, newId, now, actor } = context;
  const { name, note } = parseOrThrow(templateHeadSchema, raw, 'template');
  const id = newId();
  await db
    .insertInto('template')
    .values({
      id,
      name,
      note,
      document_version: DOCUMENT_VERSION,
      document: boatToJson({ ...boat, acceptances: [] }),
      author: actor,
      created_at: now(),
    })
    .execute();
  return { id };
}

/** Drop a template of the yard's own. @throws KeramosError `notFound`, `invalid` for one that ships. */
export async function dropTemplate(context: StoreContext, id: string): Promise<void> {
  allow(context, 'design');
  if (SHIPPED.some((one) => one.id === id))
    throw new KeramosError('invalid', 'A template that ships stays: keep your own beside it', 'templateId');
  const { numDeletedRows } = await context.db.deleteFrom('template').where('id', '=', id).executeTakeFirst();
  if (numDeletedRows === 0n) throw gone(id);
}
