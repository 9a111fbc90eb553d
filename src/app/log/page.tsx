import type { Metadata } from 'next';
import { readYardLog } from '@/server/log/readLog';
import { pageContext } from '@/server/page';
import { LogScreen } from '@/ui/log/LogScreen';

export const metadata: Metadata = { title: 'Log' };

export default async function Page() {
  return <LogScreen yard={await readYardLog(await pageContext())} />;
}
