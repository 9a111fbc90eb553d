import type { DetailEvaluation } from '../detail/kinds';
import type { Boat } from '../document';
import { membersOf, sectionProperties, type LaidLayer, type ZoneEvaluation } from '../evaluate';
import { KeramosError } from '../error';
import { linesOfPart } from '../lines';
import { fabricArealWeight, type Core, type Fabric, type Material } from '../material';

/** What a boat takes of a material, as laid, without waste: area of cloth, core or coating (m²), mass (kg). */
export interface MaterialUse {
  material: Material;
  /** Thickness of a core, a sheet of wood or a coating (m); null of a fabric and of what is taken by mass alone. */
  thickness: number | null;
  area: number | null;
  mass: number;
}

const own = ({ fibreMass, bindingMass, coreMass, woodMass, coatingMass }: LaidLayer) =>
  fibreMass + bindingMass + coreMass + woodMass + coatingMass;

/** Of a fabric with its stitching and binder, kg/m². */
const asBought = (fabric: Fabric) => fabricArealWeight(fabric) + fabric.bindingWeight.value;

/**
 * What is laid of each material in zones with their laps and run-outs, stiffeners and the layers of details, most of
 * it first within fabrics, cores, wood and coatings; the resin of zones, laps and stiffeners last. Net: waste, offcuts
 * and what a detail brings besides its layers (metal, adhesive, replaced core, their resin) are not in it.
 *
 * @param evaluations of every zone by id.
 * @example materialList(boat, evaluate(boat), evaluateDetails(boat))[0] // { material: BX45 600, area: 61.2, mass: 37 }
 */
export function materialList(
  boat: Boat,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
  details: readonly DetailEvaluation[],
): MaterialUse[] {
  const known = new Map(boat.materials.map((material) => [material.id, material]));
  const uses = new Map<string, MaterialUse>();
  let resin = 0;
  const add = (id: string, thickness: number | null, area: number | null, mass: number) => {
    const material = known.get(id);
    if (!material) return;
    const given = material.kind === 'fabric' || area === null ? null : thickness;
    const key = `${id}|${given ?? ''}`;
    const use = uses.get(key) ?? { material, thickness: given, area: area === null ? null : 0, mass: 0 };
    uses.set(key, { ...use, area: area === null ? null : (use.area ?? 0) + area, mass: use.mass + mass });
  };
  const lay = (laid: LaidLayer, area: number) => {
    add(laid.material.id, laid.thickness, area, area * own(laid));
    resin += area * laid.resinMass;
  };

  for (const part of boat.parts) {
    for (const zone of part.zones)
      for (const laid of evaluations.get(zone.id)!.layers) lay(laid, part.number * zone.geometry.area);
    if (part.joins.length > 0)
      for (const { line, layers, join } of linesOfPart(boat, part, evaluations))
        for (const { laid, lap, past } of layers)
          if ((lap ?? 0) + past > 0) lay(laid, part.number * (join.length ?? line.length ?? 0) * ((lap ?? 0) + past));
  }

  const places = membersOf(boat);
  for (const support of boat.supports) {
    const section = boat.sections.find(({ id }) => id === support.section);
    const length = places.get(support.id)?.length ?? 0;
    if (!section || length === 0) continue;
    try {
      const properties = sectionProperties(boat, section);
      section.layers.forEach(({ material }, i) => {
        const fabric = known.get(material);
        const area = length * properties.breadths[i]!;
        if (fabric?.kind === 'fabric') add(material, null, area, area * asBought(fabric));
      });
      resin += length * properties.resin;
      const former = section.former === null ? undefined : known.get(section.former);
      if (former && properties.core > 0) add((former as Core).id, null, null, length * properties.core);
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
    }
  }

  for (const { detail, layers, problem } of details)
    for (const { material, length, breadth, count } of problem === null ? layers : []) {
      const area = length * breadth * count * detail.number;
      const fabric = known.get(material);
      add(material, null, area, fabric?.kind === 'fabric' ? area * asBought(fabric) : 0);
    }

  const ORDER = ['fabric', 'core', 'wood', 'coating'];
  const listed = [...uses.values()]
    .filter(({ area, mass }) => mass > 0 || (area ?? 0) > 0)
    .sort((a, b) => ORDER.indexOf(a.material.kind) - ORDER.indexOf(b.material.kind) || b.mass - a.mass);
  const laminating = known.get(boat.brief.resin);
  return laminating && resin > 0
    ? [...listed, { material: laminating, thickness: null, area: null, mass: resin }]
    : listed;
}
