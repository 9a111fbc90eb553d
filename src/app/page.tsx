import { database } from '@/server/database/open';
import { listBoats } from '@/server/stores/boats';
import { BoatsScreen } from '@/ui/boats/BoatsScreen';

export const metadata = { title: 'Boats' };

export default async function Page() {
  return <BoatsScreen boats={await listBoats(await database())} />;
}
