import type { Boat } from '../document';
import type { ZoneEvaluation } from '../evaluate';
import type { BoughtMaterial } from './boatCost';

/** What a layer of a part comes to in material, its resin with it, in the yard's money. */
export interface LayerCost {
  partId: string;
  layerId: string;
  /** Place in the laying order, from 1. */
  number: number;
  code: string;
  area: number;
  mass: number;
  /** null where its material has no price. */
  cost: number | null;
}

/**
 * The cost of materials layer by layer: each takes its share of what is bought of its material, cut-offs and roll ends
 * with it, and its share of the resin. What lies in overlaps, stiffeners and details is not a layer's.
 *
 * @param bought of the boat ({@link boatCost}).
 */
export function layerCosts(
  boat: Boat,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
  bought: readonly BoughtMaterial[],
): LayerCost[] {
  const perUnit = (id: string): { perKilogram: number | null; perArea: number | null } => {
    const own = bought.filter(({ material }) => material.id === id);
    const sum = (pick: (one: BoughtMaterial) => number | null) => own.reduce((all, one) => all + (pick(one) ?? 0), 0);
    const [cost, mass, area] = [sum((one) => one.cost), sum((one) => one.mass), sum((one) => one.area)];
    const priced = own.length > 0 && own.every((one) => one.cost !== null);
    return {
      perKilogram: priced && mass > 0 ? cost / mass : null,
      perArea: priced && area > 0 ? cost / area : null,
    };
  };
  const known = new Map<string, ReturnType<typeof perUnit>>();
  const priceOf = (id: string) => {
    const found = known.get(id) ?? perUnit(id);
    known.set(id, found);
    return found;
  };
  const resinPrice = priceOf(boat.brief.resin).perKilogram;
  return boat.parts.flatMap((part) =>
    part.layers.map((layer, i): LayerCost => {
      let [area, mass, cost] = [0, 0, 0 as number | null];
      let code = layer.material;
      for (const zone of part.zones) {
        const laid = evaluations.get(zone.id)!.layers.find((one) => one.layer.id === layer.id);
        if (!laid) continue;
        const there = zone.geometry.area * part.number;
        const own = laid.fibreMass + laid.bindingMass + laid.coreMass + laid.woodMass + laid.coatingMass;
        const price = priceOf(laid.material.id);
        // What comes off again has no mass in the boat: it goes by its area.
        const material = own > 0 ? price.perKilogram && price.perKilogram * own : price.perArea;
        const resin = laid.resinMass > 0 ? resinPrice && resinPrice * laid.resinMass : 0;
        code = laid.material.code;
        area += there;
        mass += there * (own + laid.resinMass);
        cost = cost === null || material === null || resin === null ? null : cost + there * (material + resin);
      }
      return { partId: part.id, layerId: layer.id, number: i + 1, code, area, mass, cost };
    }),
  );
}
