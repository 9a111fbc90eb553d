import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { boatToJson } from '@/core/document';
import { ENGINE } from '@/core/evaluate';
import { answer, download, storeContext } from '@/server/http';
import { scheduleCsv } from '@/server/print/scheduleCsv';
import { printSchedule } from '@/server/print/printing';
import { readBoat } from '@/server/stores/boats';
import { readRevision, readRevisionPrint } from '@/server/stores/revisions';

const query = z.object({
  format: z.enum(['json', 'csv', 'pdf'], { error: 'format must be json, csv or pdf' }),
  revision: z.string().max(10).optional(),
  units: z.enum(['metric', 'us']).optional(),
  edition: z.enum(['short', 'full'], { error: 'edition must be short or full' }).default('full'),
});

export const GET = (request: Request, { params }: { params: Promise<{ boatId: string }> }) =>
  answer(async () => {
    const { boatId } = await params;
    const {
      format,
      revision: label,
      ...asked
    } = parseOrThrow(query, Object.fromEntries(new URL(request.url).searchParams));
    const context = await storeContext(request);
    const revision = label === undefined ? null : await readRevision(context, boatId, label);
    const { boat, version } = revision ? { boat: revision.boat, version: 0 } : await readBoat(context, boatId);
    const name = `${boat.name} ${revision ? `rev ${revision.label}` : 'draft'}.${format}`;
    if (format === 'json') return download(boatToJson(boat), 'application/json; charset=utf-8', name);
    if (format === 'csv') return download(scheduleCsv(boat), 'text/csv; charset=utf-8', name);
    const { units = boat.brief.units, edition } = asked;
    // The print a revision was issued with is what leaves the desk; only other units or the short edition are made
    // anew.
    const issued =
      revision && edition === 'full' && units === boat.brief.units
        ? await readRevisionPrint(context, boatId, revision.label)
        : null;
    const options = { revision, units, edition, printedAt: context.now() };
    const key = [boatId, version, revision?.label ?? '', units, edition, ENGINE].join('|');
    const pdf = issued ?? (await printSchedule(boat, options, key));
    return download(new Uint8Array(pdf), 'application/pdf', name);
  });
