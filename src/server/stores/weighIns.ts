import { invalid } from '@/core/error';
import { weighInSchema, WHOLE_BOAT, type KeptWeighIn, type WeighIn } from '@/core/weight';
import type { StoreContext } from '../context';
import { readBoat } from './boats';
import { keepFact, listFacts, type FactKind } from './facts';

const KIND: FactKind<WeighIn> = {
  table: 'weigh_in',
  name: 'weighIn',
  words: 'weigh-in',
  schema: weighInSchema,
  limit: 2000,
};

/** Every weigh-in of a boat, those that were corrected among them, the oldest first. */
export const listWeighIns = (context: StoreContext, boatId: string): Promise<KeptWeighIn[]> =>
  listFacts(context, boatId, KIND);

/**
 * Keep a weigh-in; see `keepFact`.
 * @throws KeramosError `invalid` for a part that the boat does not have.
 */
export const keepWeighIn = (context: StoreContext, boatId: string, raw: unknown): Promise<KeptWeighIn> =>
  keepFact(context, boatId, {
    kind: KIND,
    raw,
    check: async (inside, weighIn) => {
      if (weighIn.subject === WHOLE_BOAT || weighIn.void) return;
      const { boat } = await readBoat(inside, boatId);
      if (!boat.parts.some(({ id }) => id === weighIn.subject))
        throw invalid('weighIn.subject', 'The boat has no such part');
    },
  });
