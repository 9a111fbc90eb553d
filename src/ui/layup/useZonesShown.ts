import { useState } from 'react';
import type { Part, Zone } from '@/core/document';
import { ZONES_SHOWN } from './ZoneStrip';

/**
 * The grid shows so many zones side by side, those about the chosen one. @returns the first of them, and a way back
 * to the beginning.
 */
export function useZonesShown(part: Part | undefined, zone: Zone | undefined): [number, () => void] {
  const [first, setFirst] = useState(0);
  const at = part && zone ? part.zones.indexOf(zone) : 0;
  const seen = Math.max(at - ZONES_SHOWN + 1, Math.min(at, first));
  const from = Math.max(0, Math.min(seen, (part?.zones.length ?? 0) - ZONES_SHOWN));
  if (from !== first) setFirst(from);
  return [from, () => setFirst(0)];
}
