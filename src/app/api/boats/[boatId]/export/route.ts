import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { boatToJson } from '@/core/document';
import { database } from '@/server/database/open';
import { answer, download } from '@/server/http';
import { scheduleCsv } from '@/server/print/scheduleCsv';
import { schedulePdf } from '@/server/print/schedulePdf';
import { readBoat } from '@/server/stores/boats';
import { readRevision } from '@/server/stores/revisions';

const query = z.object({
  format: z.enum(['json', 'csv', 'pdf'], { error: 'format must be json, csv or pdf' }),
  revision: z.string().max(10).optional(),
  units: z.enum(['metric', 'us']).optional(),
});

export const GET = (request: Request, { params }: { params: Promise<{ boatId: string }> }) =>
  answer(async () => {
    const { boatId } = await params;
    const {
      format,
      revision: label,
      units,
    } = parseOrThrow(query, Object.fromEntries(new URL(request.url).searchParams));
    const db = await database();
    const revision = label === undefined ? null : await readRevision(db, boatId, label);
    const { boat } = revision ?? (await readBoat(db, boatId));
    const name = `${boat.name} ${revision ? `rev ${revision.label}` : 'draft'}.${format}`;
    if (format === 'json') return download(boatToJson(boat), 'application/json; charset=utf-8', name);
    if (format === 'csv') return download(scheduleCsv(boat), 'text/csv; charset=utf-8', name);
    const pdf = await schedulePdf(boat, { revision, units: units ?? boat.brief.units, printedAt: new Date() });
    return download(new Uint8Array(pdf), 'application/pdf', name);
  });
