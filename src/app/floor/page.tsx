import type { Metadata } from 'next';
import { boardOf } from '@/core/build';
import { buildableBoats } from '@/server/floor/buildable';
import { pageContext } from '@/server/page';
import { listBuilds } from '@/server/stores/builds';
import { readSetting } from '@/server/stores/settings';
import { BoardScreen } from '@/ui/floor/BoardScreen';

export const metadata: Metadata = { title: 'Floor' };

export default async function Page() {
  const context = await pageContext();
  const now = context.now();
  const [builds, buildable, steps] = await Promise.all([
    listBuilds(context),
    buildableBoats(context),
    readSetting(context, 'steps'),
  ]);
  return <BoardScreen initial={boardOf(builds, now)} buildable={buildable} steps={steps} today={now} />;
}
