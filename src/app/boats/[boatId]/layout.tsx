import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { cache, type ReactNode } from 'react';
import { panelsOfZones } from '@/core/document';
import { KeramosError } from '@/core/error';
import { databaseTrouble } from '@/server/database/open';
import { readBoatWithHistory } from '@/server/stores/history';
import { damageOf } from '@/server/stores/repair';
import { isBehind } from '@/server/stores/variants';
import { BoatProvider } from '@/ui/shared/boat';
import { BoatFrame } from '@/ui/shared/BoatFrame';
import { RepairView } from '@/ui/repair/RepairView';
import { pageContext } from '@/server/page';

interface Props {
  params: Promise<{ boatId: string }>;
  children: ReactNode;
}

/** The boat with its history, or why it does not read; once a request. */
const load = cache(async (boatId: string) => {
  const context = await pageContext();
  try {
    const stored = await readBoatWithHistory(context, boatId);
    return {
      stored: { ...stored, behind: await isBehind(context, boatId), panels: panelsOfZones(stored.boat) },
      damage: null,
    };
  } catch (error) {
    if (error instanceof KeramosError && error.code === 'notFound') notFound();
    const damage = error instanceof KeramosError ? await damageOf(context, boatId) : null;
    if (!damage) throw error;
    return { stored: null, damage };
  }
});

export async function generateMetadata({ params }: Pick<Props, 'params'>): Promise<Metadata> {
  // Without a database the page says so; its title needs none.
  if ((await databaseTrouble()) !== null) return {};
  const { stored, damage } = await load((await params).boatId);
  return { title: stored?.boat.name ?? damage!.name };
}

export default async function Layout({ params, children }: Props) {
  const { stored, damage } = await load((await params).boatId);
  if (!stored) return <RepairView boatId={damage.id} {...damage} />;
  return (
    <BoatProvider key={stored.id} initial={stored}>
      <BoatFrame>{children}</BoatFrame>
    </BoatProvider>
  );
}
