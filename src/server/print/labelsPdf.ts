import type { Content } from 'pdfmake/interfaces';
import { LABEL_SHEETS, type Label, type LabelSheet } from '@/core/kit';
import { formatWithUnit, type UnitSystem } from '@/core/quantity';
import { pageStyle, printPdf } from './pdfStyle';

/** Points of a millimetre; inside the edge of a label, and its code (mm). */
const POINT = 72 / 25.4;
const INSIDE = 3;
const CODE = 24;

export interface LabelsOptions {
  sheet: LabelSheet;
  /** The first label that is still on the sheet, from 1. */
  start: number;
  units: UnitSystem;
}

/** Labels on their sheets, from the first that is left on. */
export function labelsPdf(labels: readonly Label[], { sheet, start, units }: LabelsOptions): Promise<Buffer> {
  const { page, across, down, size, first } = LABEL_SHEETS[sheet];
  const [width, height] = size;
  const perPage = across * down;
  const content = labels.flatMap((label, i): Content[] => {
    const place = i + start - 1;
    const [column, row] = [place % across, Math.floor((place % perPage) / across)];
    const [x, y] = [first[0] + column * width + INSIDE, first[1] + row * height + INSIDE];
    const breaks = i > 0 && place % perPage === 0;
    const at = (dx: number, dy: number) => ({ x: (x + dx) * POINT, y: (y + dy) * POINT });
    const [along, wide] = label.size.map((value) => formatWithUnit(value, 'length', units));
    const room = (width - 2 * INSIDE - CODE - 3) * POINT;
    return [
      // What breaks a page stands in its flow, of no height.
      ...(breaks ? [{ text: '', pageBreak: 'before' as const }] : []),
      { qr: label.code, fit: CODE * POINT, absolutePosition: at(0, 0) },
      {
        absolutePosition: at(CODE + 3, 0),
        columns: [
          {
            width: room,
            stack: [
              { text: `${label.boat} · ${label.order}`, bold: true, fontSize: 8 },
              { text: label.piece, fontSize: 7.5 },
              { text: label.cloth, fontSize: 7.5, bold: true },
              { text: label.place, fontSize: 6 },
              { text: `${along} × ${wide}`, fontSize: 6.5 },
            ],
          },
        ],
      },
    ];
  });
  const { defaultStyle, styles } = pageStyle('');
  return printPdf(
    {
      pageSize: { width: page[0] * POINT, height: page[1] * POINT },
      pageMargins: [0, 0, 0, 0],
      defaultStyle: { ...defaultStyle, lineHeight: 1 },
      ...(styles && { styles }),
      content,
    },
    units,
  );
}
