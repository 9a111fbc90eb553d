import type { Content, TableCell } from 'pdfmake/interfaces';
import { formatWorkingValue } from '@/core/quantity';
import { stackWorking, zoneWorking, type ZoneEvaluation } from '@/core/evaluate';
import type { Boat, Part, Zone } from '@/core/document';
import type { Progress } from '@/core/job';
import { texToText, type WorkingStep } from '@/core/working';
import { RULES } from '../pdfStyle';

function zoneWorkings(boat: Boat, part: Part, zone: Zone): Content[] {
  const table = (steps: readonly WorkingStep[]): Content => ({
    table: {
      widths: [150, 220, '*', 62, 120],
      body: steps.map((step): TableCell[] => [
        { stack: [step.quantity, ...(step.note ? [{ text: step.note, italics: true, color: '#5b544b' }] : [])] },
        `${texToText(step.symbol)} = ${texToText(step.formula)}`,
        step.inputs
          .map((input) => `${texToText(input.symbol)} = ${formatWorkingValue(input.value, input.unit)}`)
          .join(';  '),
        { text: formatWorkingValue(step.value, step.unit), alignment: 'right', bold: true },
        step.source,
      ]),
    },
    layout: RULES,
    fontSize: 6.5,
  });
  return [
    { text: `${part.name}: ${zone.name}`, style: 'h3' },
    ...[...zoneWorking(boat, part, zone), ...stackWorking(boat, part, zone)].flatMap(({ title, steps }): Content[] => [
      { text: title, style: 'small', bold: true, margin: [0, 4, 0, 1] },
      table(steps),
    ]),
  ];
}

/** Every number of every zone: formula, what was put in, result, source. */
export function* workingPages(
  boat: Boat,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
): Generator<Progress, Content[]> {
  const pages: Content[] = [
    { text: 'Workings', style: 'h2', pageBreak: 'before' },
    { text: 'Every number in SI: formula, numbers put in, result, source.', style: 'small' },
  ];
  const zones = boat.parts.flatMap((part) => part.zones.map((zone) => ({ part, zone })));
  for (const [i, { part, zone }] of zones.entries()) {
    if (!evaluations.get(zone.id)!.problem) pages.push(...zoneWorkings(boat, part, zone));
    yield { done: 0.2 + (0.5 * (i + 1)) / zones.length, at: `workings of ${zone.name}` };
  }
  return pages;
}
