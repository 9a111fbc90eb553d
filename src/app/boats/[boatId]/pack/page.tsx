import { listRevisions } from '@/server/stores/revisions';
import { PackScreen } from '@/ui/pack/PackScreen';
import { pageContext } from '@/server/page';

export default async function Page({ params }: { params: Promise<{ boatId: string }> }) {
  return <PackScreen revisions={await listRevisions(await pageContext(), (await params).boatId)} />;
}
