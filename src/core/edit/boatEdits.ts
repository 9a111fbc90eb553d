import { invalid } from '../error';
import type { Boat } from '../document';
import type { Edit, EditsOf } from './editSchema';
import { gone, replaced, restoring, taken, withAt, without } from './find';

/** The boat itself, its brief, materials, hull, deck and accepted cautions. */
export const BOAT_EDITS: EditsOf<
  Extract<
    Edit['type'],
    | `boat.${string}`
    | `brief.${string}`
    | `caution.${string}`
    | `deck.${string}`
    | `hull.${string}`
    | `material.${string}`
  >
> = {
  'boat.rename': (boat, { name }) => [
    { ...boat, name },
    { type: 'boat.rename', name: boat.name },
  ],
  'boat.take': (boat, { state, from }) => {
    return [
      { ...boat, ...state },
      { type: 'boat.take', state: restoring<Omit<Boat, 'name'>>(boat, state), from },
    ];
  },
  'brief.set': (boat, { patch }) => [
    { ...boat, brief: { ...boat.brief, ...patch } },
    { type: 'brief.set', patch: restoring(boat.brief, patch) },
  ],
  'material.put': (boat, { material, index }) => {
    const at = boat.materials.findIndex((m) => m.id === material.id);
    if (at < 0) {
      const place = Math.min(index ?? boat.materials.length, boat.materials.length);
      return [
        { ...boat, materials: withAt(boat.materials, place, material) },
        { type: 'material.drop', materialId: material.id },
      ];
    }
    const old = boat.materials[at]!;
    if (old.kind !== material.kind)
      throw invalid('material.kind', `${old.name} is a ${old.kind} and cannot become a ${material.kind}`);
    return [
      { ...boat, materials: replaced(boat.materials, at, material) },
      { type: 'material.put', material: old },
    ];
  },
  'material.drop': (boat, { materialId }) => {
    const at = boat.materials.findIndex((m) => m.id === materialId);
    if (at < 0) throw gone('material', materialId);
    return [
      { ...boat, materials: without(boat.materials, at) },
      { type: 'material.put', material: boat.materials[at]!, index: at },
    ];
  },
  'hull.set': (boat, { hull }) => [
    { ...boat, hull },
    { type: 'hull.set', hull: boat.hull },
  ],
  'deck.set': (boat, { deck }) => [
    { ...boat, deck },
    { type: 'deck.set', deck: boat.deck },
  ],
  'caution.accept': (boat, { acceptance, index: at }) => {
    if (boat.acceptances.some(({ id }) => id === acceptance.id)) throw taken(acceptance.id);
    return [
      { ...boat, acceptances: withAt(boat.acceptances, Math.min(at, boat.acceptances.length), acceptance) },
      { type: 'caution.withdraw', acceptanceId: acceptance.id },
    ];
  },
  'caution.withdraw': (boat, { acceptanceId }) => {
    const at = boat.acceptances.findIndex(({ id }) => id === acceptanceId);
    if (at < 0) throw gone('acceptance', acceptanceId);
    return [
      { ...boat, acceptances: without(boat.acceptances, at) },
      { type: 'caution.accept', acceptance: boat.acceptances[at]!, index: at },
    ];
  },
};
