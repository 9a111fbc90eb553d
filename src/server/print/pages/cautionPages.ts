import type { Content, TableCell } from 'pdfmake/interfaces';
import type { ZoneEvaluation } from '@/core/evaluate';
import type { Boat } from '@/core/document';
import { cautionsOf, SEVERITIES } from '@/core/caution';
import { head, RULES } from '../pdfStyle';

/** Cautions with their reasons; the accepted ones with who answered for them. */
export function cautionPages(boat: Boat, evaluations: ReadonlyMap<string, ZoneEvaluation>): Content[] {
  const cautions = cautionsOf(boat, evaluations);
  if (cautions.length === 0) return [];
  const zoneNames = new Map(boat.parts.flatMap((part) => part.zones.map((zone) => [zone.id, zone.name] as const)));
  const layerNames = new Map(
    boat.parts.flatMap((part) => part.layers.map((layer, i) => [layer.id, `${part.name}, layer ${i + 1}`] as const)),
  );
  const body = cautions.map(({ rule, detail, layerId, zoneIds, accepted }): TableCell[] => [
    SEVERITIES[rule.severity],
    { stack: [{ text: rule.title, bold: true }, detail] },
    [...(layerId ? [layerNames.get(layerId)!] : []), zoneIds.map((id) => zoneNames.get(id)).join(', ')].join('; '),
    `${rule.reason} ${rule.wayOut}`,
    accepted ? `Accepted by ${accepted.by}, ${accepted.at.slice(0, 10)}: ${accepted.note}` : 'open',
  ]);
  return [
    { text: 'Cautions', style: 'h2', pageBreak: 'before' },
    {
      table: {
        headerRows: 1,
        dontBreakRows: true,
        widths: ['auto', 150, 130, '*', 130],
        body: [['Severity', 'Caution', 'Where', 'Reason and way out', 'Answer'].map(head), ...body],
      },
      layout: RULES,
    },
  ];
}
