import type { DetailEvaluation } from '../detail/kinds';
import type { Boat } from '../document';
import { membersOf, sectionProperties, type LaidLayer, type ZoneEvaluation } from '../evaluate';
import { KeramosError } from '../error';
import { fabricArealWeight, type Core, type Fabric, type Material } from '../material';
import { coreBonding } from './coreBonding';
import { lapAreas } from './lapAreas';
import { pasteWork } from './pasteWork';

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
 * What is taken of each material: zones with their laps and run-outs, stiffeners, details with their adhesive, metal
 * and boards; most of it first within fabrics, cores, wood, coatings, adhesives and metals; last the resin, fillets and
 * bedding of cores with it. Net of waste and offcuts. Core that a fitting takes out counts as laid; the cloth of
 * solid laminate in its place ({@link unlisted}) does not.
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
    for (const { laid, area } of lapAreas(boat, part, evaluations)) lay(laid, part.number * area);
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

  for (const { layers, brings, mass, problem } of details) {
    if (problem !== null) continue;
    for (const { material, length, breadth, count } of layers) {
      const area = length * breadth * count;
      const fabric = known.get(material);
      add(material, null, area, fabric?.kind === 'fabric' ? area * asBought(fabric) : 0);
    }
    for (const brought of brings) add(brought.material, null, null, brought.mass);
    resin += mass.resin;
  }
  for (const { mass, adhesive } of Object.values(pasteWork(boat, evaluations, details)).flat())
    if (adhesive) add(adhesive.id, null, null, mass);
    else resin += mass;
  if (boat.brief.process === 'infusion') for (const { kerf } of coreBonding(boat, evaluations)) resin += kerf;

  const ORDER = ['fabric', 'core', 'wood', 'coating', 'adhesive', 'metal'];
  const listed = [...uses.values()]
    .filter(({ area, mass }) => mass > 0 || (area ?? 0) > 0)
    .sort((a, b) => ORDER.indexOf(a.material.kind) - ORDER.indexOf(b.material.kind) || b.mass - a.mass);
  const laminating = known.get(boat.brief.resin);
  return laminating && resin > 0
    ? [...listed, { material: laminating, thickness: null, area: null, mass: resin }]
    : listed;
}

/** Cloth of solid laminate in the place of cores under fittings, of which no layer is said (kg). */
export function unlisted(boat: Boat, details: readonly DetailEvaluation[]): { name: string; mass: number }[] {
  const known = new Map(boat.materials.map((material) => [material.id, material]));
  const laid = ({ material, length, breadth, count }: DetailEvaluation['layers'][number]) => {
    const fabric = known.get(material);
    return fabric?.kind === 'fabric' ? length * breadth * count * asBought(fabric) : 0;
  };
  return details.flatMap(({ detail, layers, mass, problem }) => {
    const rest = problem === null ? mass.fibre - layers.reduce((sum, layer) => sum + laid(layer), 0) : 0;
    return rest > 1e-6 ? [{ name: detail.name, mass: rest }] : [];
  });
}
