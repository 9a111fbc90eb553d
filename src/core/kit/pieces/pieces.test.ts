import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../../tests/helpers/merrow';
import { evaluateDetails } from '../../detail/kinds';
import type { Boat } from '../../document';
import { makeEvaluator, membersOf } from '../../evaluate';
import { develop, faultOf, patchArea, type Patch } from '../../geometry';
import { piecesOf } from '../../lines';
import type { Core, Fabric } from '../../material';
import { USUAL_CUTTING } from '../cutting';
import { signedArea, type At } from '../nest/convexParts';
import { bendOf, coreFormFor } from './coreForm';
import { cutToRoll } from './cutToRoll';
import { boxOf, grown, simpler } from './outline';
import { kitPieces } from './pieces';
import { shearOf } from './shear';
import { cutsFor, inStretches } from './stretches';

const piecesFor = (boat: Boat) =>
  kitPieces({
    boat,
    evaluations: makeEvaluator()(boat),
    details: evaluateDetails(boat),
    cutting: USUAL_CUTTING,
  });

/** A cap of a sphere over a square of longitudes and latitudes about its crown. */
const sphere = (radius: number, half: number): Patch => ({
  count: 1,
  at: (u, v) => {
    const [a, b] = [(2 * u - 1) * half, (2 * v - 1) * half];
    return [radius * Math.sin(a) * Math.cos(b), radius * Math.sin(b), radius * Math.cos(a) * Math.cos(b)];
  },
});
const cylinder = (radius: number, angle: number, length: number): Patch => ({
  count: 1,
  at: (u, v) => [length * u, radius * Math.sin(angle * v), radius * Math.cos(angle * v)],
});

describe('shear of a cloth on a surface', () => {
  it('is nothing on a cylinder, which develops to its rectangle within 0.5 %', () => {
    const patch = cylinder(0.7, Math.PI / 2, 3);
    expect(shearOf(patch).most).toBeLessThan(0.05);
    const { outline, area } = develop(patch);
    expect(Math.abs(area / ((3 * 0.7 * Math.PI) / 2) - 1)).toBeLessThan(0.005);
    const { maxX, minX, maxY, minY } = boxOf(outline);
    expect(maxX - minX).toBeCloseTo(3, 3);
    expect(Math.abs((maxY - minY) / ((0.7 * Math.PI) / 2) - 1)).toBeLessThan(0.005);
  });
  it('is the whole curvature of a quarter of a spherical cap (Gauss-Bonnet: area over radius squared)', () => {
    for (const [radius, half] of [
      [1, 0.2],
      [2.5, 0.4],
    ] as const) {
      const patch = sphere(radius, half);
      const quarter = patchArea({ ...patch, at: (u, v) => patch.at(0.5 + u / 2, 0.5 + v / 2) }).area;
      const { most } = shearOf(patch, 48, 48);
      expect(Math.abs(most / (((quarter / radius ** 2) * 180) / Math.PI) - 1)).toBeLessThan(0.06);
    }
  });
});

describe('an outline cut to the width of a roll', () => {
  const wavy = fc
    .array(fc.double({ min: 0.4, max: 3, noNaN: true }), { minLength: 4, maxLength: 8 })
    .map((radii) =>
      radii.map((r, i): At => {
        const angle = (2 * Math.PI * i) / radii.length;
        return [r * Math.cos(angle), 2 * r * Math.sin(angle)];
      }),
    )
    .filter((outline) => faultOf(outline) === null);
  it('leaves no part wider than the roll, loses nothing, and laps what meets', () => {
    fc.assert(
      fc.property(wavy, fc.double({ min: 0.02, max: 0.1, noNaN: true }), (outline, lap) => {
        const { parts, joints } = cutToRoll(outline, { width: 1.27, lap, offset: 0.15, before: [] });
        for (const part of parts) {
          const { minX, maxX } = boxOf(part);
          expect(maxX - minX).toBeLessThanOrEqual(1.27 + 1e-5);
        }
        const sum = parts.reduce((all, part) => all + Math.abs(signedArea(part)), 0);
        expect(sum).toBeGreaterThanOrEqual(Math.abs(signedArea(outline)) - 1e-5);
        if (joints.length === 0) expect(parts).toHaveLength(1);
      }),
    );
  });
  it('keeps its joints clear of those of the layer before', () => {
    const wide: At[] = [
      [0, 0],
      [3.1, 0],
      [3.1, 5],
      [0, 5],
    ];
    const first = cutToRoll(wide, { width: 1.27, lap: 0.05, offset: 0.15, before: [] });
    const second = cutToRoll(wide, { width: 1.27, lap: 0.05, offset: 0.15, before: first.joints });
    expect(first.parts).toHaveLength(3);
    expect(second.apart).toBe(true);
    for (const x of second.joints)
      for (const other of first.joints) expect(Math.abs(x - other)).toBeGreaterThanOrEqual(0.15 - 1e-9);
  });
});

describe('the form of a core', () => {
  const core = merrow().materials.find((one): one is Core => one.kind === 'core' && one.id === 'pvc-80')!;
  const bent = (crown: number, panelBreadth: number) => {
    const { geometry } = merrow().parts[0]!.zones[0]!;
    return [{ geometry: { ...geometry, crown, panelBreadth } }];
  };
  it('follows its bend: radius = b²/(8c) + c/2, by hand 0.8 m and 20 mm of crown are 4.01 m', () => {
    expect(bendOf(bent(0.02, 0.8)[0]!)).toBeCloseTo(4.01, 2);
    expect(bendOf(bent(0, 0.8)[0]!)).toBe(Infinity);
    const formOf = (crown: number, infused: boolean) =>
      coreFormFor(core, 0.015, { zones: bent(crown, 0.8), infused }).form;
    expect(formOf(0.02, false)).toBe('plain'); // 267 times
    expect(formOf(0.02, true)).toBe('perforated');
    // A board that comes plain alone is laid flat all the same, and said to let no resin through.
    const board = coreFormFor({ ...core, forms: ['plain'] }, 0.015, { zones: bent(0, 0.8), infused: true });
    expect(board.form).toBe('plain');
    expect(board.why).toMatch(/resin is not drawn through/);
    expect(formOf(0.08, false)).toBe('grooved'); // 69 times
    expect(formOf(0.16, false)).toBe('scored'); // 39 times
  });
  it('says so where it is not to be had so', () => {
    const rigid: Core = { ...core, forms: ['plain'] };
    const { form, why } = coreFormFor(rigid, 0.015, { zones: bent(0.16, 0.8), infused: false });
    expect(form).toBeNull();
    expect(why).toMatch(/not to be had scored/);
  });
});

describe('a surface that is parted', () => {
  it('laps at every cut, and covers what it did in one', () => {
    const patch = cylinder(0.7, Math.PI / 2, 3);
    const { flat, off } = inStretches(patch, [0.3, 0.7], 0.05);
    const lengths = flat.map(({ outline }) => {
      const { minX, maxX } = boxOf(outline);
      return maxX - minX;
    });
    // By hand: 0.9, 1.2 and 0.9 m, with half a lap at the ends of the boat's part and both in the middle.
    expect(lengths.map((one) => Number(one.toFixed(3)))).toEqual([0.925, 1.25, 0.925]);
    expect(Math.abs(off)).toBeLessThan(0.005);
    expect(flat.reduce((sum, { net }) => sum + net, 0)).toBeCloseTo(inStretches(patch, [], 0).flat[0]!.net, 2);
  });
  it('is cut at another place for the next layer, and says where it cannot be', () => {
    for (const stretches of [2, 3, 4]) {
      const at = (turn: number) => cutsFor(stretches, { length: 6, offset: 0.15, turn });
      for (const turn of [0, 1, 2, 3]) {
        expect(at(turn).apart).toBe(true);
        at(turn).cuts.forEach((u, i) => {
          expect(6 * Math.abs(u - at(turn + 1).cuts[i]!)).toBeGreaterThanOrEqual(0.15 - 1e-9);
          expect(u).toBeGreaterThan(0.1);
          expect(u).toBeLessThan(0.9);
        });
      }
    }
    expect(cutsFor(4, { length: 0.8, offset: 0.15, turn: 1 }).apart).toBe(false);
  });
  it('keeps joints of layers laid the same way clear of each other, wherever their zones begin', () => {
    const boat = merrow();
    const [hull] = boat.parts;
    const layer = hull!.layers.find(({ material }) => material === 'bx45-600')!;
    const three = [0, 1, 2].map((i) => ({ ...layer, id: `j${i}` }));
    const { pieces } = piecesFor({
      ...boat,
      details: [],
      parts: [{ ...hull!, layers: three, groups: [], joins: [] }],
    });
    const told = (id: string) => pieces.filter(({ layerId }) => layerId === id);
    for (const id of ['j0', 'j1', 'j2']) {
      expect(told(id).length).toBeGreaterThan(4);
      for (const { notes } of told(id)) expect(notes.join()).not.toMatch(/nearer than/);
    }
    // The same pieces in another layer are cut at other places.
    const widths = (id: string) => told(id).map(({ outline }) => boxOf(outline).maxX.toFixed(2));
    const sizes = (id: string) => widths(id).sort().join();
    expect(new Set([sizes('j0'), sizes('j1'), sizes('j2')]).size).toBe(3);
  });
});

describe('strips of stiffeners', () => {
  it('are as long as the members run, over the centreline once and else on every hand, with trim at both ends', () => {
    const boat = merrow();
    const places = membersOf(boat);
    const { pieces } = piecesFor(boat);
    for (const support of boat.supports) {
      const own = pieces.filter(({ kind, id, layerNumber }) => {
        return kind === 'stiffener' && id.startsWith(`${support.id}.`) && layerNumber === 1;
      });
      const geometry = places.get(support.id);
      if (own.length === 0 || !geometry) continue;
      const runs = new Map(own.map((piece) => [piece.id.split('.')[1], piece]));
      const length = [...runs.values()].reduce((sum, { outline, count, m }) => {
        const { maxY } = boxOf(outline);
        return m > 1 ? NaN : sum + count * (maxY - 2 * USUAL_CUTTING.trim);
      }, 0);
      if (Number.isFinite(length)) expect(length, support.name).toBeCloseTo(geometry.length, 2);
    }
  });
});

describe('outlines', () => {
  it('grow by a margin, and are made simpler without losing any of themselves', () => {
    const square: At[] = [
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ];
    expect(signedArea(grown(square, 0.1)[0]!)).toBeCloseTo(1.44, 6);
    const round = Array.from({ length: 90 }, (_, i): At => {
      const angle = (2 * Math.PI * i) / 90;
      return [Math.cos(angle), Math.sin(angle)];
    });
    const less = simpler(round, 0.01);
    expect(less.length).toBeLessThan(50);
    expect(signedArea(less)).toBeGreaterThan(signedArea(round));
    expect(signedArea(less)).toBeLessThan(signedArea(round) * 1.02);
  });
  it('are refused where they cross themselves or have no area', () => {
    expect(faultOf([[0, 0], [1, 1], [1, 0], [0, 1]])).toBe('crosses itself'); // prettier-ignore
    expect(faultOf([[0, 0], [1, 0], [2, 0]])).toBe('no area'); // prettier-ignore
  });
});

describe('the pieces of a boat', () => {
  it.each([
    ['Merrow 84', merrow()],
    ['Brant 56', brant()],
  ])('%s: as many as the lay-up asks, covering every layer, none wider than its roll', (...[, boat]) => {
    const { pieces, counts, problems } = piecesFor(boat);
    expect(problems).toEqual([]);
    for (const one of counts) {
      expect(one.made).toBe(one.wanted);
      expect(one.has).toBeGreaterThan(one.covers * 0.98);
    }
    for (const piece of pieces) {
      expect(faultOf(piece.outline), piece.id).toBeNull();
      const material = boat.materials.find(({ id }) => id === piece.material)!;
      if (material.kind !== 'fabric') continue;
      expect(boxOf(piece.outline).maxX).toBeLessThanOrEqual(material.width.value - 2 * USUAL_CUTTING.selvage + 1e-4);
    }
    // What is cut of a layer is never less than what it covers.
    for (const one of counts) {
      const cut = pieces.filter(({ layerId }) => layerId === one.layerId);
      const area = cut.reduce((sum, { area: own, count }) => sum + own * count, 0);
      expect(area).toBeGreaterThan(one.covers * 0.98);
      for (const hand of ['port', 'starboard'] as const) {
        const own = cut.filter((piece) => piece.hand === hand);
        expect(own.map(({ n }) => n)).toEqual(own.map((_, i) => i + 1));
      }
      // Both hands are cut alike.
      const of = (hand: string) => cut.filter((piece) => piece.hand === hand).reduce((sum, p) => sum + p.area, 0);
      // Where they meet on the centreline the joint lies to one side of it.
      const moved = cut.some(({ notes }) => notes.some((note) => /on the centreline, lapped/.test(note)));
      if (!moved) expect(of('port')).toBeCloseTo(of('starboard'), 3);
    }
  });
  it('doubles them with the number-off, and stops a kit that does not add up', () => {
    const boat = brant();
    const twice: Boat = { ...boat, parts: boat.parts.map((part) => ({ ...part, number: 2 })) };
    const sum = (of: Boat) => piecesFor(of).counts.reduce((all, { cut }) => all + cut, 0);
    expect(sum(twice)).toBe(2 * sum(boat));
    const [part] = boat.parts;
    const big = part!.zones.map((zone, i) =>
      i === 0 ? { ...zone, geometry: { ...zone.geometry, area: 3 * zone.geometry.area } } : zone,
    );
    const { problems } = piecesFor({ ...boat, parts: [{ ...part!, zones: big }, ...boat.parts.slice(1)] });
    expect(problems.join()).toMatch(/an outline is too small/);
  });
  it('counts a pad as often as the boat has it', () => {
    const boat = merrow();
    const part = boat.parts.find(({ zones }) =>
      zones.some(({ region }) => region?.surface === 'rectangle' && region.count > 1),
    )!;
    const zone = part.zones.find(({ region }) => region?.surface === 'rectangle')!;
    const layer = part.layers.findIndex(({ zones }) => zones.length === 1 && zones[0] === zone.id);
    const region = zone.region as { count: number };
    expect(piecesOf(boat, part)[layer]!.count).toBe(region.count * part.number);
  });
  it('turns a layer with its angle: what lies along the hull at 0° lies across it at 90°', () => {
    const boat = brant();
    const part = boat.parts[0]!;
    const at = part.layers.findIndex(({ material, zones }) => {
      const one = boat.materials.find(({ id }) => id === material) as Fabric;
      return zones.length > 0 && one.kind === 'fabric' && one.components.some(({ form }) => form !== 'randomMat');
    });
    // Without a place on the boat a zone is a rectangle.
    const zones = part.zones.map((zone) => ({
      ...zone,
      region: null,
      geometry: { ...zone.geometry, area: 2, panelLength: 2 },
    }));
    const turnedTo = (angleDeg: number): Boat => ({
      ...boat,
      parts: [
        { ...part, zones, layers: part.layers.map((layer, i) => (i === at ? { ...layer, angleDeg } : layer)) },
        ...boat.parts.slice(1),
      ],
    });
    const longest = (of: Boat) =>
      Math.max(
        ...piecesFor(of)
          .pieces.filter(({ layerId }) => layerId === part.layers[at]!.id)
          .map(({ outline }) => boxOf(outline).maxY),
      );
    expect(longest(turnedTo(0))).toBeCloseTo(2 + 2 * USUAL_CUTTING.trim, 2);
    expect(longest(turnedTo(90))).toBeCloseTo(1 + 2 * USUAL_CUTTING.trim, 2);
  });
});
