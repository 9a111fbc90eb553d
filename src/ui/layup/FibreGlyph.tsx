import { directionsOf, hasMat, type LayerMaterial } from '@/core/material';

/**
 * A layer at a glance: fibre directions truly drawn (forward to the right), dots for mat, a block for core and
 * wood, a dashed line for a coating.
 */
export function FibreGlyph({ material, angleDeg }: { material: LayerMaterial; angleDeg: number }) {
  return (
    <svg width="20" height="20" viewBox="-10 -10 20 20" aria-hidden="true">
      {(material.kind === 'core' || material.kind === 'wood') && (
        <rect x="-8" y="-5" width="16" height="10" fill="var(--core)" stroke="var(--sand)" />
      )}
      {material.kind === 'coating' && (
        <line x1="-8" x2="8" y1="0" y2="0" stroke="var(--ink)" strokeDasharray="3 2" strokeWidth="1.6" />
      )}
      {material.kind === 'fabric' && <circle r="8.5" fill="var(--card)" stroke="var(--line)" />}
      {hasMat(material) &&
        [
          [-4, -3],
          [2, -5],
          [5, 1],
          [-1, 1],
          [-5, 3],
          [1, 5],
        ].map(([x, y]) => <circle key={`${x}${y}`} cx={x} cy={y} r="1" fill="var(--ink)" />)}
      {directionsOf(material, angleDeg).map((direction) => {
        const radians = (direction * Math.PI) / 180;
        const dx = Number((8.5 * Math.cos(radians)).toFixed(2));
        const dy = Number((-8.5 * Math.sin(radians)).toFixed(2));
        return <line key={direction} x1={-dx} y1={-dy} x2={dx} y2={dy} stroke="var(--ink)" strokeWidth="1.5" />;
      })}
    </svg>
  );
}
