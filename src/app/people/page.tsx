import type { Metadata } from 'next';
import { pageContext } from '@/server/page';
import { listPeople } from '@/server/stores/people';
import { listTablets } from '@/server/stores/tablets';
import { PeopleScreen } from '@/ui/people/PeopleScreen';

export const metadata: Metadata = { title: 'People' };

export default async function Page() {
  const context = await pageContext();
  return <PeopleScreen initial={{ people: await listPeople(context), tablets: await listTablets(context) }} />;
}
