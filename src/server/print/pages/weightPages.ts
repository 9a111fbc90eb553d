import type { Content, TableCell } from 'pdfmake/interfaces';
import { formatQuantity, formatWithUnit, displayUnit, type UnitSystem } from '@/core/quantity';
import { evaluateDetails } from '@/core/detail/kinds';
import type { ZoneEvaluation } from '@/core/evaluate';
import type { Boat } from '@/core/document';
import { boatWeight } from '@/core/weight';
import { head, right, RULES } from '../pdfStyle';

/** Masses by part and zone, with their centres. */
export function weightPages(
  boat: Boat,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
  units: UnitSystem,
): Content[] {
  const weight = boatWeight(boat, evaluations, evaluateDetails(boat));
  const unit = displayUnit('mass', units).label;
  const mass = (value: number) => right(formatQuantity(value, 'mass', units));
  const place = (value: number | null) => right(formatQuantity(value, 'length', units));
  const body: TableCell[][] = [
    [
      'Part',
      'Zone',
      `Fibre ${unit}`,
      `Resin ${unit}`,
      `Core ${unit}`,
      `Coating ${unit}`,
      `Mass ${unit}`,
      `x ${displayUnit('length', units).label}`,
      `z ${displayUnit('length', units).label}`,
    ].map(head),
  ];
  for (const part of weight.parts) {
    for (const zone of part.zones)
      body.push([
        part.name,
        zone.name,
        mass(zone.fibre),
        mass(zone.resin),
        mass(zone.core),
        mass(zone.coating),
        mass(zone.mass),
        place(zone.centreX),
        place(zone.centreZ),
      ]);
    body.push([
      { text: `${part.name}, total`, colSpan: 6, bold: true },
      '',
      '',
      '',
      '',
      '',
      mass(part.mass),
      place(part.centreX),
      place(part.centreZ),
    ]);
  }
  body.push([
    { text: 'Boat, total', colSpan: 6, bold: true },
    '',
    '',
    '',
    '',
    '',
    mass(weight.mass),
    place(weight.centreX),
    place(weight.centreZ),
  ]);
  return [
    { text: 'Weights', style: 'h2', pageBreak: 'before' },
    {
      text:
        `Planned laminate ${formatWithUnit(weight.mass, 'mass', units)} against a target of ` +
        `${formatWithUnit(weight.target, 'mass', units)}: ` +
        `${formatWithUnit(Math.abs(weight.over), 'mass', units)} ` +
        `${weight.over > 0 ? 'over' : 'in hand'}. x from the aft end of the waterline, z from ` +
        'the baseline. Stiffeners, overlaps and details are counted where they are laid down; ' +
        'paint, furniture and fittings are not.',
      margin: [0, 0, 0, 6],
    },
    {
      table: { headerRows: 1, widths: ['auto', '*', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto'], body },
      layout: RULES,
    },
  ];
}
