import { sealData, unsealData } from 'iron-session';
import type { BuildRecord } from '@/core/build';
import { KeramosError } from '@/core/error';
import type { Role } from '@/core/people';
import type { StoreContext } from '../context';
import type { Vouch } from '../stores/buildRecords';
import type { Standing } from './asks';
import type { Held } from './cookies';
import { sealKey } from './secrets';

/** What a tablet keeps of whoever signed in on it, to show who recorded something while the server was away. */
interface Pass {
  id: string;
  name: string;
  tablet: string | null;
  from: string;
  until: string;
}
/** A tablet's clock may be off by so much (ms). */
const CLOCK = 3_600_000;

/** A pass for a session, sealed. */
export const passFor = ({ who, tablet, endsAt }: Standing, now: string): Promise<string> =>
  sealData({ id: who.id, name: who.name, tablet, from: now, until: endsAt } satisfies Pass, {
    password: sealKey(),
    ttl: 0,
  });

/**
 * Who recorded something, and as what: whoever sends it, or somebody who was signed in on the same tablet when they
 * did.
 * In a yard without accounts everybody may everything.
 */
export function voucher(
  { db, who }: StoreContext,
  { passes, held }: { passes: Readonly<Record<string, string>>; held: Held },
): Vouch {
  const rolesOf = async (id: string): Promise<Role[] | null> => {
    const row = await db.selectFrom('person').select('roles_json').where('id', '=', id).executeTakeFirst();
    return row ? (JSON.parse(row.roles_json) as Role[]) : null;
  };
  return async (record) => {
    if (who === null) return null;
    if (record.person === who.name) return who.roles;
    const roles = await byPass(record, passes[record.person], held, rolesOf);
    if (roles) return roles;
    throw new KeramosError(
      'forbidden',
      `${record.person} was not signed in on this tablet when it was recorded: they sign in here, and it is sent again`,
      'record.person',
    );
  };
}

async function byPass(
  { person, at }: BuildRecord,
  seal: string | undefined,
  held: Held,
  rolesOf: (id: string) => Promise<Role[] | null>,
): Promise<Role[] | null> {
  if (seal === undefined) return null;
  const pass = await unsealData<Partial<Pass>>(seal, { password: sealKey(), ttl: 0 }).catch(
    () => ({}) as Partial<Pass>,
  );
  const { id, name, tablet, from, until } = pass;
  if (id === undefined || name !== person || from === undefined || until === undefined) return null;
  const when = Date.parse(at);
  const inTime = when >= Date.parse(from) - CLOCK && when <= Date.parse(until) + CLOCK;
  return inTime && tablet !== null && tablet === held.tablet ? rolesOf(id) : null;
}
