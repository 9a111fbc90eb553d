import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { KeramosError } from '@/core/error';
import { readBoatWithHistory } from '@/server/stores/history';
import { isBehind } from '@/server/stores/variants';
import { BoatProvider } from '@/ui/shared/boat';
import { BoatFrame } from '@/ui/shared/BoatFrame';
import { storeContext } from '@/server/http';

interface Props {
  params: Promise<{ boatId: string }>;
  children: ReactNode;
}

async function load(boatId: string) {
  const context = await storeContext();
  try {
    return { ...(await readBoatWithHistory(context, boatId)), behind: await isBehind(context, boatId) };
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
