import { listPacks } from '@/server/stores/packs';
import { PacksScreen } from '@/ui/packs/PacksScreen';
import { storeContext } from '@/server/http';

export const metadata = { title: 'Standards' };

export default async function Page() {
  return <PacksScreen initial={await listPacks(await storeContext())} />;
}
