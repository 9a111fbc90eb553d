import { panelsToCheck, type Boat, type Part, type Zone } from '../document';
import { evaluateZone } from './evaluateZone';

/** Deflection of a clamped square plate under a force in its middle, w D / (F b²). */
const CLAMPED_SQUARE = 0.0056;

/**
 * How far a zone's panels give under one newton in their middle (m/N): the stiffest of them, edges clamped, for what
 * falls on a stiff panel is stopped hardest. Shear of a core, which lets it give more, is left out.
 *
 * @returns null where the zone has no stiffness.
 * Source: Timoshenko & Woinowsky-Krieger, clamped square plate, w = 0.0056 F b² / D.
 */
export function panelGive(boat: Boat, part: Part, zone: Zone): number | null {
  const D = evaluateZone(boat, part, zone).stiffness?.D;
  if (!D) return null;
  const short = Math.min(
    ...panelsToCheck(boat, zone).map(({ geometry }) => Math.min(geometry.panelLength, geometry.panelBreadth)),
  );
  return (CLAMPED_SQUARE * short ** 2) / Math.max(D[0][0], D[1][1]);
}
