import * as Comlink from 'comlink';
import type { Boat } from '@/core/document';
import { KeramosError } from '@/core/error';
import { runInSlices } from '@/core/job';
import {
  bondedLinerJob,
  habitCosts,
  ledgerOf,
  loadIntegerSolver,
  lookForBetter,
  partEquivalents,
  propose,
  readPart,
  scheduleSum,
  slopes,
  tradeOff,
  whyNotLess,
  type Better,
  type BondedLinerInput,
  type BondedLiners,
  type GridStep,
  type HabitCost,
  type Ledger,
  type LighterStack,
  type OptimiseInput,
  type PartEquivalents,
  type PartEquivalentsInput,
  type PartRead,
  type Proposal,
  type ProposeInput,
  type ReadPartInput,
  type ScheduleSum,
  type SolveInteger,
  type TradeAxes,
  type TradePoint,
  type WhyNotLessInput,
  type ZoneFront,
} from '@/core/option';

const pause = () => new Promise<void>((resolve) => setTimeout(resolve, 0));
const clock = () => performance.now();

let loading: Promise<SolveInteger> | undefined;
export type OnStep = (step: GridStep) => void;
/** What was found of zones before a page was left. */
export type Known = readonly (readonly [string, ZoneFront])[];

/** Run a job; what is refused comes back in words. */
async function told<Result>(steps: () => Generator<GridStep, Result>, onStep: OnStep): Promise<Result | string> {
  try {
    return (await runInSlices(steps(), { clock, pause, onProgress: onStep }))!;
  } catch (error) {
    if (error instanceof KeramosError) return error.text;
    throw error;
  }
}

/** The same for a job that needs the solver of integer programs: it is fetched for the first. */
async function solved<Result>(
  steps: (solve: SolveInteger) => Generator<GridStep, Result>,
  onStep: OnStep,
): Promise<Result | string> {
  const solve = await (loading ??= loadIntegerSolver());
  return told(() => steps(solve), onStep);
}

const api = {
  /** A schedule for parts of a boat inside the habits of the yard. */
  propose: (input: ProposeInput, known: Known, onStep: OnStep): Promise<Proposal | string> =>
    solved((solve) => propose(input, { solve, known: new Map(known) }), onStep),

  /** The best schedule of a part from given choices. */
  optimise: (input: OptimiseInput, known: Known, onStep: OnStep): Promise<Better | string> =>
    solved((solve) => lookForBetter(input, { solve, known: new Map(known) }), onStep),

  /** The curve of two things that cannot both be least, and what one buys of the other along it. */
  trade: async (
    { axes, ...input }: Omit<OptimiseInput, 'weights'> & { axes: TradeAxes },
    _known: Known,
    onStep: OnStep,
  ): Promise<{ points: TradePoint[]; slopes: number[] } | string> => {
    const points = await solved((solve) => tradeOff(input, axes, solve), onStep);
    return typeof points === 'string' ? points : { points, slopes: slopes(points, axes) };
  },

  /** What each habit costs in parts of a boat. */
  habitCosts: (input: ProposeInput, _known: Known, onStep: OnStep): Promise<HabitCost[] | string> =>
    solved((solve) => habitCosts(input, solve), onStep),

  /** What a whole part would come to in other families of fibre. */
  partEquivalents: (input: PartEquivalentsInput, _known: Known, onStep: OnStep): Promise<PartEquivalents | string> =>
    solved((solve) => partEquivalents(input, solve), onStep),

  /** A zone as a single skin on the ribs of a bonded liner. */
  liners: (input: BondedLinerInput, _known: Known, onStep: OnStep): Promise<BondedLiners | string> =>
    told(() => bondedLinerJob(input, 0), onStep),

  /** Which laminates an existing part may be. */
  read: (input: ReadPartInput, _known: Known, onStep: OnStep): Promise<PartRead | string> =>
    told(function* () {
      yield { done: 0, at: 'weighing the stacks' };
      return readPart(input);
    }, onStep),

  /** What each of some schedules comes to, zone by zone. */
  sums: async (boats: readonly Boat[], yard: Parameters<typeof scheduleSum>[1]): Promise<ScheduleSum[]> =>
    boats.map((boat) => scheduleSum(boat, yard)),

  /** Every change from one schedule to another, with what it does. */
  ledger: (ask: { before: Boat; after: Boat }, _known: Known, onStep: OnStep): Promise<Ledger | string> =>
    told(() => ledgerOf(ask.before, ask.after), onStep),

  /** The lighter stacks of a zone nearest to what it has, and what each fails by. */
  whyNotLess: async (input: WhyNotLessInput, _known: Known, onStep: OnStep): Promise<LighterStack[] | string> =>
    told(() => whyNotLess(input, 0), onStep),
};
export type OptionsWorker = typeof api;

Comlink.expose(api);
