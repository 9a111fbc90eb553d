import { listRevisions } from '@/server/stores/revisions';
import { PackScreen } from '@/ui/pack/PackScreen';
import { storeContext } from '@/server/http';

export default async function Page({ params }: { params: Promise<{ boatId: string }> }) {
  return <PackScreen revisions={await listRevisions(await storeContext(), (await params).boatId)} />;
}
