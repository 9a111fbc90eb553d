import data from '@data/materials/knock-downs.json';
import type { KnockDownSelection, KnockDownStep } from './knockDown';
import type { Core } from './schema';

/**
 * What heat and repeated load leave of a core. The share of its shear strength that counts at all is the pack's; a core
 * is taken as dry, and as the sheet that it is.
 *
 * @param selection which of them the boat applies. @returns both steps; the share that is left of its shear strength,
 * of its crushing strength, and of its moduli, which carry skins against wrinkling: repeated load leaves those.
 * @example coreKnockDown(pvc80, { ...selection, hot: true, fatigue: true }).shear // 0.29
 * Source: data/materials/knock-downs.json, one source a step.
 */
export function coreKnockDown(
  { family, behaviour }: Pick<Core, 'family' | 'behaviour'>,
  selection: KnockDownSelection,
): { steps: KnockDownStep[]; shear: number; crushing: number; moduli: number } {
  const { hot, fatigue } = data.core;
  const steps: KnockDownStep[] = [
    { id: 'hot', factor: hot.factor[family], source: hot.source, on: selection.hot },
    { id: 'fatigue', factor: fatigue.factor[behaviour], source: fatigue.source, on: selection.fatigue },
  ];
  const [warm, worked] = steps.map(({ on, factor }) => (on ? factor : 1)) as [number, number];
  return { steps, shear: warm * worked, crushing: warm, moduli: warm };
}

/** A core with what {@link coreKnockDown} leaves of its figures; itself where nothing comes off. */
export function coreAsDesigned(core: Core, selection: KnockDownSelection): Core {
  const { shear, crushing, moduli } = coreKnockDown(core, selection);
  if (shear === 1 && moduli === 1) return core;
  const left = (figure: Core['shearStrength'], share: number) => ({ ...figure, value: figure.value * share });
  return {
    ...core,
    shearStrength: left(core.shearStrength, shear),
    compressiveStrength: left(core.compressiveStrength, crushing),
    shearModulus: left(core.shearModulus, moduli),
    compressiveModulus: left(core.compressiveModulus, moduli),
  };
}
