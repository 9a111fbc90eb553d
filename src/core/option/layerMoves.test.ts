import { expect, it } from 'vitest';
import { merrow, zoneOf } from '../../../tests/helpers/merrow';
import { applyEdits } from '../edit';
import { boatToJson } from '../document';
import { makeEvaluator } from '../evaluate';
import { boatWeight } from '../weight';
import { layerMoves, type MoveScope } from '.';

const boat = merrow();
const evaluate = makeEvaluator();
const evaluations = evaluate(boat);

it.each([
  ['Bottom forward', 'layer'],
  ['Bottom forward', 'zone'],
  ['Transom', 'layer'],
  ['Foredeck', 'zone'],
] as [string, MoveScope][])('every move of %s (%s) does what it says when it is taken', (name, scope) => {
  const [part, zone] = zoneOf(boat, name);
  const moves = layerMoves({ boat, part, zone, evaluations, scope });
  expect(moves.length).toBeGreaterThan(10);
  const before = boatWeight(boat, evaluations, []).mass;
  for (const move of moves) {
    const { boat: after, inverse } = applyEdits(boat, move.edits);
    const now = evaluate(after);
    expect(now.get(zone.id)!.governing?.reserveFactor ?? null).toBe(move.reserveFactor);
    expect(boatWeight(after, now, []).mass - before).toBeCloseTo(move.weight, 6);
    if (scope === 'zone')
      for (const other of part.zones)
        if (other !== zone)
          expect(now.get(other.id)!.laminatedArealWeight).toBeCloseTo(
            evaluations.get(other.id)!.laminatedArealWeight,
            9,
          );
    expect(boatToJson(applyEdits(after, inverse).boat)).toBe(boatToJson(boat));
  }
});
it('finds the turn that mends the demo, ranked strongest first', () => {
  const [part, zone] = zoneOf(boat, 'Bottom forward');
  const moves = layerMoves({ boat, part, zone, evaluations, scope: 'layer' });
  const turn = moves.find(({ title }) => title === 'layer 4, TX 900: turn to 90°')!;
  expect(turn.reserveFactor).toBeGreaterThan(1.3);
  expect(turn.weight).toBeCloseTo(0, 9);
  expect(moves.map(({ reserveFactor }) => reserveFactor ?? -1)).toEqual(
    moves.map(({ reserveFactor }) => reserveFactor ?? -1).sort((a, b) => b - a),
  );
});
it('takes out no coating, no mat behind it or at a core, and offers the core in other thicknesses', () => {
  const kinds = new Set<string>();
  for (const part of boat.parts)
    for (const zone of part.zones) {
      const here = part.layers.filter((layer) => layer.zones.includes(zone.id));
      const moves = layerMoves({ boat, part, zone, evaluations, scope: 'zone' });
      for (const move of moves.filter(({ kind }) => kind === 'remove' || kind === 'swap')) {
        const at = here.findIndex(({ id }) => id === move.layerId);
        const materialAt = (i: number) => boat.materials.find(({ id }) => id === here[i]?.material);
        const material = materialAt(at)!;
        expect(material.kind, move.title).not.toBe('coating');
        const mat = material.kind === 'fabric' && material.components.every(({ form }) => form === 'randomMat');
        if (mat) expect([materialAt(at - 1)?.kind, materialAt(at + 1)?.kind], move.title).not.toContain('core');
        if (mat) expect(materialAt(at - 1)?.kind, move.title).toBe('fabric');
      }
      moves.forEach(({ kind }) => kinds.add(kind));
      for (const { kind, title, weight } of moves)
        if (kind === 'core') expect(Math.abs(weight), title).toBeGreaterThan(0);
    }
  expect(kinds).toContain('core');
});
