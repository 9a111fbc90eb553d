import { ORIGINS, PROCESSES } from '@/core/material';
import { formatReserve, formatWithUnit, type QuantityKind } from '@/core/quantity';
import { ENGINE, type ZoneEvaluation } from '@/core/evaluate';
import { QUALITIES, type Boat } from '@/core/document';
import { OPEN_STANDS, type IssuedOpen, type Revision } from '@/core/revision';
import { packStatus } from '@/core/standard';
import type { PrintOptions } from '../schedulePdf';

/** What the print is about, in a table at its head. */
export function headRows(
  boat: Boat,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
  options: PrintOptions,
): string[][] {
  const { revision, units, printedAt } = options;
  const { brief } = boat;
  const origins = [...new Set([...evaluations.values()].flatMap((e) => (e.origin ? [ORIGINS[e.origin]] : [])))];
  const measure = (value: number, kind: QuantityKind) => formatWithUnit(value, kind, units);
  const particulars = [
    `${brief.kind === 'motor' ? 'Motor' : 'Sail'}, category ` +
      `${brief.designCategory}; hull ${measure(brief.hullLength, 'length')}`,
    `waterline ${measure(brief.waterlineLength, 'length')}`,
    `beam ${measure(brief.maximumBeam, 'length')}`,
    `chine beam ${measure(brief.chineBeam, 'length')}`,
    `deadrise ${measure(brief.deadriseDeg, 'angle')}`,
    `loaded ${measure(brief.loadedMass, 'mass')}`,
    measure(brief.maxSpeedKnots, 'speed'),
  ];
  const resin = boat.materials.find((m) => m.id === brief.resin)?.name ?? brief.resin;
  return [
    ...(revision
      ? [
          ['Issued', `${revision.issuedAt.slice(0, 10)} by ${revision.author}`],
          ['Note', revision.note],
          ...(revision.open ? [['Issued with', saidOpen(revision.open)]] : []),
          ['Hash (SHA-256)', revision.hash],
        ]
      : []),
    ['Printed', printedAt.slice(0, 16).replace('T', ' ')],
    ['Computed with', enginesOf(revision)],
    ['Use', brief.use || '–'],
    ['Particulars', particulars.join(', ')],
    ['Process and resin', `${PROCESSES[brief.process].name}; ${resin}`],
    ['Strength level', `${brief.quality}: ${QUALITIES[brief.quality]}`],
    ['Figures rest on', `${origins.join(', ') || '–'}, at the weakest`],
    ...boat.packs.map((pack) => ['Pack', `${pack.title}, ${packStatus(pack)}. ${pack.statement}`]),
  ];
}

/** Which engine the figures are from, and that of the issue where it was another. */
export function enginesOf(revision: Revision | null): string {
  if (revision === null || revision.engine === ENGINE) return `engine ${ENGINE}`;
  return (
    `engine ${ENGINE}, computed again; ` +
    `${revision.engine === null ? 'issued before results were kept' : `issued with engine ${revision.engine}`}`
  );
}

/** What was open when it was issued, and the answer that was given. */
function saidOpen({ points, answer }: IssuedOpen): string {
  const said = points.map(
    ({ name, stands, reserveFactor }) =>
      `${name} ${OPEN_STANDS[stands]}${reserveFactor === null ? '' : ` ${formatReserve(reserveFactor)}`}`,
  );
  return `${points.length} open: ${said.join('; ')}. All the same because: ${answer}`;
}
