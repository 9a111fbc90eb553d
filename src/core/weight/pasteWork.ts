import type { DetailEvaluation } from '../detail/kinds';
import type { Boat } from '../document';
import { stiffenerMasses, type ZoneEvaluation } from '../evaluate';
import type { Material } from '../material';
import { coreBonding } from './coreBonding';

/** An adhesive of the Shelf. */
export type Adhesive = Extract<Material, { kind: 'adhesive' }>;

/** What is glued, filleted or bedded (kg), and with what: none is the boat's own resin, thickened. */
export interface PasteWork {
  of: string;
  name: string;
  mass: number;
  adhesive: Adhesive | null;
}

/**
 * What joins the boat besides her laminate: adhesives and fillets of details, glue under the flanges of stiffeners,
 * and what cores are bedded in, part by part; not what they take up in a fill.
 *
 * @param evaluations of every zone by id.
 */
export function pasteWork(
  boat: Boat,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
  details: readonly DetailEvaluation[],
): { details: PasteWork[]; stiffeners: PasteWork[]; cores: PasteWork[] } {
  const adhesiveOf = (id: string | null): Adhesive | null => {
    const found = boat.materials.find((material) => material.id === id);
    return found?.kind === 'adhesive' ? found : null;
  };
  return {
    details: details.flatMap(({ detail, pastes, problem }) =>
      (problem === null ? pastes : []).map(({ material, name, mass }) => {
        return { of: detail.name, name, mass, adhesive: adhesiveOf(material) };
      }),
    ),
    stiffeners: stiffenerMasses(boat).flatMap(({ support: { name, section }, glue }) => {
      const adhesive = adhesiveOf(boat.sections.find(({ id }) => id === section)?.adhesive ?? null);
      return glue > 0 ? [{ of: name, name: 'Bond of its flanges', mass: glue, adhesive }] : [];
    }),
    // Filled, the kerfs take up the resin of the fill.
    cores: coreBonding(boat, evaluations).flatMap(({ name, mass, bond }) => {
      const paste = boat.brief.process === 'infusion' ? bond : mass;
      return paste > 0 ? [{ of: name, name: 'Bedding of cores', mass: paste, adhesive: null }] : [];
    }),
  };
}
