import type { Metadata } from 'next';
import { pageContext } from '@/server/page';
import { readTrials, trialBoatOf } from '@/server/log/readTrials';
import { listBoats, readBoat } from '@/server/stores/boats';
import { TrialsScreen } from '@/ui/log/TrialsScreen';

export const metadata: Metadata = { title: 'Trials' };
/** Boats that samples may be laid like: the ones that were changed last. */
const MOST = 20;

export default async function Page() {
  const context = await pageContext();
  const listed = (await listBoats(context)).slice(0, MOST);
  const boats = await Promise.all(listed.map(async ({ id }) => trialBoatOf(id, (await readBoat(context, id)).boat)));
  return <TrialsScreen initial={await readTrials(context)} boats={boats} today={context.now().slice(0, 10)} />;
}
