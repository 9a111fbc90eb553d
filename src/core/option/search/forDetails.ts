import { evaluateDetail } from '../../detail/kinds';
import type { Boat } from '../../document';
import { applyEdits, type Edit } from '../../edit';
import { evaluateZone } from '../../evaluate';
import { reaches } from '../../quantity';
import { growSections } from '../growSections';
import { gridEdits } from './gridEdits';
import type { GridAnswer } from './optimisePart';
import { readyPart, type GridQuestion } from './readyPart';

/** A zone laid heavier than it needs by itself, and the details that asked for it. */
export interface LaidHeavier {
  zone: string;
  details: string[];
}

/**
 * A part in which details stand, laid heavier where they ask for it: in the zone of a detail that fails, the next
 * stacks that hold are tried from the lightest, and the first by which all details of the zone hold is laid. Where
 * none does, the zone stays: the detail hangs on something else.
 */
export function forDetails(question: GridQuestion, answer: GridAnswer): { edits: Edit[]; heavier: LaidHeavier[] } {
  const heavier: LaidHeavier[] = [];
  let { edits } = answer;
  let after = applyEdits(question.boat, edits).boat;
  const { part, zones, places, layerOf } = readyPart(question);
  const wanted = new Map(answer.rows);
  for (const zone of zones) {
    const own = after.details.filter((detail) => detail.zone === zone.id);
    const failing = (boat: Boat) =>
      own.filter((detail) => {
        const { problem, governing } = evaluateDetail(boat, detail);
        return problem !== null || (governing !== null && !reaches(governing.reserveFactor, question.target));
      });
    const before = failing(after);
    if (before.length === 0) continue;
    for (const { rows } of answer.fronts.get(zone.id)!.found) {
      const tried = new Map(wanted).set(zone.id, rows);
      const relaid = gridEdits(part, tried, { places, layerOf });
      const boat = applyEdits(question.boat, relaid).boat;
      if (failing(boat).length > 0) continue;
      // Whatever else the zone proves, it still does.
      const now = boat.parts.find(({ id }) => id === part.id)!;
      if (!reaches(evaluateZone(boat, now, zone).governing?.reserveFactor ?? 0, question.target)) continue;
      wanted.set(zone.id, rows);
      [after, edits] = [boat, relaid];
      heavier.push({ zone: zone.name, details: before.map(({ name }) => name) });
      break;
    }
  }
  return { edits, heavier };
}

/** The edits by which stiffener sections grow until they hold, and their names. */
export function stiffenersOf(boat: Boat): { sections: Edit[]; grown: string[] } {
  const stiff = growSections(boat);
  const grown = stiff.sections.filter((section, i) => section !== boat.sections[i]);
  return { sections: grown.map((item): Edit => ({ type: 'section.set', item })), grown: grown.map(({ name }) => name) };
}
