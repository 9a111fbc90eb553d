import { KeramosError } from '../../error';
import { edgeAt, type BoatShape, type Span, type Support } from '../../geometry';
import type { StiffenerSection } from '../../stiffener';
import type { Boat, Part, Zone } from '../../document';

/** Zones that end so near each other meet (m, or as a share of the girth). */
const SAME = 1e-6;
/** Parts whose zones carry a span; any part where a zone is named itself. */
const KIND_UNDER = { zone: null, deck: 'deck', bottom: 'hull', side: 'hull' } as const;

/** A zone under a stiffener. */
export interface Under {
  part: Part;
  zone: Zone;
}
/** A span, and how far along the boat what it stands on reaches to either side of it (m). */
interface Standing {
  support: Support;
  span: Span;
  reach: number;
}
/** The zones on which a point of a span stands: two or more where they meet under it. */
function zonesAt({ hull }: BoatShape, boat: Boat, { support, span, reach }: Standing, at: number): Under[] {
  const all = boat.parts.flatMap((part) => part.zones.map((zone): Under => ({ part, zone })));
  if (support.kind === 'rib') return all.filter(({ zone }) => zone.id === support.zone);
  const [x] = span.points[at]!;
  const up = span.upHull?.[at];
  const wanted = KIND_UNDER[span.on];
  return all.filter(({ zone: { region } }) => {
    if (region?.surface !== wanted || region === null || !('from' in region)) return false;
    if (x < region.from - reach || x > region.to + reach) return false;
    if (region.surface !== 'hull' || up === undefined) return true;
    const place = Math.min(region.to, Math.max(region.from, x));
    return up >= edgeAt(hull, region.lower, place) - SAME && up <= edgeAt(hull, region.upper, place) + SAME;
  });
}
/** Half of what a stiffener stands on with (m). */
const halfFoot = (section: StiffenerSection): number =>
  (section.kind === 'topHat' ? section.baseWidth / 2 : 0) + section.flangeWidth;
/** What a span stands on: under its middle, whose pressure it bears, and all along it, whose laminate works with it. */
export interface Crossed {
  middle: Under[];
  all: Under[];
}
/**
 * The zones that a span crosses. Its ends are left out: there it passes on to what holds it.
 *
 * @throws KeramosError `invalid` when no zone lies under its middle.
 */
export function crossedBy(
  shape: BoatShape,
  boat: Boat,
  { support, section }: { support: Support; section: StiffenerSection },
  span: Span,
): Crossed {
  const across = support.kind === 'frame' || support.kind === 'beam';
  const standing = { support, span, reach: across ? halfFoot(section) : SAME };
  const inner = span.points.map((_, i) => i).slice(1, -1);
  const middle = zonesAt(shape, boat, standing, Math.floor(span.points.length / 2));
  if (middle.length === 0)
    throw new KeramosError(
      'invalid',
      `${support.name} stands on no zone at x = ` +
        `${span.middle[0].toFixed(2)} m: lay a zone there, or end the ` +
        'member before it',
      'support',
    );
  const all = [...middle, ...inner.flatMap((at) => zonesAt(shape, boat, standing, at))];
  return { middle, all: [...new Map(all.map((one) => [one.zone.id, one])).values()] };
}
