import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { EDITIONS, type Edition } from '@/core/log';
import { answer, download, storeContext } from '@/server/http';
import { printBook } from '@/server/kit/kitting';
import { bookZip, photoFiles, readBook } from '@/server/log/readBook';

const query = z.object({
  format: z.enum(['pdf', 'json'], { error: 'format must be pdf or json' }).default('pdf'),
  edition: z
    .enum(Object.keys(EDITIONS) as [Edition, ...Edition[]], { error: 'edition must be short or full' })
    .default('short'),
  units: z.enum(['metric', 'us'], { error: 'units must be metric or us' }).optional(),
});

/** The boat's book: a PDF, or JSON with its photographs in a ZIP. */
export const GET = (request: Request, { params }: { params: Promise<{ buildId: string }> }) =>
  answer(async () => {
    const [{ buildId }, context] = [await params, await storeContext(request)];
    const { format, edition, units } = parseOrThrow(query, Object.fromEntries(new URL(request.url).searchParams));
    if (format === 'json') {
      const { book, bytes } = await bookZip(context, buildId);
      return download(new Blob([bytes as BlobPart]), 'application/zip', `${book.boat}-${book.hull}-book.zip`);
    }
    const { book, boat } = await readBook(context, buildId);
    const pdf = await printBook(book, {
      edition,
      units: units ?? boat.brief.units,
      files: photoFiles(buildId, book),
    });
    return download(new Blob([pdf as BlobPart]), 'application/pdf', `${book.boat}-${book.hull}-book-${edition}.pdf`);
  });
