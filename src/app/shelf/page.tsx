import { database } from '@/server/database/open';
import { listShelf } from '@/server/stores/shelf';
import { ShelfScreen } from '@/ui/shelf/ShelfScreen';

export const metadata = { title: 'Shelf' };

export default async function Page() {
  return <ShelfScreen initial={await listShelf(await database())} />;
}
