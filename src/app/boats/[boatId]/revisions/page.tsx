import { listBoats } from '@/server/stores/boats';
import { listChangeRequests } from '@/server/stores/changeRequests';
import { listRevisions } from '@/server/stores/revisions';
import { RevisionsScreen } from '@/ui/revisions/RevisionsScreen';
import { pageContext } from '@/server/page';

export default async function Page({ params }: { params: Promise<{ boatId: string }> }) {
  const { boatId } = await params;
  const context = await pageContext();
  const [revisions, requests, boats] = await Promise.all([
    listRevisions(context, boatId),
    listChangeRequests(context, boatId),
    listBoats(context),
  ]);
  return <RevisionsScreen initial={revisions} requests={requests} boats={boats.filter(({ archived }) => !archived)} />;
}
