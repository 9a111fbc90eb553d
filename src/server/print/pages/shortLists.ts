import type { Content, TableCell } from 'pdfmake/interfaces';
import { displayUnit, formatQuantity, formatWithUnit, type UnitSystem } from '@/core/quantity';
import { cautionsOf, groupCautions, SEVERITIES } from '@/core/caution';
import type { DetailEvaluation } from '@/core/detail/kinds';
import type { Boat } from '@/core/document';
import type { ZoneEvaluation } from '@/core/evaluate';
import { materialList } from '@/core/weight';
import { right } from '../pdfStyle';
import { heading, table } from './closeStyle';

type Evaluations = ReadonlyMap<string, ZoneEvaluation>;

/** What is to be had ready, net. */
export function shortMaterials(
  boat: Boat,
  evaluations: Evaluations,
  all: readonly DetailEvaluation[],
  units: UnitSystem,
): Content {
  return {
    stack: [
      heading('Materials, net'),
      table(
        ['Material', '', `Area ${displayUnit('area', units).label}`, `Mass ${displayUnit('mass', units).label}`],
        materialList(boat, evaluations, all).map(({ material, thickness, area, mass }): TableCell[] => [
          'code' in material ? `${material.code}, ${material.name}` : material.name,
          right(thickness === null ? '' : formatWithUnit(thickness, 'thickness', units)),
          right(area === null ? '' : formatQuantity(area, 'area', units)),
          right(formatQuantity(mass, 'mass', units)),
        ]),
        ['*', 'auto', 'auto', 'auto'],
      ),
      {
        text:
          'As taken by zones, laps, stiffeners and details, with adhesives, metal and what cores are bedded in; ' +
          'waste and offcuts come on top.',
        style: 'small',
      },
    ],
  };
}

/** Each kind of caution once, with its places; those that were accepted say by whom. */
export function shortCautions(boat: Boat, evaluations: Evaluations): Content[] {
  const found = cautionsOf(boat, evaluations);
  if (found.length === 0) return [];
  const zoneNames = new Map(boat.parts.flatMap(({ zones }) => zones.map(({ id, name }) => [id, name])));
  const layerNames = new Map(
    boat.parts.flatMap(({ name, layers }) => layers.map(({ id }, i) => [id, `${name} ${i + 1}`] as const)),
  );
  const rows = groupCautions(found).map(({ rule, cautions: own }): TableCell[] => {
    const places = own.map(
      ({ name, layerId, zoneIds }) =>
        name ?? (layerId ? layerNames.get(layerId)! : zoneIds.map((id) => zoneNames.get(id)).join(', ')),
    );
    const accepted = [...new Set(own.flatMap(({ accepted: answer }) => (answer ? [answer.by] : [])))];
    return [
      SEVERITIES[rule.severity],
      { stack: [{ text: rule.title, bold: true }, rule.wayOut] },
      `${[...new Set(places)].join('; ')}${accepted.length > 0 ? `. Accepted by ${accepted.join(', ')}` : ''}`,
    ];
  });
  return [heading('Cautions'), table(['Severity', 'Caution and way out', 'Where'], rows, ['auto', '*', 110])];
}
