import { DETAIL_KINDS, evaluateDetails } from '@/core/detail/kinds';
import {
  evaluateStiffeners,
  evaluateZone,
  saidBond,
  saidHold,
  targetOf,
  verdictOf,
  whereGoverns,
} from '@/core/evaluate';
import { LAYER_ROLES, POSTURES, type Boat, type Part } from '@/core/document';
import { SUPPORT_KINDS } from '@/core/geometry';
import { fabricArealWeight, isLayerMaterial, ORIGINS, PROCESSES } from '@/core/material';
import { shownReserve, wordsIn } from '@/core/quantity';
import type { Revision } from '@/core/revision';
import { packStatus } from '@/core/standard';
import { plain } from '../table/plain';

export type Cell = string | number;
/** A table of the schedule: its name and its rows, heads among them. */
export interface Sheet {
  name: string;
  rows: Cell[][];
}

const millimetres = (metres: number, digits = 1) => Number((metres * 1000).toFixed(digits));
const reserveOf = (governing: { reserveFactor: number } | null, target: number): Cell[] =>
  governing ? [shownReserve(governing.reserveFactor), verdictOf(governing.reserveFactor, target)] : ['not checked', ''];
const said = (text: string) => plain(wordsIn(text, 'metric'));

/** Layers by zones in laying order, then the results of each zone. */
function partSheet(boat: Boat, part: Part): Sheet {
  const materials = new Map(boat.materials.map((material) => [material.id, material]));
  const rows: Cell[][] = [
    [
      'Layer',
      'Code',
      'Material',
      'Angle (deg)',
      'Dry weight (g/m2)',
      'Thickness given (mm)',
      'Role',
      'Group',
      ...part.zones.map((zone) => plain(zone.name)),
    ],
  ];
  part.layers.forEach((layer, index) => {
    const material = materials.get(layer.material)!;
    rows.push([
      index + 1,
      plain('code' in material ? material.code : ''),
      plain(material.name),
      layer.angleDeg,
      material.kind === 'fabric' ? Math.round(fabricArealWeight(material) * 1000) : '',
      layer.thickness === null ? '' : millimetres(layer.thickness, 2),
      LAYER_ROLES[layer.role],
      plain(part.groups.find(({ id }) => id === layer.group)?.name ?? ''),
      ...part.zones.map((zone) => (layer.zones.includes(zone.id) ? 'x' : '')),
    ]);
  });
  const evaluations = part.zones.map((zone) => evaluateZone(boat, part, zone));
  const line = (label: string, of: (e: (typeof evaluations)[number]) => Cell) =>
    rows.push(['', label, '', '', '', '', '', '', ...evaluations.map(of)]);
  line('Thickness (mm)', (e) => millimetres(e.thickness));
  line('Laminated weight (kg/m2)', (e) => Number(e.laminatedArealWeight.toFixed(2)));
  line('Fibre fraction by weight', (e) => Number(e.fibreWeightFraction.toFixed(3)));
  line('Fibre fraction by volume', (e) => Number(e.fibreVolumeFraction.toFixed(3)));
  line('Least reserve factor', (e) => (e.governing ? shownReserve(e.governing.reserveFactor) : 'not checked'));
  line('What governs', (e) => said(e.governing ? whereGoverns(e.governing) : (e.problem ?? '')));
  line('Not proven', (e) => said(e.unproven.join('; ')));
  return { name: part.name, rows };
}

function stiffenerSheet(boat: Boat): Sheet {
  const codeOf = (id: string) => {
    const material = boat.materials.find((one) => one.id === id);
    return material && 'code' in material ? material.code : (material?.name ?? id);
  };
  const target = targetOf(boat);
  const rows = evaluateStiffeners(boat).map(({ support, section, governing, problem }): Cell[] => [
    plain(support.name),
    SUPPORT_KINDS[support.kind],
    plain(section?.name ?? 'holds only'),
    ...(section
      ? [section.height, section.baseWidth, section.crownWidth, section.flangeWidth].map((one) => millimetres(one))
      : ['', '', '', '']),
    plain(section?.former ? codeOf(section.former) : ''),
    plain((section?.layers ?? []).map(({ material, angleDeg }) => `${codeOf(material)} ${angleDeg}`).join(' / ')),
    section ? plain(saidBond(boat, section)) : '',
    plain(saidHold(boat, support)),
    ...reserveOf(governing, target),
    plain(governing?.name ?? problem ?? ''),
  ]);
  const heads = [
    'Stiffener',
    'Kind',
    'Section',
    'Height (mm)',
    'Foot (mm)',
    'Crown (mm)',
    'Flange (mm)',
    'Former',
    'Layers, degrees from its own direction',
    'Bond',
    'Held and loaded',
    'Least reserve factor',
    'Stands',
    'What governs',
  ];
  return { name: 'Stiffeners', rows: [heads, ...rows] };
}

function detailSheet(boat: Boat): Sheet {
  const zones = boat.parts.flatMap((part) => part.zones);
  const target = targetOf(boat);
  const rows = evaluateDetails(boat).map(({ detail, governing, problem }): Cell[] => [
    plain(detail.name),
    DETAIL_KINDS[detail.kind],
    plain(zones.find(({ id }) => id === detail.zone)?.name ?? ''),
    detail.number,
    detail.x,
    detail.y,
    plain(boat.loads.find(({ id }) => id === detail.load)?.name ?? ''),
    ...reserveOf(governing, target),
    said(governing?.name ?? problem ?? ''),
    plain(detail.note),
  ]);
  const heads = [
    'Detail',
    'Kind',
    'Stands on',
    'Number',
    'Along (m)',
    'Off the middle (m)',
    'Load',
    'Least reserve factor',
    'Stands',
    'What governs',
    'Note',
  ];
  return { name: 'Details', rows: [heads, ...rows] };
}

function materialSheet(boat: Boat): Sheet {
  const laid = new Set(boat.parts.flatMap(({ layers }) => layers.map(({ material }) => material)));
  const rows = boat.materials
    .filter((material) => isLayerMaterial(material) && laid.has(material.id))
    .map((material): Cell[] => [
      plain('code' in material ? material.code : ''),
      plain(material.name),
      material.kind,
      material.kind === 'fabric' ? Math.round(fabricArealWeight(material) * 1000) : '',
      'density' in material ? material.density.value : '',
      'density' in material ? ORIGINS[material.density.origin] : '',
    ]);
  const heads = ['Code', 'Material', 'Kind', 'Dry weight (g/m2)', 'Density (kg/m3)', 'Figure rests on'];
  return { name: 'Materials', rows: [heads, ...rows] };
}

/** Which state this is, and on what it stands. */
function aboutSheet(boat: Boat, revision: Revision | null): Sheet {
  const { brief } = boat;
  const rows: Cell[][] = [
    [plain(boat.name), 'laminate schedule, laying order from the mould face'],
    ...(revision
      ? [
          ['Revision', `${revision.label}, ${revision.state}`],
          ['Issued', `${revision.issuedAt.slice(0, 10)} by ${plain(revision.author)}`],
          ['Note', plain(revision.note)],
          ['Hash (SHA-256)', revision.hash],
        ]
      : [['Revision', 'DRAFT, not issued: nothing is laid from it']]),
    ...(revision?.open ? [['Issued with', `${revision.open.points.length} open: ${plain(revision.open.answer)}`]] : []),
    ['Process', PROCESSES[brief.process].name],
    ['Target', `reserve factor ${targetOf(boat)}, ${POSTURES[brief.posture].name}`],
    ...boat.packs.map((pack) => ['Pack', plain(`${pack.title}, ${packStatus(pack)}`)]),
    ['Caution', 'Decision support: local codes, survey and class, and a licensed naval architect or engineer decide.'],
  ];
  return { name: 'About', rows };
}

/**
 * The schedule as tables: what it is, layers by zones of each part with their results, stiffeners, details, materials.
 * Heads state their unit; 'x' where a layer covers a zone; reserve factors are capacity over demand.
 */
export const scheduleSheets = (boat: Boat, revision: Revision | null): Sheet[] => [
  aboutSheet(boat, revision),
  ...boat.parts.map((part) => partSheet(boat, part)),
  ...(boat.supports.length > 0 ? [stiffenerSheet(boat)] : []),
  ...(boat.details.length > 0 ? [detailSheet(boat)] : []),
  materialSheet(boat),
];
