import { z } from 'zod';
import { invalid, parseOrThrow } from '@/core/error';
import { LABEL_SHEETS, type LabelSheet } from '@/core/kit';
import { answer, download, storeContext } from '@/server/http';
import { labelsOfKit } from '@/server/kit/kitting';
import { readBoat } from '@/server/stores/boats';
import { readKit } from '@/server/stores/kits';
import { readSetting } from '@/server/stores/settings';

const sheets = Object.keys(LABEL_SHEETS) as [LabelSheet, ...LabelSheet[]];
const query = z.object({
  sheet: z.enum(sheets, { error: `sheet must be one of ${sheets.join(', ')}` }).default('a4-24'),
  /** The first label that is left on the sheet. */
  start: z.coerce.number().int().min(1, 'start counts from 1').max(100).default(1),
  /** Of one part, or of details, stiffeners, boxes, pieces of their own; of one layer. */
  group: z.string().max(60).optional(),
  layer: z.coerce.number().int().min(0).max(1000).optional(),
  /** Of a frozen kit. */
  kit: z.string().max(60).optional(),
  units: z.enum(['metric', 'us']).default('metric'),
});

/** Labels of pieces as a PDF on sheets of labels. */
export const GET = (request: Request, { params }: { params: Promise<{ boatId: string }> }) =>
  answer(async () => {
    const context = await storeContext(request);
    const asked = parseOrThrow(query, Object.fromEntries(new URL(request.url).searchParams));
    const { boatId } = await params;
    const { boat } = await readBoat(context, boatId);
    const { across, down } = LABEL_SHEETS[asked.sheet];
    if (asked.start > across * down) throw invalid('start', `The sheet has ${across * down} labels`);
    const frozen = asked.kit === undefined ? null : await readKit(context, boatId, asked.kit);
    const { body: cutting } = await readSetting(context, 'cutting');
    const pdf = await labelsOfKit({
      boat,
      cutting,
      frozen: frozen && { hull: frozen.hull, pieces: frozen.kit.pieces },
      group: asked.group ?? null,
      layer: asked.layer ?? null,
      options: { sheet: asked.sheet, start: asked.start, units: asked.units },
    });
    return download(Buffer.from(pdf), 'application/pdf', `${boat.name} labels.pdf`);
  });
