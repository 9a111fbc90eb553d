import Papa from 'papaparse';
import { fabricArealWeight } from '@/core/material';
import { wordsIn } from '@/core/quantity';
import { evaluateZone, whereGoverns } from '@/core/evaluate';
import { LAYER_ROLES, type Boat } from '@/core/document';
import { plain } from '../table/plain';

/**
 * The laminate schedule as one CSV table, a block per part: layers by zones in laying order, then the results of each
 * zone.
 * SI-derived units in the heads (g/m², mm, kg/m²); 'x' where a layer covers a zone.
 */
export function scheduleCsv(boat: Boat): string {
  const materials = new Map(boat.materials.map((material) => [material.id, material]));
  const rows: (string | number)[][] = [[plain(boat.name), 'laminate schedule, laying order from the mould face']];
  for (const part of boat.parts) {
    rows.push(
      [],
      ['Part', plain(part.name)],
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
    );
    part.layers.forEach((layer, index) => {
      const material = materials.get(layer.material)!;
      const weight = material.kind === 'fabric' ? Math.round(fabricArealWeight(material) * 1000) : '';
      rows.push([
        index + 1,
        plain('code' in material ? material.code : ''),
        plain(material.name),
        layer.angleDeg,
        weight,
        layer.thickness === null ? '' : Number((layer.thickness * 1000).toFixed(2)),
        LAYER_ROLES[layer.role],
        plain(part.groups.find(({ id }) => id === layer.group)?.name ?? ''),
        ...part.zones.map((zone) => (layer.zones.includes(zone.id) ? 'x' : '')),
      ]);
    });
    const evaluations = part.zones.map((zone) => evaluateZone(boat, part, zone));
    const line = (label: string, values: (string | number)[]) =>
      rows.push(['', label, '', '', '', '', '', '', ...values]);
    line(
      'Thickness (mm)',
      evaluations.map((e) => Number((e.thickness * 1000).toFixed(1))),
    );
    line(
      'Laminated weight (kg/m2)',
      evaluations.map((e) => Number(e.laminatedArealWeight.toFixed(2))),
    );
    line(
      'Fibre fraction by weight',
      evaluations.map((e) => Number(e.fibreWeightFraction.toFixed(3))),
    );
    line(
      'Fibre fraction by volume',
      evaluations.map((e) => Number(e.fibreVolumeFraction.toFixed(3))),
    );
    line(
      'Least reserve factor',
      evaluations.map((e) => (e.governing ? Number(e.governing.reserveFactor.toFixed(2)) : 'not checked')),
    );
    line(
      'What governs',
      evaluations.map((e) => plain(wordsIn(e.governing ? whereGoverns(e.governing) : (e.problem ?? ''), 'metric'))),
    );
  }
  return Papa.unparse(rows, { newline: '\r\n' });
}
