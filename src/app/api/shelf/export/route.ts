import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { columnsOf, MATERIAL_KINDS, writeRow, type MaterialKind } from '@/core/material';
import { answer, download, storeContext } from '@/server/http';
import { listShelf } from '@/server/stores/shelf';
import { writeCsv, writeXlsx } from '@/server/table/writeTable';

const query = z.object({
  kind: z.enum(Object.keys(MATERIAL_KINDS) as [MaterialKind, ...MaterialKind[]], {
    error: `kind must be one of ${Object.keys(MATERIAL_KINDS).join(', ')}`,
  }),
  format: z.enum(['csv', 'xlsx'], { error: 'format must be csv or xlsx' }),
});

export const GET = (request: Request) =>
  answer(async () => {
    const context = await storeContext(request);
    const { kind, format } = parseOrThrow(query, Object.fromEntries(new URL(request.url).searchParams));
    const materials = (await listShelf(context))
      .map(({ material }) => material)
      .filter((material) => material.kind === kind);
    const heads = columnsOf(kind).map(({ head }) => head);
    const rows = materials.map(writeRow);
    const name = `Shelf ${MATERIAL_KINDS[kind]}.${format}`;
    if (format === 'csv') return download(writeCsv(heads, rows), 'text/csv; charset=utf-8', name);
    return download(
      await writeXlsx(MATERIAL_KINDS[kind], heads, rows),
      'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
      name,
    );
  });
