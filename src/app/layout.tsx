import 'bootstrap/dist/css/bootstrap.min.css';
import '@fontsource-variable/ibm-plex-sans';
import 'katex/dist/katex.min.css';
import '@/ui/shared/theme.css';
import type { Metadata } from 'next';
import { cookies } from 'next/headers';
import type { ReactNode } from 'react';
import { listBackups } from '@/server/database/backup';
import { dataFolder, databaseTrouble } from '@/server/database/open';
import { Trouble } from '@/ui/safekeeping/Trouble';
import { QueryProvider } from '@/ui/shared/QueryProvider';
import { UnitsProvider } from '@/ui/shared/units';
import { UNITS_COOKIE } from '@/ui/shared/unitsCookie';

/** Every page reads the database or a cookie; none is made at build time. */
export const dynamic = 'force-dynamic';

export const metadata: Metadata = {
  title: { default: 'Keramos', template: '%s · Keramos' },
  description: 'Specify, check, weigh and print the laminates of a composite boat',
};

export default async function RootLayout({ children }: { children: ReactNode }) {
  const chosen = (await cookies()).get(UNITS_COOKIE)?.value;
  const trouble = await databaseTrouble();
  return (
    <html lang="en">
      <body>
        {process.env.KERAMOS_OPEN === '1' && (
          <p className="open-to-all" role="note">
            △ Open: anyone who reaches this server can read and change everything here. There are no accounts yet.
          </p>
        )}
        <QueryProvider>
          <UnitsProvider initial={chosen === 'us' || chosen === 'metric' ? chosen : null}>
            {trouble === null ? children : <Trouble initial={listBackups()} folder={dataFolder()} trouble={trouble} />}
          </UnitsProvider>
        </QueryProvider>
      </body>
    </html>
  );
}
