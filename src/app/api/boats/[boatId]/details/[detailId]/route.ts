import { z } from 'zod';
import { KeramosError, parseOrThrow } from '@/core/error';
import { drawDetail, drawingSvg, evaluateDetails } from '@/core/detail/kinds';
import { answer, download, storeContext } from '@/server/http';
import { detailDxf } from '@/server/print/detailDxf';
import { detailPdf } from '@/server/print/detailPdf';
import { readBoat } from '@/server/stores/boats';
import { readRevision } from '@/server/stores/revisions';

const query = z.object({
  format: z.enum(['pdf', 'svg', 'dxf'], { error: 'format must be pdf, svg or dxf' }),
  revision: z.string().max(10).optional(),
  units: z.enum(['metric', 'us']).optional(),
});

/** One detail as a sheet (PDF) or as its drawing (SVG, DXF). */
export const GET = (request: Request, { params }: { params: Promise<{ boatId: string; detailId: string }> }) =>
  answer(async () => {
    const context = await storeContext(request);
    const { boatId, detailId } = await params;
    const {
      format,
      revision: label,
      units,
    } = parseOrThrow(query, Object.fromEntries(new URL(request.url).searchParams));
    const revision = label === undefined ? null : await readRevision(context, boatId, label);
    const { boat } = revision ?? (await readBoat(context, boatId));
    const [evaluation] = evaluateDetails(boat, ({ id }) => id === detailId);
    if (!evaluation) throw new KeramosError('notFound', 'There is no such detail of this boat', 'detailId');
    const name = `${boat.name} ${evaluation.detail.name}.${format}`;
    if (format === 'pdf')
      return download(
        new Uint8Array(
          await detailPdf(boat, evaluation, { revision, units: units ?? boat.brief.units, printedAt: new Date() }),
        ),
        'application/pdf',
        name,
      );
    const drawing = evaluation.problem === null ? drawDetail(boat, evaluation.detail) : null;
    if (!drawing)
      throw new KeramosError(
        'invalid',
        `${evaluation.detail.name} cannot be drawn: ${evaluation.problem ?? 'it has no drawing'}`,
        'detailId',
      );
    return format === 'svg'
      ? download(
          drawingSvg(drawing, evaluation.detail.name, units ?? boat.brief.units),
          'image/svg+xml; charset=utf-8',
          name,
        )
      : download(detailDxf(drawing, evaluation.detail.name), 'application/dxf; charset=utf-8', name);
  });
