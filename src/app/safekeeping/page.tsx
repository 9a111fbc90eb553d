import type { Metadata } from 'next';
import { listBackups } from '@/server/database/backup';
import { dataFolder } from '@/server/database/open';
import { SafekeepingScreen } from '@/ui/safekeeping/SafekeepingScreen';

export const metadata: Metadata = { title: 'Safekeeping' };

export default function Page() {
  return <SafekeepingScreen initial={listBackups()} folder={dataFolder()} trouble={null} />;
}
