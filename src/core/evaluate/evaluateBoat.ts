import type { Boat, Part, Zone } from '../document';
import { evaluateZone, type ZoneEvaluation } from './evaluateZone';

/** What an evaluation depends on besides the zone itself; when none of it changed, the last one still holds. */
interface Remembered {
  boat: Pick<Boat, 'brief' | 'materials' | 'packs' | 'references'>;
  zone: Zone;
  evaluation: ZoneEvaluation;
}

/**
 * An evaluator that keeps what an edit did not touch: only zones whose own layers, geometry, brief or materials changed are computed again.
 *
 * @returns a function from boat to the evaluations of all its zones by id.
 */
export function makeEvaluator(): (boat: Boat) => ReadonlyMap<string, ZoneEvaluation> {
  let known = new Map<string, Remembered>();
  return (boat) => {
    const next = new Map<string, Remembered>();
    const result = new Map<string, ZoneEvaluation>();
    for (const part of boat.parts)
      for (const zone of part.zones) {
        const layers = part.layers.filter((layer) => layer.zones.includes(zone.id));
        const last = known.get(zone.id);
        const unchanged =
          last !== undefined &&
          last.zone === zone &&
          last.boat.brief === boat.brief &&
          last.boat.materials === boat.materials &&
          last.boat.packs === boat.packs &&
          last.boat.references === boat.references &&
          samePlaces(last.evaluation, part, layers);
        const evaluation = unchanged ? last.evaluation : evaluateZone(boat, part, zone);
        next.set(zone.id, { boat, zone, evaluation });
        result.set(zone.id, evaluation);
      }
    known = next;
    return result;
  };
}

/** Same layers at the same places of the laying order (their numbers are shown). */
function samePlaces(evaluation: ZoneEvaluation, part: Part, layers: Part['layers']): boolean {
  return (
    evaluation.layers.length === layers.length &&
    evaluation.layers.every(
      (laid, i) => sameLaying(laid.layer, layers[i]!) && part.layers[laid.index]?.id === layers[i]!.id,
    )
  );
}
/** Coverage of other zones does not matter to this one. */
function sameLaying(a: Part['layers'][number], b: Part['layers'][number]): boolean {
  return (
    a === b ||
    (a.id === b.id &&
      a.material === b.material &&
      a.angleDeg === b.angleDeg &&
      a.thickness === b.thickness &&
      a.role === b.role)
  );
}
