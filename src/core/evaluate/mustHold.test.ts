import { describe, expect, it } from 'vitest';
import { matched } from '../../../tests/helpers/matched';
import { brant, merrow, zoneOf } from '../../../tests/helpers/merrow';
import type { Boat, Brief } from '../document';
import { applyEdits } from '../edit';
import { analysePanel, evaluateZone, makeEvaluator, matchZone, zoneVerdict, zoneWorking } from '.';

const boat = merrow();
const asking = (of: Boat, patch: Partial<Brief>): Boat => ({ ...of, brief: { ...of.brief, ...patch } });
const proofs = (rule: boolean, match: boolean, analysis: boolean) => ({ proofs: { rule, match, analysis } });

describe('which proofs must hold', () => {
  it('is the standards alone, until it is said otherwise', () => {
    expect(boat.brief.proofs).toEqual({ rule: true, match: false, analysis: false });
    for (const evaluation of makeEvaluator()(boat).values())
      expect(evaluation.checks.some(({ id }) => id === 'byAnalysis' || id === 'byMatch')).toBe(false);
  });
  it('with analysis: every panel, strength over the factor of the yard, deflection over its limit', () => {
    const home = brant();
    const asked = asking(home, proofs(true, false, true));
    const yard = home.packs.find((pack) => pack.kind === 'yardRule');
    const factor = yard?.kind === 'yardRule' ? yard.analysisFactor : 1;
    expect(factor).toBeGreaterThan(1);
    let least = 0;
    for (const part of asked.parts)
      for (const zone of part.zones) {
        const { checks, governing } = evaluateZone(asked, part, zone);
        const { reserves } = analysePanel(home, part, zone, { terms: 8, detail: false });
        const strength = Math.min(
          ...reserves.filter(({ id }) => id !== 'deflection').map(({ reserveFactor }) => reserveFactor),
        );
        const found = checks.find(({ id }) => id === 'byAnalysis')!;
        expect(found.reserveFactor / (strength / factor), zone.name).toBeCloseTo(1, 6);
        expect(governing!.reserveFactor).toBe(Math.min(...checks.map(({ reserveFactor }) => reserveFactor)));
        if (governing!.id === 'byAnalysis') least++;
        expect(
          zoneWorking(asked, part, zone, { check: 'byAnalysis', packId: 'proofs' })[0]!.steps.length,
        ).toBeGreaterThan(4);
      }
    // Somewhere the plates ask more than the method does: there the headline falls.
    expect(least).toBeGreaterThan(0);
  });
  it('with a match: a zone that names no reference is not proven, one that does is as good as its least ratio', () => {
    const sail = asking(matched(), proofs(false, true, false));
    let [named, without] = [0, 0];
    for (const part of sail.parts)
      for (const zone of part.zones) {
        const evaluation = evaluateZone(sail, part, zone);
        const match = matchZone(sail, part, zone);
        if (match === null) {
          without++;
          expect(zoneVerdict(evaluation, 1.1)).toBe('notProven');
          expect(evaluation.unproven.join()).toContain('names no reference');
          // The standards are shown all the same.
          expect(evaluation.checks.length).toBeGreaterThan(3);
          expect(evaluation.governing).toBeNull();
        } else {
          named++;
          expect(evaluation.governing!.reserveFactor).toBe(match.governing.ratio);
          const [working] = zoneWorking(sail, part, zone, { check: 'byMatch', packId: 'proofs' });
          expect(working!.steps.map(({ value }) => value)).toContain(match.governing.ratio);
        }
      }
    expect(named).toBe(1);
    expect(without).toBeGreaterThan(5);
  });
  it('cannot be none, in words', () => {
    expect(() => applyEdits(boat, [{ type: 'brief.set', patch: proofs(false, false, false) }])).toThrow(
      'At least one proof must hold',
    );
  });
});

describe('the two paths of a single skin', () => {
  // A skin of mat alone, which both laws cover.
  const [part, zone] = zoneOf(boat, 'Bottom aft');
  const mats = {
    ...part,
    layers: [0, 1, 2, 3, 4].map((i) => ({
      ...part.layers.find(({ zones }) => zones.includes(zone.id))!,
      id: `mat-${i}`,
      material: 'csm-450',
      thickness: null,
      role: 'structure' as const,
      group: null,
      zones: [zone.id],
    })),
  };
  const pathsOf = (singleSkin: Brief['singleSkin']) => {
    const home = asking(boat, { singleSkin });
    const evaluation = evaluateZone(
      { ...home, parts: home.parts.map((one) => (one === part ? mats : one)) },
      mats,
      zone,
    );
    const of = (id: string) => evaluation.checks.find((check) => check.id === id)!.reserveFactor;
    return { evaluation, flexure: of('skinFlexure'), plies: of('plyByPly') };
  };
  it('must both hold as the boat begins; where either is enough the better of them stands, and all else', () => {
    const [both, either] = [pathsOf('both'), pathsOf('either')];
    expect([either.flexure, either.plies]).toEqual([both.flexure, both.plies]);
    expect(both.flexure).not.toBeCloseTo(both.plies, 3);
    expect(both.evaluation.governing!.reserveFactor).toBeLessThanOrEqual(Math.min(both.flexure, both.plies));
    const rest = both.evaluation.checks
      .filter(({ id }) => id !== 'skinFlexure' && id !== 'plyByPly')
      .map(({ reserveFactor }) => reserveFactor);
    expect(either.evaluation.governing!.reserveFactor).toBe(Math.min(Math.max(both.flexure, both.plies), ...rest));
  });
});
