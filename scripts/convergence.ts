/**
 * Convergence of the plate solver against its own figure at 28 terms, as the table in docs/engineering.md: `npm run
 * convergence`.
 */
import { plateUnderPressure, type Plate } from '../src/core/panel';

const isotropic = { D11: 1, D12: 0.3, D22: 1, D66: 0.35 };
const PLATES: [string, Plate][] = [
  ['simply supported, 1 : 1', { length: 1, breadth: 1, ...isotropic, fixityX: 0, fixityY: 0 }],
  ['clamped, 1 : 1', { length: 1, breadth: 1, ...isotropic, fixityX: 1, fixityY: 1 }],
  ['clamped, 2 : 1', { length: 2, breadth: 1, ...isotropic, fixityX: 1, fixityY: 1 }],
  ['clamped, 4 : 1', { length: 4, breadth: 1, ...isotropic, fixityX: 1, fixityY: 1 }],
  [
    'clamped sandwich, 1.6 : 1',
    {
      length: 1.36,
      breadth: 0.85,
      D11: 2600,
      D12: 700,
      D22: 3400,
      D66: 900,
      A44: 4e5,
      A55: 4e5,
      fixityX: 1,
      fixityY: 1,
    },
  ],
];
const figures = (plate: Plate, terms: number) => {
  const { at } = plateUnderPressure(plate, { kind: 'uniform', pressure: 1 }, terms);
  const [middle, edge] = [at(plate.length / 2, plate.breadth / 2), at(plate.length / 2, 0)];
  return [middle.w, middle.My, edge.My, edge.Qy];
};
console.log(
  '| plate | terms | deflection | centre moment | edge moment | edge shear |\n| --- | --- | --- | --- | --- | --- |',
);
for (const [name, plate] of PLATES) {
  const best = figures(plate, 28);
  for (const terms of [6, 8, 10, 12, 16]) {
    const cells = figures(plate, terms).map((value, i) =>
      Math.abs(best[i]!) < 1e-4 * Math.abs(best[i === 3 ? 3 : 1]!)
        ? '–'
        : `${((value / best[i]! - 1) * 100).toFixed(2)} %`,
    );
    console.log(`| ${name} | ${terms}${terms === 12 ? ' (default)' : ''} | ${cells.join(' | ')} |`);
  }
}
