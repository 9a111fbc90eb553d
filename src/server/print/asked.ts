import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import type { Boat } from '@/core/document';
import { ENGINE } from '@/core/evaluate';
import type { Revision } from '@/core/revision';
import type { StoreContext } from '../context';
import { readBoat } from '../stores/boats';
import { readRevision, readRevisionPrint } from '../stores/revisions';
import type { AskOptions } from '../threads/thread';
import { printSchedule } from './printing';

const query = z.object({
  format: z.enum(['json', 'csv', 'xlsx', 'pdf'], { error: 'format must be json, csv, xlsx or pdf' }),
  revision: z.string().max(10).optional(),
  units: z.enum(['metric', 'us']).optional(),
  edition: z.enum(['short', 'full'], { error: 'edition must be short or full' }).default('full'),
});

/** What a page asks to take along, and the state of the boat that it is asked of. */
export interface Asked extends z.output<typeof query> {
  boatId: string;
  boat: Boat;
  /** 0 of a revision, which does not change. */
  version: number;
  issued: Revision | null;
}

/** @throws KeramosError `invalid` for a file that there is not, `notFound`. */
export async function whatIsAsked(context: StoreContext, boatId: string, url: string): Promise<Asked> {
  const asked = parseOrThrow(query, Object.fromEntries(new URL(url).searchParams));
  const issued = asked.revision === undefined ? null : await readRevision(context, boatId, asked.revision);
  const { boat, version } = issued ? { boat: issued.boat, version: 0 } : await readBoat(context, boatId);
  return { ...asked, boatId, boat, version, issued };
}

/**
 * The schedule as a PDF. The print a revision was issued with is what leaves the desk; only other units or the short
 * edition are made anew.
 */
export async function printOf(context: StoreContext, asked: Asked, options?: AskOptions): Promise<Uint8Array> {
  const { boatId, boat, version, issued, units = boat.brief.units, edition } = asked;
  const kept =
    issued && edition === 'full' && units === boat.brief.units
      ? await readRevisionPrint(context, boatId, issued.label)
      : null;
  const key = [boatId, version, issued?.label ?? '', units, edition, ENGINE].join('|');
  return kept ?? printSchedule(boat, { revision: issued, units, edition, printedAt: context.now() }, key, options);
}
