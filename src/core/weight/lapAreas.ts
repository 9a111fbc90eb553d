import type { Boat, Part } from '../document';
import type { LaidLayer, ZoneEvaluation } from '../evaluate';
import { linesOfPart } from '../lines';

/** A layer where it laps over a line or runs on past it, in one piece of a part (m²). */
export interface LapArea {
  laid: LaidLayer;
  /** The zone on the first side of the line. */
  zone: string;
  area: number;
}

/**
 * Overlaps and run-outs of a part, which the layers of its zones do not count.
 *
 * @param evaluations of every zone by id.
 * @returns one for each layer at each line; none of a line whose length is not known.
 */
export function lapAreas(boat: Boat, part: Part, evaluations: ReadonlyMap<string, ZoneEvaluation>): LapArea[] {
  if (part.joins.length === 0) return [];
  return linesOfPart(boat, part, evaluations).flatMap(({ line, layers, join }) =>
    layers.flatMap(({ laid, lap, past }): LapArea[] => {
      const area = (join.length ?? line.length ?? 0) * ((lap ?? 0) + past);
      return area > 0 ? [{ laid, zone: line.a, area }] : [];
    }),
  );
}
