import type { BoatCost } from '../cost';
import type { Cutting } from './cutting';
import type { MixingPlan } from './mix/mixingPlan';

/** A line of what is bought for one boat. */
export interface Purchase {
  name: string;
  kind: 'cloth' | 'core' | 'resin' | 'hardener' | 'coating' | 'other' | 'consumable';
  /** What is needed with what is cut away or lost, in its unit. */
  need: number;
  unit: string;
  /** Whole packs: rolls, sheets; null where it is bought loose. */
  packs: { count: number; of: string } | null;
  supplier: string | null;
  /** Money for what is needed; null where it has no price. */
  cost: number | null;
}

/**
 * All that is bought for one boat: cloth by the roll, core by the sheet, resin with its hardener, consumables by area.
 *
 * @param cost of the boat, which knows what is laid, what is cut away and what is paid.
 * @param mixing null where nothing is mixed.
 */
export function purchaseList(cost: BoatCost, mixing: MixingPlan | null, cutting: Cutting): Purchase[] {
  const materials = cost.materials.map(({ material, thickness, area, mass, waste, offer, cost: own }): Purchase => {
    const more = 1 + waste;
    const base = { name: material.name, supplier: offer?.supplier || null, cost: own };
    if (material.kind === 'fabric' && area !== null) {
      const metres = (area * more) / (material.width.value - 2 * cutting.selvage);
      const rolls = Math.ceil(metres / material.rollLength.value - 1e-9);
      return {
        ...base,
        kind: 'cloth',
        need: metres,
        unit: 'm',
        packs: { count: rolls, of: `rolls of ${material.rollLength.value} m` },
      };
    }
    if (material.kind === 'core' && area !== null) {
      const sheets = Math.ceil((area * more) / (cutting.sheetWidth * cutting.sheetLength) - 1e-9);
      const size = `${Math.round(1000 * cutting.sheetWidth)} × ${Math.round(1000 * cutting.sheetLength)} mm`;
      const name = thickness === null ? material.name : `${material.name}, ${Number((1000 * thickness).toFixed(1))} mm`;
      return {
        ...base,
        name,
        kind: 'core',
        need: area * more,
        unit: 'm²',
        packs: { count: sheets, of: `sheets of ${size}` },
      };
    }
    const kind = material.kind === 'resin' || material.kind === 'coating' ? material.kind : 'other';
    return { ...base, kind, need: mass * more, unit: 'kg', packs: null };
  });
  const hardeners = new Map<string, number>();
  for (const { hardener, batches } of mixing?.stages ?? [])
    hardeners.set(
      hardener.name,
      (hardeners.get(hardener.name) ?? 0) + batches.reduce((sum, batch) => sum + batch.hardener, 0),
    );
  const hardened = [...hardeners].map(([name, need]): Purchase => {
    return { name, kind: 'hardener', need, unit: 'kg', packs: null, supplier: null, cost: null };
  });
  const consumables = cost.consumables.map(({ name, unit, quantity, cost: own }): Purchase => {
    return { name, kind: 'consumable', need: quantity, unit, packs: null, supplier: null, cost: own };
  });
  return [...materials, ...hardened, ...consumables];
}
