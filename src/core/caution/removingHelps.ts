import { evaluateZone } from '../evaluate';
import { progressiveFailure } from '../laminate';
import { formatReserve } from '../quantity';
import type { Finding, Scene } from './rule';

/** A reserve that rises by less is noise. */
const GAIN = 1.01;

/** The last ply's reserve over the first ply's under the load on the zone; null where the zone cannot be analysed. */
function lastOverFirst({ analysis }: Scene): number | null {
  const found = analysis();
  if (!found) return null;
  const { load, plies } = found;
  try {
    const { firstPly, lastPly } = progressiveFailure(plies, { N: load.N, M: load.M }, 'maxStrain');
    return lastPly / firstPly;
  } catch {
    return null;
  }
}

/**
 * Layers without which the least reserve of a zone would be greater: each kind of layer once,
 * with the reserve as it is and without it, and how much later the last ply fails than the first.
 */
export function removingHelps(scene: Scene): Finding[] {
  const { boat, part, zone, evaluation, fabrics } = scene;
  const now = evaluation.governing?.reserveFactor;
  // Plates are worked out for every layer left out where analysis must hold: too much to ask with every change.
  if (now === undefined || fabrics.length < 2 || boat.brief.proofs.analysis) return [];
  const alone = { ...part, zones: [zone] };
  const seen = new Set<string>();
  const findings: Finding[] = [];
  for (const { layer, material } of fabrics) {
    const kind = `${layer.material}|${layer.angleDeg}`;
    if (seen.has(kind)) continue;
    seen.add(kind);
    const without = { ...alone, layers: part.layers.filter(({ id }) => id !== layer.id) };
    const then = evaluateZone(boat, without, zone).governing?.reserveFactor;
    if (then === undefined || then < now * GAIN) continue;
    const later = lastOverFirst(scene);
    findings.push({
      layerId: layer.id,
      detail:
        `${material.code}: ${formatReserve(now)} with it, ${formatReserve(then)} without` +
        (later === null ? '' : `; the last ply breaks at ${later.toFixed(1)} times the load of the first`),
    });
  }
  return findings;
}
