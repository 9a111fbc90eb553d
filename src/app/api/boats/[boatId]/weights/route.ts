import Papa from 'papaparse';
import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { answer, download, storeContext } from '@/server/http';
import { weightSheets } from '@/server/print/weightSheets';
import { readBoat } from '@/server/stores/boats';
import { readSetting } from '@/server/stores/settings';
import { plain } from '@/server/table/plain';
import { writeWorkbook } from '@/server/table/writeTable';

const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';
const query = z.object({ format: z.enum(['csv', 'xlsx'], { error: 'format must be csv or xlsx' }) });

/** Weights, loading conditions, cost, buoyancy and soundings, as one table or as a workbook. */
export const GET = (request: Request, { params }: { params: Promise<{ boatId: string }> }) =>
  answer(async () => {
    const context = await storeContext(request);
    const { format } = parseOrThrow(query, Object.fromEntries(new URL(request.url).searchParams));
    const { boat } = await readBoat(context, (await params).boatId);
    const [rates, prices] = await Promise.all([readSetting(context, 'rates'), readSetting(context, 'prices')]);
    const sheets = weightSheets(boat, { rates: rates.body, offers: prices.body.offers });
    const name = `${boat.name} weights.${format}`;
    if (format === 'xlsx') return download(await writeWorkbook(sheets), XLSX, name);
    const rows = sheets.flatMap(({ name: table, rows: own }) => [['Table', plain(table)], ...own, []]);
    return download(Papa.unparse(rows, { newline: '\r\n' }), 'text/csv; charset=utf-8', name);
  });
