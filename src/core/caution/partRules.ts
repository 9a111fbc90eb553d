import { linesOfPart, piecesOf, type LineFinding } from '../lines';
import type { Boat, Part } from '../document';
import type { ZoneEvaluation } from '../evaluate';
import { handsUnlike } from './handsUnlike';
import type { CautionRule } from './rule';

/** Something a whole part shows, that no zone shows by itself. */
export interface PartFinding {
  layerId: string | null;
  zoneIds: string[];
  detail: string;
}
export interface PartRule extends Omit<CautionRule, 'find'> {
  find: (boat: Boat, part: Part, evaluations: ReadonlyMap<string, ZoneEvaluation>) => PartFinding[];
}

const atLines =
  (kind: LineFinding['kind']): PartRule['find'] =>
  (boat, part, evaluations) =>
    linesOfPart(boat, part, evaluations).flatMap(({ line, findings }) =>
      findings
        .filter((finding) => finding.kind === kind)
        .map(({ layerId, text }) => ({
          layerId,
          zoneIds: [...new Set([line.a, line.b])],
          detail: `${line.name}: ${text}`,
        })),
    );

export const PART_RULES: readonly PartRule[] = [
  {
    id: 'drop-off-steep',
    severity: 'advice',
    title: 'Several layers stop at one line',
    reason: 'Where many layers end together the stress jumps, and the last one over them bridges or peels.',
    wayOut: 'Lay the ends out as a stair: Section and lines, “Lay out drop-offs”.',
    source: 'Ply drop-off at 20 times the ply thickness or more, design practice for composite structures',
    find: atLines('steep'),
  },
  {
    id: 'drop-off-far',
    severity: 'warning',
    title: 'A run-out or bevel is longer than its zone',
    reason: 'It would end in the zone after next, or have no room at all.',
    wayOut: 'Widen the zone, take a steeper ratio with a reason, or drop fewer layers there.',
    source: 'Geometry of the zones',
    find: atLines('off'),
  },
  {
    id: 'core-bevel-steep',
    severity: 'warning',
    title: 'The core ends too abruptly',
    reason: 'Skins that turn sharply off a core edge lift from it, hold resin, and carry the load round a corner.',
    wayOut: 'Bevel the core 1 : 3 or gentler.',
    source: 'Practice for sandwich edges, 1 : 3 at least',
    find: atLines('bevel'),
  },
  {
    id: 'one-hand-only',
    severity: 'warning',
    title: 'A layer lies on one hand and not on the other',
    reason: 'A boat laid differently to port and to starboard is usually a piece forgotten.',
    wayOut: 'Cover the zone of the other hand too, or accept it with the reason.',
    source: 'Workshop practice: pieces counted by hands',
    find: (boat, part) =>
      piecesOf(boat, part).flatMap(({ layerId, oneHanded }) =>
        oneHanded.length === 0
          ? []
          : [
              {
                layerId,
                zoneIds: oneHanded,
                detail:
                  'only in ' +
                  `${oneHanded.map((id) => part.zones.find((zone) => zone.id === id)?.name ?? id).join(', ')}`,
              },
            ],
      ),
  },
  {
    id: 'hands-unlike',
    severity: 'warning',
    title: 'Port is not the mirror of starboard',
    reason:
      'A slanted layer that runs over the centreline in one keeps its direction, one that is laid on each hand is ' +
      'turned over with it: what balances on starboard does not to port. Figures and drawings are of starboard.',
    wayOut: 'Lap all slanted layers on the centreline, or let all run over it; cloth at 0°, 90° or ±45° may do either.',
    source: 'The sign of an angle turns with the hand: docs/engineering.md, “The angle of a layer”',
    find: handsUnlike,
  },
];
