import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { applyEdits } from '../edit';
import type { Boat } from '../document';
import { evaluateZone, type ZoneEvaluation } from '.';

/** Checks that more material of a kind may lower, and why: what a careful reader is told. */
const MAY_FALL: Record<string, string> = {
  plyByPly: 'a stiffer layer takes more of the moment, and the weakest ply reaches its strain sooner',
  skinFlexure: 'a skin of mixed layers counts the strength of the first to reach its strain',
  outerSkin: 'the neutral axis moves with the stiffness of the other skin',
  innerSkin: 'the neutral axis moves with the stiffness of the other skin',
  midSpan: 'the neutral axis moves, and a stiffer layer takes more of the moment',
  alongSide: 'a laminate stiffened along the panel draws the load that way',
  coreShearAlong: 'a laminate stiffened along the panel draws the load that way',
};

/** The zone with one more layer of the same beside each of its structural layers. */
function thicker(boat: Boat, partIndex: number, zoneIndex: number) {
  const part = boat.parts[partIndex]!;
  const zone = part.zones[zoneIndex]!;
  return part.layers.flatMap((layer, index) => {
    const material = boat.materials.find(({ id }) => id === layer.material)!;
    if (!layer.zones.includes(zone.id) || material.kind !== 'fabric' || layer.role !== 'structure') return [];
    const { boat: after } = applyEdits(boat, [
      {
        type: 'layer.add',
        partId: part.id,
        layer: { ...layer, id: `${layer.id}-again`, zones: [zone.id] },
        index: index + 1,
      },
    ]);
    return [{ name: `${zone.name}, layer ${index + 1}`, now: evaluateZone(after, after.parts[partIndex]!, zone) }];
  });
}

const zones = [merrow(), brant()].flatMap((boat) =>
  boat.parts.flatMap((part, p) => part.zones.map((zone, z) => ({ boat, p, z, name: `${boat.name}: ${zone.name}` }))),
);
const reserveOf = (evaluation: ZoneEvaluation, id: string, pack: string) =>
  evaluation.checks.find((check) => check.id === id && check.pack === pack)?.reserveFactor;

describe('one more layer of the same', () => {
  it.each(zones)('$name: never lowers a reserve, but where the reason is known', ({ boat, p, z }) => {
    const before = evaluateZone(boat, boat.parts[p]!, boat.parts[p]!.zones[z]!);
    if (before.problem !== null) return expect(before.problem.length).toBeGreaterThan(8);
    for (const { name, now } of thicker(boat, p, z)) {
      expect(now.laminatedArealWeight, name).toBeGreaterThan(before.laminatedArealWeight);
      expect(now.thickness, name).toBeGreaterThan(before.thickness);
      for (const { id, pack, reserveFactor } of before.checks) {
        const after = reserveOf(now, id, pack);
        // A layer counts in the check of its own skin only; what asks nothing of it stands as it was.
        if (after === undefined || MAY_FALL[id]) continue;
        expect(after, `${name}: ${id}`).toBeGreaterThanOrEqual(reserveFactor * (1 - 1e-9));
      }
    }
  });
  it('stiffness of the panel rises with every layer laid on it', () => {
    for (const { boat, p, z } of zones) {
      const zone = boat.parts[p]!.zones[z]!;
      const before = evaluateZone(boat, boat.parts[p]!, zone).stiffness;
      if (!before) continue;
      for (const { name, now } of thicker(boat, p, z))
        for (const axis of [0, 1] as const)
          expect(now.stiffness!.A[axis][axis], name).toBeGreaterThan(before.A[axis][axis]);
    }
  });
});
