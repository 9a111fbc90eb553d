import type { Region } from '../geometry';
import type { ZoneLocation } from '../standard';
import type { Boat, Part } from './boat';

/** Surfaces a zone may lie on, as they are chosen. */
export const SURFACES = {
  typed: 'Nowhere: figures are typed in',
  hull: 'Hull, between two lines',
  transom: 'Transom',
  section: 'Bulkhead: a section of the boat',
  deck: 'Deck, outside the openings',
  cockpitSole: 'Cockpit sole',
  cockpitSide: 'Cockpit sides',
  coachroofTop: 'Coachroof top',
  coachroofSide: 'Coachroof sides',
  coachroofFront: 'Coachroof front',
  pan: 'Pan inside the hull',
  rectangle: 'Rectangles',
} as const;
export type Surface = keyof typeof SURFACES;

const COACHROOF = { top: 'coachroofTop', side: 'coachroofSide', front: 'coachroofFront' } as const;
/** The surface of a region as it is chosen. */
export const surfaceOf = (region: Region | null): Surface => {
  if (region === null) return 'typed';
  if (region.surface === 'cockpit') return region.piece === 'sole' ? 'cockpitSole' : 'cockpitSide';
  if (region.surface === 'coachroof') return COACHROOF[region.piece];
  return region.surface;
};

/**
 * A region of the wanted kind to begin with, near a place along the boat and at a height (m); null for one whose
 * figures are typed in.
 */
export function regionFor(
  surface: Surface,
  { brief, deck }: Pick<Boat, 'brief' | 'deck'>,
  { x, z }: { x: number; z: number },
): Region | null {
  switch (surface) {
    case 'typed':
      return null;
    case 'hull':
      return {
        surface: 'hull',
        from: -1,
        to: brief.hullLength,
        lower: { kind: 'centreline' },
        upper: { kind: 'chine' },
      };
    case 'transom':
      return { surface: 'transom' };
    case 'section':
      return { surface: 'section', x: Math.min(0.9 * brief.waterlineLength, Math.max(0.3, x)), top: null };
    case 'deck':
      return { surface: 'deck', from: -1, to: brief.hullLength };
    case 'cockpitSole':
      return { surface: 'cockpit', piece: 'sole' };
    case 'cockpitSide':
      return { surface: 'cockpit', piece: 'side' };
    case 'coachroofTop':
      return { surface: 'coachroof', piece: 'top' };
    case 'coachroofSide':
      return { surface: 'coachroof', piece: 'side' };
    case 'coachroofFront':
      return { surface: 'coachroof', piece: 'front' };
    case 'pan': {
      const half = 0.3 * brief.chineBeam;
      return {
        surface: 'pan',
        from: x - 0.8,
        to: x + 0.8,
        halfBreadthAft: half,
        halfBreadthFore: half,
        height: deck.cockpit?.soleHeight ?? 0.3,
      };
    }
    case 'rectangle':
      return { surface: 'rectangle', x, y: 0.5, height: z, length: 0.4, breadth: 0.3, count: 1 };
  }
}

/** What a zone is for the standards where it lies; null where the place does not tell. */
export function locationOf(region: Region): ZoneLocation | null {
  switch (region.surface) {
    case 'hull':
      return region.lower.kind === 'centreline' ? 'bottom' : 'side';
    case 'transom':
      return 'transom';
    case 'section':
      return 'bulkhead';
    case 'deck':
      return 'deck';
    case 'cockpit':
      return region.piece === 'sole' ? 'cockpitSole' : 'superstructureSide';
    case 'coachroof':
      return ({ top: 'superstructureTop', side: 'superstructureSide', front: 'superstructureFront' } as const)[
        region.piece
      ];
    case 'pan':
      return 'liner';
    case 'rectangle':
      return null;
  }
}

const SURFACE_OF_PART: Record<Part['kind'], Surface> = {
  hull: 'hull',
  deck: 'deck',
  bulkhead: 'section',
  liner: 'pan',
  small: 'rectangle',
};
const LOCATION_OF_PART: Record<Part['kind'], ZoneLocation> = {
  hull: 'bottom',
  deck: 'deck',
  bulkhead: 'bulkhead',
  liner: 'liner',
  small: 'deck',
};
/** Length along the boat of a new zone on hull or deck (m). */
const NEW_LENGTH = 1;

/**
 * Where a new zone of a part begins: amidships, a metre long on hull and deck, to be moved from there; and what it is
 * there. Without a hull shape it has no place, and its figures are typed in.
 *
 * @example newPlace(boat, 'bulkhead') // { location: 'bulkhead', region: { surface: 'section', x: 3.8, top: null } }
 */
export function newPlace(
  boat: Pick<Boat, 'brief' | 'deck' | 'hull'>,
  kind: Part['kind'],
): { location: ZoneLocation; region: Region | null } {
  const usual = LOCATION_OF_PART[kind];
  if (boat.hull === null) return { location: usual, region: null };
  const x = boat.brief.waterlineLength / 2;
  const region = regionFor(SURFACE_OF_PART[kind], boat, { x, z: 0.5 });
  if (region === null) return { location: usual, region };
  const short = region.surface === 'hull' || region.surface === 'deck';
  const placed = short ? { ...region, from: x - NEW_LENGTH / 2, to: x + NEW_LENGTH / 2 } : region;
  return { location: locationOf(placed) ?? usual, region: placed };
}
