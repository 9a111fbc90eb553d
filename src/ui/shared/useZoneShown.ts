import type { Boat, Part, Zone } from '@/core/document';
import { useAskedOrKept } from './useKept';

/**
 * The zone that one works on: the one a link asks for, else the one that was last looked at on any screen that shows
 * one zone, else the first. @returns its part with it; neither where the boat has no zone.
 */
export function useZoneShown(boat: Boat): {
  part: Part | undefined;
  zone: Zone | undefined;
  /** Whether it was chosen; false where the first stands for it. */
  chosen: boolean;
  choose: (id: string | null) => void;
} {
  const holds = (id: string) => (part: Part) => part.zones.some((zone) => zone.id === id);
  const [zoneId, choose] = useAskedOrKept('zone', {
    name: 'zone',
    usual: null,
    known: (id) => boat.parts.some(holds(id)),
  });
  const asked = zoneId === null ? undefined : boat.parts.find(holds(zoneId));
  const part = asked ?? boat.parts.find(({ zones }) => zones.length > 0);
  return {
    part,
    zone: part?.zones.find(({ id }) => id === zoneId) ?? part?.zones[0],
    chosen: asked !== undefined,
    choose,
  };
}
