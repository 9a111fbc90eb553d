import { isOneHanded, type Boat, type Part } from '../document';
import { joinAt } from './joins';
import { neighboursOf, otherHand, type ZoneLine } from './neighbours';

/** Pieces of one layer to be cut, all boats' parts of this number-off together. */
export interface LayerPieces {
  layerId: string;
  /** Runs of zones that one piece covers on one hand, on how many hands, and whether over the centreline in one. */
  runs: { zones: string[]; hands: 1 | 2; overCentre: boolean }[];
  count: number;
  /** Zones it covers on one hand without their twin on the other. */
  oneHanded: string[];
}

/** The zone on the other hand: of the same place, to the other side. */
export function twinOf(part: Part, zoneId: string): string | null {
  const zone = part.zones.find(({ id }) => id === zoneId);
  if (!zone || !isOneHanded(zone)) return null;
  return otherHand(part.zones, zone)?.id ?? null;
}

/** The zone across a line from one of its two; null where the line is another's. */
function otherSide({ a, b }: ZoneLine, zone: string): string | null {
  if (a === zone) return b;
  return b === zone ? a : null;
}

/**
 * How many pieces each layer of a part is cut in: zones that a layer runs through without a lap are one piece, a zone
 * of both hands counts twice unless the layer runs on over the centreline, a rectangle as often as the boat has it,
 * and everything times the number-off.
 *
 * @returns one entry per layer in laying order; `oneHanded` names zones whose twin on the other hand the layer does
 * not cover.
 * @example piecesOf(boat, hull)[0].count // 2
 */
export function piecesOf(boat: Pick<Boat, 'hull' | 'deck' | 'brief'>, part: Part): LayerPieces[] {
  const lines = neighboursOf(boat, part).map((line) => ({ line, join: joinAt(part, line) }));
  const zones = new Map(part.zones.map((zone) => [zone.id, zone]));
  return part.layers.map((layer) => {
    const covers = new Set(layer.zones);
    const runsOn = lines.filter(
      ({ line, join }) =>
        covers.has(line.a) &&
        covers.has(line.b) &&
        !((join.laps.find((one) => one.layer === layer.id) ?? join).lap ?? 0),
    );
    const runs: LayerPieces['runs'] = [];
    const waiting = new Set(layer.zones);
    for (const start of layer.zones) {
      if (!waiting.delete(start)) continue;
      const run = [start];
      for (const at of run)
        for (const { line } of runsOn) {
          const next = otherSide(line, at);
          if (next !== null && waiting.delete(next)) run.push(next);
        }
      const overCentre = runsOn.some(({ line }) => line.a === line.b && run.includes(line.a));
      const sides = run.every((id) => isTwoSided(boat.deck, zones.get(id)!.region));
      const both = run.some((id) => zones.get(id)!.hand === 'both');
      runs.push({ zones: run, hands: both && sides && !overCentre ? 2 : 1, overCentre });
    }
    const oneHanded = layer.zones.filter((id) => {
      const zone = zones.get(id)!;
      if (!isOneHanded(zone)) return false;
      const twin = twinOf(part, id);
      return twin === null || !covers.has(twin);
    });
    const count = runs.reduce((sum, { zones: run, hands }) => {
      const region = run.length === 1 ? zones.get(run[0]!)!.region : null;
      return sum + hands * (region?.surface === 'rectangle' ? region.count : 1);
    }, 0);
    return { layerId: layer.id, runs, count: count * part.number, oneHanded };
  });
}

/** Whether a region lies to port and to starboard, not in one piece across the boat. */
function isTwoSided({ cockpit, coachroof }: Boat['deck'], region: Part['zones'][number]['region']): boolean {
  if (region === null) return false;
  // A deck without an opening there is laid in one piece over the centreline.
  if (region.surface === 'deck')
    return [cockpit, coachroof].some(
      (opening) => opening !== null && opening.from < region.to && opening.to > region.from,
    );
  if (region.surface === 'cockpit') return region.piece === 'side';
  if (region.surface === 'coachroof') return region.piece === 'side';
  return region.surface === 'hull';
}
