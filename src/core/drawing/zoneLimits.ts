import type { Zone } from '../document';
import type { HullEdge } from '../geometry';
import { said } from '../quantity';

const along = (from: number, to: number) => `${said(from, 'length')} to ${said(to, 'length')}`;

function edge(of: HullEdge): string {
  switch (of.kind) {
    case 'centreline':
      return 'centreline';
    case 'chine':
      return 'chine or bilge';
    case 'waterline':
      return 'waterline';
    case 'deckEdge':
      return 'deck edge';
    case 'girth':
      return `${said(of.distance, 'shortLength')} from the centreline along the skin`;
    case 'height':
      return `${said(of.height, 'length')} above the baseline`;
  }
}

/** Where two zones of one part could be mistaken for one another, the reach of the hull says no more than it is. */
const reach = (from: number, to: number, hull: { aft: number; bow: number } | null) => {
  if (!hull) return along(from, to);
  const [aft, fore] = [from <= hull.aft, to >= hull.bow];
  if (aft && fore) return 'the whole length';
  if (aft) return `from the aft end to ${said(to, 'length')}`;
  return fore ? `from ${said(from, 'length')} to the stem` : along(from, to);
};

/**
 * Limits of a zone in words with its quantities as they are said in the reader's units: along the boat (m from the aft
 * end of the waterline), then across it.
 *
 * @param hull ends of the hull (m), so that a limit beyond them is said as the end; null where the boat has no shape.
 * @example zoneLimits(keelBand, hull) // 'the whole length; centreline to 200 mm from the centreline along the skin'
 */
export function zoneLimits({ region }: Pick<Zone, 'region'>, hull: { aft: number; bow: number } | null): string {
  if (region === null) return 'figures typed, no place on the boat';
  switch (region.surface) {
    case 'hull':
      return `${reach(region.from, region.to, hull)}; ${edge(region.lower)} to ${edge(region.upper)}`;
    case 'transom':
      return 'the transom';
    case 'section':
      return (
        `at ${said(region.x, 'length')}, ` +
        (region.top === null ? 'up to the deck' : `up to ${said(region.top, 'length')} above the baseline`)
      );
    case 'deck':
      return `${reach(region.from, region.to, hull)}; deck between openings and edge`;
    case 'cockpit':
      return region.piece === 'sole' ? 'cockpit sole' : 'cockpit sides';
    case 'coachroof':
      return `superstructure, ${region.piece}`;
    case 'pan':
      return (
        `${along(region.from, region.to)}; half-breadth ${said(region.halfBreadthAft, 'shortLength')} aft, ` +
        `${said(region.halfBreadthFore, 'shortLength')} fore, at ${said(region.height, 'length')}`
      );
    case 'rectangle':
      return (
        `${region.count} of ${said(region.length, 'shortLength')} × ${said(region.breadth, 'shortLength')}, ` +
        `middle at ${said(region.x, 'length')}, ${said(region.y, 'shortLength')} off the centreline`
      );
  }
}
