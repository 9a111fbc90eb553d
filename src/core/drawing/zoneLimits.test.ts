import { describe, expect, it } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import { shapeOf } from '../document';
import type { Region } from '../geometry';
import { wordsIn } from '../quantity';
import { zoneLimits } from './zoneLimits';

const hull = shapeOf(merrow())!.hull;
const limits = (region: Region | null, units: 'metric' | 'us' = 'metric') =>
  wordsIn(zoneLimits({ region }, hull), units);

describe('limits of a zone in words', () => {
  it('along the hull end where the hull ends, whatever was given beyond it', () => {
    const lower = { kind: 'centreline' } as const;
    const upper = { kind: 'girth', distance: 0.2 } as const;
    const band = (from: number, to: number) => limits({ surface: 'hull', from, to, lower, upper });
    expect(band(-1, 20)).toBe('the whole length; centreline to 200 mm from the centreline along the skin');
    expect(band(-1, 4.3)).toMatch(/^from the aft end to 4\.3 m; /);
    expect(band(4.3, 20)).toMatch(/^from 4\.3 m to the stem; /);
    expect(band(2, 4.3)).toMatch(/^2 m to 4\.3 m; /);
  });
  it('of bulkheads, rectangles and zones without a place say what there is to say', () => {
    expect(limits({ surface: 'section', x: 3, top: null })).toBe('at 3 m, up to the deck');
    expect(limits({ surface: 'section', x: 3, top: 0.5 })).toBe('at 3 m, up to 0.5 m above the baseline');
    const pad = { surface: 'rectangle', x: 3, y: 1.1, height: 1, length: 0.4, breadth: 0.25, count: 6 } as const;
    expect(limits(pad)).toBe('6 of 400 mm × 250 mm, middle at 3 m, 1100 mm off the centreline');
    expect(limits(pad, 'us')).toMatch(/15\.7\d? in × 9\.84 in/);
    expect(limits(null)).toBe('figures typed, no place on the boat');
  });
});
