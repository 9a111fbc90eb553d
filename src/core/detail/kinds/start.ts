import type { Boat } from '../../document';
import type { Detail, DetailKind, DetailOf } from './schema';
import type { detailFields } from './common/schema';

/** What the boat's book has for a detail to begin with; an empty id where it has nothing of the kind. */
export interface StartingMaterials {
  fabric: string;
  unidirectional: string;
  biaxial: string;
  metal: string;
  adhesive: string;
  wood: string;
  core: string;
  /** A core dense enough for bolts. */
  board: string;
  /** The first support that has a section. */
  stiffener: string;
  hullLength: number;
}

type Own<K extends DetailKind> = Omit<DetailOf<K>, keyof typeof detailFields | 'kind'> & Partial<Pick<Detail, 'load'>>;
/** The fields of a kind to begin with; those that every detail has are filled in around them. */
export type Start<K extends DetailKind> = (from: StartingMaterials) => Own<K>;

type Material = Boat['materials'][number];
const DENSE = 300;

/** What a boat offers to a new detail. */
export function startingMaterials(boat: Boat): StartingMaterials {
  const first = (kind: Material['kind'], prefer: (material: Material) => boolean = () => true): string =>
    (
      boat.materials.find((material) => material.kind === kind && prefer(material)) ??
      boat.materials.find((material) => material.kind === kind)
    )?.id ?? '';
  const runsDiagonally = (material: Material) =>
    material.kind === 'fabric' &&
    material.components.some(({ sublayers }) => sublayers.some(({ angleDeg }) => Math.abs(angleDeg) === 45));
  return {
    fabric: first('fabric'),
    unidirectional: first('fabric', (material) => material.kind === 'fabric' && material.family === 'unidirectional'),
    biaxial: first('fabric', runsDiagonally),
    metal: first('metal'),
    adhesive: first('adhesive'),
    wood: first('wood'),
    core: first('core'),
    board: first('core', (material) => material.kind === 'core' && material.density.value >= DENSE),
    stiffener: boat.supports.find(({ section }) => section !== null)?.id ?? '',
    hullLength: boat.brief.hullLength,
  };
}
