import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { KeramosError } from '@/core/error';
import { contextOf, type StoreContext } from '@/server/context';
import { database } from '@/server/database/open';
import { openLink } from '@/server/stores/readerLinks';
import { readRevision } from '@/server/stores/revisions';
import { ReaderScreen } from '@/ui/read/ReaderScreen';

export const metadata: Metadata = { title: 'Revision', robots: { index: false, follow: false } };

/** One revision, for whoever holds the link: nothing else of the yard. */
export default async function Page({ params }: { params: Promise<{ secret: string }> }) {
  const { secret } = await params;
  const context = contextOf(await database());
  const found = await revisionOf(context, secret);
  if (!found) notFound();
  return <ReaderScreen secret={secret} {...found} />;
}

/** What the link opens; null where it opens nothing any more. */
async function revisionOf(context: StoreContext, secret: string) {
  try {
    const { boatId, label, reader, endsAt } = await openLink(context, secret);
    const { boat, results, ...revision } = await readRevision(context, boatId, label);
    return { reader, endsAt, boat, revision, results };
  } catch (error) {
    if (error instanceof KeramosError && error.code === 'notFound') return null;
    throw error;
  }
}
