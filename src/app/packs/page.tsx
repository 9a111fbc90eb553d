import { listPacks } from '@/server/stores/packs';
import { PacksScreen } from '@/ui/packs/PacksScreen';
import { pageContext } from '@/server/page';

export const metadata = { title: 'Standards' };

export default async function Page() {
  return <PacksScreen initial={await listPacks(await pageContext())} />;
}
