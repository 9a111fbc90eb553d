import { invalid } from '@/core/error';
import { repairOf } from '@/server/floor/repairOf';
import { answer, json, storeContext } from '@/server/http';

/** What a repair laminate comes to; it keeps nothing. `?asked=` is `{zone, size, repair}` as JSON. */
export const GET = (request: Request, { params }: { params: Promise<{ buildId: string }> }) =>
  answer(async () => {
    const [{ buildId }, context] = [await params, await storeContext(request)];
    return json(await repairOf(context, buildId, readAsked(new URL(request.url).searchParams.get('asked'))));
  });

function readAsked(text: string | null): unknown {
  try {
    return JSON.parse((text ?? '').slice(0, 4000));
  } catch {
    throw invalid('asked', 'What the repair is like is missing, or is no JSON');
  }
}
