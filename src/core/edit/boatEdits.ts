import { invalid } from '../error';
import { checkBoat, ingredients, type Boat, checkBrief } from '../document';
import { materialsOfDetail } from '../detail/kinds/detailSchema';
import type { Edit, EditsOf } from './editSchema';
import { gone, without, withAt, replaced, restoring } from './find';

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
    const taken = { ...boat, ...state };
    checkBoat(taken);
    return [taken, { type: 'boat.take', state: restoring<Omit<Boat, 'name'>>(boat, state), from }];
  },
  'brief.set': (boat, { patch }) => {
    const brief = { ...boat.brief, ...patch };
    checkBrief(brief);
    if (boat.materials.find((m) => m.id === brief.resin)?.kind !== 'resin')
      throw invalid('brief.resin', `The resin "${brief.resin}" is not among the boat's materials`);
    return [
      { ...boat, brief },
      { type: 'brief.set', patch: restoring(boat.brief, patch) },
    ];
  },
  'material.put': (boat, { material }) => {
    const at = boat.materials.findIndex((m) => m.id === material.id);
    const missing = ingredients(material).find((id) => boat.materials.find((m) => m.id === id)?.kind !== 'fibre');
    if (missing)
      throw invalid(
        'material.components',
        `${material.name} needs the fibre "${missing}", which is not among the boat's materials`,
      );
    if (at < 0)
      return [
        { ...boat, materials: [...boat.materials, material] },
        { type: 'material.drop', materialId: material.id },
      ];
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
    const used =
      boat.brief.resin === materialId ||
      boat.materials.some((m) => ingredients(m).includes(materialId)) ||
      boat.parts.some((part) => part.layers.some((layer) => layer.material === materialId)) ||
      boat.sections.some(
        ({ former, layers }) => former === materialId || layers.some(({ material }) => material === materialId),
      ) ||
      boat.references.some(({ layers }) => layers.some(({ material }) => material === materialId)) ||
      boat.details.some((detail) => materialsOfDetail(detail).includes(materialId));
    if (used) throw invalid('materialId', `${boat.materials[at]!.name} is in use in this boat`);
    const rest = without(boat.materials, at);
    if (at !== rest.length)
      throw invalid(
        'materialId',
        "Only the material that came last can be taken back; the others stay in the boat's book",
      );
    return [
      { ...boat, materials: rest },
      { type: 'material.put', material: boat.materials[at]! },
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
    if (boat.acceptances.some(({ id }) => id === acceptance.id))
      throw invalid('acceptance.id', `The id "${acceptance.id}" is taken in this boat`);
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
