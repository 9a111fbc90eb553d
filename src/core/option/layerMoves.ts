import { fabricArealWeight, hasDirection, normalAngle, type Fabric, type Material } from '../material';
import { applyEdits, type Edit } from '../edit';
import { evaluateZone, targetOf, type ZoneEvaluation } from '../evaluate';
import type { Boat, Layer, Part, Zone } from '../document';

export const MOVE_KINDS = {
  remove: 'take it out',
  add: 'one more',
  turn45: 'turn by 45°',
  turn90: 'turn by 90°',
  swap: 'swap the fabric',
} as const;
export type MoveKind = keyof typeof MOVE_KINDS;

/** A single change of one layer and what it does. */
export interface LayerMove {
  id: string;
  kind: MoveKind;
  layerId: string;
  /** In words: 'layer 4, TX 900: turn to 90°'. */
  title: string;
  edits: Edit[];
  /** Mass of the boat, kg. */
  weight: number;
  /** Change of bending stiffness across the panel of the zone, as a share. */
  bending: number;
  /** Governing reserve factor of the zone after; null when it cannot be checked then. */
  reserveFactor: number | null;
  governs: string;
  /** Least governing reserve factor of all zones it touches. */
  leastReserve: number | null;
  /** In the yard's currency; null where a price is missing. */
  cost: number | null;
}

/** Where a change holds: in the selected zone alone, or wherever the layer runs. */
export type MoveScope = 'zone' | 'layer';

const SWAP_RANGE = [0.5, 1.7] as const;

function freshId(boat: Boat, base: string): string {
  const known = new Set(boat.parts.flatMap((part) => part.layers.map((layer) => layer.id)));
  for (let n = 2; ; n++) {
    const id = `${base.slice(0, 34)}-${n}`;
    if (!known.has(id)) return id;
  }
}

/** Edits that change a layer in its whole run, or in one zone only by putting a changed copy beside it there. */
function changed(
  boat: Boat,
  part: Part,
  layer: Layer,
  index: number,
  zone: Zone,
  scope: MoveScope,
  patch: Partial<Layer>,
): Edit[] {
  if (scope === 'layer' || layer.zones.length === 1) {
    const { material, angleDeg } = { ...layer, ...patch };
    return [{ type: 'layer.set', layerId: layer.id, patch: { material, angleDeg } }];
  }
  return [
    { type: 'layer.cover', layerId: layer.id, zoneId: zone.id, covered: false },
    {
      type: 'layer.add',
      partId: part.id,
      layer: { ...layer, ...patch, id: freshId(boat, layer.id), zones: [zone.id] },
      index: index + 1,
    },
  ];
}

function movesOf(
  boat: Boat,
  part: Part,
  zone: Zone,
  layer: Layer,
  index: number,
  scope: MoveScope,
  material: Material,
): { kind: MoveKind; title: string; edits: Edit[] }[] {
  const name = `layer ${index + 1}, ${'code' in material ? material.code : material.name}`;
  const takesOut: Edit[] =
    scope === 'layer' || layer.zones.length === 1
      ? [{ type: 'layer.remove', layerId: layer.id }]
      : [{ type: 'layer.cover', layerId: layer.id, zoneId: zone.id, covered: false }];
  const more: Layer = { ...layer, id: freshId(boat, layer.id), zones: scope === 'layer' ? layer.zones : [zone.id] };
  const moves: { kind: MoveKind; title: string; edits: Edit[] }[] = [
    { kind: 'remove', title: `${name}: take it out`, edits: takesOut },
  ];
  if (material.kind !== 'fabric') return moves;
  moves.push({
    kind: 'add',
    title: `${name}: one more`,
    edits: [{ type: 'layer.add', partId: part.id, layer: more, index: index + 1 }],
  });
  if (hasDirection(material))
    for (const [kind, by] of [['turn45', 45] as const, ['turn90', 90] as const]) {
      const angleDeg = normalAngle(layer.angleDeg + by);
      moves.push({
        kind,
        title: `${name}: turn to ${angleDeg}°`.replace('-', '−'),
        edits: changed(boat, part, layer, index, zone, scope, { angleDeg }),
      });
    }
  const weight = fabricArealWeight(material);
  for (const other of boat.materials) {
    if (other.kind !== 'fabric' || other.id === material.id) continue;
    const share = fabricArealWeight(other) / weight;
    if (share < SWAP_RANGE[0] || share > SWAP_RANGE[1]) continue;
    moves.push({
      kind: 'swap',
      title: `${name}: ${other.code} instead`,
      edits: changed(boat, part, layer, index, zone, scope, { material: other.id }),
    });
  }
  return moves;
}

/** Bending stiffness across the shorter side of the panel. */
function spanStiffness({ geometry }: Zone, { stiffness }: ZoneEvaluation): number {
  const axis = geometry.panelBreadth <= geometry.panelLength ? 1 : 0;
  return stiffness?.D[axis][axis] ?? NaN;
}

/**
 * What each layer of a zone buys: for every layer what it costs or gains to take it out, lay one more, turn it, or swap its fabric for another of the boat.
 *
 * @param evaluations of the boat as it stands. @returns the moves, strongest first; a move that turns out the same stack as before is left out.
 * @example layerMoves(boat, hull, bottom, evaluations, 'layer')[0].title // 'layer 4, TX 900: turn to 90°'
 * Source: differences of the same evaluation that Lay-up shows.
 */
export function layerMoves(
  boat: Boat,
  part: Part,
  zone: Zone,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
  scope: MoveScope,
): LayerMove[] {
  const materials = new Map(boat.materials.map((material) => [material.id, material]));
  const before = evaluations.get(zone.id)!;
  const moves: LayerMove[] = [];
  part.layers.forEach((layer, index) => {
    if (!layer.zones.includes(zone.id)) return;
    for (const { kind, title, edits } of movesOf(
      boat,
      part,
      zone,
      layer,
      index,
      scope,
      materials.get(layer.material) as Fabric,
    )) {
      const after = applyEdits(boat, edits).boat;
      const changedPart = after.parts.find(({ id }) => id === part.id)!;
      const touched = part.zones.filter(({ id }) => id === zone.id || (scope === 'layer' && layer.zones.includes(id)));
      const results = touched.map((one) => ({
        one,
        old: evaluations.get(one.id)!,
        now: evaluateZone(after, changedPart, one),
      }));
      const own = results.find(({ one }) => one.id === zone.id)!.now;
      const reserves = results.map(({ now }) => now.governing?.reserveFactor ?? null);
      const sum = (pick: (e: ZoneEvaluation) => number) =>
        results.reduce((total, { one, old, now }) => total + one.geometry.area * (pick(now) - pick(old)), 0);
      const costs = results.flatMap(({ old, now }) => [old.cost, now.cost]);
      const move: LayerMove = {
        id: `${layer.id}|${title}`,
        kind,
        layerId: layer.id,
        title,
        edits,
        weight: sum((e) => e.laminatedArealWeight),
        bending: spanStiffness(zone, own) / spanStiffness(zone, before) - 1,
        reserveFactor: own.governing?.reserveFactor ?? null,
        governs: own.governing?.governs ?? own.problem ?? '',
        leastReserve: reserves.includes(null) ? null : Math.min(...(reserves as number[])),
        cost: costs.includes(null) ? null : sum((e) => e.cost ?? 0),
      };
      const idle =
        Math.abs(move.weight) < 1e-9 &&
        move.reserveFactor === before.governing?.reserveFactor &&
        Math.abs(move.bending) < 1e-9;
      if (!idle) moves.push(move);
    }
  });
  return moves.sort((a, b) => (b.reserveFactor ?? -1) - (a.reserveFactor ?? -1));
}

/**
 * The single change that takes the most weight out of the boat and leaves every zone it touches at the target, or the one that makes a zone strongest.
 *
 * @param moves of the zone where they are known already.
 * @returns null when no change is lighter and still meets, or none is stronger than the zone is.
 * @example nextStep(boat, hull, bottom, evaluations, 'lightest')?.title // 'layer 19, BX 400: take it out'
 */
export function nextStep(
  boat: Boat,
  part: Part,
  zone: Zone,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
  which: 'lightest' | 'strongest',
  moves: readonly LayerMove[] = layerMoves(boat, part, zone, evaluations, 'layer'),
): LayerMove | null {
  const target = targetOf(boat);
  const now = evaluations.get(zone.id)?.governing?.reserveFactor ?? 0;
  if (which === 'lightest')
    return (
      moves
        .filter(({ weight, leastReserve }) => weight < 0 && (leastReserve ?? 0) >= target)
        .sort((a, b) => a.weight - b.weight)[0] ?? null
    );
  return (
    moves
      .filter(({ reserveFactor }) => (reserveFactor ?? 0) > now)
      .sort((a, b) => b.reserveFactor! - a.reserveFactor! || a.weight - b.weight)[0] ?? null
  );
}
