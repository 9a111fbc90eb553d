'use client';
import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { memo } from 'react';
import type { Caution } from '@/core/caution';
import { hasDirection, fabricArealWeight, type LayerMaterial } from '@/core/material';
import { formatNumber } from '@/core/quantity';
import type { Layer, Zone } from '@/core/schedule';
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
  zones: readonly Zone[];
  chosen: boolean;
  /** Column of the cursor when it stands in this row, otherwise −1. */
  cursor: number;
  /** The gravest open caution about this layer. */
  caution: Caution | null;
  onCell: (row: number, column: number) => void;
  onOpen: (row: number, column: number) => void;
}

/** One layer: its place, directions, material, angle or thickness, dry weight, and the zones it covers. */
export const LayerRow = memo(function LayerRow({ layer, index, material, zones, chosen, cursor, caution, onCell, onOpen }: LayerRowProps) {
  const { show, unit } = useUnits();
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({ id: layer.id });
  const given =
    material.kind === 'fabric'
      ? !hasDirection(material)
        ? ''
        : `${formatNumber(layer.angleDeg, layer.angleDeg % 1 === 0 ? 0 : 1)}°`
      : `${show(layer.thickness, 'thickness')} ${unit('thickness')}`;
  const look = lookClass(material, layer.angleDeg);
  const cell = (column: number) => ({
    role: 'gridcell' as const,
    tabIndex: cursor === column ? 0 : -1,
    'data-cell': `${index}:${column}`,
    onClick: () => (cursor === column ? onOpen(index, column) : onCell(index, column)),
  });
  return (
    <tr
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`${chosen ? 'chosen' : ''} ${isDragging ? 'dragging' : ''}`}
      aria-rowindex={index + 2}
      role="row"
    >
      <td role="gridcell">
        <span ref={setActivatorNodeRef} className="handle" {...attributes} {...listeners} tabIndex={-1} title="Drag to move the layer" aria-label={`Move layer ${index + 1}`}>
          ⠿
        </span>
      </td>
      <td className="num soft" role="gridcell">
        {index + 1}
      </td>
      <td role="gridcell">
        <FibreGlyph material={material} angleDeg={layer.angleDeg} />
      </td>
      <td {...cell(0)} title={material.name} className="fw-semibold">
        {material.code} {caution && <CautionMark cautions={[caution]} />}
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
          <td key={zone.id} {...cell(LEAD_COLUMNS + z)} className="zone-cell" aria-label={`${zone.name}: layer ${index + 1} ${covered ? 'covers' : 'does not cover'}`}>
            {covered && <span className={look} />}
          </td>
        );
      })}
    </tr>
  );
});
