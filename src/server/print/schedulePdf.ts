import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces';
import { fabricArealWeight, hasDirection, ORIGINS, PROCESSES, type LayerMaterial } from '@/core/material';
import {
  formatNumber,
  formatMargin,
  formatReserve,
  formatQuantity,
  formatWithUnit,
  formatWorkingValue,
  displayUnit,
  type QuantityKind,
  type UnitSystem,
} from '@/core/quantity';
import { evaluateDetails } from '@/core/detail/kinds';
import {
  ENGINE,
  evaluateStiffeners,
  makeEvaluator,
  targetOf,
  stackWorking,
  verdictOf,
  zoneWorking,
  type ZoneEvaluation,
} from '@/core/evaluate';
import { LAYER_ROLES, POSTURES, QUALITIES, type Boat, type Part, type Zone } from '@/core/document';
import { runToEnd, type Progress } from '@/core/job';
import { repeatOf } from '@/core/edit';
import type { Revision } from '@/core/revision';
import { cautionsOf, SEVERITIES } from '@/core/caution';
import { CHECKS, packStatus, ZONE_LOCATIONS } from '@/core/standard';
import { boatWeight } from '@/core/weight';
import { texToText, type WorkingStep } from '@/core/working';
import { detailPages } from './detailPdf';
import { head, pageStyle, printPdf, right, RULES } from './pdfStyle';
import { sectionSvg } from './sectionSvg';

export interface PrintOptions {
  /** The issued revision, or null for the draft. */
  revision: Revision | null;
  units: UnitSystem;
  /** ISO 8601, UTC. */
  printedAt: string;
  /** The short edition leaves the workings out. */
  edition: Edition;
}
export type Edition = 'short' | 'full';

const VERDICT_WORDS = { fails: '× FAILS', thin: '! thin', meets: '✓ meets', ample: '✓ ample' } as const;
function partPages(
  boat: Boat,
  part: Part,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
  units: UnitSystem,
): Content[] {
  const materials = new Map(boat.materials.map((material) => [material.id, material]));
  const target = targetOf(boat);
  const zones = part.zones.map((zone) => evaluations.get(zone.id)!);
  const label = (kind: QuantityKind) => displayUnit(kind, units).label;
  const groupHead = (id: string | null, index: number): TableCell[][] => {
    const group = part.groups.find((one) => one.id === id);
    if (!group || part.layers[index - 1]?.group === id) return [];
    const { times } = repeatOf(part.layers.filter((layer) => layer.group === id));
    return [
      [
        {
          text: `${group.name}${times > 1 ? ` ×${times}` : ''}`,
          colSpan: 6 + part.zones.length,
          bold: true,
          fillColor: '#f3eee4',
        },
        ...Array<string>(5 + part.zones.length).fill(''),
      ],
    ];
  };
  const layerRows = part.layers.flatMap((layer, index): TableCell[][] => [
    ...groupHead(layer.group, index),
    layerRow(layer, index),
  ]);
  function layerRow(layer: Part['layers'][number], index: number): TableCell[] {
    const material = materials.get(layer.material)!;
    return [
      right(String(index + 1)),
      'code' in material ? material.code : '',
      `${material.name}${layer.role === 'structure' ? '' : `, ${LAYER_ROLES[layer.role]}`}`,
      right(hasDirection(material as LayerMaterial) ? `${formatNumber(layer.angleDeg, 0)}°` : ''),
      right(material.kind === 'fabric' ? formatQuantity(fabricArealWeight(material), 'arealWeight', units) : ''),
      right(layer.thickness === null ? '' : formatQuantity(layer.thickness, 'thickness', units)),
      ...part.zones.map((zone): TableCell =>
        layer.zones.includes(zone.id) ? { text: '•', bold: true, alignment: 'center', fillColor: '#e6dccb' } : '',
      ),
    ];
  }
  const result = (title: string, cell: (e: ZoneEvaluation) => string): TableCell[] => [
    { text: title, colSpan: 6, bold: true, alignment: 'right' },
    '',
    '',
    '',
    '',
    '',
    ...zones.map((e): TableCell => ({ text: cell(e), alignment: 'center' })),
  ];
  const tallest = Math.max(...zones.map((e) => e.thickness), 1e-3);
  const scale = Math.min(14_000, 110 / tallest);

  return [
    { text: part.name, style: 'h2', pageBreak: 'before' },
    {
      text: "Layers in laying order from the mould face. •, shaded = the layer covers the zone. Angles from the zone's reference direction.",
      style: 'small',
      margin: [0, 0, 0, 4],
    },
    {
      table: {
        headerRows: 1,
        dontBreakRows: true,
        widths: [
          'auto',
          'auto',
          '*',
          'auto',
          'auto',
          'auto',
          ...part.zones.map(() => Math.min(66, 500 / part.zones.length)),
        ],
        body: [
          [
            head('#'),
            head('Code'),
            head('Material'),
            head('Angle'),
            head(`Dry ${label('arealWeight')}`),
            head(label('thickness')),
            ...part.zones.map((zone): TableCell => ({ text: zone.name, bold: true, alignment: 'center' })),
          ],
          ...layerRows,
          result(`Thickness, ${label('thickness')}`, (e) => formatQuantity(e.thickness, 'thickness', units)),
          result(`Laminated weight, ${label('laminateWeight')}`, (e) =>
            formatQuantity(e.laminatedArealWeight, 'laminateWeight', units),
          ),
          result(
            'Fibre by weight / by volume',
            (e) =>
              `${formatNumber(e.fibreWeightFraction * 100, 0)} % / ${formatNumber(e.fibreVolumeFraction * 100, 0)} %`,
          ),
          result('Least reserve factor', (e) =>
            e.governing
              ? `${formatReserve(e.governing.reserveFactor)} ${VERDICT_WORDS[verdictOf(e.governing.reserveFactor, target)]}`
              : 'not checked',
          ),
          result('What governs', (e) => (e.governing ? CHECKS[e.governing.id] : (e.problem ?? 'nothing to check'))),
        ],
      },
      layout: RULES,
      fontSize: part.zones.length > 9 ? 7 : 8,
    },
    {
      unbreakable: true,
      stack: [
        {
          text: `Sections to one scale (${formatNumber(scale / 2834.6, 1)} : 1), mould face at the foot`,
          style: 'small',
          margin: [0, 10, 0, 3],
        },
        {
          columns: part.zones.map((zone, i) => ({
            width: 'auto',
            margin: [0, 0, 8, 0] as [number, number, number, number],
            stack: [
              { svg: sectionSvg(zones[i]!, scale) },
              { text: `${zone.name} ${formatWithUnit(zones[i]!.thickness, 'thickness', units)}`, style: 'small' },
            ],
          })),
        },
      ],
    },
  ];
}

function checkPages(boat: Boat, evaluations: ReadonlyMap<string, ZoneEvaluation>, units: UnitSystem): Content[] {
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
          right(formatWithUnit(e.pressure!.pressure, 'pressure', units)),
          check.pack === boat.packs[0]!.id
            ? CHECKS[check.id]
            : `${CHECKS[check.id]} (${boat.packs.find(({ id }) => id === check.pack)!.title})`,
          right(formatReserve(check.reserveFactor)),
          right(formatMargin(check.reserveFactor)),
          VERDICT_WORDS[verdictOf(check.reserveFactor, target)],
          check.governs,
        ]);
    }
  const notChecked = [...new Set([...evaluations.values()].flatMap((e) => e.notChecked))];
  return [
    { text: 'Checks', style: 'h2', pageBreak: 'before' },
    {
      text: `Checked against: ${boat.packs.map((pack) => `${pack.title} (${pack.edition}), ${packStatus(pack)}`).join('; ')}. Target reserve factor ${formatNumber(target, 2)} (${POSTURES[boat.brief.posture].name}).`,
      margin: [0, 0, 0, 2],
    },
    { text: `Not checked: ${notChecked.join('; ')}.`, margin: [0, 0, 0, 6] },
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

/** Cautions with their reasons; the accepted ones with who answered for them. */
function cautionPages(boat: Boat, evaluations: ReadonlyMap<string, ZoneEvaluation>): Content[] {
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

/** Stiffeners on their worst spans; nothing where the boat has none with a section. */
function stiffenerPages(boat: Boat, units: UnitSystem): Content[] {
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
      support.name,
      section!.name,
      right(formatWithUnit(geometry?.length ?? null, 'length', units)),
      right(formatWithUnit(mass, 'mass', units)),
      worst
        ? right(
            `${formatWithUnit(worst.span.length, 'length', units)} × ${formatWithUnit(worst.span.spacing, 'length', units)}`,
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

function weightPages(boat: Boat, evaluations: ReadonlyMap<string, ZoneEvaluation>, units: UnitSystem): Content[] {
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
      text: `Planned laminate ${formatWithUnit(weight.mass, 'mass', units)} against a target of ${formatWithUnit(weight.target, 'mass', units)}: ${formatWithUnit(Math.abs(weight.over), 'mass', units)} ${weight.over > 0 ? 'over' : 'in hand'}. x from the aft end of the waterline, z from the baseline. Stiffeners, overlaps and details are counted where they are laid down; paint, furniture and fittings are not.`,
      margin: [0, 0, 0, 6],
    },
    {
      table: { headerRows: 1, widths: ['auto', '*', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto'], body },
      layout: RULES,
    },
  ];
}

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

function* workingPages(boat: Boat, evaluations: ReadonlyMap<string, ZoneEvaluation>): Generator<Progress, Content[]> {
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

/** What the print is about, in a table at its head. */
function headRows(boat: Boat, evaluations: ReadonlyMap<string, ZoneEvaluation>, options: PrintOptions): string[][] {
  const { revision, units, printedAt } = options;
  const { brief } = boat;
  const origins = [...new Set([...evaluations.values()].flatMap((e) => (e.origin ? [ORIGINS[e.origin]] : [])))];
  const measure = (value: number, kind: QuantityKind) => formatWithUnit(value, kind, units);
  const particulars = [
    `${brief.kind === 'motor' ? 'Motor' : 'Sail'}, category ${brief.designCategory}; hull ${measure(brief.hullLength, 'length')}`,
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
function enginesOf(revision: Revision | null): string {
  if (revision === null || revision.engine === ENGINE) return `engine ${ENGINE}`;
  return `engine ${ENGINE}, computed again; ${revision.engine === null ? 'issued before results were kept' : `issued with engine ${revision.engine}`}`;
}

/**
 * The laminate schedule of a boat as the definition of a PDF: title, each part with its layers, results and sections,
 * checks,
 * stiffeners, details, cautions, weights, and in the full edition the workings.
 */
export function* scheduleDefinition(boat: Boat, options: PrintOptions): Generator<Progress, TDocumentDefinitions> {
  const { revision, units, printedAt, edition } = options;
  const evaluations = makeEvaluator()(boat);
  const state = revision ? `Revision ${revision.label}` : 'DRAFT, not issued';
  yield { done: 0.05, at: 'zones' };
  const title = edition === 'full' ? 'Laminate schedule with workings' : 'Laminate schedule';
  const content: Content[] = [
    { text: boat.name, style: 'h1' },
    { text: `${title} · ${state}`, fontSize: 12, margin: [0, 0, 0, 8] },
    { layout: RULES, table: { widths: [140, '*'], body: headRows(boat, evaluations, options) } },
  ];
  for (const part of boat.parts.filter(({ zones }) => zones.length > 0)) {
    content.push(...partPages(boat, part, evaluations, units));
    yield { done: 0.1, at: part.name };
  }
  content.push(...checkPages(boat, evaluations, units), ...stiffenerPages(boat, units), ...detailPages(boat, units));
  yield { done: 0.2, at: 'stiffeners and details' };
  content.push(...cautionPages(boat, evaluations), ...weightPages(boat, evaluations, units));
  if (edition === 'full') content.push(...(yield* workingPages(boat, evaluations)));
  yield { done: 0.7, at: 'pages' };
  return {
    info: {
      title: `${boat.name} laminate schedule, ${state}`,
      producer: 'Keramos',
      creationDate: new Date(printedAt),
    },
    ...(revision ? {} : { watermark: { text: 'DRAFT', color: '#9a4527', opacity: 0.07, bold: true } }),
    ...pageStyle(`${boat.name} · ${state}${revision ? ` · ${revision.hash.slice(0, 12)}` : ''}`),
    pageOrientation: 'landscape',
    content,
  };
}

/** The laminate schedule of a boat as the bytes of a PDF, on the thread that asks. */
export const schedulePdf = (boat: Boat, options: PrintOptions): Promise<Buffer> =>
  printPdf(runToEnd(scheduleDefinition(boat, options)), options.units);
