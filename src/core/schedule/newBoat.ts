import type { ZoneGeometry } from '../geometry';
import { GENERIC_MATERIALS } from '../material';
import type { Boat, Part, Zone } from './boat';
import { SMALL_CRAFT_PACK, type ZoneLocation } from '../standard';

/** Figures a new zone starts with, to be replaced by the boat's own. */
export function newZone(id: string, name: string, location: ZoneLocation, geometry: Partial<ZoneGeometry> = {}): Zone {
  const side = location === 'side' || location === 'transom';
  return {
    id,
    name,
    location,
    geometry: {
      area: 1,
      centroidX: 2,
      centroidZ: 0.5,
      panelLength: 1,
      panelBreadth: 0.5,
      crown: 0,
      panelX: 2,
      edgeHeight: side ? 0.8 : null,
      centreHeight: side ? 0.4 : null,
      head: location === 'bulkhead' ? 0.8 : null,
      ...geometry,
    },
    load: null,
  };
}

/** A boat to begin with: plausible particulars of a small motor boat, hull and deck with their first zones, nothing laid yet. */
export function newBoat(name: string): Boat {
  const hull: Part = {
    id: 'hull',
    name: 'Hull',
    kind: 'hull',
    zones: [newZone('bottom', 'Bottom', 'bottom', { area: 9, centroidX: 2.6, centroidZ: 0.2 }), newZone('side', 'Side', 'side', { area: 8, centroidX: 2.6, centroidZ: 0.7 })],
    layers: [],
  };
  const deck: Part = { id: 'deck', name: 'Deck', kind: 'deck', zones: [newZone('deck-main', 'Deck', 'deck', { area: 5, centroidX: 3, centroidZ: 1.1 })], layers: [] };
  return {
    name,
    brief: {
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
      pack: SMALL_CRAFT_PACK.id,
      knockDowns: { characteristic: true, wet: true, hot: false, fatigue: false, process: true },
      use: '',
    },
    materials: GENERIC_MATERIALS.filter((material) => material.id === 'polyester-iso'),
    parts: [hull, deck],
    acceptances: [],
  };
}
