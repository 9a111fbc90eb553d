import { FLUSH_DECK, HOLDS_ALONG, HOLDS_ONLY, shapeFor } from '../geometry';
import { GENERIC_MATERIALS } from '../material';
import { SMALL_CRAFT_PACK } from '../standard';
import type { Boat } from './boat';
import { briefSchema, particularsOf } from './brief';
import { laterFields } from './entity';
import { newPart, newZone } from './newEntities';
import { settleGeometry } from './settleGeometry';

const hundredths = (metres: number) => Number(metres.toFixed(2));
/** Waterline of a boat of which only the length is known (m). */
export const defaultWaterline = (hullLength: number) => hundredths(0.883 * hullLength);
/** Beam at the chine of a boat of which only the greatest beam is known (m). */
export const defaultChineBeam = (maximumBeam: number) => hundredths(0.82 * maximumBeam);
/** Where a new boat has its floor and beam and its bulkhead, and where its stringer used to end, over the length. */
export const USUAL_PLACES = [0.3, 0.6, 5 / 6] as const;

/**
 * A boat to begin with: plausible particulars of a small motor boat, hull and deck with their first zones, nothing
 * laid yet.
 */
export function newBoat(name: string): Boat {
  const brief: Boat['brief'] = {
    kind: 'motor',
    designCategory: 'C',
    hullLength: 6,
    waterlineLength: 5.3,
    maximumBeam: 2.2,
    chineBeam: 1.8,
    deadriseDeg: 18,
    loadedMass: 1400,
    maxSpeedKnots: 20,
    weightTarget: 260,
    rightingLever60: null,
    process: 'handLayUp',
    resin: 'polyester-iso',
    quality: 'EL-c',
    posture: 'balanced',
    units: 'metric',
    knockDowns: { characteristic: true, wet: true, hot: false, fatigue: false, process: true },
    use: '',
    ...laterFields(briefSchema),
  };
  const [keel, chine, edge] = [{ kind: 'centreline' }, { kind: 'chine' }, { kind: 'deckEdge' }] as const;
  const hull = newPart({
    id: 'hull',
    name: 'Hull',
    kind: 'hull',
    zones: [
      newZone('bottom', 'Bottom', 'bottom', {
        region: { surface: 'hull', from: -1, to: 7, lower: keel, upper: chine },
      }),
      newZone('side', 'Side', 'side', { region: { surface: 'hull', from: -1, to: 7, lower: chine, upper: edge } }),
      newZone('transom', 'Transom', 'transom', { region: { surface: 'transom' } }),
    ],
  });
  const deck = newPart({
    id: 'deck',
    name: 'Deck',
    kind: 'deck',
    zones: [newZone('deck-main', 'Deck', 'deck', { region: { surface: 'deck', from: -1, to: 7 } })],
  });
  const bulkheads = newPart({
    id: 'bulkheads',
    name: 'Bulkheads',
    kind: 'bulkhead',
    zones: [newZone('bulkhead-1', 'Bulkhead', 'bulkhead', { region: { surface: 'section', x: 3.6, top: null } })],
  });
  const boat: Boat = {
    name,
    brief,
    materials: GENERIC_MATERIALS.filter((material) => material.id === 'polyester-iso'),
    parts: [hull, deck, bulkheads],
    acceptances: [],
    hull: shapeFor(particularsOf(brief), brief.kind),
    deck: FLUSH_DECK,
    supports: [
      { id: 'floor-1', name: 'Frame aft', kind: 'frame', x: 1.8, upTo: 'deckEdge', ...HOLDS_ONLY },
      {
        id: 'stringer-1',
        name: 'Bottom stringer',
        kind: 'stringer',
        band: 'bottom',
        share: 0.5,
        from: -1,
        to: 7,
        ...HOLDS_ALONG,
      },
      { id: 'beam-1', name: 'Deck beam aft', kind: 'beam', x: 1.8, ...HOLDS_ONLY },
    ],
    sections: [],
    references: [],
    packs: [SMALL_CRAFT_PACK],
    loads: [],
    details: [],
    items: [],
    spaces: [],
    pieceDrawings: [],
    jointPlacings: [],
    boxes: [],
    plugs: [],
    fillPlans: [],
    curePlans: [],
  };
  return settleGeometry({ ...boat, hull: null }, boat);
}
