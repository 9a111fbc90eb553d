import { z } from 'zod';
import { bounded } from '../field';

/**
 * Where a zone is and how large its governing panel is: from the shape of the boat, or typed in.
 *
 * x forward from the aft end of the waterline, z up from the baseline (underside of the hull), all in metres.
 */
export const zoneGeometrySchema = z.object({
  /** Laminated surface of the zone, both hands together (m²). */
  area: bounded('Area', [0.001, 1000], 'm²'),
  /** Centroid of the laminated surface (m). */
  centroidX: bounded('Centroid along', [-10, 30], 'm'),
  centroidZ: bounded('Centroid above baseline', [-5, 15], 'm'),
  /** Unsupported panel along the zone's reference direction (m). */
  panelLength: bounded('Panel length', [0.05, 10], 'm'),
  /** Unsupported panel across the reference direction (m). */
  panelBreadth: bounded('Panel breadth', [0.05, 10], 'm'),
  /** Rise of curvature across the short side (m). */
  crown: bounded('Crown', [0, 2], 'm'),
  /** Panel centre from the aft end of the waterline (m). */
  panelX: bounded('Panel position', [-10, 30], 'm'),
  /** Height of the hull edge above the loaded waterline, for sides (m). */
  edgeHeight: bounded('Edge height', [0.05, 10], 'm').nullable(),
  /** Height of the panel centre above the loaded waterline, for sides (m). */
  centreHeight: bounded('Panel centre height', [-5, 10], 'm').nullable(),
  /** Head of water, for watertight bulkheads (m). */
  head: bounded('Head of water', [0.05, 10], 'm').nullable(),
});

export type ZoneGeometry = z.infer<typeof zoneGeometrySchema>;

/** Share of the waterline length at a position, 0 at its aft end, overhangs taking the end value. */
export function waterlinePosition(x: number, waterlineLength: number): number {
  return Math.min(1, Math.max(0, x / waterlineLength));
}
