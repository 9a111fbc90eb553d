import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../../tests/helpers/merrow';
import type { Boat } from '../../document';
import type { StiffenerSection } from '../../stiffener';
import { evaluateStiffeners, type LoadedSpan } from '..';

const AXIS = 'the axis moves towards the plating, and the crown lies further from it';
const AWAY = 'the axis moves away from the plating, and what lies on it is strained more';
const DRAWS = 'more of it works with the plating, and draws more through bond and core';
/** Every figure of a section, and the checks that more of it may lower, with the reason. */
const MAY_FALL: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  height: { crownBuckling: 'a higher bar turns over sooner' },
  baseWidth: { bond: DRAWS, platingCore: DRAWS },
  crownWidth: {
    crownBuckling: 'a broader crown that stands by itself buckles sooner',
    bond: DRAWS,
    platingCore: DRAWS,
    flangeAlong: AWAY,
  },
  flangeWidth: { crownCompression: AXIS, crownTension: AXIS, crownBuckling: AXIS, webAlong: AXIS, platingCore: DRAWS },
};
/** Of a flange layer laid twice: the same, and its own plating is drawn nearer. */
const FLANGE = MAY_FALL['flangeWidth']!;
/** Of any layer laid twice: what stands on the plating grows. */
const GROWN: Readonly<Record<string, string>> = { bond: DRAWS, platingCore: DRAWS, flangeAlong: AWAY };

const boats = [merrow(), brant()];
const sections = boats.flatMap((boat) =>
  boat.sections.map((section) => ({ boat, section, name: `${boat.name}: ${section.name}` })),
);
const withSection = (boat: Boat, section: StiffenerSection): Boat => ({
  ...boat,
  sections: boat.sections.map((one) => (one.id === section.id ? section : one)),
});

/** Each check of each stiffener of the section before and after, where its worst span is still the same one. */
function compared(boat: Boat, after: Boat, id: string) {
  const now = evaluateStiffeners(after);
  return evaluateStiffeners(boat).flatMap(({ support, section, worst }, i) => {
    const other = now[i]!.worst;
    if (section?.id !== id || worst === null || other === null) return [];
    const at = ({ span, zone }: LoadedSpan) => `${zone.zone.id} ${span.middle.join()}`;
    if (at(other) !== at(worst)) return [];
    return worst.checks.map((check) => ({
      stiffener: support.name,
      id: check.id,
      was: check.reserveFactor,
      is: other.checks.find((one) => one.id === check.id)?.reserveFactor ?? NaN,
    }));
  });
}

describe('a section of stiffeners', () => {
  it.each(sections)('$name: no figure of it lowers a reserve as it grows, but where the reason is known', (one) => {
    const { boat, section } = one;
    const figures = Object.entries(section).filter(([, value]) => typeof value === 'number' && value > 0);
    expect(figures.map(([key]) => key).filter((key) => !MAY_FALL[key])).toEqual([]);
    for (const [key, value] of figures)
      for (const by of [1.1, 1.5]) {
        const grown = { ...section, [key]: (value as number) * by };
        for (const { stiffener, id, was, is } of compared(boat, withSection(boat, grown), section.id))
          if (!MAY_FALL[key]![id])
            expect(is, `${stiffener}: ${id} as ${key} grows`).toBeGreaterThanOrEqual(was * (1 - 1e-9));
      }
  });
  it.each(sections)('$name: no layer laid twice lowers a reserve, nor is it laid for nothing', ({ boat, section }) => {
    section.layers.forEach((layer, i) => {
      const layers = [...section.layers.slice(0, i), layer, ...section.layers.slice(i)];
      const changes = compared(boat, withSection(boat, { ...section, layers }), section.id);
      const onFlangeAlone = layer.flange && !layer.web && !layer.crown;
      for (const { stiffener, id, was, is } of changes)
        if (!GROWN[id] && !(onFlangeAlone && FLANGE[id]))
          expect(is, `${stiffener}: ${id}, layer ${i + 1} twice`).toBeGreaterThanOrEqual(was * (1 - 1e-9));
      if (changes.length > 0) expect(changes.some(({ was, is }) => is > was)).toBe(true);
    });
  });
});

describe('what asks more of the stiffeners', () => {
  const brief = (boat: Boat, patch: Partial<Boat['brief']>): Boat => ({ ...boat, brief: { ...boat.brief, ...patch } });
  const HARDER: Readonly<Record<string, (boat: Boat) => Boat>> = {
    'more speed': (boat) => brief(boat, { maxSpeedKnots: Math.min(50, boat.brief.maxSpeedKnots * 1.2) }),
    'more mass': (boat) => brief(boat, { loadedMass: boat.brief.loadedMass * 1.3 }),
    'a laminate less well known': (boat) => brief(boat, { quality: 'EL-c' }),
  };
  it.each(Object.entries(HARDER))('%s raises no reserve', (_, harder) => {
    for (const boat of boats)
      for (const { id } of boat.sections)
        for (const { stiffener, id: check, was, is } of compared(boat, harder(boat), id))
          if (!Number.isNaN(is)) expect(is, `${stiffener}: ${check}`).toBeLessThanOrEqual(was * (1 + 1e-9));
  });
  it('a support that is taken away leaves its neighbours more to carry, never less', () => {
    const [boat] = boats as [Boat];
    const before = evaluateStiffeners(boat);
    for (const gone of ['Frame midships', 'Frame engine']) {
      const without: Boat = { ...boat, supports: boat.supports.filter(({ name }) => name !== gone) };
      expect(without.supports).toHaveLength(boat.supports.length - 1);
      const now = evaluateStiffeners(without);
      const falls = now.flatMap(({ support, governing }) => {
        const was = before.find((one) => one.support.id === support.id)!.governing;
        if (!was || !governing || !/^(Bow f|F)rame/.test(support.name)) return [];
        expect(governing.reserveFactor, `${support.name} without ${gone}`).toBeLessThanOrEqual(
          was.reserveFactor * (1 + 1e-9),
        );
        return governing.reserveFactor < was.reserveFactor * 0.95 ? [support.name] : [];
      });
      expect(falls.length, `without ${gone}`).toBeGreaterThan(0);
    }
  });
});
