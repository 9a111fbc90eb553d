import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formatMargin, formatReserve, said, saidLength, wordsIn, reaches, shownReserve } from '.';

it('a reserve factor has no more digits than it deserves', () => {
  expect([0.8, 1.155, 9.99, 9.996, 47.4, 99.4, 608, Infinity].map(formatReserve)).toEqual([
    '0.80',
    '1.15',
    '9.99',
    '9.99',
    '47',
    '99',
    '> 99',
    '–',
  ]);
  expect([0.89, 1, 1.155, 9.99, 101].map(formatMargin)).toEqual(['−11 %', '+0 %', '+15 %', '+899 %', '> 900 %']);
});

it('a reserve never reads as more than it is: what fails reads below 1, what reads as the target reaches it', () => {
  expect(formatReserve(0.999)).toBe('0.99');
  expect(formatMargin(0.999)).toBe('−1 %');
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 90, noNaN: true }),
      fc.integer({ min: 50, max: 400 }),
      (reserve, hundredths) => {
        const [shown, target] = [shownReserve(reserve), hundredths / 100];
        expect(shown).toBeLessThanOrEqual(reserve * (1 + 1e-8));
        expect(reaches(shown, target)).toBe(
          reserve >= 10 ? reaches(Math.floor(reserve), target) : reaches(reserve, target),
        );
      },
    ),
  );
  // A chain of factors that comes to 1.10 but for its arithmetic.
  expect([formatReserve(1.1 - 1e-12), reaches(1.1 - 1e-12, 1.1)]).toEqual(['1.10', true]);
});

describe('quantities in sentences', () => {
  it('stand in the units of the reader, with no zeros nobody needs', () => {
    const text =
      `Above ${saidLength(0.004, 0.005)} wet; lap ${said(0.025, 'shortLength', 0.05)}, ` +
      `${saidLength(0.3)} wide, ${said(12_400, 'force')} at ${said(60, 'temperature', 80)}.`;
    expect(wordsIn(text, 'metric')).toBe('Above 4 to 5 mm wet; lap 25 to 50 mm, 300 mm wide, 12.4 kN at 60 to 80 °C.');
    expect(wordsIn(text, 'us')).toBe(
      'Above 0.157 to 0.197 in wet; lap 0.98 to 1.97 in, 11.81 in wide, 2788 lbf at 140 to 176 °F.',
    );
  });
  it('keep whole hundreds whole, and leave every other word alone', () => {
    expect(
      wordsIn(
        `${saidLength(0.1)}, 100 of {them} {{foo 1}}, ${said(0.12, 'fraction')}, ${said(-0.0004, 'thickness')}`,
        'metric',
      ),
    ).toBe('100 mm, 100 of {them} {{foo 1}}, 12%, −0.4 mm');
  });
});
