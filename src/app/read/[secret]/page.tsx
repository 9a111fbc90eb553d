import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { KeramosError } from '@/core/error';
import { contextOf } from '@/server/context';
import { database } from '@/server/database/open';
import { openLink } from '@/server/stores/readerLinks';
import { readRevision } from '@/server/stores/revisions';
import { ReaderScreen } from '@/ui/read/ReaderScreen';

export const metadata: Metadata = { title: 'Revision', robots: { index: false, follow: false } };

/** One revision, for whoever holds the link: nothing else of the yard. */
export default async function Page({ params }: { params: Promise<{ secret: string }> }) {
  const { secret } = await params;
  const context = contextOf(await database());
  try {
    const { boatId, label, reader, endsAt } = await openLink(context, secret);
    const { boat, results, ...revision } = await readRevision(context, boatId, label);
    return (
      <ReaderScreen secret={secret} reader={reader} endsAt={endsAt} boat={boat} revision={revision} results={results} />
    );
  } catch (error) {
    if (error instanceof KeramosError && error.code === 'notFound') notFound();
    throw error;
  }
}
