import { isFinished, isWet, stepsAtHand, type BuildState } from '../build';

/** Messy steps that could be done together, and what must not stand open beside them. */
export interface MessyWork {
  /** At hand now, or when one more step of their part is done. */
  steps: { boat: string; part: string; step: string; ready: boolean; minutes: number }[];
  /** Wet steps that run now: no dust beside open resin or gelcoat. */
  open: { boat: string; part: string; step: string }[];
}

/** Dusty work of all builds that can be gathered into one day. */
export function messyWork(builds: readonly BuildState[]): MessyWork {
  const found: MessyWork = { steps: [], open: [] };
  for (const state of builds) {
    const { plan, steps } = state;
    const where = (id: string | null) => ({
      boat: `${plan.boat}, hull ${plan.hull}`,
      part: plan.parts.find((part) => part.id === id)?.name ?? 'Boat',
    });
    for (const own of stepsAtHand(state)) {
      const { partId, name } = own.step;
      if (own.begun && !own.done && isWet(own.step)) found.open.push({ ...where(partId), step: name });
      const ofPart = plan.steps.filter((step) => step.partId === partId);
      const at = ofPart.findIndex(({ id }) => id === own.step.id);
      ofPart.slice(at, at + 2).forEach((step, i) => {
        if (step.mess !== 'dust' || isFinished(steps.get(step.id)!)) return;
        found.steps.push({ ...where(partId), step: step.name, ready: i === 0, minutes: step.minutes });
      });
    }
  }
  return found;
}
