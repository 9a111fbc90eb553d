import type { Content, TableCell } from 'pdfmake/interfaces';
import { formatReserve, formatWithUnit, type UnitSystem } from '@/core/quantity';
import {
  evaluateStiffeners,
  saidHold,
  STIFFENER_CHECKED,
  STIFFENER_NOT_CHECKED,
  targetOf,
  verdictOf,
} from '@/core/evaluate';
import type { Boat } from '@/core/document';
import { head, right, RULES } from '../pdfStyle';
import { VERDICT_WORDS } from './verdictWords';

/** Stiffeners on their worst spans; nothing where the boat has none with a section. */
export function stiffenerPages(boat: Boat, units: UnitSystem): Content[] {
  const target = targetOf(boat);
  const members = evaluateStiffeners(boat).filter(({ section }) => section !== null);
  if (members.length === 0) return [];
  const body: TableCell[][] = [
    [
      head('Stiffener'),
      head('Section'),
      head('Length, all'),
      head('Mass'),
      head('Span × spacing'),
      head('What governs'),
      head('Reserve'),
      head('Verdict'),
    ],
  ];
  for (const { support, section, geometry, mass, worst, governing, problem } of members)
    body.push([
      [support.name, saidHold(boat, support)].filter(Boolean).join('; '),
      section!.name,
      right(formatWithUnit(geometry?.length ?? null, 'length', units)),
      right(formatWithUnit(mass, 'mass', units)),
      worst
        ? right(
            `${formatWithUnit(worst.span.length, 'length', units)} × ` +
              `${formatWithUnit(worst.span.spacing, 'length', units)}`,
          )
        : '',
      governing?.name ?? `Not checked: ${problem ?? 'it has no span'}`,
      governing ? right(formatReserve(governing.reserveFactor)) : '',
      governing ? VERDICT_WORDS[verdictOf(governing.reserveFactor, target)] : '',
    ]);
  const overridden = boat.parts.flatMap((part) =>
    part.zones
      .filter((zone) => zone.overridden.length > 0)
      .map((zone) => `${zone.name}: ${zone.overridden.join(', ')}`),
  );
  return [
    { text: 'Stiffeners', style: 'h2', margin: [0, 12, 0, 4] },
    {
      table: {
        headerRows: 1,
        dontBreakRows: true,
        widths: ['auto', 'auto', 'auto', 'auto', 'auto', '*', 'auto', 'auto'],
        body,
      },
      layout: RULES,
    },
    {
      text: `Checked: ${STIFFENER_CHECKED}. Not checked: ${STIFFENER_NOT_CHECKED}.`,
      style: 'small',
      margin: [0, 4, 0, 0],
    },
    ...(overridden.length
      ? [
          {
            text: `Figures typed over the geometry: ${overridden.join('; ')}.`,
            margin: [0, 6, 0, 0] as [number, number, number, number],
          },
        ]
      : []),
  ];
}
