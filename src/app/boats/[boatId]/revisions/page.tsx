import { database } from '@/server/database/open';
import { listRevisions } from '@/server/stores/revisions';
import { RevisionsScreen } from '@/ui/revisions/RevisionsScreen';

export default async function Page({ params }: { params: Promise<{ boatId: string }> }) {
  return <RevisionsScreen initial={await listRevisions(await database(), (await params).boatId)} />;
}
