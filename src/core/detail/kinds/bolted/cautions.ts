import type { Material } from '../../../material';
import type { LaidLayer } from '../../../evaluate';
import { need, type DetailCaution, type Scene } from '../scene';
import type { DetailOf } from '../schema';
import type { BoltedGround } from './ground';

type Metal = Extract<Material, { kind: 'metal' }>;

/** Potentials in sea water that stand further apart than this eat the lesser metal, V. */
const GALVANIC = 0.2;

export const plateMetalOf = ({ book }: Scene, { plate }: DetailOf<'bolted'>): Metal | null =>
  plate && need(book, plate.metal, 'metal', 'Backing plate');

const hasCarbon = (laid: readonly LaidLayer[]) =>
  laid.some(({ components }) => components.some(({ fibre }) => fibre.family === 'carbon'));
const isTough = ({ components }: LaidLayer) =>
  components.some(({ fibre, form }) => fibre.family === 'aramid' || form === 'randomMat' || fibre.family === 'eGlass');

/** What is said against a bolted fitting though every figure may hold. */
export function boltedCautions(scene: Scene, detail: DetailOf<'bolted'>, ground: BoltedGround): DetailCaution[] {
  const { laid, own, metal } = ground;
  const { edgeDistance, boltDiameter: d } = detail;
  const cautions: DetailCaution[] = [];
  if (hasCarbon([...laid, ...own]))
    cautions.push({
      severity: 'warning',
      title: 'Carbon at metal',
      text: `Carbon and ${metal.name.toLowerCase()} make a cell in the wet: glass between, sealant in every hole.`,
    });
  const plateMetal = plateMetalOf(scene, detail);
  const apart = plateMetal ? Math.abs(plateMetal.potential.value - metal.potential.value) : 0;
  if (plateMetal && apart > GALVANIC)
    cautions.push({
      severity: 'warning',
      title: 'Unlike metals',
      text:
        `${plateMetal.name} and ${metal.name.toLowerCase()} stand ` +
        `${apart.toFixed(2)} V apart in sea water: insulate, or take one metal.`,
    });
  if (detail.core === 'plywood')
    cautions.push({
      severity: 'advice',
      title: 'Plywood takes water',
      text: 'Seal every hole through it: drill oversize, fill with thickened epoxy, drill again.',
    });
  if (detail.stands === 'support')
    cautions.push({
      severity: 'warning',
      title: 'What it stands over',
      text:
        'The bulkhead, frame or beam under it takes the force: the tie between them, and what it does ' +
        'to that member, are not checked here.',
    });
  if (edgeDistance < 3 * d)
    cautions.push({
      severity: 'advice',
      title: 'Close to the edge',
      text: `The edge is ${(edgeDistance / d).toFixed(1)} diameters away; three is usual.`,
    });
  if (hasCarbon(own) && !own.some(isTough))
    cautions.push({
      severity: 'advice',
      title: 'Stiff fibre alone',
      text: 'A patch of carbon alone works loose at the holes: lay a tough layer of glass or aramid on both faces.',
    });
  return cautions;
}
