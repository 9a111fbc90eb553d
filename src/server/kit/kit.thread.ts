import { evaluateDetails } from '@/core/detail/kinds';
import { makeEvaluator } from '@/core/evaluate';
import { kitPieces } from '@/core/kit';
import { serve } from '../threads/serve';
import { kitSheets } from '../print/kitSheets';
import type { KitAsk, KitAnswer } from './kitting';

/** Finds the pieces of one boat after the other, as they are or as tables. */
serve(async (ask: KitAsk): Promise<KitAnswer> => {
  if (ask.as === 'sheets') return { as: 'sheets', sheets: kitSheets(ask.boat, ask.yard) };
  const { boat, cutting } = ask;
  const pieces = kitPieces({ boat, evaluations: makeEvaluator()(boat), details: evaluateDetails(boat), cutting });
  return { as: 'pieces', pieces };
});
