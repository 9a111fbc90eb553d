import { describe, expect, it } from 'vitest';
import { brant, merrow, zoneOf } from '../../../tests/helpers/merrow';
import { applyEdits } from '../edit';
import { analysePanel, evaluateZone, makeEvaluator } from '../evaluate';
import { edgesOfPanels, panelsToCheck, type Boat } from '.';

const boat = merrow();
const edges = (of: Boat, name: string) => edgesOfPanels(of, zoneOf(of, name)[1]);
const SAID = /^Panels of which it has an edge or an end alone: /;
const toldIn = (of: Boat, name: string) => {
  const [part, zone] = zoneOf(of, name);
  return evaluateZone(of, part, zone).notChecked.filter((text) => SAID.test(text));
};

describe('panels of which a zone has an edge or an end alone', () => {
  it('are named among what is not checked, and are none that is checked', () => {
    for (const own of [boat, brant()])
      for (const zone of own.parts.flatMap(({ zones }) => zones)) {
        const names = edgesOfPanels(own, zone);
        const checked = panelsToCheck(own, zone).map(({ name }) => name);
        for (const name of names) expect(checked, zone.name).not.toContain(name);
        const told = toldIn(own, zone.name);
        if (names.length === 0) expect(told, zone.name).toEqual([]);
        else expect(told, zone.name).toEqual([`Panels of which it has an edge or an end alone: ${names.join('; ')}`]);
      }
    expect(edges(boat, 'Bottom forward').length).toBeGreaterThan(0);
    expect(edges(boat, 'Side aft')).toEqual([]);
  });
  it('are said beside what analysis passes, with what holds its panels on trust', () => {
    const [part, zone] = zoneOf(boat, 'Bottom forward');
    const { notChecked } = analysePanel(boat, part, zone, { detail: false });
    expect(notChecked).toEqual(expect.arrayContaining(toldIn(boat, 'Bottom forward')));
    const [bulkheads, bulkhead] = zoneOf(boat, 'Collision bulkhead');
    expect(analysePanel(boat, bulkheads, bulkhead, { detail: false }).notChecked.join()).toContain(
      'nothing says that they are stiff enough',
    );
  });
  it('come and go as the edge of the zone moves', () => {
    const [, zone] = zoneOf(boat, 'Side aft');
    const to = (end: number) => {
      const region = { ...zone.region!, to: end } as NonNullable<typeof zone.region>;
      return applyEdits(boat, [{ type: 'zone.set', zoneId: zone.id, patch: { region } }]).boat;
    };
    // The bay from the frame amidships, at 4.3 m, to the one at 5.65 m: a tenth of it is 0.135 m.
    expect(edges(to(4.4), 'Side aft')).toEqual(['Frame midships to Frame forward']);
    expect(edges(to(4.5), 'Side aft').filter((name) => name === 'Frame midships to Frame forward')).toEqual([]);
    expect(edges(to(4.31), 'Side aft')).toEqual([]);
  });
  it('are seen anew by an evaluator that keeps what stood, and kept where nothing of them changed', () => {
    const evaluate = makeEvaluator();
    const [, zone] = zoneOf(boat, 'Bottom forward');
    const told = (of: Boat) =>
      evaluate(of)
        .get(zone.id)!
        .notChecked.filter((text) => SAID.test(text))
        .join();
    const before = told(boat);
    const frame = boat.supports.find(({ name }) => name === 'Bow frame fore')!;
    const { boat: renamed } = applyEdits(boat, [{ type: 'support.set', item: { ...frame, name: 'Last frame' } }]);
    expect(before).toContain('Bow frame fore');
    expect(told(renamed)).toBe(before.replaceAll('Bow frame fore', 'Last frame'));
    expect(told(boat)).toBe(before);
    const again = edgesOfPanels(boat, zone);
    edgesOfPanels({ ...boat, supports: [...boat.supports] }, zone);
    expect(edgesOfPanels(boat, zone)).toBe(again);
  });
  it('are not asked for where the panel is typed, or the boat has no shape', () => {
    const [part, zone] = zoneOf(boat, 'Bottom forward');
    const typed: Boat = {
      ...boat,
      parts: boat.parts.map((one) =>
        one === part
          ? { ...one, zones: one.zones.map((own) => (own === zone ? { ...own, overridden: ['panelBreadth'] } : own)) }
          : one,
      ),
    };
    expect(edges(typed, 'Bottom forward')).toEqual([]);
    expect(edges({ ...boat, hull: null }, 'Bottom forward')).toEqual([]);
  });
});
