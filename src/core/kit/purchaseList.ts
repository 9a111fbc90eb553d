import type { BoatCost } from '../cost';
import { KeramosError } from '../error';
import type { Material } from '../material';
import { sheetPlan, type Board } from './cut/sheetPlan';
import type { Piece } from './pieces/piece';
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

/** Of what is taken from a roll, the share that ends in pieces: what lays of boats reach without looking long. */
const IN_PIECES = 0.7;

/** Sheets that the pieces of a core are sawn from; null where one is larger than a sheet. */
function sheetsFor(core: Board, pieces: readonly Piece[], cutting: Cutting): number | null {
  try {
    return sheetPlan(core, pieces, cutting).sheets.length;
  } catch (error) {
    if (error instanceof KeramosError) return null;
    throw error;
  }
}

/** kg of the boat's own resin in every batch, pastes of it and what a fill draws with them, and of its hardener. */
function mixedOf(mixing: MixingPlan | null): { resin: number; hardener: number } {
  const batches = (mixing?.stages ?? [])
    .filter(({ kind, hardener }) => kind !== 'coating' && hardener.share > 0)
    .flatMap((stage) => stage.batches);
  const sum = (pick: 'resin' | 'hardener') => batches.reduce((total, batch) => total + batch[pick], 0);
  return { resin: sum('resin'), hardener: sum('hardener') };
}

/**
 * All that is bought for one boat: cloth by the roll, core by the sheet, resin with its hardener, consumables by area.
 *
 * Cloth is what the pieces take with laps and trim, seven tenths of the roll ending in them, and core the sheets that
 * they are sawn from: never less than what is laid with its share cut away. Resin is what is mixed, and never less than
 * what is laid with its share wasted.
 *
 * @param cost of the boat, which knows what is laid, what is cut away and what is paid.
 * @param mixing null where nothing is mixed.
 */
export function purchaseList(
  cost: BoatCost,
  mixing: MixingPlan | null,
  { cutting, pieces, materials: known }: { cutting: Cutting; pieces: readonly Piece[]; materials: readonly Material[] },
): Purchase[] {
  const materials = cost.materials.map(({ material, thickness, area, mass, waste, offer, cost: own }): Purchase => {
    const more = 1 + waste;
    const base = { name: material.name, supplier: offer?.supplier || null, cost: own };
    if (material.kind === 'fabric' && area !== null) {
      const width = material.width.value - 2 * cutting.selvage;
      const cut = pieces
        .filter((piece) => piece.material === material.id)
        .reduce((sum, piece) => sum + piece.area * piece.count, 0);
      const laid = (area * more) / width;
      const metres = Math.max(laid, cut / (IN_PIECES * width));
      const dearer = laid > 0 && own !== null ? (own * metres) / laid : own;
      const rolls = Math.ceil(metres / material.rollLength.value - 1e-9);
      return {
        ...base,
        cost: dearer,
        kind: 'cloth',
        need: metres,
        unit: 'm',
        packs: { count: rolls, of: `${rolls === 1 ? 'roll' : 'rolls'} of ${material.rollLength.value} m` },
      };
    }
    if (material.kind === 'core' && area !== null) {
      const one = cutting.sheetWidth * cutting.sheetLength;
      const sawn = pieces.filter((piece) => piece.material === material.id && piece.thickness === thickness);
      const sheets = Math.max(Math.ceil((area * more) / one - 1e-9), sheetsFor(material, sawn, cutting) ?? 0);
      const dearer = own !== null && area > 0 ? (own * sheets * one) / (area * more) : own;
      const size = `${Math.round(1000 * cutting.sheetWidth)} × ${Math.round(1000 * cutting.sheetLength)} mm`;
      const name = thickness === null ? material.name : `${material.name}, ${Number((1000 * thickness).toFixed(1))} mm`;
      return {
        ...base,
        name,
        cost: dearer,
        kind: 'core',
        need: area * more,
        unit: 'm²',
        packs: { count: sheets, of: `${sheets === 1 ? 'sheet' : 'sheets'} of ${size}` },
      };
    }
    if (material.kind === 'resin') {
      const { resin, hardener } = mixedOf(mixing);
      // What is laid is resin with its hardener, and priced so.
      const without = resin > 0 ? resin / (resin + hardener) : 1;
      const need = Math.max(mass * more * without, resin);
      const dearer = own !== null && mass > 0 ? (own * need) / (mass * more * without) : own;
      return { ...base, kind: 'resin', cost: dearer, need, unit: 'kg', packs: null };
    }
    return {
      ...base,
      kind: material.kind === 'coating' ? 'coating' : 'other',
      need: mass * more,
      unit: 'kg',
      packs: null,
    };
  });
  const hardeners = new Map<string, number>();
  for (const { hardener, batches } of mixing?.stages ?? [])
    if (hardener.share > 0)
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
  return [...materials, ...besides(cost, { cutting, pieces, materials: known }), ...hardened, ...consumables];
}

/** Cloth and boards of pieces that are of nothing laid: boxes and pieces of their own. */
function besides(
  cost: BoatCost,
  { cutting, pieces, materials }: { cutting: Cutting; pieces: readonly Piece[]; materials: readonly Material[] },
): Purchase[] {
  const laid = new Set(cost.materials.map(({ material, thickness }) => `${material.id} ${thickness ?? ''}`));
  const groups = new Map<string, Piece[]>();
  for (const piece of pieces) {
    const key = `${piece.material} ${piece.thickness ?? ''}`;
    if (!laid.has(key)) groups.set(key, [...(groups.get(key) ?? []), piece]);
  }
  return [...groups.values()].flatMap((own): Purchase[] => {
    const material = materials.find(({ id }) => id === own[0]!.material);
    const area = own.reduce((sum, piece) => sum + piece.area * piece.count, 0);
    const none = { supplier: null, cost: null };
    if (material?.kind === 'fabric') {
      const need = area / (IN_PIECES * (material.width.value - 2 * cutting.selvage));
      const count = Math.ceil(need / material.rollLength.value - 1e-9);
      const packs = { count, of: `${count === 1 ? 'roll' : 'rolls'} of ${material.rollLength.value} m` };
      return [{ ...none, name: material.name, kind: 'cloth', need, unit: 'm', packs }];
    }
    if (material?.kind !== 'core' && material?.kind !== 'wood') return [];
    const thickness = own[0]!.thickness ?? 0;
    const least = Math.ceil(area / (cutting.sheetWidth * cutting.sheetLength) - 1e-9);
    const count = Math.max(least, sheetsFor(material, own, cutting) ?? 0);
    const size = `${Math.round(1000 * cutting.sheetWidth)} × ${Math.round(1000 * cutting.sheetLength)} mm`;
    const name = `${material.name}, ${Number((1000 * thickness).toFixed(1))} mm`;
    return [
      {
        ...none,
        name,
        kind: 'core',
        need: area,
        unit: 'm²',
        packs: { count, of: `${count === 1 ? 'sheet' : 'sheets'} of ${size}` },
      },
    ];
  });
}
