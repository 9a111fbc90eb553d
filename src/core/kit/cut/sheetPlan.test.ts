import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../../tests/helpers/merrow';
import { evaluateDetails } from '../../detail/kinds';
import { makeEvaluator } from '../../evaluate';
import type { Core } from '../../material';
import { USUAL_CUTTING } from '../cutting';
import { boxOf } from '../pieces/outline';
import { kitPieces } from '../pieces/pieces';
import { sheetPlan } from './sheetPlan';

describe('core on its sheets', () => {
  it.each([
    ['Merrow 84', merrow()],
    ['Brant 56', brant()],
  ])('%s: every piece once, on a sheet, a saw cut from the next', (...[, boat]) => {
    const evaluations = makeEvaluator()(boat);
    const all = kitPieces({ boat, evaluations, details: evaluateDetails(boat), cutting: USUAL_CUTTING }).pieces;
    const cores = boat.materials.filter(
      (one): one is Core => one.kind === 'core' && all.some(({ material }) => material === one.id),
    );
    expect(cores.length).toBeGreaterThan(0);
    for (const core of cores) {
      const own = all.filter(({ material }) => material === core.id);
      const plan = sheetPlan(core, own, USUAL_CUTTING);
      const places = plan.sheets.flatMap((sheet) => sheet.places);
      expect(new Set(places.map(({ pieceId, copy }) => `${pieceId} ${copy}`)).size).toBe(places.length);
      expect(places).toHaveLength(own.reduce((sum, { count }) => sum + count, 0));
      for (const { places: on, utilisation } of plan.sheets) {
        expect(utilisation).toBeLessThanOrEqual(1);
        const boxes = on.map(({ outline }) => boxOf(outline));
        for (const { minX, maxX, minY, maxY } of boxes) {
          expect(Math.min(minX, minY)).toBeGreaterThanOrEqual(-1e-6);
          expect(maxX).toBeLessThanOrEqual(USUAL_CUTTING.sheetWidth + 1e-5);
          expect(maxY).toBeLessThanOrEqual(USUAL_CUTTING.sheetLength + 1e-5);
        }
        boxes.forEach((a, i) =>
          boxes.slice(i + 1).forEach((b) => {
            const apart = Math.max(a.minX - b.maxX, b.minX - a.maxX, a.minY - b.maxY, b.minY - a.maxY);
            expect(apart).toBeGreaterThanOrEqual(USUAL_CUTTING.kerf - 1e-6);
          }),
        );
      }
      expect(plan.resin).toBeCloseTo(plan.pieceArea * core.resinUptake.value, 9);
    }
  });
  it('says which piece is larger than a sheet', () => {
    const boat = merrow();
    const core = boat.materials.find((one): one is Core => one.kind === 'core')!;
    const evaluations = makeEvaluator()(boat);
    const { pieces } = kitPieces({ boat, evaluations, details: [], cutting: USUAL_CUTTING });
    const own = pieces.filter(({ kind }) => kind === 'core');
    expect(() => sheetPlan(core, own, { ...USUAL_CUTTING, sheetWidth: 0.1, sheetLength: 0.1 })).toThrow(
      /larger than a sheet/,
    );
  });
});
