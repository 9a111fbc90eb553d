import { USUAL_RATES } from '@/core/cost';
import type { YardSettings } from '@/ui/weights/WeightsScreen';

/** Rates and prices of a yard that has said nothing of its own. */
export const USUAL_YARD: YardSettings = {
  rates: { body: USUAL_RATES, version: 0, own: null },
  prices: { body: { offers: [] }, version: 0, own: null },
};
