import { listShelf } from '@/server/stores/shelf';
import { ShelfScreen } from '@/ui/shelf/ShelfScreen';
import { pageContext } from '@/server/page';

export const metadata = { title: 'Shelf' };

export default async function Page() {
  return <ShelfScreen initial={await listShelf(await pageContext())} />;
}
