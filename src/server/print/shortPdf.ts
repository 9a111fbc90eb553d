import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces';
import { PROCESSES } from '@/core/material';
import {
  displayUnit,
  formatNumber,
  formatQuantity,
  formatReserve,
  formatWithUnit,
  type QuantityKind,
  type UnitSystem,
} from '@/core/quantity';
import { boatDrawingSvg, zoneLimits } from '@/core/drawing';
import { evaluateDetails } from '@/core/detail/kinds';
import { POSTURES, shapeOf, type Boat } from '@/core/document';
import { makeEvaluator, gatherNotes, targetOf, whereGoverns, zoneVerdict, type ZoneEvaluation } from '@/core/evaluate';
import type { Progress } from '@/core/job';
import { OPEN_STANDS, openPointsOf, type OpenPoint } from '@/core/revision';
import { CHECKS, packStatus } from '@/core/standard';
import { boatWeight } from '@/core/weight';
import { enginesOf } from './pages/headRows';
import { partPages } from './pages/partPages';
import { CLOSE, heading, table } from './pages/closeStyle';
import { scheduleFrame } from './pages/scheduleFrame';
import { shortDetails } from './pages/shortDetails';
import { shortCautions, shortMaterials } from './pages/shortLists';
import { shortStiffeners } from './pages/shortStiffeners';
import { VERDICT_WORDS } from './pages/verdictWords';
import { head, right } from './pdfStyle';
import type { PrintOptions } from './schedulePdf';

type Evaluations = ReadonlyMap<string, ZoneEvaluation>;

/** What this is, for whom, and whether it may be built from. */
function title(boat: Boat, weight: number, points: readonly OpenPoint[], options: PrintOptions): Content {
  const { revision, units, printedAt } = options;
  const { brief } = boat;
  const measure = (value: number, kind: QuantityKind) => formatWithUnit(value, kind, units);
  const resin = boat.materials.find(({ id }) => id === brief.resin)?.name ?? brief.resin;
  const said = points.map(
    ({ name, stands, reserveFactor }) =>
      `${name} ${OPEN_STANDS[stands]}${reserveFactor === null ? '' : ` ${formatReserve(reserveFactor)}`}`,
  );
  const facts: [string, string][] = [
    [
      'State',
      revision
        ? `Revision ${revision.label}, issued ${revision.issuedAt.slice(0, 10)} by ${revision.author}: ${revision.note}`
        : 'DRAFT, not issued: nothing is laid from it',
    ],
    [
      'Boat',
      `${brief.use ? `${brief.use} ` : ''}Hull ${measure(brief.hullLength, 'length')}, beam ` +
        `${measure(brief.maximumBeam, 'length')}, loaded ${measure(brief.loadedMass, 'mass')}, ` +
        `${measure(brief.maxSpeedKnots, 'speed')}, category ${brief.designCategory}`,
    ],
    ['Laid by', `${PROCESSES[brief.process].name}, ${resin}`],
    ['Laminate', `${measure(weight, 'mass')} planned, target ${measure(brief.weightTarget, 'mass')}`],
    [
      'Judged by',
      `${boat.packs.map((pack) => `${pack.title}, ${packStatus(pack)}`).join('; ')}; reserve asked ` +
        `${formatNumber(targetOf(boat), 2)} (${POSTURES[brief.posture].name})`,
    ],
    ['Open', said.length > 0 ? said.join('; ') : 'nothing'],
    ['Printed', `${printedAt.slice(0, 16).replace('T', ' ')}, ${enginesOf(revision)}`],
  ];
  return {
    stack: [
      { text: boat.name, style: 'h1' },
      { text: 'Laminate schedule', fontSize: 11, margin: [0, 0, 0, 5] },
      { layout: CLOSE, table: { widths: [46, '*'], body: facts.map(([name, text]) => [head(name), text]) } },
    ],
  };
}

/** Lines to sign on. */
const signatures = (): Content => ({
  margin: [0, 8, 0, 0],
  layout: CLOSE,
  table: {
    widths: [60, '*', 60],
    body: [
      ['', 'Name and signature', 'Date'].map(head),
      ...['Specified', 'Checked', 'Released'].map(
        (role) => [{ text: role, margin: [0, 6, 0, 6] }, '', ''] as TableCell[],
      ),
    ],
  },
});

/** Every zone with its limits and what it comes to. */
function zoneTable(boat: Boat, evaluations: Evaluations, units: UnitSystem): Content {
  const target = targetOf(boat);
  const hull = shapeOf(boat)?.hull ?? null;
  const label = (kind: QuantityKind) => displayUnit(kind, units).label;
  const rows = boat.parts.flatMap((part) =>
    part.zones.map((zone): TableCell[] => {
      const e = evaluations.get(zone.id)!;
      const governs = e.governing ? `${CHECKS[e.governing.id]}: ${whereGoverns(e.governing)}` : (e.problem ?? '');
      const verdict = zoneVerdict(e, target);
      return [
        part.name,
        { text: zone.name, bold: true, noWrap: true },
        zoneLimits(zone, hull),
        right(formatQuantity(zone.geometry.area, 'area', units)),
        right(e.pressure ? formatQuantity(e.pressure.pressure, 'pressure', units) : ''),
        right(formatQuantity(e.thickness, 'thickness', units)),
        right(formatQuantity(e.laminatedArealWeight, 'laminateWeight', units)),
        {
          text:
            e.governing && verdict
              ? `${formatReserve(e.governing.reserveFactor)} ${VERDICT_WORDS[verdict]}`
              : 'not checked',
          noWrap: true,
        },
        e.unproven.length > 0 ? `Not proven: ${e.unproven.join('. ')}` : governs,
      ];
    }),
  );
  return table(
    [
      'Part',
      'Zone',
      'Limits',
      `Area ${label('area')}`,
      label('pressure'),
      label('thickness'),
      label('laminateWeight'),
      'Least reserve',
      'What governs',
    ],
    rows,
    ['auto', 'auto', 190, 'auto', 'auto', 'auto', 'auto', 'auto', '*'],
  );
}

/** What nobody checked: said where the passes stand. */
function notChecked(evaluations: Evaluations): Content {
  const left = gatherNotes([...evaluations.values()].flatMap((e) => e.notChecked));
  return { text: left.length > 0 ? `Not checked: ${left.join('. ')}.` : '', style: 'small', margin: [0, 4, 0, 0] };
}

/** Layers by zones of every part; two small parts share the breadth of a page. */
function partsOf(boat: Boat, evaluations: Evaluations, units: UnitSystem): Content[] {
  const parts = boat.parts.filter(({ zones }) => zones.length > 0);
  const waiting = parts.map((part) => ({
    small: part.zones.length <= 3 && part.layers.length <= 10,
    pages: partPages(boat, part, evaluations, { units, short: true, first: part === parts[0] }),
  }));
  const content: Content[] = [];
  while (waiting.length > 0) {
    const [one, next] = [waiting.shift()!, waiting[0]];
    if (one.small && next?.small) {
      waiting.shift();
      content.push({ columns: [one.pages, next.pages].map((stack) => ({ width: '*', stack })), columnGap: 16 });
    } else content.push(...one.pages);
  }
  return content;
}

/**
 * The short edition of the schedule, for the wall: drawing with zones and limits, what each zone comes to, layers by
 * zone in order, stiffeners and details with dimensions and layers, materials, cautions, state and signatures, on as
 * few pages as they fit.
 */
export function* shortDefinition(boat: Boat, options: PrintOptions): Generator<Progress, TDocumentDefinitions> {
  const { revision, units } = options;
  const evaluations = makeEvaluator()(boat);
  yield { done: 0.1, at: 'zones' };
  const all = evaluateDetails(boat);
  const points = revision?.open?.points ?? openPointsOf(boat);
  yield { done: 0.3, at: 'stiffeners and details' };
  const drawing = boatDrawingSvg(boat);
  const { mass } = boatWeight(boat, evaluations, all);
  const content: Content[] = [
    {
      columns: [
        {
          width: 480,
          ...(drawing ? { svg: drawing } : { text: 'No hull shape: figures of zones are typed.' }),
        } as Content,
        { width: '*', stack: [title(boat, mass, points, options), signatures()] },
      ],
      columnGap: 12,
    },
    heading('Zones and their limits'),
    zoneTable(boat, evaluations, units),
    notChecked(evaluations),
  ];
  content.push(...partsOf(boat, evaluations, units));
  content.push(...shortStiffeners(boat, units), ...shortDetails(boat, all, units), {
    columns: [
      { width: 330, ...(shortMaterials(boat, evaluations, all, units) as { stack: Content[] }) },
      { width: '*', stack: shortCautions(boat, evaluations) },
    ],
    columnGap: 12,
  });
  yield { done: 0.6, at: 'pages' };
  const frame = scheduleFrame(boat, options);
  return {
    ...frame,
    defaultStyle: { ...frame.defaultStyle, fontSize: 7 },
    pageMargins: [26, 24, 26, 34],
    content,
  };
}
