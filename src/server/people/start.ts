import type { Db } from '../database/open';
import { hasAccounts } from './asks';
import { mayTravel } from './cookies';

const OWN = /^(127\.\d+\.\d+\.\d+|localhost|::1)$/;

/** Why the server must not answer under its address; null when it may. */
export async function refuseToStart(db: Db, host = process.env['KERAMOS_HOST'] ?? '127.0.0.1'): Promise<string | null> {
  if (OWN.test(host)) return null;
  if (!(await hasAccounts(db)))
    return (
      `On ${host} anyone who reaches this machine could read and change everything: there are no accounts yet.\n` +
      'Start it without KERAMOS_HOST and make the first account on its page People, or on the command line: ' +
      'npm run -s keramos -- account NAME LOGIN ROLES < password'
    );
  if (!mayTravel())
    return (
      `On ${host} passwords would go over the network as they are typed.\n` +
      'Give the certificate of the yard in KERAMOS_CERT and its key in KERAMOS_KEY; or set KERAMOS_PLAIN=1 where ' +
      'something in front of this server speaks HTTPS.'
    );
  return null;
}

/** End the server where it must not answer under its address, with the reason. */
export async function endUnlessAllowed(db: Db): Promise<void> {
  const refusal = await refuseToStart(db);
  if (refusal === null) return;
  console.error(`\n${refusal}\n`);
  process.exit(1);
}
