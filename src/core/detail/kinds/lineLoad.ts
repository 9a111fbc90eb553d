import { invalid } from '../../error';
import { isHead } from '../../standard';
import { evaluateZone } from '../../evaluate';
import type { Scene } from './scene';

/**
 * Load on a metre of a joint: typed, or the load case over its length, or half of what the panel's pressure puts on
 * its zone.
 */
export function lineLoadOf(
  scene: Scene,
  given: number | null,
  length: number,
  what: string,
): { q: number; from: string } {
  const { boat, part, zone, load, factor } = scene;
  if (given !== null) return { q: given * (load ? factor : 1), from: 'as given' };
  if (load) return { q: (load.force * factor) / length, from: scene.loadName };
  const pressure = evaluateZone(boat, part, zone).pressure?.pressure;
  if (pressure === undefined)
    throw invalid('lineLoad', `${what}: ${zone.name} has no design pressure; give a load case or a load per metre`);
  return {
    q: (pressure * Math.min(zone.geometry.panelBreadth, zone.geometry.panelLength)) / 2,
    from: `half the panel under ${isHead(zone.location) ? 'its head of water' : 'its design pressure'}`,
  };
}
