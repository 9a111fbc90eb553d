import { database } from '@/server/database/open';
import { listPacks } from '@/server/stores/packs';
import { PacksScreen } from '@/ui/packs/PacksScreen';

export const metadata = { title: 'Standards' };

export default async function Page() {
  return <PacksScreen initial={await listPacks(await database())} />;
}
