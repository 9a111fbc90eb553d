import 'bootstrap/dist/css/bootstrap.min.css';
import '@fontsource-variable/ibm-plex-sans';
import 'katex/dist/katex.min.css';
import '@/ui/shared/theme.css';
import type { Metadata } from 'next';
import { cookies, headers } from 'next/headers';
import type { ReactNode } from 'react';
import { database, dataFolder, databaseTrouble } from '@/server/database/open';
import { isFromHere } from '@/server/people/asks';
import { heldByPage } from '@/server/people/cookies';
import { NOTHING_KEPT, safekeeping } from '@/server/people/safekeeping';
import { sessionState } from '@/server/people/state';
import { Trouble } from '@/ui/safekeeping/Trouble';
import { QueryProvider } from '@/ui/shared/QueryProvider';
import { UnitsProvider } from '@/ui/shared/units';
import { UNITS_COOKIE } from '@/ui/shared/unitsCookie';
import { NOBODY, WhoProvider } from '@/ui/shared/who';

/** Every page reads the database or a cookie; none is made at build time. */
export const dynamic = 'force-dynamic';

export const metadata: Metadata = {
  title: { default: 'Keramos', template: '%s · Keramos' },
  description: 'Specify, check, weigh and print the laminates of a composite boat',
};

/** What is kept; told to the machine itself only, for while the database is in trouble nobody can sign in. */
const kept = async () => (isFromHere(await headers()) ? safekeeping() : NOTHING_KEPT);

export default async function RootLayout({ children }: { children: ReactNode }) {
  const held = await cookies();
  const chosen = held.get(UNITS_COOKIE)?.value;
  const trouble = await databaseTrouble();
  const session = trouble === null ? await sessionState(await database(), await heldByPage(held)) : NOBODY;
  return (
    <html lang="en">
      <body>
        <QueryProvider>
          <UnitsProvider initial={chosen === 'us' || chosen === 'metric' ? chosen : null}>
            <WhoProvider initial={session}>
              {trouble === null ? children : <Trouble initial={await kept()} folder={dataFolder()} trouble={trouble} />}
            </WhoProvider>
          </UnitsProvider>
        </QueryProvider>
      </body>
    </html>
  );
}
