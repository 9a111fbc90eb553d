import { boatToJson } from '@/core/document';
import { answer, asking, download, storeContext } from '@/server/http';
import { printOf, whatIsAsked } from '@/server/print/asked';
import { scheduleCsv } from '@/server/print/scheduleCsv';
import { scheduleSheets } from '@/server/print/scheduleSheets';
import { writeWorkbook } from '@/server/table/writeTable';

const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';

export const GET = (request: Request, { params }: { params: Promise<{ boatId: string }> }) =>
  answer(async () => {
    const context = await storeContext(request);
    const asked = await whatIsAsked(context, (await params).boatId, request.url);
    const { boat, issued, format } = asked;
    const name = `${boat.name} ${issued ? `rev ${issued.label}` : 'draft'}.${format}`;
    if (format === 'json') return download(boatToJson(boat), 'application/json; charset=utf-8', name);
    if (format === 'csv') return download(scheduleCsv(boat, issued), 'text/csv; charset=utf-8', name);
    if (format === 'xlsx') return download(await writeWorkbook(scheduleSheets(boat, issued)), XLSX, name);
    const pdf = await printOf(context, asked, asking(request));
    return download(new Uint8Array(pdf), 'application/pdf', name);
  });
