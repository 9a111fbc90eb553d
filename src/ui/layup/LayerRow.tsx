'use client';
import { memo, type MouseEvent } from 'react';
import type { Caution } from '@/core/caution';
import { hasDirection, fabricArealWeight, type LayerMaterial } from '@/core/material';
import { formatNumber } from '@/core/quantity';
import { LAYER_ROLES, type Layer, type Zone } from '@/core/document';
import { CautionMark } from '../shared/CautionList';
import { useUnits } from '../shared/units';
import { FibreGlyph } from './FibreGlyph';
import { lookClass } from './hatchSheet';

/** Columns before the zones that the cursor can stand in: material, angle or thickness. */
export const LEAD_COLUMNS = 2;

export interface LayerRowProps {
  layer: Layer;
  index: number;
  material: LayerMaterial;
  /** Those that stand in the grid, and the place of the first among all. */
  zones: readonly Zone[];
  first: number;
  chosen: boolean;
  /** Column of the cursor when it stands in this row, otherwise −1. */
  cursor: number;
  /** Columns selected with the row: from, to; null when the row is not selected. */
  selected: string | null;
  /** The gravest open caution about this layer. */
  caution: Caution | null;
  onCell: (row: number, column: number, how: 'alone' | 'extend' | 'more') => void;
  onOpen: (row: number, column: number) => void;
}

/** One layer: its place, directions, material, angle or thickness, dry weight, and the zones it covers. */
export const LayerRow = memo(function LayerRow({
  layer,
  index,
  material,
  zones,
  first,
  chosen,
  cursor,
  selected,
  caution,
  onCell,
  onOpen,
}: LayerRowProps) {
  const { show, unit } = useUnits();
  const given =
    material.kind === 'fabric'
      ? !hasDirection(material)
        ? ''
        : `${formatNumber(layer.angleDeg, layer.angleDeg % 1 === 0 ? 0 : 1)}°`
      : `${show(layer.thickness, 'thickness')} ${unit('thickness')}`;
  const look = lookClass(material, layer.angleDeg);
  const [from, to] = (selected ?? '9999:0').split(':').map(Number) as [number, number];
  const cell = (column: number) => ({
    role: 'gridcell' as const,
    tabIndex: cursor === column ? 0 : -1,
    'data-cell': `${index}:${column}`,
    'aria-selected': column >= from && column <= to,
    onClick: (event: MouseEvent) => {
      if (event.shiftKey) onCell(index, column, 'extend');
      else if (event.ctrlKey || event.metaKey) onCell(index, column, 'more');
      else if (cursor === column) onOpen(index, column);
      else onCell(index, column, 'alone');
    },
  });
  return (
    <tr
      className={`layer-row ${chosen ? 'chosen' : ''} ${selected ? 'selected' : ''}`}
      role="row"
      aria-selected={selected !== null || chosen}
    >
      <td role="gridcell" data-handle={layer.id} />
      <td className="num soft" role="gridcell">
        {index + 1}
      </td>
      <td role="gridcell">
        <FibreGlyph material={material} angleDeg={layer.angleDeg} />
      </td>
      <td {...cell(0)} title={material.name} className="fw-semibold">
        {material.code}
        {layer.role !== 'structure' && <span className="role-mark"> {LAYER_ROLES[layer.role]}</span>}{' '}
        {caution && <CautionMark cautions={[caution]} />}
      </td>
      <td {...cell(1)} className="num">
        {given}
      </td>
      <td className="num soft" role="gridcell">
        {material.kind === 'fabric' ? show(fabricArealWeight(material), 'arealWeight') : ''}
      </td>
      {zones.map((zone, z) => {
        const covered = layer.zones.includes(zone.id);
        return (
          <td
            key={zone.id}
            {...cell(LEAD_COLUMNS + first + z)}
            className="zone-cell"
            aria-label={`${zone.name}: layer ${index + 1} ${covered ? 'covers' : 'does not cover'}`}
          >
            {covered && <span className={layer.role === 'structure' ? look : `${look} ${layer.role}`} />}
          </td>
        );
      })}
    </tr>
  );
});
