import { invalid, KeramosError, parseOrThrow } from '@/core/error';
import { MOST_PICTURE, PICTURE, surveySchema, type KeptSurvey } from '@/core/option';
import { allow, inTransaction, type StoreContext } from '../context';
import { needBoat } from './boats';

const NOTHING: KeptSurvey = { readings: [], cloths: [], cores: [], version: 0, picture: null, own: null };

/** What was read of a zone; nothing where nobody has. @throws KeramosError `notFound` for another boat. */
export async function readSurvey(context: StoreContext, boatId: string, zoneId: string): Promise<KeptSurvey> {
  await needBoat(context, boatId);
  const row = await context.db
    .selectFrom('survey')
    .selectAll()
    .where('boat_id', '=', boatId)
    .where('zone_id', '=', zoneId)
    .executeTakeFirst();
  if (!row) return NOTHING;
  const { version, picture, author, at } = row;
  const survey = parseOrThrow(surveySchema, JSON.parse(row.body_json), 'survey');
  return { ...survey, version, picture, own: { author, at } };
}

/**
 * Keep what was read of a zone.
 * @param picture left out: the one that is there stays.
 * @throws KeramosError `invalid`; `notFound`; `conflict` when somebody changed it in between.
 */
export async function keepSurvey(
  context: StoreContext,
  { boatId, zoneId }: { boatId: string; zoneId: string },
  { survey: raw, version, picture }: { survey: unknown; version: number; picture?: string | null | undefined },
): Promise<KeptSurvey> {
  allow(context, 'measure');
  const survey = parseOrThrow(surveySchema, raw, 'survey');
  if (picture && picture.length > MOST_PICTURE)
    throw new KeramosError('tooLarge', 'The picture is larger than 2 MB: load a smaller one', 'picture');
  if (picture && !PICTURE.test(picture)) throw invalid('picture', 'The picture is no PNG, JPEG or WebP');
  if (!/^[\w-]{1,60}$/.test(zoneId)) throw invalid('zoneId', 'This is no zone');
  return inTransaction(context, async (inside) => {
    const there = await readSurvey(inside, boatId, zoneId);
    if (there.version !== version)
      throw new KeramosError(
        'conflict',
        `${there.own?.author || 'Somebody'} changed these readings in between: look at them again`,
        'version',
        { version: there.version },
      );
    const own = { author: inside.actor, at: inside.now() };
    const kept = picture === undefined ? there.picture : picture;
    const row = { version: version + 1, body_json: JSON.stringify(survey), picture: kept, ...own };
    await inside.db
      .insertInto('survey')
      .values({ boat_id: boatId, zone_id: zoneId, ...row })
      .onConflict((c) => c.columns(['boat_id', 'zone_id']).doUpdateSet(row))
      .execute();
    return { ...survey, version: version + 1, picture: kept, own };
  });
}
