import { answer, asking, progressLines, storeContext } from '@/server/http';
import { printOf, whatIsAsked } from '@/server/print/asked';

/**
 * How far a print is, a line of JSON a step, until it lies ready to be fetched by the same question to `export`; given
 * up when the page leaves.
 */
export const GET = (request: Request, { params }: { params: Promise<{ boatId: string }> }) =>
  answer(async () => {
    const context = await storeContext(request);
    const asked = await whatIsAsked(context, (await params).boatId, request.url);
    return progressLines(asking(request), (options) => printOf(context, asked, options));
  });
