import { describe, expect, it } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import { makeEvaluator } from '@/core/evaluate';
import { bandsOf } from './BandChart';
import type { ZoneRow } from './ZoneSheet';

const boat = merrow();
const evaluations = makeEvaluator()(boat);
const rows = boat.parts.flatMap((part) =>
  part.zones.map((zone, i): ZoneRow => {
    const band = { p05: 2 - 0.1 * i, p95: 3, failing: 0, governs: '', draws: 400 };
    const proof = i === 0 ? undefined : ({ zoneId: zone.id, band } as unknown as ZoneRow['proof']);
    return { part, zone, evaluation: evaluations.get(zone.id)!, proof };
  }),
);

const banded = (row: ZoneRow, p05: number, governing: number): ZoneRow => ({
  ...row,
  evaluation: { ...row.evaluation, governing: { ...row.evaluation.governing!, reserveFactor: governing } },
  proof: { ...row.proof!, band: { ...row.proof!.band!, p05, p95: 4 } },
});

describe('the bands of the zones', () => {
  const bands = bandsOf(rows, 1.1);
  const worst = ({ p05, below }: (typeof bands)[number]) => below?.reserveFactor ?? p05;
  it('stand weakest first, and leave out what is not drawn yet', () => {
    expect(bands).toHaveLength(rows.filter(({ proof }) => proof).length);
    bands.slice(1).forEach((band, i) => expect(worst(band)).toBeGreaterThanOrEqual(worst(bands[i]!)));
  });
  it('are judged by their lower end', () => {
    const verdictOf = (p05: number) => bandsOf([banded(rows[1]!, p05, 3)], 1.1)[0]!.verdict;
    expect([0.99, 1.05, 1.2, 2.5].map(verdictOf)).toEqual(['fails', 'thin', 'meets', 'ample']);
  });
  it('never look better than a check that does not scatter', () => {
    const [band] = bandsOf([banded(rows[1]!, 2.5, 1.03)], 1.1);
    expect(band!.verdict).toBe('thin');
    expect(band!.below).toMatchObject({ reserveFactor: 1.03 });
    const order = bandsOf([banded(rows[1]!, 1.2, 3), banded(rows[2]!, 2.5, 1.03)], 1.1);
    expect(order.map(({ name }) => name)).toEqual([rows[2]!.zone.name, rows[1]!.zone.name]);
  });
});
