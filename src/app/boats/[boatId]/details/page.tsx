import { listShelf } from '@/server/stores/shelf';
import { DetailsScreen } from '@/ui/details/DetailsScreen';
import { pageContext } from '@/server/page';

const KINDS = new Set(['fabric', 'fibre', 'core', 'metal', 'wood', 'adhesive']);

export default async function Page() {
  return (
    <DetailsScreen
      shelf={(await listShelf(await pageContext())).map((item) => item.material).filter(({ kind }) => KINDS.has(kind))}
    />
  );
}
