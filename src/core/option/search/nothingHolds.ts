import type { Zone } from '../../document';
import { invalid } from '../../error';
import type { Failing } from '../../evaluate';
import type { ZoneFront, ZoneProblem } from './zoneFront';

/** Why no stack of a zone holds, and what would help. */
export function nothingHolds(
  zone: Zone,
  { front, problem, target }: { front: ZoneFront; problem: ZoneProblem; target: number },
) {
  const { space } = problem;
  const most = [...front.refuted.values()].map(({ nearest }) => nearest);
  const worst = most.sort((a, b) => (a.reserveFactor ?? 0) - (b.reserveFactor ?? 0))[0];
  if (space.outer.length === 0 && space.usable.length === 0)
    return invalid('choices.fabrics', `No fabric may be laid in ${zone.name}: allow one`);
  const by = worst === undefined ? 'no stack of these rules can be made' : whyOf(worst, target);
  return invalid(
    'choices',
    `No stack of these choices holds in ${zone.name}: ${by}. ` +
      'Allow more layers, another core or fabric, or a lower target',
  );
}
/** What would help a check that nothing passes, by how far off the nearest is. */
const HELPS: Partial<Record<Failing['id'], (short: string) => string>> = {
  coreShear: (short) => `a core ${short} times as thick, or as strong in shear`,
  coreShearAlong: (short) => `a core ${short} times as thick, or as strong in shear`,
  coreMinimum: (short) => `a core ${short} times as strong in shear`,
  stiffness: (short) => `${short} times the stiffness: a thicker core, or more layers`,
  minimumFibre: (short) => `${short} times the fibre`,
  yardFibre: (short) => `${short} times the fibre`,
  yardThickness: (short) => `${short} times the thickness`,
};

function whyOf({ id, governs, reserveFactor }: Failing, target: number): string {
  if (reserveFactor === null) return governs;
  const short = (target / reserveFactor).toFixed(1);
  const help = HELPS[id]?.(short) ?? `${short} times the strength`;
  const of = `${reserveFactor.toFixed(2)} of the ${target.toFixed(2)} asked`;
  return `by ${governs} the nearest comes to ${of}, which wants ${help}`;
}
