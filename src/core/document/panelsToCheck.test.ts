import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { makeEvaluator } from '../evaluate';
import { boatFromFile, boatToJson, panelsOfZones, panelsToCheck, takePanels } from '.';

/** The boat as another reader gets it: its own objects, nothing known of them. */
const readAgain = (boat: ReturnType<typeof merrow>) => structuredClone(boat);

describe('panels handed from one reader of a boat to another', () => {
  it.each([merrow(), brant()])('$name: they are what the other would find, and its zones come out alike', (boat) => {
    const [own, given] = [readAgain(boat), readAgain(boat)];
    takePanels(given, structuredClone(panelsOfZones(boat)));
    const zones = (of: typeof boat) => of.parts.flatMap((part) => part.zones);
    zones(given).forEach((zone, i) => expect(panelsToCheck(given, zone)).toEqual(panelsToCheck(own, zones(own)[i]!)));
    expect([...makeEvaluator()(given)]).toEqual([...makeEvaluator()(own)]);
  });

  it('are found anew as soon as something that they depend on is another', () => {
    const boat = readAgain(merrow());
    const zone = boat.parts[0]!.zones[0]!;
    takePanels(boat, { [zone.id]: [] });
    expect(panelsToCheck(boat, zone)).toEqual([]);
    const longer = { ...boat, brief: { ...boat.brief } };
    expect(panelsToCheck(longer, zone)).toEqual(panelsToCheck(merrow(), merrow().parts[0]!.zones[0]!));
    expect(panelsToCheck(longer, zone).length).toBeGreaterThan(0);
  });

  it('leave a zone that they lack to itself, and a boat read from its file needs none', () => {
    const boat = readAgain(merrow());
    takePanels(boat, {});
    const read = boatFromFile(boatToJson(merrow()));
    expect(panelsOfZones(boat)).toEqual(panelsOfZones(read));
  });
});
