import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sectionStiffness, stiffenerSectionSchema, topHatElements, topHatSection, uniformBeam } from '.';
import type { SectionElement, TopHat } from '.';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const element = fc.record({
  E: number(1e8, 2e11),
  breadth: number(0.001, 0.5),
  height: number(0.001, 0.3),
  centroid: number(-0.2, 0.6),
});
const elements = fc.array(element, { minLength: 1, maxLength: 6 });

/** The same by brute force: each rectangle cut into thin strips. */
function byStrips(section: readonly SectionElement[], strips = 400) {
  const parts = section.flatMap(({ E, breadth, height, centroid, count = 1 }) =>
    Array.from({ length: strips }, (_, i) => ({
      EA: (count * E * breadth * height) / strips,
      z: centroid - height / 2 + (height * (i + 0.5)) / strips,
    })),
  );
  const EA = parts.reduce((sum, part) => sum + part.EA, 0);
  const axis = parts.reduce((sum, part) => sum + part.EA * part.z, 0) / EA;
  return { EA, axis, EI: parts.reduce((sum, part) => sum + part.EA * (part.z - axis) ** 2, 0) };
}

describe('a section of rectangles', () => {
  it('alone is E b h³ / 12: 70 GPa on 20 × 100 mm is 116.7 kN·m²', () => {
    const { EI, EA, neutralAxis, sectionStiffnessTop, sectionStiffnessBottom } = sectionStiffness([
      { E: 70e9, breadth: 0.02, height: 0.1, centroid: 0.05 },
    ]);
    expect(EI).toBeCloseTo(116_666.667, 2);
    expect(EA).toBeCloseTo(140e6, 0);
    expect(neutralAxis).toBeCloseTo(0.05, 12);
    expect(sectionStiffnessTop).toBeCloseTo(EI / 0.05, 3);
    expect(sectionStiffnessBottom).toBeCloseTo(sectionStiffnessTop, 6);
  });
  it('of steel under wood, transformed by hand: Gere & Timoshenko, ch. 6', () => {
    // Wood 100 × 150 mm, E 10 GPa, over steel 100 × 10 mm, E 200 GPa: axis 50.0 mm above the foot of the steel.
    const wood = { E: 10e9, breadth: 0.1, height: 0.15, centroid: 0.085 };
    const steel = { E: 200e9, breadth: 0.1, height: 0.01, centroid: 0.005 };
    const { neutralAxis, EI } = sectionStiffness([wood, steel]);
    const axis = (10e9 * 0.015 * 0.085 + 200e9 * 0.001 * 0.005) / (10e9 * 0.015 + 200e9 * 0.001);
    expect(neutralAxis).toBeCloseTo(axis, 12);
    const byHand =
      10e9 * ((0.1 * 0.15 ** 3) / 12 + 0.015 * (0.085 - axis) ** 2) +
      200e9 * ((0.1 * 0.01 ** 3) / 12 + 0.001 * (0.005 - axis) ** 2);
    expect(EI / byHand).toBeCloseTo(1, 12);
  });
  it('is the same as cut into strips, whatever its rectangles', () => {
    fc.assert(
      fc.property(elements, (section) => {
        const [exact, cut] = [sectionStiffness(section), byStrips(section)];
        expect(exact.EA / cut.EA).toBeCloseTo(1, 6);
        expect(exact.neutralAxis).toBeCloseTo(cut.axis, 6);
        expect(exact.EI / cut.EI).toBeCloseTo(1, 3);
      }),
      { numRuns: 60 },
    );
  });
  it('lifted as a whole keeps its stiffness, and its axis goes along', () => {
    fc.assert(
      fc.property(elements, number(-1, 1), (section, lift) => {
        const lifted = sectionStiffness(section.map((one) => ({ ...one, centroid: one.centroid + lift })));
        const here = sectionStiffness(section);
        expect(lifted.EI / here.EI).toBeCloseTo(1, 6);
        expect(lifted.neutralAxis - here.neutralAxis).toBeCloseTo(lift, 9);
      }),
    );
  });
  it('never loses by one rectangle more, and counts of one are worth as many drawn', () => {
    fc.assert(
      fc.property(elements, element, fc.integer({ min: 1, max: 4 }), (section, more, count) => {
        expect(sectionStiffness([...section, more]).EI).toBeGreaterThanOrEqual(
          sectionStiffness(section).EI * (1 - 1e-9),
        );
        const counted = sectionStiffness([...section, { ...more, count }]);
        const drawn = sectionStiffness([...section, ...Array.from({ length: count }, () => more)]);
        expect(counted.EI / drawn.EI).toBeCloseTo(1, 9);
      }),
    );
  });
  it('of nothing is refused', () => {
    expect(() => sectionStiffness([])).toThrow('The section is empty');
  });
});

describe('a top-hat', () => {
  const hat: TopHat = {
    plating: { E: 10e9, thickness: 0.01, effectiveBreadth: 0.3 },
    flange: { E: 12e9, thickness: 0.003, width: 0.05 },
    web: { E: 9e9, thickness: 0.003, height: 0.09 },
    crown: { E: 20e9, thickness: 0.006, width: 0.06 },
  };
  it('counts plating and crown once, flange and web on each side', () => {
    expect(topHatElements(hat).map(({ count = 1 }) => count)).toEqual([1, 2, 2, 1]);
    expect(topHatSection(hat).EA).toBeCloseTo(
      10e9 * 0.01 * 0.3 + 2 * 12e9 * 0.003 * 0.05 + 2 * 9e9 * 0.003 * 0.09 + 20e9 * 0.006 * 0.06,
      0,
    );
  });
  it('takes its shear in both webs, upright height only', () => {
    expect(topHatSection(hat).webArea).toBeCloseTo(2 * 0.003 * 0.09, 12);
  });
  it('with leaning webs of the same height has more of them in the section, and the same shear area', () => {
    const leaning = topHatSection({ ...hat, web: { ...hat.web, angleDeg: 20 } });
    const upright = topHatSection(hat);
    expect(leaning.EI).toBeGreaterThan(upright.EI);
    expect(leaning.webArea).toBe(upright.webArea);
    expect(leaning.EA - upright.EA).toBeCloseTo(2 * 9e9 * 0.003 * 0.09 * (1 / Math.cos(Math.PI / 9) - 1), 0);
  });
  it('gains by a former that carries, by as much as the former is worth', () => {
    const filled = topHatSection({ ...hat, former: { E: 80e6, width: 0.08 } });
    expect(filled.EA - topHatSection(hat).EA).toBeCloseTo(80e6 * 0.08 * 0.09, 0);
    expect(filled.EI).toBeGreaterThan(topHatSection(hat).EI);
  });
  it('stands higher, is stiffer: with the cube of height or less, more than its first power', () => {
    fc.assert(
      fc.property(number(0.03, 0.2), number(1.1, 2), (height, times) => {
        const [low, high] = [height, height * times].map(
          (tall) => topHatSection({ ...hat, web: { ...hat.web, height: tall } }).EI,
        ) as [number, number];
        expect(high / low).toBeGreaterThan(times);
        expect(high / low).toBeLessThan(times ** 3);
      }),
    );
  });
});

/** Deflection by integrating the bending moment twice, shear beside it: what Roark's formulas must come to. */
function byIntegration(moment: (x: number) => number, L: number, EI: number, hinged: boolean): number {
  const n = 20_000;
  const step = L / n;
  let [slope, w] = [0, 0];
  const places: number[] = [];
  for (let i = 0; i < n; i++) {
    slope += (moment((i + 0.5) * step) / EI) * step;
    w += slope * step;
    places.push(w);
  }
  // Hinged at both ends: turn the line until it meets the far support.
  const turned = places.map((value, i) => (hinged ? value - (w * (i + 1)) / n : value));
  return Math.max(...turned.map(Math.abs));
}

describe('a beam under a uniform load', () => {
  const [length, load, EI] = [1.2, 4000, 42_000];
  const beam = (ends: Parameters<typeof uniformBeam>[0]['ends'], shearStiffness?: number) =>
    uniformBeam({ length, load, EI, ends, ...(shearStiffness !== undefined && { shearStiffness }) });

  it('fixed at both ends: q L² / 12 at them, half of it between; Roark, ch. 8', () => {
    expect(beam('fixed')).toMatchObject({ momentEnd: 480, momentMid: 240, shearEnd: 2400 });
  });
  it('bends as its moment integrated twice', () => {
    const q = load;
    const simple = (x: number) => (q * length * x) / 2 - (q * x ** 2) / 2;
    expect(beam('simple').deflection / byIntegration(simple, length, EI, true)).toBeCloseTo(1, 3);
    const fixed = (x: number) => simple(x) - (q * length ** 2) / 12;
    expect(beam('fixed').deflection / byIntegration(fixed, length, EI, true)).toBeCloseTo(1, 3);
    const cantilever = (x: number) => -(q * (length - x) ** 2) / 2;
    expect(beam('cantilever').deflection / byIntegration(cantilever, length, EI, false)).toBeCloseTo(1, 3);
    const propped = (x: number) => (3 * q * length * x) / 8 - (q * x ** 2) / 2;
    expect(beam('propped').deflection / byIntegration(propped, length, EI, true)).toBeCloseTo(1, 3);
  });
  it('propped: five eighths of the load at the fixed end, q L² / 8 there', () => {
    const { shearEnd, momentEnd, deflection } = beam('propped');
    expect(shearEnd).toBeCloseTo((5 / 8) * load * length, 6);
    expect(momentEnd).toBeCloseTo((load * length ** 2) / 8, 6);
    expect(deflection).toBeCloseTo((load * length ** 4) / (184.6 * EI), 6);
  });
  it('is in balance however it is held: end and middle moment of a span add to q L² / 8', () => {
    for (const ends of ['simple', 'fixed'] as const) {
      const { momentEnd, momentMid } = beam(ends);
      expect(momentEnd + momentMid).toBeCloseTo((load * length ** 2) / 8, 6);
    }
  });
  it('that is soft in shear bends more; infinitely stiff it is as without', () => {
    for (const ends of ['simple', 'fixed', 'cantilever', 'propped'] as const) {
      expect(beam(ends, 1e5).deflection).toBeGreaterThan(beam(ends).deflection);
      expect(beam(ends, 1e15).deflection).toBeCloseTo(beam(ends).deflection, 9);
    }
    expect(beam('simple', 1e5).deflection - beam('simple').deflection).toBeCloseTo((load * length ** 2) / 8e5, 9);
    // Softer in shear, the propped beam hands more to its support.
    expect(beam('propped', 1e5).momentEnd).toBeLessThan(beam('propped').momentEnd);
  });
  it('held better bends less: cantilever, simple, propped, fixed', () => {
    const order = (['cantilever', 'simple', 'propped', 'fixed'] as const).map((ends) => beam(ends).deflection);
    expect(order).toEqual([...order].sort((a, b) => b - a));
  });
});

it('a section of the library is refused in words beyond what is built', () => {
  const section = {
    id: 'hat',
    name: 'Hat',
    kind: 'topHat',
    height: 0.09,
    baseWidth: 0.1,
    crownWidth: 0.06,
    flangeWidth: 0.05,
    former: null,
    bonded: 'peelAbrade',
    adhesive: null,
    layers: [{ material: 'bx0-600', angleDeg: 0, crown: true, web: true, flange: true }],
  };
  expect(stiffenerSectionSchema.parse(section)).toEqual(section);
  const { bonded: _, adhesive: __, ...early } = section;
  expect(stiffenerSectionSchema.parse(early)).toEqual({ ...section, bonded: 'notSaid' });
  const words = (patch: object) => stiffenerSectionSchema.safeParse({ ...section, ...patch }).error?.issues[0]?.message;
  expect(words({ height: 0.7 })).toContain('Height must be between');
  expect(words({ layers: [] })).toBe('A section needs at least one layer');
  expect(words({ kind: 'channel' })).toBe('Kind must be one of: Top-hat, Flat bar');
});
