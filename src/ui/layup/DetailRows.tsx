'use client';
import Link from 'next/link';
import { memo, useMemo } from 'react';
import type { LayerMaterial } from '@/core/material';
import { evaluateDetails } from '@/core/detail/kinds';
import type { Boat, Part, Zone } from '@/core/document';
import { formatNumber } from '@/core/quantity';
import { useDesign } from '../shared/boat';
import { useSettled } from '../shared/useSettled';
import { FibreGlyph } from './FibreGlyph';

/**
 * Layers that details lay on zones of the part: local, locked, changed under Details. They follow when the hand
 * rests.
 */
export function DetailRows({
  boat,
  part,
  materials,
  zones,
}: {
  boat: Boat;
  part: Part;
  materials: ReadonlyMap<string, LayerMaterial>;
  zones: readonly Zone[];
}) {
  const { id } = useDesign();
  const settled = useSettled(boat);
  const details = useMemo(() => {
    const own = new Set(settled.parts.find((one) => one.id === part.id)?.zones.map((zone) => zone.id));
    return evaluateDetails(settled, (detail) => own.has(detail.zone) && detail.kind !== 'stiffenerEnd').filter(
      ({ layers }) => layers.length > 0,
    );
  }, [settled, part.id]);
  return <Rows boatId={id} details={details} materials={materials} zones={zones} />;
}

const Rows = memo(function Rows({
  boatId,
  details,
  materials,
  zones,
}: {
  boatId: string;
  details: ReturnType<typeof evaluateDetails>;
  materials: ReadonlyMap<string, LayerMaterial>;
  zones: readonly Zone[];
}) {
  return details.map(({ detail, layers }) => [
    <tr key={detail.id} role="row" className="group-row">
      <td role="gridcell" colSpan={6 + zones.length}>
        <Link prefetch={false} href={`/boats/${boatId}/details?detail=${detail.id}`}>
          {detail.name}
        </Link>
        <span className="soft"> detail, locked: its layers are changed under Details</span>
      </td>
    </tr>,
    ...layers.map((layer, i) => {
      const material = materials.get(layer.material);
      return (
        <tr key={`${detail.id}-${i}`} role="row" className="detail-row">
          <td role="gridcell" aria-label="Locked">
            ▪
          </td>
          <td role="gridcell" className="num soft">
            {layer.count}×
          </td>
          <td role="gridcell">{material && <FibreGlyph material={material} angleDeg={layer.angleDeg} />}</td>
          <td role="gridcell">{material?.code ?? layer.material}</td>
          <td role="gridcell" className="num">
            {formatNumber(layer.angleDeg, 0)}°
          </td>
          <td role="gridcell" />
          {zones.map((zone) => (
            <td
              key={zone.id}
              role="gridcell"
              className="zone-cell"
              aria-label={`${zone.name}: ${zone.id === detail.zone ? 'local layer of the detail' : 'none'}`}
            >
              {zone.id === detail.zone && <span className="lay local" />}
            </td>
          ))}
        </tr>
      );
    }),
  ]);
});
