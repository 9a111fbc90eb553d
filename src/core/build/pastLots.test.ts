import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pastLots, type DatedLot } from './pastLots';

const dated = (lot: string, expires: string): DatedLot => ({ lot, material: 'Isophthalic polyester', expires });
const named = (text: string, lots: DatedLot[], today = '2026-12-01') =>
  pastLots(text, lots, today).map(({ lot }) => lot);

describe('lots past their day', () => {
  it('are found in what somebody typed, however they part it or write it', () => {
    const lots = [dated('R-12', '2026-10-31'), dated('K 7', '2026-11-30')];
    for (const text of ['R-12', 'r-12', ' R-12 , K 7x', 'can R-12; and M3', 'R-12/K9', '(R-12)'])
      expect(named(text, lots), text).toEqual(['R-12']);
    expect(named('k  7 and r-12', lots)).toEqual(['R-12', 'K 7']);
  });
  it('are no part of a longer number', () => {
    const lots = [dated('12', '2026-10-31')];
    for (const text of ['112', '123', 'A12', '12b', '']) expect(named(text, lots), text).toEqual([]);
    for (const text of ['12', '112 12', 'R-12', '12-4']) expect(named(text, lots), text).toEqual(['12']);
  });
  it('are past from the day after their last on', () => {
    const lots = [dated('R-12', '2026-12-01')];
    expect(named('R-12', lots, '2026-11-30')).toEqual([]);
    expect(named('R-12', lots, '2026-12-01')).toEqual([]);
    expect(named('R-12', lots, '2026-12-02')).toEqual(['R-12']);
    expect(named('R-12', lots, '2027-01-01')).toEqual(['R-12']);
  });
  it('one without a name is never named', () => {
    expect(named('anything', [dated('', '2026-01-01'), dated('  ', '2026-01-01')])).toEqual([]);
  });
  it('holds for any name: alone, among others, and never for a name that is not there', () => {
    const name = fc.stringMatching(/^[A-Za-z0-9][A-Za-z0-9./-]{0,10}[A-Za-z0-9]$/);
    fc.assert(
      fc.property(name, name, (lot, other) => {
        const lots = [dated(lot, '2026-10-31')];
        expect(named(lot, lots)).toEqual([lot]);
        expect(named(`${other}, ${lot}`, lots)).toEqual([lot]);
        if (!other.toLowerCase().includes(lot.toLowerCase())) expect(named(other, lots)).toEqual([]);
      }),
    );
  });
});
