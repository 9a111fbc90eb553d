import type { DetailEvaluation } from '../../detail/kinds';
import type { Boat } from '../../document';
import { membersOf, sectionProperties } from '../../evaluate';
import { KeramosError } from '../../error';
import type { MemberGeometry } from '../../geometry';
import { hasDirection, type Fabric } from '../../material';
import type { Cutting } from '../cutting';
import { signedArea, type At } from '../nest/convexParts';
import { cutToRoll } from './cutToRoll';
import { fromZero, moved, rectangle } from './outline';
import type { Piece } from './piece';

/** What the pieces of details and stiffeners have in common: of no layer of a part, flat, of no one hand. */
const BARE = {
  thickness: null,
  partId: null,
  layerId: null,
  hand: 'none',
  shearDeg: 0,
  run: null,
  drawn: null,
} as const;

interface Strip {
  length: number;
  breadth: number;
  angleDeg: number;
}

/** A strip turned to the roll and cut to its width, as pieces; none of what is no fabric, or of no size. */
export function stripPieces(
  boat: Boat,
  material: string,
  strip: Strip,
  { cutting, of }: { cutting: Cutting; of: Pick<Piece, 'id' | 'kind' | 'of' | 'layerNumber' | 'zones' | 'count'> },
): Piece[] {
  const fabric = boat.materials.find(({ id }) => id === material);
  if (fabric?.kind !== 'fabric' || !(strip.length > 0 && strip.breadth > 0)) return [];
  return rolledStrip(fabric, strip, cutting).map((outline, n, { length: m }): Piece => {
    const area = Math.abs(signedArea(outline));
    return {
      ...BARE,
      ...of,
      cuts: [],
      notches: [],
      id: `${of.id}.${n + 1}`,
      material,
      angleDeg: strip.angleDeg,
      n: n + 1,
      m,
      outline,
      area,
      notes: [],
    };
  });
}

function rolledStrip(fabric: Fabric, { length, breadth, angleDeg }: Strip, { lap, offset, selvage }: Cutting): At[][] {
  const width = fabric.width.value - 2 * selvage;
  const turned = moved(rectangle(length, breadth), { turnDeg: hasDirection(fabric) ? 90 - angleDeg : 90 });
  return cutToRoll(turned, { width, lap, offset, before: [] }).parts.map(fromZero);
}

/** The longest tape that two people lay in one piece (m). */
const LONGEST_TAPE = 10;

/** A long tape in equal lengths that lap over one another. */
function inLengths(strip: Strip, lap: number): { strip: Strip; lengths: number } {
  const lengths = Math.max(1, Math.ceil(strip.length / LONGEST_TAPE - 1e-9));
  return { strip: { ...strip, length: (strip.length + (lengths - 1) * lap) / lengths }, lengths };
}

/** Straps, tapes and patches of details, by their own size: what they need of trim is in it. */
export const detailPieces = (boat: Boat, details: readonly DetailEvaluation[], cutting: Cutting): Piece[] =>
  details.flatMap(({ detail, layers, problem }) =>
    (problem === null ? layers : []).flatMap(({ material, count, ...whole }, i) => {
      const base = { id: `${detail.id}.${i + 1}`, kind: 'detail', of: detail.name, layerNumber: i + 1 } as const;
      const { strip, lengths } = inLengths(whole, cutting.lap);
      return stripPieces(boat, material, strip, {
        cutting,
        of: { ...base, zones: [detail.zone], count: count * lengths },
      });
    }),
  );

/** Lengths of a member in one piece, and how often the boat has each: over the centreline once, else on every hand. */
function lengthsOf({ support, length, spans }: MemberGeometry): { length: number; count: number }[] {
  if (support.kind === 'frame')
    return spans.map((span) => ({ length: span.length, count: span.points[0]![1] < -1e-9 ? 1 : 2 }));
  const own = spans.reduce((sum, span) => sum + span.length, 0);
  const count = Math.max(1, Math.round(length / Math.max(own, 1e-9)));
  return [{ length: length / count, count }];
}

/** Strips of the layers of stiffeners, as long as they run, with trim at both ends. */
export function stiffenerPieces(boat: Boat, cutting: Cutting): Piece[] {
  const places = membersOf(boat);
  return boat.supports.flatMap((support): Piece[] => {
    const section = boat.sections.find(({ id }) => id === support.section);
    const geometry = places.get(support.id);
    if (!section || !geometry) return [];
    let breadths: number[];
    try {
      ({ breadths } = sectionProperties(boat, section));
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      return [];
    }
    return lengthsOf(geometry).flatMap(({ length, count }, run) =>
      section.layers.flatMap(({ material, angleDeg }, i) => {
        const base = { id: `${support.id}.${run + 1}.${i + 1}`, kind: 'stiffener', of: support.name } as const;
        const strip = { length: length + 2 * cutting.trim, breadth: breadths[i]!, angleDeg };
        return stripPieces(boat, material, strip, { cutting, of: { ...base, layerNumber: i + 1, zones: [], count } });
      }),
    );
  });
}
