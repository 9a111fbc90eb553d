import { memo } from 'react';
import { directionsOf, hasMat, type LayerMaterial } from '@/core/material';

const patternId = (direction: number) => `fibre-${String(direction).replace('-', 'm').replace('.', '_')}`;

/**
 * The patterns that hatches refer to: one line for each fibre direction, truly at its angle (forward to the right),
 * dots for mat, cells for core, waves for wood. Once per page; `directions` in degrees, parted by spaces, so that
 * an edit which changes none of them leaves the patterns alone.
 */
export const HatchPatterns = memo(function HatchPatterns({ directions }: { directions: string }) {
  return (
    <svg width="0" height="0" className="position-absolute" aria-hidden="true">
      <defs>
        {directions
          .split(' ')
          .filter(Boolean)
          .map(Number)
          .map((direction) => (
            <pattern
              key={direction}
              id={patternId(direction)}
              width="6"
              height="4"
              patternUnits="userSpaceOnUse"
              patternTransform={`rotate(${-direction})`}
            >
              <path d="M0 2H6" stroke="var(--grey)" strokeWidth="0.9" />
            </pattern>
          ))}
        <pattern id="fibre-mat" width="6" height="6" patternUnits="userSpaceOnUse">
          <circle cx="1.5" cy="1.5" r="0.8" fill="var(--soft)" />
          <circle cx="4.5" cy="4.5" r="0.8" fill="var(--soft)" />
        </pattern>
        <pattern id="fibre-wood" width="18" height="8" patternUnits="userSpaceOnUse">
          <path d="M0 4q4.5-3 9 0t9 0" fill="none" stroke="var(--sand)" />
        </pattern>
        <pattern id="fibre-core" width="9" height="9" patternUnits="userSpaceOnUse">
          <circle cx="3" cy="3" r="1.6" fill="none" stroke="var(--sand)" />
          <circle cx="7.5" cy="7.5" r="1.1" fill="none" stroke="var(--sand)" />
        </pattern>
      </defs>
    </svg>
  );
});

/** A rectangle hatched as the layer it stands for. */
export function Hatch({
  material,
  angleDeg,
  ...box
}: {
  material: LayerMaterial;
  angleDeg: number;
  x?: number | string;
  y?: number | string;
  width: number | string;
  height: number | string;
}) {
  return (
    <>
      <rect {...box} fill={['core', 'wood'].includes(material.kind) ? 'var(--core)' : 'var(--card)'} />
      {material.kind === 'wood' && <rect {...box} fill="url(#fibre-wood)" />}
      {material.kind === 'core' && <rect {...box} fill="url(#fibre-core)" />}
      {hasMat(material) && <rect {...box} fill="url(#fibre-mat)" />}
      {directionsOf(material, angleDeg).map((direction) => (
        <rect key={direction} {...box} fill={`url(#${patternId(direction)})`} />
      ))}
    </>
  );
}
