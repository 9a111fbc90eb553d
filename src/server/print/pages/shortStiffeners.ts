import type { Content, TableCell } from 'pdfmake/interfaces';
import { displayUnit, formatNumber, formatQuantity, formatWithUnit, type UnitSystem } from '@/core/quantity';
import { shapeOf, type Boat } from '@/core/document';
import {
  evaluateStiffeners,
  saidBond,
  saidHold,
  STIFFENER_CHECKED,
  STIFFENER_NOT_CHECKED,
  targetOf,
} from '@/core/evaluate';
import type { Support } from '@/core/geometry';
import { SECTION_KINDS } from '@/core/stiffener';
import { right } from '../pdfStyle';
import { heading, reserveWords, table } from './closeStyle';

const whereRuns = (support: Support, hull: { aft: number; bow: number } | null, units: UnitSystem): string => {
  const at = (value: number) => formatWithUnit(value, 'length', units);
  if (support.kind === 'rib') return `${support.run} its zone, at ${formatNumber(support.share * 100, 0)} %`;
  if ('x' in support) return `at ${at(support.x)}`;
  const { aft, bow } = hull ?? { aft: -Infinity, bow: Infinity };
  return `${at(Math.max(aft, support.from))} to ${at(Math.min(bow, support.to))}`;
};

/** Sections with dimensions and layers, then every member: which section, where, how long, what it has in hand. */
export function shortStiffeners(boat: Boat, units: UnitSystem): Content[] {
  const target = targetOf(boat);
  const members = evaluateStiffeners(boat).filter(({ section }) => section !== null);
  if (members.length === 0) return [];
  const names = new Map(boat.materials.map((one) => [one.id, 'code' in one ? one.code : one.name]));
  const hull = shapeOf(boat)?.hull ?? null;
  const short = (value: number) => formatQuantity(value, 'shortLength', units);
  const unit = displayUnit('shortLength', units).label;
  const sections = boat.sections.filter(({ id }) => members.some(({ section }) => section!.id === id));
  return [
    heading('Stiffeners'),
    table(
      [
        'Section',
        'Kind',
        `Height ${unit}`,
        `Foot ${unit}`,
        `Crown ${unit}`,
        `Flange ${unit}`,
        'Former',
        'Bond',
        'Layers, inside first',
      ],
      sections.map((section): TableCell[] => [
        { text: section.name, bold: true },
        SECTION_KINDS[section.kind],
        right(short(section.height)),
        right(section.kind === 'topHat' ? short(section.baseWidth) : ''),
        right(section.kind === 'topHat' ? short(section.crownWidth) : ''),
        right(short(section.flangeWidth)),
        section.former ? (names.get(section.former) ?? '') : 'none',
        saidBond(boat, section),
        section.layers
          .map(({ material, angleDeg, crown, web, flange }) => {
            const over = [crown && 'crown', web && 'webs', flange && 'flanges'].filter(Boolean).join(', ');
            return `${names.get(material)} ${formatNumber(angleDeg, 0)}° (${over})`;
          })
          .join('; '),
      ]),
      ['auto', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto', '*'],
    ),
    { text: '', margin: [0, 3, 0, 0] },
    table(
      ['Member', 'Section', 'Where, from aft', 'Length, all', 'Mass', 'Reserve', 'What governs'],
      members.map(({ support, section, geometry, mass, governing, problem }): TableCell[] => [
        { text: support.name, bold: true },
        section!.name,
        [whereRuns(support, hull, units), saidHold(boat, support)].filter(Boolean).join('; '),
        right(formatWithUnit(geometry?.length ?? null, 'length', units)),
        right(formatWithUnit(mass, 'mass', units)),
        governing ? reserveWords(governing.reserveFactor, target) : 'not checked',
        governing?.name ?? problem ?? 'it has no span',
      ]),
      ['auto', 'auto', 'auto', 'auto', 'auto', 'auto', '*'],
    ),
    {
      text: `Checked: ${STIFFENER_CHECKED}. Not checked: ${STIFFENER_NOT_CHECKED}.`,
      style: 'small',
      margin: [0, 3, 0, 0],
    },
  ];
}
