import { shapeOf, type Boat, type Part } from '../../document';
import type { ZoneEvaluation } from '../../evaluate';
import type { DrawnBesides } from '../../kit';
import type { Resin } from '../../material';
import type { Filling } from '../filling';
import { skinsOf, type FillSkin } from '../skin/skins';
import { lengthOfLines } from './lineLengths';
import { stackFlow } from './stackFlow';

/**
 * What fills draw besides the laminate, for one piece of each part, both hands: mesh, peel ply and film over every zone
 * by the yard's figures, and feed lines as long as they are drawn. Of several plans for one skin the one that takes
 * most counts; a skin without a plan has mesh everywhere, and what its lines hold is said to be left out.
 *
 * @returns nothing for a boat that is not infused, or has no resin.
 */
export function drawnBesides(
  boat: Boat,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
  filling: Filling,
): Map<string, DrawnBesides> {
  const resin = boat.materials.find((one): one is Resin => one.kind === 'resin' && one.id === boat.brief.resin);
  if (boat.brief.process !== 'infusion' || !resin) return new Map();
  const shape = shapeOf(boat);
  const inMedia = (part: Part, ids: readonly string[], bare: ReadonlySet<string>) =>
    part.zones
      .filter(({ id }) => ids.includes(id))
      .reduce((sum, zone) => {
        const stack = stackFlow(evaluations.get(zone.id)!, { zone, filling, resin, mesh: !bare.has(zone.id) });
        return sum + (stack?.inMedia ?? 0) * zone.geometry.area;
      }, 0);
  const ofSkin = (part: Part, skin: FillSkin): { mass: number; planned: boolean } => {
    const ids = skin.zones.map(({ id }) => id);
    const plans = boat.fillPlans.filter((plan) => plan.part === part.id && plan.skin === skin.id);
    const drawn = plans.map(
      (plan) =>
        inMedia(part, ids, new Set(plan.bare.map(({ zone }) => zone))) +
        lengthOfLines(plan, skin, 'feed') * filling.spiral * resin.density.value,
    );
    return {
      mass: Math.max(...(plans.length > 0 ? drawn : [inMedia(part, ids, new Set())])),
      planned: plans.length > 0,
    };
  };
  return new Map(
    boat.parts.map((part) => {
      const skins = skinsOf(shape, part);
      const covered = new Set(skins.flatMap(({ zones }) => zones.map(({ id }) => id)));
      const rest = part.zones.map(({ id }) => id).filter((id) => !covered.has(id));
      const found = skins.map((skin) => ofSkin(part, skin));
      const mass = found.reduce((sum, one) => sum + one.mass, 0) + inMedia(part, rest, new Set());
      const lines = found.length > 0 && found.every(({ planned }) => planned) && rest.length === 0;
      const notes = lines ? [] : ['what stays in feed lines is not in it where no fill is planned: draw it first'];
      return [part.id, { mass, waste: filling.waste, notes }];
    }),
  );
}
