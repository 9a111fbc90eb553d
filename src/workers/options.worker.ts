import * as Comlink from 'comlink';
import { KeramosError } from '@/core/error';
import { runInSlices } from '@/core/job';
import {
  habitCosts,
  loadIntegerSolver,
  lookForBetter,
  propose,
  slopes,
  tradeOff,
  whyNotLess,
  type Better,
  type GridStep,
  type HabitCost,
  type LighterStack,
  type OptimiseInput,
  type Proposal,
  type ProposeInput,
  type SolveInteger,
  type TradeAxes,
  type TradePoint,
  type WhyNotLessInput,
  type ZoneFront,
} from '@/core/option';

const pause = () => new Promise<void>((resolve) => setTimeout(resolve, 0));
const clock = () => performance.now();

let loading: Promise<SolveInteger> | undefined;
const solver = () => (loading ??= loadIntegerSolver());

export type OnStep = (step: GridStep) => void;
/** What was found of zones before a page was left. */
export type Known = readonly (readonly [string, ZoneFront])[];

/** Run a job; what is refused comes back in words. */
async function told<Result>(
  make: (solve: SolveInteger) => Generator<GridStep, Result>,
  onStep: OnStep,
): Promise<Result | string> {
  const solve = await solver();
  try {
    return (await runInSlices(make(solve), { clock, pause, onProgress: onStep }))!;
  } catch (error) {
    if (error instanceof KeramosError) return error.text;
    throw error;
  }
}

const api = {
  /** A schedule for parts of a boat inside the habits of the yard. */
  propose: (input: ProposeInput, known: Known, onStep: OnStep): Promise<Proposal | string> =>
    told((solve) => propose(input, { solve, known: new Map(known) }), onStep),

  /** The best schedule of a part from given choices. */
  optimise: (input: OptimiseInput, known: Known, onStep: OnStep): Promise<Better | string> =>
    told((solve) => lookForBetter(input, { solve, known: new Map(known) }), onStep),

  /** The curve of two things that cannot both be least, and what one buys of the other along it. */
  trade: async (
    { axes, ...input }: Omit<OptimiseInput, 'weights'> & { axes: TradeAxes },
    _known: Known,
    onStep: OnStep,
  ): Promise<{ points: TradePoint[]; slopes: number[] } | string> => {
    const points = await told((solve) => tradeOff(input, axes, solve), onStep);
    return typeof points === 'string' ? points : { points, slopes: slopes(points, axes) };
  },

  /** What each habit costs in parts of a boat. */
  habitCosts: (input: ProposeInput, _known: Known, onStep: OnStep): Promise<HabitCost[] | string> =>
    told((solve) => habitCosts(input, solve), onStep),

  /** The lighter stacks of a zone nearest to what it has, and what each fails by. */
  whyNotLess: async (input: WhyNotLessInput, _known: Known, onStep: OnStep): Promise<LighterStack[] | string> =>
    told(() => whyNotLess(input, 0), onStep),
};
export type OptionsWorker = typeof api;

Comlink.expose(api);
