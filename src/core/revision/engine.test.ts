import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { ENGINE } from '../evaluate';
import { resultsOf } from '.';

const FILE = 'tests/samples/engine.json';

/** Figures to nine digits: what a change of the engine would move. */
const figures = () =>
  Object.fromEntries(
    [merrow(), brant()].map((boat) => {
      const { zones, stiffeners, details, mass } = resultsOf(boat);
      const round = (value: number | null) => (value === null ? null : Number(value.toPrecision(9)));
      return [
        boat.name,
        {
          mass: round(mass),
          zones: zones.map(({ zone, reserveFactor, arealWeight }) => [zone, round(reserveFactor), round(arealWeight)]),
          stiffeners: stiffeners.map(({ name, reserveFactor }) => [name, round(reserveFactor)]),
          details: details.map(({ name, reserveFactor }) => [name, round(reserveFactor)]),
        },
      ];
    }),
  );

it('the engine computes for the demo boats what its version stands for; a change of figures raises the version', () => {
  const now = JSON.parse(JSON.stringify({ engine: ENGINE, figures: figures() })) as {
    engine: string;
    figures: unknown;
  };
  if (!existsSync(FILE)) writeFileSync(FILE, `${JSON.stringify(now, null, 1)}\n`);
  const kept = JSON.parse(readFileSync(FILE, 'utf8')) as typeof now;
  // A new version writes its figures anew: remove the file, run this test, look at the difference, commit both.
  expect(now.engine, 'ENGINE was raised: write tests/samples/engine.json anew').toBe(kept.engine);
  expect(now.figures).toEqual(kept.figures);
});
