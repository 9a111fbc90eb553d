import { database } from '@/server/database/open';
import { listRevisions } from '@/server/stores/revisions';
import { PackScreen } from '@/ui/pack/PackScreen';

export default async function Page({ params }: { params: Promise<{ boatId: string }> }) {
  return <PackScreen revisions={await listRevisions(await database(), (await params).boatId)} />;
}
