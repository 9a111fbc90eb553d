import { expect, it } from 'vitest';
import { merrow, zoneOf } from '../../../tests/helpers/merrow';
import { applyEdits } from '../edit';
import { boatToJson } from '../document';
import { makeEvaluator } from '../evaluate';
import { boatWeight } from '../weight';
import { evaluateDetails } from '../detail/kinds';
import { harmless, layerMoves, marginChanges, nextStep, wholeBoat, type MoveScope } from '.';

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
    if (!move.whole) expect(boatWeight(after, now, []).mass - before).toBeCloseTo(move.weight, 6);
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
  for (const part of boat.parts.slice(0, 2))
    for (const zone of part.zones.slice(0, 4)) {
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

const zoneNames = boat.parts.flatMap(({ zones }) => zones).map(({ name }) => name);
it.each(['Bottom forward', 'Hardware pads', 'Side forward'])(
  'what is proposed for %s was tried on every zone, stiffener and detail, and brings none of them below the target',
  (name) => {
    const [part, zone] = zoneOf(boat, name);
    const moves = layerMoves({ boat, part, zone, evaluations, scope: 'layer' });
    const before = wholeBoat(boat, evaluations);
    expect(before.margins.filter(({ of }) => of === 'zone').map((one) => one.name)).toEqual(zoneNames);
    expect(before.mass).toBeCloseTo(boatWeight(boat, evaluations, evaluateDetails(boat)).mass, 9);
    const tried = moves.filter(({ whole }) => whole !== null);
    expect(tried.length).toBeGreaterThan(8);
    for (const move of tried.slice(0, 6)) {
      const { boat: after } = applyEdits(boat, move.edits);
      const whole = wholeBoat(after, makeEvaluator()(after));
      expect(move.whole!.mass).toBeCloseTo(whole.mass, 9);
      expect(move.weight).toBeCloseTo(whole.mass - before.mass, 9);
      expect(move.whole!.changes).toEqual(marginChanges(before, whole));
    }
    const now = evaluations.get(zone.id)!.governing!.reserveFactor;
    for (const which of ['lightest', 'strongest', 'perKilogram'] as const) {
      const step = nextStep(which, moves, { now, target: 1.1 });
      if (step) expect(harmless(step.whole!.changes, 1.1), `${which}: ${step.title}`).toBe(true);
    }
  },
);
it('a change that moves a stiffener or a detail says so', () => {
  const [part, zone] = zoneOf(boat, 'Bottom forward');
  const moves = layerMoves({ boat, part, zone, evaluations, scope: 'layer' });
  const kinds = new Set(moves.flatMap(({ whole }) => whole?.changes.map(({ of }) => of) ?? []));
  expect(kinds).toContain('stiffener');
});
it('far from the target the greatest gain for a kilogram is offered, though no single change arrives', () => {
  // A third of the core's thickness leaves the zone far below.
  const core = boat.parts[0]!.layers.findIndex(({ thickness }) => thickness !== null && thickness > 0.015);
  const { boat: weak } = applyEdits(boat, [
    { type: 'layer.set', layerId: boat.parts[0]!.layers[core]!.id, patch: { thickness: 0.006 } },
  ]);
  const [part, zone] = zoneOf(weak, 'Bottom forward');
  const found = makeEvaluator()(weak);
  const now = found.get(zone.id)!.governing!.reserveFactor;
  expect(now).toBeLessThan(0.7);
  const moves = layerMoves({ boat: weak, part, zone, evaluations: found, scope: 'layer' });
  const step = nextStep('perKilogram', moves, { now, target: 1.1 })!;
  expect(step.reserveFactor).toBeGreaterThan(now);
  for (const other of moves)
    if (other.whole && harmless(other.whole.changes, 1.1) && (other.reserveFactor ?? 0) > now)
      expect((step.reserveFactor! - now) / Math.max(1e-9, step.weight)).toBeGreaterThanOrEqual(
        (other.reserveFactor! - now) / Math.max(1e-9, other.weight) - 1e-6,
      );
});
it('harm is a margin that falls below the target, or further below it, or can no longer be checked', () => {
  const change = (before: number | null, after: number | null) => [
    { of: 'detail' as const, id: 'd', name: 'Bitt', before, after },
  ];
  expect(harmless(change(2, 1.2), 1.1)).toBe(true);
  expect(harmless(change(0.8, 0.9), 1.1)).toBe(true);
  expect(harmless(change(0.8, 0.79), 1.1)).toBe(false);
  expect(harmless(change(1.3, 1.05), 1.1)).toBe(false);
  expect(harmless(change(1.3, null), 1.1)).toBe(false);
  expect(harmless([], 1.1)).toBe(true);
});
