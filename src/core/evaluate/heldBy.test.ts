import { expect, it } from 'vitest';
import { brant, merrow, zoneOf } from '../../../tests/helpers/merrow';
import { applyEdits } from '../edit';
import type { Boat } from '../document';
import { evaluateZone, makeEvaluator, zoneVerdict } from '.';
import { heldOnTrust } from './heldBy';

const boat = merrow();
const [part, collision] = zoneOf(boat, 'Collision bulkhead');
/** The bulkhead emptied: nothing covers it any more. */
const { boat: emptied } = applyEdits(
  boat,
  part.layers
    .filter(({ zones }) => zones.includes(collision.id))
    .map((layer) => ({ type: 'layer.cover', layerId: layer.id, zoneId: collision.id, covered: false })),
);
const framesTo = (of: Boat, upTo: 'notSaid' | 'chine' | 'deckEdge'): Boat => ({
  ...of,
  supports: of.supports.map((one) => (one.kind === 'frame' ? { ...one, upTo } : one)),
});
const verdictIn = (of: Boat, name: string) => {
  const [own, zone] = zoneOf(of, name);
  return zoneVerdict(evaluateZone(of, own, zone), 1);
};

it('a bulkhead without a laminate proves no panel that it holds, and says which', () => {
  expect(verdictIn(boat, 'Side forward')).toBe('meets');
  expect(verdictIn(emptied, 'Side forward')).toBe('notProven');
  const [, side] = zoneOf(emptied, 'Side forward');
  expect(heldOnTrust(emptied, side).unproven.join()).toContain('Collision bulkhead holds panels here');
  // One that stands elsewhere is not looked at, nor are zones that are no hull or deck.
  expect(verdictIn(emptied, 'Side aft')).toBe(verdictIn(boat, 'Side aft'));
  expect(heldOnTrust(emptied, collision).unproven).toEqual([]);
  expect(heldOnTrust(emptied, collision).notChecked.join()).toContain('stiff enough: Collision bulkhead post');
});
it('an evaluator that keeps what stood sees a bulkhead of another part emptied and laid again', () => {
  const evaluate = makeEvaluator();
  const [, side] = zoneOf(boat, 'Side forward');
  const unproven = (of: Boat) => evaluate(of).get(side.id)!.unproven.length;
  expect([unproven(boat), unproven(emptied), unproven(boat)]).toEqual([0, 1, 0]);
});
it('a member without a section is said where the panels that it holds pass', () => {
  const floor = boat.supports.find(({ name }) => name === 'Frame forward')!;
  const { boat: bare } = applyEdits(boat, [{ type: 'support.set', item: { ...floor, section: null } }]);
  const told = (name: string) => {
    const [own, zone] = zoneOf(bare, name);
    return evaluateZone(bare, own, zone).notChecked.join();
  };
  expect(told('Bottom forward')).toContain('stiff enough: Frame forward');
  expect(told('Foredeck')).not.toContain('Frame forward');
  // Ribs stand on one zone, whatever its surface.
  const sail = brant();
  const [own, sole] = zoneOf(sail, 'Cockpit sole');
  expect(evaluateZone(sail, own, sole).notChecked.join()).toContain('Sole bearer aft');
  expect(heldOnTrust(sail, zoneOf(sail, 'Foredeck')[1]).notChecked).toEqual([]);
});
it('frames that hold the side are said to run up to the deck edge, where a floor would end at the chine', () => {
  const said = (of: Boat, name: string) => {
    const [, zone] = zoneOf(of, name);
    return heldOnTrust(of, zone).notChecked.filter((text) => /ended at the chine/.test(text));
  };
  const unsaid = framesTo(boat, 'notSaid');
  const [side] = said(unsaid, 'Side aft');
  for (const { kind, name } of boat.supports)
    if (kind === 'frame' && ['Frame aft', 'Frame engine'].includes(name)) expect(side).toContain(name);
  // Of the bottom it does not matter; of a zone that no frame crosses there is nothing to say.
  expect(said(unsaid, 'Bottom aft')).toEqual([]);
  for (const upTo of ['chine', 'deckEdge'] as const) expect(said(framesTo(boat, upTo), 'Side aft'), upTo).toEqual([]);
  const bare = { ...boat, supports: boat.supports.filter(({ kind }) => kind !== 'frame') };
  expect(said(bare, 'Side aft')).toEqual([]);
  // An evaluator that keeps what stood sees a frame come and go.
  const evaluate = makeEvaluator();
  const [, zone] = zoneOf(boat, 'Side aft');
  const spoken = (of: Boat) =>
    evaluate(of)
      .get(zone.id)!
      .notChecked.some((text) => /ended at the chine/.test(text));
  expect([spoken(unsaid), spoken(bare), spoken(unsaid), spoken(boat)]).toEqual([true, false, true, false]);
});
it('a floor that ends at the chine leaves the side the panels that it has without it, and no better a reserve', () => {
  const floors = framesTo(boat, 'chine');
  const gone = { ...boat, supports: boat.supports.filter(({ kind }) => kind !== 'frame') };
  const of = (one: Boat, name: string) => {
    const [own, zone] = zoneOf(one, name);
    return evaluateZone(one, own, zone).governing!;
  };
  for (const name of ['Side aft', 'Side forward']) {
    expect(of(floors, name).reserveFactor, name).toBeCloseTo(of(gone, name).reserveFactor, 9);
    expect(of(floors, name).reserveFactor, name).toBeLessThanOrEqual(of(boat, name).reserveFactor);
  }
  for (const name of ['Bottom aft', 'Bottom forward']) {
    expect(of(floors, name).reserveFactor, name).toBeCloseTo(of(boat, name).reserveFactor, 9);
    expect(of(floors, name).reserveFactor, name).toBeGreaterThan(of(gone, name).reserveFactor);
  }
  // On the side it holds nothing, so that its section is no matter there.
  const { boat: bare } = applyEdits(
    floors,
    floors.supports.flatMap((one) =>
      one.kind === 'frame' ? [{ type: 'support.set', item: { ...one, section: null } }] : [],
    ),
  );
  const told = (name: string) => heldOnTrust(bare, zoneOf(bare, name)[1]).notChecked.join();
  expect(told('Side aft')).not.toContain('Frame aft');
  expect(told('Bottom aft')).toContain('stiff enough: Frame aft');
});
