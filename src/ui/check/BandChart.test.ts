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

describe('the bands of the zones', () => {
  const bands = bandsOf(rows, 1.1);
  it('stand weakest first, and leave out what is not drawn yet', () => {
    expect(bands).toHaveLength(rows.filter(({ proof }) => proof).length);
    bands.slice(1).forEach((band, i) => expect(band.p05).toBeGreaterThanOrEqual(bands[i]!.p05));
  });
  it('are judged by their lower end', () => {
    const [thin] = bandsOf(
      [{ ...rows[1]!, proof: { ...rows[1]!.proof!, band: { ...rows[1]!.proof!.band!, p05: 1.05, p95: 4 } } }],
      1.1,
    );
    expect(thin!.verdict).toBe('thin');
    const [failing] = bandsOf(
      [{ ...rows[1]!, proof: { ...rows[1]!.proof!, band: { ...rows[1]!.proof!.band!, p05: 0.99, p95: 4 } } }],
      1.1,
    );
    expect(failing!.verdict).toBe('fails');
  });
});
