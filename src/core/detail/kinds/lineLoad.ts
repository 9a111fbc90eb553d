import { invalid } from '../../error';
import { panelsToCheck } from '../../document';
import { isHead } from '../../standard';
import { evaluateZone } from '../../evaluate';
import type { Scene } from './scene';

/**
 * Load on a metre of a joint between panels: typed, or the load case over its length, or what the panels on both its
 * sides hand over under the design pressure, each half of itself, with the pack's factor from design to ultimate
 * strengths. The widest panel of the zone is taken on either side.
 *
 * Source: docs/engineering.md, "Bonds".
 */
export function lineLoadOf(
  scene: Scene,
  given: number | null,
  length: number,
  what: string,
): { q: number; from: string } {
  const { boat, part, zone, load, factor, book } = scene;
  if (given !== null) return { q: given * (load ? factor : 1), from: 'as given' };
  if (load) return { q: (load.force * factor) / length, from: scene.loadName };
  const pressure = evaluateZone(boat, part, zone).pressure?.pressure;
  if (pressure === undefined)
    throw invalid('lineLoad', `${what}: ${zone.name} has no design pressure; give a load case or a load per metre`);
  const cored = scene.laid.some(({ material }) => material.kind === 'core');
  const widest = Math.max(
    ...panelsToCheck(boat, zone).map(({ geometry: { panelBreadth, panelLength }, pressures }) => {
      const own = pressures?.[cored ? 'sandwich' : 'single'].pressure ?? pressure;
      return own * Math.min(panelBreadth, panelLength);
    }),
  );
  return {
    q: widest / book.pack.skinStrengthFactor,
    from: `the panels on both sides under ${isHead(zone.location) ? 'their head of water' : 'their design pressure'}`,
  };
}
