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
  material: LayerMaterial;
  /** Those that stand in the grid, and the place of the first among all. */
  zones: readonly Zone[];
  first: number;
  /** Its number where only the rows in sight are drawn; otherwise the page counts. */
  number: number | null;
  chosen: boolean;
  /** Column of the cursor when it stands in this row, otherwise −1. */
  cursor: number;
  /** Columns selected with the row: from, to; null when the row is not selected. */
  selected: string | null;
  /** The gravest open caution about this layer. */
  caution: Caution | null;
  onCell: (layerId: string, column: number, how: CursorMove, clicks: number) => void;
}

/** How the cursor goes to a cell: it alone, the range up to it, or the row as one more. */
export type CursorMove = 'alone' | 'extend' | 'more';

/** The cell of a layer: its name does not change when layers come or go before it. */
export const cellId = (layerId: string, column: number) => `cell-${layerId}-${column}`;

function moveOf({ shiftKey, ctrlKey, metaKey }: MouseEvent): CursorMove {
  if (shiftKey) return 'extend';
  return ctrlKey || metaKey ? 'more' : 'alone';
}

function angleGiven({ angleDeg }: Layer, material: LayerMaterial): string {
  return hasDirection(material) ? `${formatNumber(angleDeg, angleDeg % 1 === 0 ? 0 : 1)}°` : '';
}

/**
 * One layer: its place, directions, material, angle or thickness, dry weight, and the zones it covers.
 * Nothing in it says where it stands (the number is counted by the page), so that a layer added or removed before it
 * changes nothing here.
 */
export const LayerRow = memo(function LayerRow({
  layer,
  material,
  zones,
  first,
  number,
  chosen,
  cursor,
  selected,
  caution,
  onCell,
}: LayerRowProps) {
  const { show, unit } = useUnits();
  const thickness = () => `${show(layer.thickness, 'thickness')} ${unit('thickness')}`;
  const given = [material.kind === 'fabric' ? '' : thickness(), angleGiven(layer, material)]
    .filter(Boolean)
    .join(' · ');
  const look = lookClass(material, layer.angleDeg);
  const [from, to] = (selected ?? '9999:0').split(':').map(Number) as [number, number];
  const cell = (column: number, className: string) => ({
    id: cellId(layer.id, column),
    role: column === 0 ? ('rowheader' as const) : ('gridcell' as const),
    className: cursor === column ? `${className} cursor` : className,
    'data-column': column,
    'aria-selected': column >= from && column <= to,
    onClick: (event: MouseEvent) => onCell(layer.id, column, moveOf(event), 1),
    ...(column >= LEAD_COLUMNS && { onDoubleClick: () => onCell(layer.id, column, 'alone', 2) }),
  });
  return (
    <tr
      className={`layer-row ${chosen ? 'chosen' : ''} ${selected ? 'selected' : ''}`}
      role="row"
      aria-rowindex={number ?? undefined}
      aria-selected={selected !== null || chosen}
    >
      <td role="gridcell" data-handle={layer.id} />
      <td className="num soft layer-number" role="gridcell">
        {number}
      </td>
      <td role="gridcell">
        <FibreGlyph material={material} angleDeg={layer.angleDeg} />
      </td>
      <td {...cell(0, 'fw-semibold')} title={material.name}>
        {material.code}
        {layer.role !== 'structure' && <span className="role-mark"> {LAYER_ROLES[layer.role]}</span>}{' '}
        {caution && <CautionMark cautions={[caution]} />}
      </td>
      <td {...cell(1, 'num')}>{given}</td>
      <td className="num soft" role="gridcell">
        {material.kind === 'fabric' ? show(fabricArealWeight(material), 'arealWeight') : ''}
      </td>
      {zones.map((zone, z) => {
        const covered = layer.zones.includes(zone.id);
        return (
          <td
            key={zone.id}
            {...cell(LEAD_COLUMNS + first + z, 'zone-cell')}
            aria-label={`${zone.name}: ${covered ? 'covered' : 'not covered'}`}
          >
            {covered && <span className={layer.role === 'structure' ? look : `${look} ${layer.role}`} />}
          </td>
        );
      })}
    </tr>
  );
});
