import katex from 'katex';
import { describe, expect, it } from 'vitest';
import { texToText } from '../working';
import { caseOf, coefficientsOf, FORMULAS, meantBy, SHIPPED_PACKS } from '.';

describe('the formulas of the packs', () => {
  it.each(SHIPPED_PACKS.map((pack) => [pack.title, pack] as const))(
    '%s: every coefficient stands in one formula, under one meaning',
    (_, pack) => {
      for (const { path } of coefficientsOf(pack)) {
        const held = FORMULAS[pack.kind].flatMap(({ coefficients }) =>
          coefficients.filter((one) => meantBy(one, path)),
        );
        expect(held, path).toHaveLength(1);
      }
    },
  );
  it.each(SHIPPED_PACKS.map((pack) => [pack.title, pack] as const))(
    '%s: no formula speaks of none of them',
    (_, pack) => {
      const paths = coefficientsOf(pack).map(({ path }) => path);
      for (const { id, coefficients } of FORMULAS[pack.kind])
        for (const meaning of coefficients)
          expect(
            paths.filter((path) => meantBy(meaning, path)),
            `${id} ${meaning.path}`,
          ).not.toHaveLength(0);
    },
  );
  it('all of it can be set', () => {
    for (const { tex, coefficients } of Object.values(FORMULAS).flat())
      for (const one of [tex, ...coefficients.map(({ symbol }) => symbol)])
        expect(() => katex.renderToString(one, { throwOnError: true, strict: 'error' }), one).not.toThrow();
  });
  it('all of it reads without the typesetter', () => {
    /** Commands whose names are what is read of them, or that vanish. */
    const read = /^(max|min|cos|sin|frac|tfrac|sqrt|text|mathrm)$/;
    for (const { tex, coefficients } of Object.values(FORMULAS).flat())
      for (const one of [tex, ...coefficients.map(({ symbol }) => symbol)])
        for (const [, name] of one.matchAll(/\\([A-Za-z]+)/g))
          if (!read.test(name!)) expect(texToText(one), one).not.toContain(name);
  });
  it('a case is named by the rest of its path', () => {
    const [head] = FORMULAS.smallCraft.find(({ id }) => id === 'head')!.coefficients;
    expect(caseOf(head!, 'headPressure.collisionBulkhead')).toBe('collision bulkhead');
    expect(caseOf(head!, 'headPressure')).toBe('');
  });
});
