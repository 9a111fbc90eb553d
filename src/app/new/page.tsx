import { listBoats } from '@/server/stores/boats';
import { listTemplates } from '@/server/stores/templates';
import { NewBoatScreen } from '@/ui/newBoat/NewBoatScreen';
import { pageContext } from '@/server/page';

export const metadata = { title: 'New boat' };

export default async function Page() {
  const context = await pageContext();
  const [templates, boats] = [await listTemplates(context), await listBoats(context)];
  return <NewBoatScreen templates={templates} boats={boats.filter(({ archived }) => !archived)} />;
}
