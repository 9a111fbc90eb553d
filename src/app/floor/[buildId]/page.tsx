import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { KeramosError } from '@/core/error';
import type { StoreContext } from '@/server/context';
import { pageContext } from '@/server/page';
import { buildForFloor } from '@/server/floor/floorBuild';
import { FloorScreen } from '@/ui/floor/FloorScreen';
import { HouseUnitsProvider } from '@/ui/shared/units';

export const metadata: Metadata = { title: 'Floor' };

const buildOf = (context: StoreContext, buildId: string) =>
  buildForFloor(context, buildId).catch((error: unknown) => {
    if (error instanceof KeramosError && error.code === 'notFound') return null;
    throw error;
  });

export default async function Page({ params }: { params: Promise<{ buildId: string }> }) {
  const { buildId } = await params;
  const build = await buildOf(await pageContext(), buildId);
  if (!build) notFound();
  return (
    <HouseUnitsProvider units={build.plan.units}>
      <FloorScreen buildId={buildId} initial={build} />
    </HouseUnitsProvider>
  );
}
