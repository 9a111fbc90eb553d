import type { Content, TableCell } from 'pdfmake/interfaces';
import { formatNumber, formatReserve, formatWithUnit, type UnitSystem } from '@/core/quantity';
import {
  DETAIL_KINDS,
  drawDetail,
  drawingSvg,
  evaluateDetails,
  type DetailCheck,
  type DetailEvaluation,
} from '@/core/detail/kinds';
import { targetOf, verdictOf } from '@/core/evaluate';
import type { Boat } from '@/core/document';
import type { Revision } from '@/core/revision';
import { head, pageStyle, printPdf, right, RULES } from './pdfStyle';

const WORDS = { fails: '× FAILS', thin: '! thin', meets: '✓ meets', ample: '✓ ample' } as const;
const KINDS = { N: 'force', Pa: 'stress', m: 'thickness', 'N/m': 'lineForce', 'N·m': 'moment' } as const;
const figure = (value: number, unit: DetailCheck['unit'], units: UnitSystem) =>
  unit === ''
    ? formatNumber(value, value !== 0 && Math.abs(value) < 0.1 ? 4 : 2)
    : formatWithUnit(value, KINDS[unit], units);

/** One detail on a page: drawing, load path, checks, layers, steps, cautions, proof. */
export function detailSheet(boat: Boat, evaluation: DetailEvaluation, units: UnitSystem): Content[] {
  const { detail, checks, governing, path, layers, steps, cautions, notChecked, proof, problem, total } = evaluation;
  const drawing = problem === null ? drawDetail(boat, detail) : null;
  const target = targetOf(boat);
  const zone = boat.parts
    .flatMap((part) => part.zones.map((one) => ({ part, one })))
    .find(({ one }) => one.id === detail.zone);
  const codes = new Map(
    boat.materials.map((material) => [material.id, 'code' in material ? material.code : material.name]),
  );
  const length = (value: number) => formatWithUnit(value, 'shortLength', units);
  return [
    { text: detail.name, style: 'h1' },
    {
      text:
        `${DETAIL_KINDS[detail.kind]} on ${zone?.one.name ?? 'a zone that is gone'} ` +
        `(${zone?.part.name ?? '–'}), ${detail.number} off, at x ` +
        `${formatWithUnit(detail.x, 'length', units)}, y ` +
        `${formatWithUnit(detail.y, 'length', units)}; ` +
        `${formatWithUnit(total, 'mass', units)}. ${detail.note}`,
      margin: [0, 0, 0, 6],
    },
    ...(problem
      ? [{ text: `Not checked: ${problem}`, bold: true, margin: [0, 0, 0, 6] as [number, number, number, number] }]
      : []),
    ...(drawing
      ? [
          {
            svg: drawingSvg(drawing, detail.name, units).replace('width="100%"', ''),
            width: 520,
            margin: [0, 0, 0, 6] as [number, number, number, number],
          },
        ]
      : []),
    {
      text: [
        { text: 'Load path: ', bold: true },
        ...path.map(({ text, check }, i) => ({
          text: `${i ? '  →  ' : ''}${text}${check !== null && check === governing?.id ? ' (weakest)' : ''}`,
          bold: check !== null && check === governing?.id,
        })),
      ],
      margin: [0, 0, 0, 6],
    },
    {
      table: {
        headerRows: 1,
        widths: ['*', 'auto', 'auto', 'auto', 'auto', 170],
        body: [
          ['Check', 'Asked', 'There', 'Reserve', '', 'Basis'].map(head),
          ...checks.map((check): TableCell[] => [
            check.name,
            right(figure(check.demand, check.unit, units)),
            right(figure(check.capacity, check.unit, units)),
            right(Number.isFinite(check.reserveFactor) ? formatReserve(check.reserveFactor) : '–'),
            WORDS[verdictOf(check.reserveFactor, target)],
            check.source,
          ]),
        ],
      },
      layout: RULES,
    },
    ...(layers.length
      ? [
          { text: 'Layers of the detail, in order', style: 'h3' },
          {
            table: {
              headerRows: 1,
              widths: ['auto', 'auto', 'auto', 'auto', 'auto'],
              body: [
                ['Fabric', 'Angle', 'Length', 'Breadth', 'Pieces'].map(head),
                ...layers.map((layer): TableCell[] => [
                  codes.get(layer.material) ?? layer.material,
                  right(`${formatNumber(layer.angleDeg, 0)}°`),
                  right(length(layer.length)),
                  right(length(layer.breadth)),
                  right(String(layer.count)),
                ]),
              ],
            },
            layout: RULES,
          },
        ]
      : []),
    { text: `Not checked: ${notChecked.join('; ')}.`, margin: [0, 2, 0, 0] },
    { text: 'Steps', style: 'h3' },
    { ol: steps },
    ...(cautions.length
      ? [
          { text: 'Cautions', style: 'h3' } as Content,
          { ul: cautions.map(({ title, text }) => `${title}: ${text}`) } as Content,
        ]
      : []),
    ...(proof
      ? [
          { text: 'Proof', style: 'h3' } as Content,
          {
            text:
              'Pull or lift to ' +
              formatWithUnit(proof.load, 'force', units) +
              (proof.deflection === null
                ? ''
                : `; expect about ${formatWithUnit(proof.deflection, 'thickness', units)} of deflection at the panel`) +
              '. ' +
              (proof.failure === null
                ? ''
                : `The weakest link is thought to give way at ${formatWithUnit(proof.failure, 'force', units)}. `) +
              `Stop at ${formatWithUnit(proof.stop, 'force', units)}` +
              (proof.stop < proof.load ? ', less than the pull asked for' : '') +
              ', at any sound, or when the ' +
              'gauge does not come back. Stand clear, nobody in line with the pull; release ' +
              'slowly.',
          } as Content,
        ]
      : []),
  ];
}

/** One detail as a page of its own. */
export function detailPdf(
  boat: Boat,
  evaluation: DetailEvaluation,
  options: { revision: Revision | null; units: UnitSystem; printedAt: Date },
): Promise<Buffer> {
  const state = options.revision ? `revision ${options.revision.label}` : 'DRAFT, not issued';
  return printPdf(
    {
      info: {
        title: `${boat.name}: ${evaluation.detail.name}, ${state}`,
        producer: 'Keramos',
        creationDate: options.printedAt,
      },
      ...pageStyle(
        `${boat.name} · ${evaluation.detail.name} · ${state} · ${options.printedAt.toISOString().slice(0, 10)}`,
      ),
      content: detailSheet(boat, evaluation, options.units),
    },
    options.units,
  );
}

/** Every detail of the boat on a page each. */
export function detailPages(boat: Boat, units: UnitSystem): Content[] {
  return evaluateDetails(boat).map((evaluation): Content => ({
    stack: detailSheet(boat, evaluation, units),
    pageBreak: 'before',
  }));
}
