import { invalid } from '@/core/error';
import { dropTest, dropTestSchema, USUAL_FILLING, type DropTest } from '@/core/fill';
import type { StoreContext } from '../context';
import { readBoat } from './boats';
import { keepFact, listFacts, type FactKind, type KeptFact } from './facts';

const KIND: FactKind<DropTest> = {
  table: 'drop_test',
  name: 'dropTest',
  words: 'drop test',
  schema: dropTestSchema,
  limit: 2000,
};

/** Every drop test of a boat, those that were corrected among them, the oldest first. */
export const listDropTests = (context: StoreContext, boatId: string): Promise<KeptFact<DropTest>[]> =>
  listFacts(context, boatId, KIND);

/**
 * Keep a drop test; see `keepFact`.
 * @throws KeramosError `invalid` for a plan that the boat does not have, and for readings that no bag gives.
 */
export const keepDropTest = (context: StoreContext, boatId: string, raw: unknown): Promise<KeptFact<DropTest>> =>
  keepFact(context, boatId, {
    kind: KIND,
    raw,
    check: async (inside, test) => {
      if (test.void) return;
      const { boat } = await readBoat(inside, boatId);
      if (!boat.fillPlans.some(({ id }) => id === test.plan))
        throw invalid('dropTest.plan', 'The boat has no such fill plan');
      dropTest(test, { ...test, filling: USUAL_FILLING });
    },
  });
