import type { Metadata } from 'next';
import { dataFolder } from '@/server/database/open';
import { pageContext } from '@/server/page';
import { NOTHING_KEPT, safekeeping } from '@/server/people/safekeeping';
import { SafekeepingScreen } from '@/ui/safekeeping/SafekeepingScreen';
import { may } from '@/core/people';

export const metadata: Metadata = { title: 'Safekeeping' };

export default async function Page() {
  const { who } = await pageContext();
  const initial = may(who === null ? null : who.roles, 'keep') ? safekeeping() : NOTHING_KEPT;
  return <SafekeepingScreen initial={initial} folder={dataFolder()} trouble={null} />;
}
