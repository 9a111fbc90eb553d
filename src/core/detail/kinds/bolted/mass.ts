import { addMass, need, sheetMass, type Brought, type DetailMass, type Scene } from '../scene';
import type { DetailOf } from '../schema';
import { plateMetalOf } from './cautions';
import type { BoltedGround } from './ground';

/** Share of fibre in the mass of solid laminate that fills a core's place. */
const FIBRE_SHARE = 0.55;
/** Head, nut and washers over the mass of the plain shank; length of thread that stands out, m. */
const HEAD_AND_NUT = 1.6;
const STANDS_OUT = 0.03;

/** Mass of solid laminate in the place of the core, kg/m². */
function solidInCore({ laid, coreThickness, thickness }: BoltedGround): number {
  if (thickness <= 0) return 0;
  const mass = laid.reduce((sum, one) => sum + one.fibreMass + one.resinMass, 0);
  const laidThickness = laid.reduce((sum, one) => sum + one.thickness, 0);
  return (coreThickness * mass) / Math.max(1e-6, laidThickness);
}

/** Over which the core gives way: the base and half the bevel to each side (m²), of all the number. */
const inPlaceArea = ({ base, number }: DetailOf<'bolted'>, { run }: BoltedGround) =>
  (base[0] + run) * (base[1] + run) * number;

/** What takes the core's place over the base and half its bevel, less the core that goes out. */
function inCoresPlace(detail: DetailOf<'bolted'>, ground: BoltedGround): Partial<DetailMass> {
  const { cores, coreThickness, insert } = ground;
  if (cores.length === 0) return {};
  const area = inPlaceArea(detail, ground);
  const coreOut = cores.reduce((sum, one) => sum + one.coreMass, 0);
  const inserted = (insert?.density.value ?? 0) * coreThickness;
  const solid = detail.core === 'solid' ? solidInCore(ground) : 0;
  return {
    core: area * ((insert?.kind === 'core' ? inserted : 0) - coreOut),
    fibre: area * solid * FIBRE_SHARE,
    resin: area * solid * (1 - FIBRE_SHARE),
    other: insert?.kind === 'wood' ? area * inserted : 0,
  };
}

/** Metal of a bolted fitting and what is let in for its core, all of its number together, kg. */
export function boltedBrings(scene: Scene, detail: DetailOf<'bolted'>, ground: BoltedGround): Brought[] {
  const { bolts, boltDiameter: d, base, plate, tapped, number } = detail;
  const { thickness, coreThickness, metal, insert } = ground;
  const shank = (Math.PI / 4) * d ** 2 * (thickness + coreThickness + STANDS_OUT) * metal.density.value;
  const brought = [{ material: metal.id, mass: number * bolts.length * shank * HEAD_AND_NUT }];
  if (plate) {
    const backing = plateMetalOf(scene, detail)!;
    const mass = number * plate.length * plate.breadth * plate.thickness * backing.density.value;
    brought.push({ material: backing.id, mass });
  }
  if (tapped) {
    const under = need(scene.book, tapped.metal, 'metal', 'Tapped plate');
    brought.push({
      material: under.id,
      mass: number * base[0] * base[1] * tapped.thickness * under.density.value,
    });
  }
  if (insert && ground.cores.length > 0)
    brought.push({ material: insert.id, mass: inPlaceArea(detail, ground) * coreThickness * insert.density.value });
  return brought;
}

/** Mass of a bolted fitting, all of its number together, kg; negative where more core goes out than comes in. */
export function boltedMass(scene: Scene, detail: DetailOf<'bolted'>, ground: BoltedGround): DetailMass {
  const sheets = detail.sheets.map((sheet) => ({ ...sheet, count: detail.number }));
  const metalwork = boltedBrings(scene, detail, ground)
    .filter(({ material }) => scene.book.materials.get(material)!.kind === 'metal')
    .reduce((sum, { mass }) => sum + mass, 0);
  return addMass(addMass(sheetMass(scene.book, sheets), inCoresPlace(detail, ground)), { other: metalwork });
}
