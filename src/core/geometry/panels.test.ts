import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { areaOf, bare, drawn, hullZone, particulars, shape } from '../../../tests/helpers/motorHull';
import {
  HOLDS_ALONG,
  HOLDS_ONLY,
  hullSurface,
  memberGeometry,
  mix,
  panelsBeside,
  panelsOf,
  patchArea,
  type BoatShape,
  type Region,
  type Supports,
} from '.';

describe('panels', () => {
  const bottom = hullZone(-1, 9, 'centreline', 'chine');
  const whole = panelsOf(shape, bare, bottom, 'z');
  it('run from support to support, beyond the zone where need be', () => {
    expect(whole).toHaveLength(1);
    const band: Region = {
      surface: 'hull',
      from: 2,
      to: 4,
      lower: { kind: 'centreline' },
      upper: { kind: 'girth', distance: 0.2 },
    };
    const [only] = panelsOf(shape, bare, band, 'z');
    expect(only!.length).toBeCloseTo(whole[0]!.length, 6);
    expect(only!.between).toEqual({ along: ['transom', 'stem'], across: ['keel', 'chine'] });
  });
  it('get smaller with every support, and a stringer in the middle halves them', () => {
    const frames: Supports = {
      ...bare,
      bulkheads: [{ x: 3, name: 'Bulkhead' }],
      members: [{ id: 'f', name: 'Frame', kind: 'frame', x: 5, upTo: 'deckEdge', ...HOLDS_ONLY }],
    };
    const three = panelsOf(shape, frames, bottom, 'z');
    expect(three).toHaveLength(3);
    expect(three.reduce((sum, panel) => sum + panel.length, 0)).toBeCloseTo(whole[0]!.length, 0);
    const stringer: Supports = {
      ...frames,
      members: [
        ...frames.members,
        { id: 's', name: 'Stringer', kind: 'stringer', band: 'bottom', share: 0.5, from: -1, to: 9, ...HOLDS_ALONG },
      ],
    };
    const six = panelsOf(shape, stringer, bottom, 'z');
    expect(six).toHaveLength(6);
    expect(six[0]!.breadth / three[0]!.breadth).toBeCloseTo(0.5, 1);
  });
  describe('beside a stringer that ends', () => {
    const over = (from: number, to: number, bulkheads = [3, 5]): Supports => ({
      ...bare,
      bulkheads: bulkheads.map((x) => ({ x, name: `Bulkhead ${x}` })),
      members: [{ id: 's', name: 'Stringer', kind: 'stringer', band: 'bottom', share: 0.5, from, to, ...HOLDS_ALONG }],
    });
    const broadest = (supports: Supports, from = 3, to = 5) =>
      Math.max(
        ...panelsOf(shape, supports, hullZone(from, to, 'centreline', 'chine'), 'z').map(({ breadth }) => breadth),
      );
    const [held, open] = [broadest(over(-1, 9)), broadest(over(8, 9))];
    it('within them are as broad as without it, wherever it ends', () => {
      expect(held).toBeLessThan(0.6 * open);
      for (const to of [3.1, 3.9, 4.1, 4.7]) expect(broadest(over(-1, to)), `ends at ${to}`).toBeCloseTo(open, 9);
      for (const from of [3.3, 3.9, 4.1, 4.9]) expect(broadest(over(from, 9)), `from ${from}`).toBeCloseTo(open, 9);
    });
    it('at their end, or a sliver short of it, are held by it', () => {
      for (const [from, to] of [
        [3, 5],
        [3.15, 4.85],
        [-1, 4.9],
      ] as const)
        expect(broadest(over(from, to))).toBeCloseTo(held, 9);
    });
    it('beyond the zone do not mind: what lies beside the zone’s own part of a panel is held', () => {
      // The panel runs from 3 to 5, the zone ends at 4, and the stringer a little later.
      expect(broadest(over(-1, 4.1), 3, 4)).toBeCloseTo(held, 9);
      expect(broadest(over(-1, 3.6), 3, 4)).toBeCloseTo(open, 9);
    });
    it('are never broader for a longer one, nor narrower for a shorter', () => {
      fc.assert(
        fc.property(
          fc.double({ min: -0.5, max: 7, noNaN: true }),
          fc.double({ min: 0.1, max: 5, noNaN: true }),
          fc.double({ min: 0, max: 2, noNaN: true }),
          (from, run, more) => {
            const [shorter, longer] = [over(from, from + run), over(from - more, from + run + more)].map((supports) =>
              panelsOf(shape, supports, hullZone(0.5, 7, 'centreline', 'chine'), 'z'),
            );
            const widest = (panels: typeof shorter) => Math.max(...panels!.map(({ breadth }) => breadth));
            expect(widest(longer)).toBeLessThanOrEqual(widest(shorter) + 1e-9);
            expect(longer!.length).toBeGreaterThanOrEqual(shorter!.length);
          },
        ),
        { numRuns: 25 },
      );
    });
    it('on deck a girder that ends within a bay holds none of its panels', () => {
      const deck = (to: number): Supports => ({
        ...bare,
        bulkheads: [
          { x: 3, name: 'A' },
          { x: 5, name: 'B' },
        ],
        members: [{ id: 'g', name: 'Girder', kind: 'girder', y: 0.5, from: 2, to, ...HOLDS_ALONG }],
      });
      const count = (to: number) => panelsOf(shape, deck(to), { surface: 'deck', from: 3, to: 5 }, 'z').length;
      expect(count(5)).toBe(count(9));
      expect(count(4)).toBeLessThan(count(5));
    });
    it('a stringer beside it carries as far as to what holds over its whole span', () => {
      const upper = {
        id: 'u',
        name: 'Upper',
        kind: 'stringer',
        band: 'bottom',
        share: 0.8,
        from: -1,
        to: 9,
        ...HOLDS_ALONG,
      } as const;
      const spacing = (to: number) => {
        const supports = over(-1, to);
        const geometry = memberGeometry(
          shape,
          { ...supports, members: [...supports.members, upper] },
          upper,
          () => null,
        )!;
        return geometry.spans.find(({ middle }) => middle[0] > 3 && middle[0] < 5)!.spacing;
      };
      expect(spacing(4.2)).toBeCloseTo(spacing(2), 6);
      expect(spacing(4.2)).toBeGreaterThan(spacing(9));
    });
  });
  describe('beside a bulkhead that ends below the deck', () => {
    const at = (top: number | null): Supports => ({ ...bare, bulkheads: [{ x: 3, name: 'Low', top }] });
    const [chine, deck] = [1, 2].map((s) => shape.hull.at(3, s)[2]) as [number, number];
    const count = (top: number | null, region: Region) => panelsOf(shape, at(top), region, 'z').length;
    const side = hullZone(-1, 9, 'chine', 'deckEdge');
    const onDeck: Region = { surface: 'deck', from: 3.2, to: 9 };
    it('are held by it as far up as it stands, and no further', () => {
      // To the deck, and where nothing is said: bottom and side are parted, and the deck ends at it.
      for (const top of [null, deck, deck + 1])
        expect([count(top, bottom), count(top, side)], String(top)).toEqual([2, 2]);
      // To the chine alone.
      for (const top of [chine, (chine + deck) / 2, deck - 0.3])
        expect([count(top, bottom), count(top, side)], String(top)).toEqual([2, 1]);
      // A floor: neither.
      const keel = shape.hull.at(3, 0)[2];
      expect([count((keel + chine) / 2, bottom), count((keel + chine) / 2, side)]).toEqual([1, 1]);
    });
    it('on deck run on over it', () => {
      const longest = (top: number | null) =>
        Math.max(...panelsOf(shape, at(top), onDeck, 'z').map(({ length }) => length));
      expect(longest(chine)).toBeGreaterThanOrEqual(longest(null));
      expect(panelsOf(shape, at(chine), { surface: 'deck', from: -1, to: 9 }, 'z').length).toBeLessThan(
        panelsOf(shape, at(null), { surface: 'deck', from: -1, to: 9 }, 'z').length,
      );
    });
    it('that run on over the chine are as long as they are above it', () => {
      const soft: BoatShape['hull'] = { ...shape.hull, hardChine: false };
      const over = (top: number | null) =>
        panelsOf({ ...shape, hull: soft }, at(top), hullZone(-1, 9, 'centreline', 'deckEdge'), 'z').length;
      // Below the chine by what holds the bottom, two of them, and all along by what holds the side.
      expect([over(null), over(chine)]).toEqual([2, 3]);
      const all = panelsOf({ ...shape, hull: soft }, at(chine), hullZone(-1, 9, 'centreline', 'deckEdge'), 'z');
      expect(Math.max(...all.map(({ length }) => length))).toBeCloseTo(
        panelsOf({ ...shape, hull: soft }, bare, hullZone(-1, 9, 'centreline', 'deckEdge'), 'z')[0]!.length,
        6,
      );
    });
    it('leave no place of the hull without a panel, whatever stands in her and however high', () => {
      const region = hullZone(-1, 9, 'centreline', 'deckEdge');
      const place = fc.double({ min: 0, max: 8, noNaN: true });
      const height = fc.option(fc.double({ min: 0.1, max: 1.3, noNaN: true }), { nil: null });
      const stringer = fc.record({
        from: place,
        run: fc.double({ min: 0.1, max: 8, noNaN: true }),
        share: fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        band: fc.constantFrom('bottom' as const, 'side' as const),
      });
      fc.assert(
        fc.property(
          fc.boolean(),
          fc.array(fc.record({ x: place, top: height }), { maxLength: 3 }),
          fc.array(stringer, { maxLength: 2 }),
          (hardChine, bulkheads, stringers) => {
            const hull = { ...shape.hull, hardChine };
            const supports: Supports = {
              ...bare,
              bulkheads: bulkheads.map(({ x, top }, i) => ({ x, top, name: `B${i}` })),
              members: stringers.map(({ from, run, share, band }, i) => {
                return {
                  id: `s${i}`,
                  name: `S${i}`,
                  kind: 'stringer',
                  band,
                  share,
                  from,
                  to: from + run,
                  ...HOLDS_ALONG,
                };
              }),
            };
            const panels = panelsOf({ ...shape, hull }, supports, region, 'z');
            const held = panels.reduce((sum, { patch }) => sum + patchArea(patch).area, 0);
            expect(held / areaOf(region)).toBeGreaterThan(0.985);
          },
        ),
        { numRuns: 40 },
      );
    });
    it('a frame carries as far as to what holds the band that it crosses', () => {
      const frame = { id: 'f', name: 'Frame', kind: 'frame' as const, x: 4, upTo: 'deckEdge' as const, ...HOLDS_ONLY };
      const spacing = (top: number | null) =>
        Object.fromEntries(
          memberGeometry(shape, { ...at(top), members: [frame] }, frame, () => null)!.spans.map((span) => [
            span.on,
            span.spacing,
          ]),
        );
      expect(spacing(chine)['bottom']).toBeCloseTo(spacing(null)['bottom']!, 9);
      expect(spacing(chine)['side']!).toBeGreaterThan(spacing(null)['side']!);
    });
  });
  it('without a keel that holds, run on to the other hand', () => {
    const [wide] = panelsOf(
      shape,
      { ...bare, hardEdges: { keel: false, chine: true } },
      hullZone(2, 3, 'centreline', 'chine'),
      'z',
    );
    expect(wide!.breadth / whole[0]!.breadth).toBeCloseTo(2, 1);
  });
  it('on a bulkhead end at its ribs', () => {
    const region: Region = { surface: 'section', x: 3, top: null };
    const ribs: Supports = {
      ...bare,
      members: [1 / 3, 2 / 3].map((share, i) => ({
        id: `r${i}`,
        name: `Post ${i + 1}`,
        kind: 'rib' as const,
        zone: 'b',
        run: 'across' as const,
        share,
        ...HOLDS_ONLY,
      })),
    };
    expect(panelsOf(shape, ribs, region, 'b')).toHaveLength(3);
    expect(panelsOf(shape, ribs, region, 'another')).toHaveLength(1);
  });
});

describe('a frame that ends at the chine', () => {
  const upTo = (end: 'notSaid' | 'chine' | 'deckEdge') => ({
    id: 'f',
    name: 'Frame',
    kind: 'frame' as const,
    x: 4,
    upTo: end,
    ...HOLDS_ONLY,
  });
  const among = (end: 'notSaid' | 'chine' | 'deckEdge'): Supports => ({ ...bare, members: [upTo(end)] });
  const bottom = hullZone(-1, 9, 'centreline', 'chine');
  const side = hullZone(-1, 9, 'chine', 'deckEdge');
  const ends = (supports: Supports, region: Region, of = shape) =>
    panelsOf(of, supports, region, 'z').map(({ between }) => between.along);

  it('parts the bottom and leaves the side whole; one that runs up parts both', () => {
    expect(ends(among('chine'), bottom)).toEqual([
      ['transom', 'Frame'],
      ['Frame', 'stem'],
    ]);
    expect(ends(among('chine'), side)).toEqual([['transom', 'stem']]);
    for (const end of ['deckEdge', 'notSaid'] as const) expect(ends(among(end), side)).toHaveLength(2);
    // The bottom's panels are those of a frame that runs up.
    const sizes = (end: 'chine' | 'deckEdge') =>
      panelsOf(shape, among(end), bottom, 'z').map(({ length, breadth }) => [length, breadth]);
    expect(sizes('chine')).toEqual(sizes('deckEdge'));
  });
  it('of a zone over both bands leaves to each what holds it', () => {
    const found = ends(among('chine'), hullZone(-1, 9, 'centreline', 'deckEdge'));
    expect(found).toHaveLength(3);
    expect(found.filter(([from, to]) => from === 'transom' && to === 'stem')).toHaveLength(1);
  });
  it('on a round bilge, over which a panel runs on, looks at it by either band: held below, and not above', () => {
    const round = { ...shape, hull: hullSurface({ ...drawn, form: 'roundBilge' }, particulars) };
    const whole = hullZone(-1, 9, 'centreline', 'deckEdge');
    expect(ends(among('deckEdge'), whole, round)).toHaveLength(2);
    const found = ends(among('chine'), whole, round);
    expect(found.filter(([from, to]) => from === 'transom' && to === 'stem')).toHaveLength(1);
    expect(found).toHaveLength(3);
  });
  it('has no piece up the side, is as long as the girth to the chine, and holds no stringer there', () => {
    const of = (end: 'chine' | 'deckEdge', hull = shape.hull) =>
      memberGeometry({ ...shape, hull }, among(end), upTo(end), () => null)!;
    expect(of('chine').spans.map(({ on }) => on)).toEqual(['bottom']);
    expect(of('chine').length).toBeCloseTo(2 * shape.hull.girth(4, 1), 2);
    // The same piece, with the ends of the frame itself where it is the only one.
    expect(of('chine').spans[0]).toEqual({ ...of('deckEdge').spans[0], ends: 1 });
    expect(of('deckEdge').spans.map(({ ends }) => ends)).toEqual([0, 1]);
    const round = hullSurface({ ...drawn, form: 'roundBilge' }, particulars);
    expect(of('chine', round).length).toBeCloseTo(2 * round.girth(4, 1), 2);
    expect(of('deckEdge', round).length).toBeCloseTo(2 * round.girth(4, 2), 2);
    const stringer = (band: 'bottom' | 'side') => ({
      id: 's',
      name: 'Stringer',
      kind: 'stringer' as const,
      band,
      share: 0.5,
      from: -1,
      to: 9,
      ...HOLDS_ALONG,
    });
    const spans = (band: 'bottom' | 'side', end: 'chine' | 'deckEdge') => {
      const one = stringer(band);
      return memberGeometry(shape, { ...bare, members: [upTo(end), one] }, one, () => null)!.spans.length;
    };
    expect([spans('bottom', 'chine'), spans('side', 'chine'), spans('side', 'deckEdge')]).toEqual([2, 1, 2]);
  });
});

describe('panels of which a zone has an edge or an end alone', () => {
  const at = (x: number): Supports => ({ ...bare, bulkheads: [{ x, name: 'Bulkhead' }] });
  it('are those of a bay that it has less than a tenth of, but for the width of its own edge', () => {
    // The fore bay runs from 4 m to the stem at about 8 m.
    const to = (end: number) => panelsBeside(shape, at(4), hullZone(-1, end, 'centreline', 'chine'));
    expect(to(4.2)).toEqual(['Bulkhead to stem']);
    for (const end of [4, 4.01, 5, 9]) expect(to(end), `to ${end}`).toEqual([]);
    expect(panelsOf(shape, at(4), hullZone(-1, 4.2, 'centreline', 'chine'), 'z')).toHaveLength(1);
    expect(panelsOf(shape, at(4), hullZone(-1, 5, 'centreline', 'chine'), 'z')).toHaveLength(2);
  });
  it('are those that its edge crosses at one end of a bay, and not in its middle', () => {
    // The chine climbs towards the stem: what lies over a level line is side amidships, and bottom too forward.
    const over = (height: number): Region => ({
      surface: 'hull',
      from: -1,
      to: 9,
      lower: { kind: 'height', height },
      upper: { kind: 'deckEdge' },
    });
    const chineAt = (share: number) => shape.hull.at(mix(shape.hull.aft, shape.hull.bow, share), 1)[2];
    expect(chineAt(0.9)).toBeGreaterThan(chineAt(0.5) + 0.2);
    const said = (height: number) => panelsBeside(shape, bare, over(height));
    expect(said(chineAt(0.5))).toEqual(['transom to stem, keel to chine']);
    expect(panelsOf(shape, bare, over(chineAt(0.5)), 'z').map(({ between }) => between.across[0])).toEqual(['chine']);
    // With enough of the bottom over it in the middle, the bottom's panel is its own.
    const low = over(chineAt(0.5) - 0.15);
    expect(panelsOf(shape, bare, low, 'z')).toHaveLength(2);
    expect(panelsBeside(shape, bare, low)).toEqual([]);
  });
  it('are found by what parts their own band: floors part the bottom, and not the side', () => {
    const floors: Supports = {
      ...bare,
      bulkheads: [{ x: 4, name: 'Bulkhead' }],
      members: [{ id: 'f', name: 'Floor', kind: 'frame', x: 5, upTo: 'chine', ...HOLDS_ONLY }],
    };
    // 0.3 m are a third of the bay below, from 4 to 5 m, and less than a tenth of the one above, from 4 m to the stem.
    const to = (lower: 'centreline' | 'chine', upper: 'chine' | 'deckEdge') =>
      panelsBeside(shape, floors, hullZone(-1, 4.3, lower, upper));
    expect(to('centreline', 'chine')).toEqual([]);
    expect(to('chine', 'deckEdge')).toEqual(['Bulkhead to stem']);
    expect(to('centreline', 'deckEdge')).toEqual(['Bulkhead to stem']);
    expect(panelsOf(shape, floors, hullZone(-1, 4.3, 'chine', 'deckEdge'), 'z')).toHaveLength(1);
  });
  it('of a deck are bays alone; of other surfaces there are none', () => {
    const beams: Supports = {
      ...bare,
      members: [{ id: 'b', name: 'Beam', kind: 'beam', x: 5, ...HOLDS_ONLY }],
    };
    expect(panelsBeside(shape, beams, { surface: 'deck', from: 3, to: 5.1 })).toEqual(['Beam to stem']);
    expect(panelsBeside(shape, beams, { surface: 'transom' })).toEqual([]);
    expect(panelsBeside(shape, beams, { surface: 'section', x: 3, top: null })).toEqual([]);
  });
});

describe('members', () => {
  const frame = { id: 'f', name: 'Frame', kind: 'frame' as const, x: 3, upTo: 'deckEdge' as const, ...HOLDS_ONLY };
  it('a frame spans keel to chine and chine to deck on both hands, and carries half the way to its neighbours', () => {
    const geometry = memberGeometry(
      shape,
      { ...bare, bulkheads: [{ x: 2, name: 'A' }], members: [frame] },
      frame,
      () => null,
    )!;
    expect(geometry.spans.map(({ on }) => on)).toEqual(['bottom', 'side']);
    expect(geometry.length).toBeCloseTo(2 * shape.hull.girth(3, 2), 2);
    expect(geometry.spans[0]!.spacing).toBeCloseTo((3 - 2 + (shape.hull.bow - 3)) / 2, 6);
  });
  it('a stringer is held by what crosses it', () => {
    const stringer = {
      id: 's',
      name: 'Stringer',
      kind: 'stringer' as const,
      band: 'bottom' as const,
      share: 0.5,
      from: 0,
      to: 5,
      ...HOLDS_ALONG,
    };
    const geometry = memberGeometry(shape, { ...bare, members: [frame, stringer] }, stringer, () => null)!;
    expect(geometry.spans).toHaveLength(2);
    expect(geometry.spans[0]!.spacing).toBeCloseTo(shape.hull.girth(1.5, 1) / 2, 1);
    expect(geometry.length).toBeGreaterThan(2 * 5);
    expect(memberGeometry(shape, bare, { ...stringer, from: 30, to: 40 }, () => null)).toBeNull();
  });
});
