import type { Content, TableCell } from 'pdfmake/interfaces';
import { fabricArealWeight, hasDirection, type LayerMaterial } from '@/core/material';
import {
  formatNumber,
  formatReserve,
  formatQuantity,
  formatWithUnit,
  displayUnit,
  type QuantityKind,
  type UnitSystem,
} from '@/core/quantity';
import { targetOf, zoneVerdict, type ZoneEvaluation } from '@/core/evaluate';
import { LAYER_ROLES, type Boat, type Part } from '@/core/document';
import { repeatOf } from '@/core/edit';
import { CHECKS } from '@/core/standard';
import { head, right, RULES } from '../pdfStyle';
import { sectionSvg } from '../sectionSvg';
import { VERDICT_WORDS } from './verdictWords';

/** Sections beside one another on a page, so that their layers can still be read. */
const MOST_ABREAST = 10;

/** Layers of a part that fit on one page with its results and sections. */
const MOST_TOGETHER = 20;

export interface PartPrint {
  units: UnitSystem;
  /** Close together, and as many parts on a page as fit. */
  short?: boolean;
  /** The first part begins a page. */
  first?: boolean;
}

/** A part: its layers by zones from the mould face, what each zone comes to, and the sections to one scale. */
export function partPages(
  boat: Boat,
  part: Part,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
  { units, short = false, first = true }: PartPrint,
): Content[] {
  const materials = new Map(boat.materials.map((material) => [material.id, material]));
  const target = targetOf(boat);
  const zones = part.zones.map((zone) => evaluations.get(zone.id)!);
  const label = (kind: QuantityKind) => displayUnit(kind, units).label;
  const groupHead = (id: string | null, index: number): TableCell[][] => {
    const group = part.groups.find((one) => one.id === id);
    if (!group || part.layers[index - 1]?.group === id) return [];
    const { times } = repeatOf(part.layers.filter((layer) => layer.group === id));
    return [
      [
        {
          text: `${group.name}${times > 1 ? ` ×${times}` : ''}`,
          colSpan: 6 + part.zones.length,
          bold: true,
          fillColor: '#f3eee4',
        },
        ...Array<string>(5 + part.zones.length).fill(''),
      ],
    ];
  };
  const layerRows = part.layers.flatMap((layer, index): TableCell[][] => [
    ...groupHead(layer.group, index),
    layerRow(layer, index),
  ]);
  function layerRow(layer: Part['layers'][number], index: number): TableCell[] {
    const material = materials.get(layer.material)!;
    return [
      right(String(index + 1)),
      'code' in material ? material.code : '',
      `${material.name}${layer.role === 'structure' ? '' : `, ${LAYER_ROLES[layer.role]}`}`,
      right(hasDirection(material as LayerMaterial) ? `${formatNumber(layer.angleDeg, 0)}°` : ''),
      right(material.kind === 'fabric' ? formatQuantity(fabricArealWeight(material), 'arealWeight', units) : ''),
      right(layer.thickness === null ? '' : formatQuantity(layer.thickness, 'thickness', units)),
      ...part.zones.map((zone): TableCell =>
        layer.zones.includes(zone.id) ? { text: '•', bold: true, alignment: 'center', fillColor: '#e6dccb' } : '',
      ),
    ];
  }
  const result = (title: string, cell: (e: ZoneEvaluation) => string): TableCell[] => [
    { text: title, colSpan: 6, bold: true, alignment: 'right' },
    '',
    '',
    '',
    '',
    '',
    ...zones.map((e): TableCell => ({ text: cell(e), alignment: 'center' })),
  ];
  const tallest = Math.max(...zones.map((e) => e.thickness), 1e-3);
  const scale = Math.min(14_000, (short ? 62 : 110) / tallest);
  const abreast = Math.max(1, Math.min(part.zones.length, MOST_ABREAST));
  const wide = Math.min(96, 760 / abreast - 8);
  const rows = Array.from({ length: Math.ceil(part.zones.length / abreast) }, (_, i) =>
    part.zones.slice(i * abreast, (i + 1) * abreast),
  );
  const gap = short ? 0.5 : 1.5;
  const rules = { ...RULES, paddingTop: () => gap, paddingBottom: () => gap };
  const pages: Content[] = [
    {
      text: part.name,
      style: 'h2',
      ...(short && !first ? { margin: [0, 8, 0, 0] } : { pageBreak: 'before' as const }),
    },
    {
      text:
        'Layers in laying order from the mould face. •, shaded = the layer ' +
        "covers the zone. Angles from the zone's reference direction.",
      style: 'small',
      margin: [0, 0, 0, 4],
    },
    {
      table: {
        headerRows: 1,
        dontBreakRows: true,
        widths: [
          'auto',
          'auto',
          '*',
          'auto',
          'auto',
          'auto',
          ...part.zones.map(() => Math.min(66, 500 / part.zones.length)),
        ],
        body: [
          [
            head('#'),
            head('Code'),
            head('Material'),
            head('Angle'),
            head(`Dry ${label('arealWeight')}`),
            head(label('thickness')),
            ...part.zones.map((zone): TableCell => ({ text: zone.name, bold: true, alignment: 'center' })),
          ],
          ...layerRows,
          result(`Thickness, ${label('thickness')}`, (e) => formatQuantity(e.thickness, 'thickness', units)),
          result(`Laminated weight, ${label('laminateWeight')}`, (e) =>
            formatQuantity(e.laminatedArealWeight, 'laminateWeight', units),
          ),
          result(
            'Fibre by weight / by volume',
            (e) =>
              `${formatNumber(e.fibreWeightFraction * 100, 0)} % / ${formatNumber(e.fibreVolumeFraction * 100, 0)} %`,
          ),
          result('Least reserve factor', (e) =>
            e.governing
              ? `${formatReserve(e.governing.reserveFactor)} ${VERDICT_WORDS[zoneVerdict(e, target)!]}`
              : 'not checked',
          ),
          result('What governs', (e) => (e.governing ? CHECKS[e.governing.id] : (e.problem ?? 'nothing to check'))),
        ],
      },
      layout: rules,
      fontSize: short || part.zones.length > 9 ? 7 : 8,
    },
    {
      unbreakable: true,
      stack: [
        {
          text: `Sections to one scale (${formatNumber(scale / 2834.6, 1)} : 1), mould face at the foot`,
          style: 'small',
          margin: [0, 10, 0, 3],
        },
        ...rows.map((row) => ({
          columns: row.map((zone) => ({
            width: 'auto',
            margin: [0, 0, 8, 0] as [number, number, number, number],
            stack: [
              { svg: sectionSvg(evaluations.get(zone.id)!, scale, wide) },
              {
                text: `${zone.name} ${formatWithUnit(evaluations.get(zone.id)!.thickness, 'thickness', units)}`,
                style: 'small',
              },
            ],
          })),
        })),
      ],
    },
  ];
  // A part that fits on a page is not torn in two.
  return short ? [{ stack: pages, unbreakable: part.layers.length < MOST_TOGETHER }] : pages;
}
