import type { BuildPlan } from './plan';
import type { BuildRecord } from './record';
import { standingRecords } from './standing';
import { freshState, take, type BuildState } from './state';
import { whyNot } from './whyNot';

/**
 * Where a build stands. Records may come in any order and more than once; the result is the same on every device.
 * Nothing is left out: what could not have been recorded under the rules is listed as a clash.
 */
export function stateOf(plan: BuildPlan, records: readonly BuildRecord[]): BuildState {
  const state = freshState(plan);
  const once = [...new Map(records.map((record) => [record.id, record])).values()];
  for (const record of standingRecords(once)) {
    const why = whyNot(state, record);
    if (why !== null) state.clashes.push({ record, why });
    take(state, record);
  }
  return state;
}
