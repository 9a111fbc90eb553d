import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { readLog } from '@/server/log/readLog';
import { pageContext } from '@/server/page';
import { HullScreen } from '@/ui/log/HullScreen';

export const metadata: Metadata = { title: 'Log' };

export default async function Page({ params }: { params: Promise<{ buildId: string }> }) {
  const hull = await readLog(await pageContext(), (await params).buildId);
  if (!hull) notFound();
  return <HullScreen hull={hull} />;
}
