import Papa from 'papaparse';
import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { answer, download, storeContext } from '@/server/http';
import { bookOfKit, sheetsOfKit } from '@/server/kit/kitting';
import { readBoat } from '@/server/stores/boats';
import { readSetting } from '@/server/stores/settings';
import { plain } from '@/server/table/plain';
import { writeWorkbook } from '@/server/table/writeTable';

const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';
const query = z.object({ format: z.enum(['csv', 'xlsx', 'pdf'], { error: 'format must be csv, xlsx or pdf' }) });

/** Cut list, counts, batches and purchase list, as one table, as a workbook or as a PDF. */
export const GET = (request: Request, { params }: { params: Promise<{ boatId: string }> }) =>
  answer(async () => {
    const context = await storeContext(request);
    const { format } = parseOrThrow(query, Object.fromEntries(new URL(request.url).searchParams));
    const { boat } = await readBoat(context, (await params).boatId);
    const [rates, prices, cutting, mixing, filling] = await Promise.all([
      readSetting(context, 'rates'),
      readSetting(context, 'prices'),
      readSetting(context, 'cutting'),
      readSetting(context, 'mixing'),
      readSetting(context, 'filling'),
    ]);
    const yard = {
      cutting: cutting.body,
      mixing: mixing.body,
      filling: filling.body,
      rates: rates.body,
      offers: prices.body.offers,
    };
    const name = `${boat.name} kit.${format}`;
    if (format === 'pdf') return download(Buffer.from(await bookOfKit(boat, yard)), 'application/pdf', name);
    const sheets = await sheetsOfKit(boat, yard);
    if (format === 'xlsx') return download(await writeWorkbook(sheets), XLSX, name);
    const rows = sheets.flatMap(({ name: table, rows: own }) => [['Table', plain(table)], ...own, []]);
    return download(Papa.unparse(rows, { newline: '\r\n' }), 'text/csv; charset=utf-8', name);
  });
