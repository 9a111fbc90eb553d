import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { boatFromFile, boatToJson, unknownIn } from '.';

/** A document with something changed in its text as data. */
const changed = (change: (document: { version: number; boat: Record<string, unknown> }) => void): string => {
  const document = JSON.parse(boatToJson(merrow())) as { version: number; boat: Record<string, unknown> };
  change(document);
  return JSON.stringify(document);
};
const leftOut = (text: string) => unknownIn(text, boatFromFile(text));

describe('what a document holds that no boat has', () => {
  it('is nothing in what we wrote ourselves', () => {
    for (const boat of [merrow(), brant()]) expect(leftOut(boatToJson(boat))).toEqual([]);
  });
  it('is named with its place, at every depth, and left out', () => {
    const text = changed(({ boat }) => {
      boat['mast'] = { height: 9 };
      const [part] = boat['parts'] as { layers: object[]; zones: { geometry: object }[] }[];
      Object.assign(part!.layers[3]!, { colourOfIt: 'red' });
      Object.assign(part!.zones[1]!.geometry, { curvatureOfIt: 2 });
      Object.assign(boat['brief'] as object, { owner: 'somebody' });
    });
    expect(leftOut(text).sort()).toEqual([
      'brief.owner',
      'mast',
      'parts.0.layers.3.colourOfIt',
      'parts.0.zones.1.geometry.curvatureOfIt',
    ]);
    expect(boatToJson(boatFromFile(text))).not.toMatch(/colourOfIt|curvatureOfIt|somebody|"mast"/);
  });
  it('is not asked of a document of an earlier version, whose fields have moved', () => {
    const text = changed((document) => {
      document.version -= 1;
      document.boat['mast'] = 1;
    });
    expect(leftOut(text)).toEqual([]);
  });
  it('ends after a hundred', () => {
    const text = changed(({ boat }) => {
      for (let i = 0; i < 300; i++) boat[`extra${i}`] = i;
    });
    expect(leftOut(text)).toHaveLength(100);
  });
});
