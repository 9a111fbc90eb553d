import { database } from '@/server/database/open';
import { listBoats } from '@/server/stores/boats';
import { listChangeRequests } from '@/server/stores/changeRequests';
import { listRevisions } from '@/server/stores/revisions';
import { RevisionsScreen } from '@/ui/revisions/RevisionsScreen';

export default async function Page({ params }: { params: Promise<{ boatId: string }> }) {
  const { boatId } = await params;
  const db = await database();
  const [revisions, requests, boats] = await Promise.all([
    listRevisions(db, boatId),
    listChangeRequests(db, boatId),
    listBoats(db),
  ]);
  return <RevisionsScreen initial={revisions} requests={requests} boats={boats.filter(({ archived }) => !archived)} />;
}
