import { KeramosError } from '@/core/error';
import { answer, json, storeContext } from '@/server/http';
import { readLog } from '@/server/log/readLog';

/** What was read of a hull beside what was planned. */
export const GET = (request: Request, { params }: { params: Promise<{ buildId: string }> }) =>
  answer(async () => {
    const log = await readLog(await storeContext(request), (await params).buildId);
    if (!log) throw new KeramosError('notFound', 'There is no such build', 'build');
    return json(log);
  });
