import { describe, expect, it } from 'vitest';
import { GENERIC_MATERIALS, type Fabric, type Fibre, type Process, type Resin } from '../material';
import { layFabric } from '.';

const fibres = new Map(
  GENERIC_MATERIALS.filter((one): one is Fibre => one.kind === 'fibre').map((one) => [one.id, one]),
);
const resin = GENERIC_MATERIALS.find((one): one is Resin => one.kind === 'resin' && one.family === 'vinylester')!;

/** One ply of a fibre and form with nothing stated of it, as a process leaves it. */
function laid(family: Fibre['family'], form: 'randomMat' | 'woven' | 'unidirectional', process: Process) {
  const fibre = [...fibres.values()].find((one) => one.family === family)!;
  const fabric = GENERIC_MATERIALS.find((one): one is Fabric => one.kind === 'fabric')!;
  const [component] = fabric.components;
  const plain: Fabric = {
    ...fabric,
    components: [
      {
        ...component!,
        fibre: fibre.id,
        form,
        crimpFactor: form === 'woven' ? 0.92 : 1,
        measured: [],
        sublayers:
          form === 'woven'
            ? [
                { angleDeg: 0, share: 0.5 },
                { angleDeg: 90, share: 0.5 },
              ]
            : [{ angleDeg: 0, share: 1 }],
      },
    ],
  };
  const [one] = layFabric(plain, { fibres, resin, process });
  return { ...one!, strength: one!.plies[0]!.strength!, ply: one!.plies[0]! };
}

/** Means as published for boat laminates (MPa): tension, compression. */
describe.each([
  ['eGlass', 'randomMat', 'handLayUp', [80, 110], [105, 130]],
  ['eGlass', 'woven', 'handLayUp', [190, 230], [130, 165]],
  ['eGlass', 'unidirectional', 'infusion', [700, 900], [450, 600]],
  ['carbon', 'unidirectional', 'infusion', [1200, 1600], [700, 900]],
  ['carbon', 'woven', 'infusion', [550, 750], [400, 550]],
  ['aramid', 'woven', 'infusion', [350, 450], [80, 160]],
] as const)('%s %s by %s', (family, form, process, tension, compression) => {
  const { strength } = laid(family, form, process);
  it('is as strong as such laminates are', () => {
    expect(strength.Xt / 1e6).toBeGreaterThanOrEqual(tension[0]);
    expect(strength.Xt / 1e6).toBeLessThanOrEqual(tension[1]);
    expect(strength.Xc / 1e6).toBeGreaterThanOrEqual(compression[0]);
    expect(strength.Xc / 1e6).toBeLessThanOrEqual(compression[1]);
  });
});

it('a mat is as strong in every direction, and hands lay weaker tapes than infusion does at the same stiffness', () => {
  const { Xt, Yt, Xc, Yc } = laid('eGlass', 'randomMat', 'handLayUp').strength;
  expect([Yt, Yc]).toEqual([Xt, Xc]);
  const strain = (process: Process) => {
    const { strength, ply } = laid('eGlass', 'unidirectional', process);
    return strength.Xt / ply.E1;
  };
  expect(strain('handLayUp') / strain('infusion')).toBeCloseTo(0.9, 9);
});
