import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { drawDetail } from '@/core/detail/kinds';
import { detailDxf } from './detailDxf';

/** Pairs of group code and value, as a reader of the format takes them. */
function groupsOf(dxf: string): [code: string, value: string][] {
  const lines = dxf.replace(/\r/g, '').replace(/\n$/, '').split('\n');
  return Array.from({ length: Math.floor(lines.length / 2) }, (_, i) => [lines[2 * i]!.trim(), lines[2 * i + 1]!]);
}

describe('a drawing for other programs', () => {
  const boats = [merrow(), brant()];
  it.each(boats.flatMap((boat) => boat.details.map((detail) => [detail.name, boat, detail] as const)))(
    '%s: every group has a code, and every coordinate is a number',
    (_name, boat, detail) => {
      const drawing = drawDetail(boat, detail)!;
      const groups = groupsOf(detailDxf(drawing, detail.name));
      for (const [code, value] of groups) {
        expect(code).toMatch(/^\d{1,4}$/);
        if (['10', '20', '30', '11', '21', '31', '40'].includes(code))
          expect(Number.isFinite(Number(value))).toBe(true);
      }
      expect(groups.at(-1)).toEqual(['0', 'EOF']);
      // Forces are said, not left open.
      expect(groups.some(([, value]) => value.includes('{{'))).toBe(false);
    },
  );
  it.each(['Pad\n0\nLINE\n8\n0\n10\n0', 'Pad\r\n0\r\nEOF', 'Pad\u2028 0', 'Pad\u00850\u0085EOF', 'x'.repeat(4000)])(
    'a name cannot say anything but itself: %j',
    (name) => {
      const [boat] = boats;
      const [detail] = boat!.details;
      const drawing = drawDetail(boat!, detail!)!;
      const count = (dxf: string) => groupsOf(dxf).filter(([code]) => code === '0').length;
      const groups = groupsOf(detailDxf(drawing, name));
      expect(count(detailDxf(drawing, name))).toBe(count(detailDxf(drawing, 'Pad')));
      for (const [code, value] of groups) {
        expect(code).toMatch(/^\d{1,4}$/);
        expect(value.length).toBeLessThan(251);
      }
    },
  );
});
