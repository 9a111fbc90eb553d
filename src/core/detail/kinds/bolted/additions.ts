import type { Additions } from '../kind';

const STEP = 0.05;

/** A bolt beside the last, plates to begin with. */
export const boltedAdditions: Additions<'bolted'> = {
  bolts: ({ bolts }) => {
    const [along, across] = bolts.at(-1) ?? [0, 0];
    return [Number((along + STEP).toFixed(3)), across];
  },
  plate: ({ base }, { metal }) => ({ metal, thickness: 0.006, length: base[0], breadth: base[1] }),
  tapped: (_, { metal }) => ({ metal, thickness: 0.01 }),
};
