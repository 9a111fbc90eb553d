import { describe, expect, it } from 'vitest';
import { brant } from '../../../tests/helpers/merrow';
import { LABEL_SHEETS, labelsOf, USUAL_CUTTING, type LabelSheet } from '@/core/kit';
import { labelsHere, piecesHere } from '../kit/kitting';

const boat = brant();
const { pieces } = piecesHere(boat, USUAL_CUTTING);
const asked = { boat, cutting: USUAL_CUTTING, frozen: null, group: null, layer: null };
const pagesOf = (pdf: Uint8Array) =>
  (
    Buffer.from(pdf)
      .toString('latin1')
      .match(/\/Type \/Page\b/g) ?? []
  ).length;
const count = pieces.reduce((sum, one) => sum + one.count, 0);

describe('labels of pieces', () => {
  it('are one for every copy, in laying order, each with a code of its own', () => {
    const labels = labelsOf(boat, pieces, 'Brant 56, hull 3');
    expect(labels).toHaveLength(count);
    expect(new Set(labels.map(({ code }) => code)).size).toBe(count);
    expect(labels.map(({ order }) => order)).toEqual(labels.map((_, i) => i + 1));
    for (const { code, cloth, size } of labels) {
      expect(code.startsWith('Brant 56, hull 3|')).toBe(true);
      expect(cloth.trim()).not.toBe('');
      expect(Math.min(...size)).toBeGreaterThan(0);
    }
  });
  it.each(Object.keys(LABEL_SHEETS) as LabelSheet[])(
    'lie on the page of %s, and on as many as it takes',
    async (sheet) => {
      const { across, down, size, first, page } = LABEL_SHEETS[sheet];
      expect(first[0] + across * size[0]).toBeLessThanOrEqual(page[0] + 1e-6 + 6);
      expect(first[1] + down * size[1]).toBeLessThanOrEqual(page[1] + 1e-6);
      const [layer] = pieces.filter(({ layerNumber, partId }) => partId !== null && layerNumber === 8);
      const own = pieces.filter(({ partId, layerNumber }) => partId === layer!.partId && layerNumber === 8);
      const labels = own.reduce((sum, one) => sum + one.count, 0);
      const start = across * down;
      const pdf = await labelsHere({
        ...asked,
        group: layer!.partId,
        layer: 8,
        options: { sheet, start, units: 'metric' },
      });
      // The first on the last place of a sheet, the rest on whole ones.
      expect(pagesOf(pdf)).toBe(Math.ceil((labels + start - 1) / (across * down)));
    },
  );
  it('say what was asked for and is not there', async () => {
    const options = { sheet: 'a4-24', start: 1, units: 'metric' } as const;
    await expect(labelsHere({ ...asked, group: 'nothing', options })).rejects.toThrow(/no such pieces/);
  });
  it('are of a frozen kit where one is asked for, whatever the boat has become', async () => {
    const options = { sheet: 'roll-70', start: 1, units: 'us' } as const;
    const few = pieces.filter(({ kind }) => kind === 'box').slice(0, 2);
    const pdf = await labelsHere({ ...asked, frozen: { hull: '3', pieces: few }, options });
    expect(pagesOf(pdf)).toBe(few.reduce((sum, one) => sum + one.count, 0));
  });
});
