import { edgesOfPanels, panelsToCheck, type Boat, type CheckedPanel, type Layer, type Zone } from '../document';
import { layersByZone } from './book';
import { trustKey } from './heldBy';
import { evaluateZone, type ZoneEvaluation } from './evaluateZone';

/** What an evaluation depends on besides the zone itself; when none of it changed, the last one still holds. */
interface Remembered {
  zone: Zone;
  layers: readonly { layer: Layer; index: number }[];
  /** A support or bulkhead elsewhere may change a panel that is not the one the zone shows. */
  panels: readonly CheckedPanel[];
  /** The same of panels that it has an edge of. */
  edges: readonly string[];
  evaluation: ZoneEvaluation;
}
/** Parts of a boat that every zone depends on. */
const SHARED = ['brief', 'materials', 'packs', 'references'] as const;
const NO_LAYERS: readonly { layer: Layer; index: number }[] = [];

/**
 * An evaluator that keeps what an edit did not touch: only zones whose own layers, geometry, brief or materials changed
 * are computed again. One rule for all: a zone is the same while what it was computed from is the same.
 *
 * @returns a function from boat to the evaluations of all its zones by id.
 */
export function makeEvaluator(): (boat: Boat) => ReadonlyMap<string, ZoneEvaluation> {
  let known = new Map<string, Remembered>();
  let last: Boat | null = null;
  let lastTrust = '';
  return (boat) => {
    const trust = trustKey(boat);
    const shared = last !== null && trust === lastTrust && SHARED.every((key) => last![key] === boat[key]);
    const next = new Map<string, Remembered>();
    const result = new Map<string, ZoneEvaluation>();
    for (const part of boat.parts) {
      const byZone = layersByZone(part);
      for (const zone of part.zones) {
        const layers = byZone.get(zone.id) ?? NO_LAYERS;
        const old = shared ? known.get(zone.id) : undefined;
        const panels = panelsToCheck(boat, zone);
        const edges = edgesOfPanels(boat, zone);
        const same = old && old.zone === zone && old.panels === panels && old.edges === edges;
        const stands = same && sameLayers(old.layers, layers);
        const evaluation = stands ? old.evaluation : evaluateZone(boat, part, zone);
        next.set(zone.id, { zone, layers, panels, edges, evaluation });
        result.set(zone.id, evaluation);
      }
    }
    known = next;
    last = boat;
    lastTrust = trust;
    return result;
  };
}

/** Same layers at the same places of the laying order (their numbers are shown). */
function sameLayers(before: Remembered['layers'], after: Remembered['layers']): boolean {
  if (before === after) return true;
  if (before.length !== after.length) return false;
  for (let i = 0; i < before.length; i++) {
    const [a, b] = [before[i]!, after[i]!];
    if (a.index !== b.index || !sameLaying(a.layer, b.layer)) return false;
  }
  return true;
}
/** Coverage of other zones does not matter to this one. */
function sameLaying(a: Layer, b: Layer): boolean {
  return (
    a === b ||
    (a.id === b.id &&
      a.material === b.material &&
      a.angleDeg === b.angleDeg &&
      a.thickness === b.thickness &&
      a.role === b.role)
  );
}
