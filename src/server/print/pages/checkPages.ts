import type { Content, TableCell } from 'pdfmake/interfaces';
import { formatNumber, formatMargin, formatReserve, formatWithUnit, type UnitSystem } from '@/core/quantity';
import { gatherNotes, targetOf, verdictOf, whereGoverns, type ZoneCheck, type ZoneEvaluation } from '@/core/evaluate';
import { POSTURES, type Boat } from '@/core/document';
import { CHECKS, packStatus, ZONE_LOCATIONS } from '@/core/standard';
import { head, right, RULES } from '../pdfStyle';
import { VERDICT_WORDS } from './verdictWords';

/** A check by name, with its pack where that is not the boat's first; a proof that no pack asks for has none. */
function nameOf({ packs: [first, ...others] }: Boat, { id, pack }: ZoneCheck): string {
  const own = pack === first!.id ? undefined : others.find((one) => one.id === pack);
  return own ? `${CHECKS[id]} (${own.title})` : CHECKS[id];
}

/** Every check of every zone with what it was made against, and what was not checked. */
export function checkPages(boat: Boat, evaluations: ReadonlyMap<string, ZoneEvaluation>, units: UnitSystem): Content[] {
  const target = targetOf(boat);
  const body: TableCell[][] = [
    [
      head('Part'),
      head('Zone'),
      head('Location'),
      head('Pressure'),
      head('Check'),
      head('Reserve'),
      head('Margin'),
      head('Verdict'),
      head('What governs'),
    ],
  ];
  for (const part of boat.parts)
    for (const zone of part.zones) {
      const e = evaluations.get(zone.id)!;
      if (e.problem)
        body.push([
          part.name,
          zone.name,
          ZONE_LOCATIONS[zone.location].label,
          { text: `Not checked: ${e.problem}`, colSpan: 6 },
          '',
          '',
          '',
          '',
          '',
        ]);
      for (const check of e.checks)
        body.push([
          part.name,
          zone.name,
          ZONE_LOCATIONS[zone.location].label,
          right(formatWithUnit(e.pressure?.pressure ?? null, 'pressure', units)),
          nameOf(boat, check),
          right(formatReserve(check.reserveFactor)),
          right(formatMargin(check.reserveFactor)),
          VERDICT_WORDS[verdictOf(check.reserveFactor, target)],
          whereGoverns(check),
        ]);
    }
  const notChecked = gatherNotes([...evaluations.values()].flatMap((e) => e.notChecked));
  const unproven = boat.parts
    .flatMap(({ zones }) => zones)
    .flatMap(({ id, name }) => evaluations.get(id)!.unproven.map((text) => `${name}: ${text}`));
  return [
    { text: 'Checks', style: 'h2', pageBreak: 'before' },
    {
      text:
        'Checked against: ' +
        `${boat.packs.map((pack) => `${pack.title} (${pack.edition}), ${packStatus(pack)}`).join('; ')}. ` +
        `Target reserve factor ${formatNumber(target, 2)} ` +
        `(${POSTURES[boat.brief.posture].name}).`,
      margin: [0, 0, 0, 2],
    },
    ...(unproven.length > 0 ? [{ text: `Not proven: ${unproven.join('; ')}.`, bold: true }] : []),
    { text: `Not checked: ${notChecked.join('. ')}.`, margin: [0, 0, 0, 6] },
    {
      table: {
        headerRows: 1,
        dontBreakRows: true,
        widths: ['auto', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto', '*'],
        body,
      },
      layout: RULES,
    },
  ];
}
