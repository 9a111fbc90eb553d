import type { Boat, Part } from '../document';
import type { ZoneEvaluation } from '../evaluate';
import { linesOfPart } from '../lines';

/** Resin of a layer where it laps over a line or runs on past it, of one piece of a part (kg). */
export interface LapResin {
  layerId: string;
  /** The zone on the first side of the line. */
  zone: string;
  mass: number;
}

/**
 * Resin in overlaps and run-outs of a part, which the layers of its zones do not count.
 *
 * @param evaluations of every zone by id.
 * @returns one for each layer at each line; none of a line whose length is not known.
 */
export function lapResin(boat: Boat, part: Part, evaluations: ReadonlyMap<string, ZoneEvaluation>): LapResin[] {
  if (part.joins.length === 0) return [];
  return linesOfPart(boat, part, evaluations).flatMap(({ line, layers, join }) =>
    layers.flatMap(({ laid, lap, past }): LapResin[] => {
      const mass = (join.length ?? line.length ?? 0) * ((lap ?? 0) + past) * laid.resinMass;
      return mass > 0 ? [{ layerId: laid.layer.id, zone: line.a, mass }] : [];
    }),
  );
}
