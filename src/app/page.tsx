import { listBoats } from '@/server/stores/boats';
import { BoatsScreen } from '@/ui/boats/BoatsScreen';
import { pageContext } from '@/server/page';

export const metadata = { title: 'Boats' };

export default async function Page() {
  return <BoatsScreen boats={await listBoats(await pageContext())} />;
}
