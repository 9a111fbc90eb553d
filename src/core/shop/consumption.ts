import type { BuildState, StepState } from '../build';
import type { Consumable } from './shop';
import type { YardFact } from './yardFact';

/** A consumable: what was counted, what was used since, what the builds at hand still want. */
export interface ConsumableState {
  name: string;
  unit: string;
  counted: { amount: number; on: string } | null;
  used: number;
  /** Expected on the shelf today; null where it was never counted. */
  left: number | null;
  /** What the builds that are not finished still take, by their plans. */
  wanted: number;
  order: boolean;
}

const areaOf = ([along, across]: [number, number]) => along * across;

/** What of a consumable a step takes: by its plan, and what of that is behind it since a day. */
function ofStep(one: Consumable, own: StepState, state: BuildState, since: string): { used: number; wanted: number } {
  const { step } = own;
  if (one.of !== 'any' && one.of !== step.kind) return { used: 0, wanted: 0 };
  const isSince = ({ at }: { at: string }) => at >= since;
  const once = (record: { at: string } | null) => {
    if (!record) return { used: 0, wanted: one.amount };
    return { used: isSince(record) ? one.amount : 0, wanted: 0 };
  };
  switch (one.per) {
    case 'step':
      return once(own.begun);
    case 'coat': {
      const on = own.coats.filter(isSince).length;
      return { used: one.amount * on, wanted: own.done ? 0 : one.amount * (step.coats - own.coats.length) };
    }
    case 'resin': {
      const mixed = state.pots
        .filter(({ record }) => record.body.step === step.id && isSince(record))
        .reduce((sum, { record }) => sum + record.body.resin, 0);
      return { used: one.amount * mixed, wanted: 0 };
    }
    case 'area': {
      const of = (codes: readonly string[]) =>
        codes.reduce((sum, code) => sum + areaOf(state.pieces.get(code)?.size ?? [0, 0]), 0);
      const laid = [...own.laid.values()].filter(isSince).map(({ body }) => body.code);
      const open = own.done ? [] : step.pieces.filter((code) => !own.laid.has(code));
      return { used: one.amount * of(laid), wanted: one.amount * of(open) };
    }
  }
}

/**
 * Consumables by what was counted last and what the builds used since, and what those that are not finished still want.
 * What resin will be mixed is not in a plan: by the kg, only what was mixed counts.
 *
 * @param facts that stand. @param builds that are not closed.
 */
export function consumption(
  consumables: readonly Consumable[],
  facts: readonly YardFact[],
  builds: readonly BuildState[],
): ConsumableState[] {
  return consumables.map((one) => {
    const last = facts.findLast((fact) => fact.kind === 'counted' && fact.body.consumable === one.name);
    const counted = last?.kind === 'counted' ? { amount: last.body.amount, on: last.body.on } : null;
    let [used, wanted] = [0, 0];
    for (const state of builds)
      for (const own of state.steps.values()) {
        const found = ofStep(one, own, state, counted?.on ?? '');
        used += found.used;
        wanted += found.wanted;
      }
    const left = counted && counted.amount - used;
    return {
      name: one.name,
      unit: one.unit,
      counted,
      used,
      left,
      wanted,
      order: left !== null && (left < one.keep || left < wanted),
    };
  });
}
