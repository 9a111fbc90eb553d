import { KeramosError } from '@/core/error';
import { contextOf } from '@/server/context';
import { database } from '@/server/database/open';
import { FROM_HEADER } from '@/server/from';
import { answer, download, json } from '@/server/http';
import { countTry, forgetTries } from '@/server/people/throttle';
import { countOpened, openLink } from '@/server/stores/readerLinks';
import { readRevision, readRevisionPrint } from '@/server/stores/revisions';

type Context = { params: Promise<{ secret: string }> };

/** The link that is opened, by whoever holds it; guesses are counted. */
async function opened(request: Request, { params }: Context) {
  const context = contextOf(await database());
  const { secret } = await params;
  const trier = { account: 'link', address: request.headers.get(FROM_HEADER) ?? 'here' };
  await countTry(trier);
  const link = await openLink(context, secret);
  await forgetTries(trier);
  return { context, secret, link };
}

/** The print of the revision that a link opens. */
export const GET = (request: Request, context: Context) =>
  answer(async () => {
    const { link, context: store } = await opened(request, context);
    const print = await readRevisionPrint(store, link.boatId, link.label);
    if (print === null) throw new KeramosError('notFound', 'This revision was issued before prints were kept', 'print');
    const { name } = (await readRevision(store, link.boatId, link.label)).boat;
    return download(Buffer.from(print), 'application/pdf', `${name} revision ${link.label}.pdf`);
  });

/** Count that it was opened. */
export const POST = (request: Request, context: Context) =>
  answer(async () => {
    const { context: store, secret } = await opened(request, context);
    await countOpened(store, secret);
    return json({ opened: true });
  });
