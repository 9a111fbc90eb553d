import type { z } from 'zod';
import { stepsSchema, USUAL_STEPS } from '@/core/build';
import { priceListSchema, ratesSchema, USUAL_RATES } from '@/core/cost';
import { curingSchema, USUAL_CURING } from '@/core/cure';
import { fillingSchema, USUAL_FILLING } from '@/core/fill';
import { cuttingSchema, mixingSchema, USUAL_CUTTING, USUAL_MIXING } from '@/core/kit';
import { KeramosError, parseOrThrow } from '@/core/error';
import type { Right } from '@/core/people';
import { shopSchema, USUAL_SHOP } from '@/core/shop';
import { allow, inTransaction, type StoreContext } from '../context';

/** What a yard sets for all its boats, each with what holds until it does. */
const SETTINGS = {
  rates: { schema: ratesSchema, usual: USUAL_RATES, right: 'design' },
  cutting: { schema: cuttingSchema, usual: USUAL_CUTTING, right: 'design' },
  mixing: { schema: mixingSchema, usual: USUAL_MIXING, right: 'design' },
  filling: { schema: fillingSchema, usual: USUAL_FILLING, right: 'design' },
  curing: { schema: curingSchema, usual: USUAL_CURING, right: 'design' },
  steps: { schema: stepsSchema, usual: USUAL_STEPS, right: 'plan' },
  shop: { schema: shopSchema, usual: USUAL_SHOP, right: 'plan' },
  prices: { schema: priceListSchema, usual: { offers: [] }, right: 'design' },
} as const;
export type SettingName = keyof typeof SETTINGS;
type Body<N extends SettingName> = z.output<(typeof SETTINGS)[N]['schema']>;

/** A setting of the yard. */
export interface Setting<N extends SettingName> {
  body: Body<N>;
  /** Counted up with every change; 0 for what is usual. */
  version: number;
  /** Who said so, and when (ISO 8601); null for what is usual. */
  own: { author: string; at: string } | null;
}

/** The name of a setting. @throws KeramosError `notFound`. */
export function settingName(name: string): SettingName {
  if (!Object.hasOwn(SETTINGS, name))
    throw new KeramosError('notFound', `A yard has no "${name.slice(0, 60)}": ${Object.keys(SETTINGS).join(', ')}`);
  return name as SettingName;
}

/** What it takes to change a setting; of one that there is not, what most take. */
export const rightOfSetting = (name: string): Right =>
  Object.hasOwn(SETTINGS, name) ? SETTINGS[name as SettingName].right : 'design';

/** A setting as the yard has it, or as it is usual. */
export async function readSetting<N extends SettingName>({ db }: StoreContext, name: N): Promise<Setting<N>> {
  const { schema, usual } = SETTINGS[name];
  const row = await db.selectFrom('yard_setting').selectAll().where('name', '=', name).executeTakeFirst();
  if (!row) return { body: usual as Body<N>, version: 0, own: null };
  const body = parseOrThrow(schema as z.ZodType, JSON.parse(row.body_json), name) as Body<N>;
  return { body, version: row.version, own: { author: row.author, at: row.at } };
}

/**
 * Keep a setting of the yard.
 * @param version of what was changed; 0 for what is usual.
 * @throws KeramosError `invalid`; `conflict` when somebody changed it in between.
 */
export async function keepSetting<N extends SettingName>(
  context: StoreContext,
  name: N,
  { body: raw, version }: { body: unknown; version: number },
): Promise<Setting<N>> {
  allow(context, SETTINGS[name].right);
  const body = parseOrThrow(SETTINGS[name].schema as z.ZodType, raw, name) as Body<N>;
  return inTransaction(context, async (inside) => {
    const there = await readSetting(inside, name);
    if (there.version !== version)
      throw new KeramosError(
        'conflict',
        `${there.own?.author || 'Somebody'} changed the ${name} in between: look at them again`,
        'version',
        { version: there.version },
      );
    const own = { author: inside.actor, at: inside.now() };
    const row = { version: version + 1, body_json: JSON.stringify(body), ...own };
    await inside.db
      .insertInto('yard_setting')
      .values({ name, ...row })
      .onConflict((c) => c.column('name').doUpdateSet(row))
      .execute();
    return { body, version: version + 1, own };
  });
}
