import type { Content } from 'pdfmake/interfaces';
import { displayUnit, formatNumber, formatQuantity, formatWithUnit, type UnitSystem } from '@/core/quantity';
import { DETAIL_KINDS, drawDetail, drawingSvg, type DetailEvaluation } from '@/core/detail/kinds';
import type { Boat } from '@/core/document';
import { targetOf } from '@/core/evaluate';
import { heading, reserveWords } from './closeStyle';

/** A detail as it is made: drawing with dimensions, layers, steps, and the link that decides. */
function detailBlock(boat: Boat, evaluation: DetailEvaluation, number: number, units: UnitSystem): Content {
  const { detail, governing, layers, steps, notChecked, problem } = evaluation;
  const names = new Map(boat.materials.map((one) => [one.id, 'code' in one ? one.code : one.name]));
  const zone = boat.parts.flatMap(({ zones }) => zones).find(({ id }) => id === detail.zone);
  const size = (value: number) => formatQuantity(value, 'shortLength', units);
  const drawing = problem === null ? drawDetail(boat, detail) : null;
  const laid = layers.map(
    ({ material, angleDeg, length, breadth, count }) =>
      `${count > 1 ? `${count} × ` : ''}${names.get(material)} ${formatNumber(angleDeg, 0)}°, ` +
      `${size(length)} × ${size(breadth)}`,
  );
  const stands = governing
    ? `${reserveWords(governing.reserveFactor, targetOf(boat))}, ${governing.name}`
    : `Not checked: ${problem ?? 'nothing to check'}`;
  return {
    unbreakable: true,
    margin: [0, 0, 0, 6],
    stack: [
      {
        text: [
          { text: `${number} ${detail.name}`, bold: true, fontSize: 9 },
          `  ${DETAIL_KINDS[detail.kind]}, ${detail.number} off, on ${zone?.name ?? '–'}, ` +
            `${formatWithUnit(detail.x, 'length', units)} from aft, ` +
            `${formatWithUnit(detail.y, 'length', units)} off the centreline. Reserve ${stands}.`,
        ],
      },
      ...(drawing
        ? [{ svg: drawingSvg(drawing, detail.name, units).replace('width="100%"', ''), width: 370 } as Content]
        : []),
      ...(laid.length > 0
        ? [
            {
              text: [{ text: `Layers, ${displayUnit('shortLength', units).label}: `, bold: true }, laid.join('; ')],
            },
          ]
        : []),
      { text: [{ text: 'Steps: ', bold: true }, steps.map((step, i) => `${i + 1} ${step}`).join(' ')] },
      { text: `Not checked: ${notChecked.join('; ')}.`, style: 'small' },
    ],
  };
}

/** Details two abreast. */
export function shortDetails(boat: Boat, all: readonly DetailEvaluation[], units: UnitSystem): Content[] {
  if (all.length === 0) return [];
  const blocks = all.map((one, i) => detailBlock(boat, one, i + 1, units));
  const pairs = Array.from({ length: Math.ceil(blocks.length / 2) }, (_, i): Content => {
    const [a, b] = blocks.slice(2 * i, 2 * i + 2);
    return { columns: [a!, b ?? { text: '' }], columnGap: 16, unbreakable: true };
  });
  return [heading('Details, by their number on the drawing'), ...pairs];
}
