import type { Content, TableCell } from 'pdfmake/interfaces';
import type { ZoneEvaluation } from '@/core/evaluate';
import type { Boat } from '@/core/document';
import { cautionsOf, groupCautions, SEVERITIES, type Caution } from '@/core/caution';
import { head, RULES } from '../pdfStyle';

/** Cautions with their reasons; the accepted ones with who answered for them. */
export function cautionPages(boat: Boat, evaluations: ReadonlyMap<string, ZoneEvaluation>): Content[] {
  const cautions = cautionsOf(boat, evaluations);
  if (cautions.length === 0) return [];
  const zoneNames = new Map(boat.parts.flatMap((part) => part.zones.map((zone) => [zone.id, zone.name] as const)));
  const layerNames = new Map(
    boat.parts.flatMap((part) => part.layers.map((layer, i) => [layer.id, `${part.name}, layer ${i + 1}`] as const)),
  );
  const whereOf = ({ name, layerId, zoneIds }: Caution) =>
    name ??
    [...(layerId ? [layerNames.get(layerId)!] : []), zoneIds.map((id) => zoneNames.get(id)).join(', ')].join('; ');
  const answerOf = ({ accepted }: Caution) =>
    accepted ? `Accepted by ${accepted.by}, ${accepted.at.slice(0, 10)}: ${accepted.note}` : 'open';
  // A kind of caution once, with its reason; its places under it.
  const body = groupCautions(cautions).flatMap(({ rule, cautions: own }): TableCell[][] =>
    own.map((caution, i) => [
      i === 0 ? SEVERITIES[rule.severity] : '',
      { stack: [...(i === 0 ? [{ text: rule.title, bold: true }] : []), caution.detail] },
      whereOf(caution),
      i === 0 ? `${rule.reason} ${rule.wayOut}` : '',
      answerOf(caution),
    ]),
  );
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
