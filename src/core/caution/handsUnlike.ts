import type { Boat, Part } from '../document';
import type { LaidLayer, ZoneEvaluation } from '../evaluate';
import { layerSums, stackedSums } from '../laminate';
import { piecesOf } from '../lines';
import type { PartFinding } from './partRules';

/** Of a layer's stiffness the share that couples stretch and shear, below which it is its own mirror. */
const COUPLED = 0.01;
/** Whether a layer laid mirrored is the same: a cloth along, across, or to either side alike. */
function isOwnMirror({ layer, components }: LaidLayer): boolean {
  const plies = components.flatMap((one) =>
    one.plies.map((ply) => ({ ...ply, angleDeg: ply.angleDeg + layer.angleDeg })),
  );
  const { A } = stackedSums([layerSums(plies)]);
  return Math.max(Math.abs(A[0][2]), Math.abs(A[1][2])) <= COUPLED * Math.max(A[0][0], A[1][1]);
}

/** Zones of the hull in which some slanted layers run over the centreline in one and others lie on each hand. */
export function handsUnlike(boat: Boat, part: Part, evaluations: ReadonlyMap<string, ZoneEvaluation>): PartFinding[] {
  const pieces = piecesOf(boat, part);
  const isOver = (index: number, zone: string) =>
    pieces[index]!.runs.some(({ zones, overCentre }) => overCentre && zones.includes(zone));
  return part.zones.flatMap(({ id, region, hand }): PartFinding[] => {
    if (region?.surface !== 'hull' || hand !== 'both') return [];
    const slanted = (evaluations.get(id)?.layers ?? []).filter(
      (one) => one.layer.role === 'structure' && one.material.kind === 'fabric' && !isOwnMirror(one),
    );
    const [inOne, onEach] = [true, false].map((over) => slanted.filter(({ index }) => isOver(index, id) === over)) as [
      LaidLayer[],
      LaidLayer[],
    ];
    if (inOne.length === 0 || onEach.length === 0) return [];
    const said = (some: readonly LaidLayer[]) =>
      `${some.length === 1 ? 'layer' : 'layers'} ${some.map(({ index }) => index + 1).join(', ')}`;
    return [
      {
        layerId: null,
        zoneIds: [id],
        detail: `in one over the centreline ${said(inOne)}, on each hand ${said(onEach)}`,
      },
    ];
  });
}
