import { archiveNow } from '@/server/database/archive';
import { copyToSecond } from '@/server/database/second';
import { answer, json } from '@/server/http';
import { keeperOf } from '@/server/people/keeper';
import { safekeeping } from '@/server/people/safekeeping';
import { noteHappening } from '@/server/people/yardLog';
import { KeramosError } from '@/core/error';

/** An archive of today: everything in one file that can be read without Keramos. */
export const POST = (request: Request) =>
  answer(async () => {
    const { name: who, context } = await keeperOf(request);
    if (context === null)
      throw new KeramosError('unavailable', 'The database cannot be read, so it cannot be archived');
    const at = new Date().toISOString();
    const kept = await archiveNow(context.db, `keramos-${at.slice(0, 10)}`);
    noteHappening({ at, who, what: `made the archive ${kept.name}` });
    copyToSecond(at);
    return json(safekeeping(), 201);
  });
