import data from '@data/materials/knock-downs.json';
import type { Process } from './process';
import type { ComponentForm, FabricComponent, Fibre, Resin } from './schema';

/** Standard deviations that a characteristic strength lies below the mean. */
export const CHARACTERISTIC_K: number = data.characteristic.k;

/** What may be taken off a mean strength on the way to a design value, in the order in which it is. */
export const KNOCK_DOWNS = {
  characteristic: 'Characteristic value',
  wet: 'Wet',
  hot: 'Hot',
  fatigue: 'Fatigue',
  process: 'Process',
} as const;
export type KnockDown = keyof typeof KNOCK_DOWNS;
export type KnockDownSelection = Record<KnockDown, boolean>;

export interface KnockDownStep {
  id: KnockDown;
  factor: number;
  on: boolean;
  source: string;
}

/** Coefficient of variation of a component's strength: its tests' own, or the form's. */
export function strengthSpread(component: FabricComponent): { spread: number; source: string } {
  const tested = component.measured
    .filter(({ property, spread }) => spread !== null && ['Xt', 'Xc', 'Yt', 'Yc', 'S'].includes(property))
    .map(({ spread }) => spread!);
  if (tested.length)
    return { spread: Math.max(...tested), source: 'Greatest coefficient of variation of its own tests' };
  return { spread: data.characteristic.spread[component.form as ComponentForm]!, source: data.characteristic.source };
}

/**
 * The chain from the mean strength of a component to its design value: characteristic 1 − k·CoV, then factors that
 * multiply.
 *
 * @param selection which of them the boat applies. @returns every step, and the product of those that are on.
 * @example knockDownChain(component, { fibre: glass, resin: vinylester, process: 'infusion' }, selection).factor //
 * 0.73 Source: data/materials/knock-downs.json, one source a step.
 */
export function knockDownChain(
  component: FabricComponent,
  { fibre, resin, process }: { fibre: Fibre; resin: Resin; process: Process },
  selection: KnockDownSelection,
): { steps: KnockDownStep[]; factor: number } {
  const { spread, source } = strengthSpread(component);
  const values: Record<KnockDown, { factor: number; source: string }> = {
    characteristic: {
      factor: Math.max(0.05, 1 - data.characteristic.k * spread),
      source: `1 − ${data.characteristic.k} · ${spread}. ${source}`,
    },
    wet: { factor: data.wet.factor[resin.family]!, source: data.wet.source },
    hot: { factor: data.hot.factor[resin.family]!, source: data.hot.source },
    fatigue: { factor: data.fatigue.factor[fibre.family]!, source: data.fatigue.source },
    process: { factor: data.process.factor[process]!, source: data.process.source },
  };
  const steps = (Object.keys(KNOCK_DOWNS) as KnockDown[]).map((id) => ({ id, ...values[id], on: selection[id] }));
  return { steps, factor: steps.reduce((product, step) => (step.on ? product * step.factor : product), 1) };
}

/**
 * The same chain for sheets of wood: scatter of strength, moisture, heat, long and repeated load; nothing for the
 * process.
 * @example woodFactor({ characteristic: true, wet: true, hot: false, fatigue: false, process: true }) // 0.49
 * Source: data/materials/knock-downs.json, one source a step.
 */
export function woodFactor(selection: KnockDownSelection): number {
  const { spread, wet, hot, fatigue } = data.wood;
  const factors: Record<KnockDown, number> = {
    characteristic: 1 - data.characteristic.k * spread,
    wet,
    hot,
    fatigue,
    process: 1,
  };
  return (Object.keys(KNOCK_DOWNS) as KnockDown[]).reduce((f, id) => (selection[id] ? f * factors[id] : f), 1);
}
