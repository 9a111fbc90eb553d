import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { KeramosError } from '@/core/error';
import { database } from '@/server/database/open';
import { readBoat, readHistory } from '@/server/stores/boats';
import { follow } from '@/server/stores/variants';
import { BoatProvider } from '@/ui/shared/boat';
import { BoatFrame } from '@/ui/shared/BoatFrame';

interface Props {
  params: Promise<{ boatId: string }>;
  children: ReactNode;
}

async function load(boatId: string) {
  const db = await database();
  try {
    await follow(db, boatId);
    return { ...(await readBoat(db, boatId)), history: await readHistory(db, boatId) };
  } catch (error) {
    if (error instanceof KeramosError && error.code === 'notFound') notFound();
    throw error;
  }
}

export async function generateMetadata({ params }: Pick<Props, 'params'>): Promise<Metadata> {
  return { title: (await load((await params).boatId)).boat.name };
}

export default async function Layout({ params, children }: Props) {
  const initial = await load((await params).boatId);
  return (
    <BoatProvider key={initial.id} initial={initial}>
      <BoatFrame>{children}</BoatFrame>
    </BoatProvider>
  );
}
