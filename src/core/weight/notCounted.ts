import { MAY_BE_ABSENT, type Boat, type MayBeAbsent } from '../document';
import type { ZoneEvaluation } from '../evaluate';
import { linesOfPart } from '../lines';
import { membersOf } from '../evaluate';
import type { Mass } from './masses';

/** Something that weighs and is not in the total yet, and the way to put it there. */
export interface NotCounted {
  id: string;
  what: string;
  /** Where it is entered. */
  where: 'items' | 'zones' | 'lay-up' | 'stiffeners' | 'details';
  /** The kind of item that closes it, or that can be said to be absent. */
  kind: MayBeAbsent | null;
}

/** Kinds that a boat of each propulsion is asked for. */
const ASKED: Readonly<Record<Boat['brief']['kind'], readonly MayBeAbsent[]>> = {
  motor: ['engine', 'systems', 'contents', 'outfit', 'hatch', 'fitting', 'bonding', 'paint', 'people', 'stores'],
  sail: ['rig', 'engine', 'systems', 'contents', 'outfit', 'hatch', 'fitting', 'bonding', 'paint', 'people', 'stores'],
};
const isCounted = (masses: readonly Mass[], kind: MayBeAbsent) => masses.some(({ group }) => group === `items-${kind}`);

/**
 * What the total leaves out, each with the way to put it in; empty when everything that is asked of such a boat has
 * been given or said not to be in it.
 */
export function notCounted(
  boat: Boat,
  masses: readonly Mass[],
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
  problems: readonly { name: string; problem: string }[],
): NotCounted[] {
  const absent = new Set(boat.brief.absent);
  const kinds = ASKED[boat.brief.kind]
    .filter((kind) => !absent.has(kind) && !isCounted(masses, kind))
    .map((kind): NotCounted => ({ id: kind, what: MAY_BE_ABSENT[kind], where: 'items', kind }));
  const bare = boat.parts.flatMap(({ zones }) =>
    zones.flatMap(({ id, name }): NotCounted[] => {
      if (evaluations.get(id)!.layers.length > 0) return [];
      return [{ id: `zone-${id}`, what: `${name}: nothing is laid`, where: 'lay-up', kind: null }];
    }),
  );
  const lines = boat.parts.flatMap((part) => {
    if (part.joins.length === 0) return [];
    return linesOfPart(boat, part, evaluations).flatMap(({ line, layers, join }): NotCounted[] => {
      const laps = layers.some(({ lap, past }) => (lap ?? 0) + past > 0);
      if (!laps || (join.length ?? line.length) !== null) return [];
      const name = [line.a, line.b].map((id) => part.zones.find((zone) => zone.id === id)?.name ?? id).join(' to ');
      const what = `${name}: overlaps on a line of unknown length`;
      return [{ id: `line-${line.a}-${line.b}`, what, where: 'lay-up', kind: null }];
    });
  });
  const places = membersOf(boat);
  const members = boat.supports.flatMap(({ id, name, section }): NotCounted[] => {
    if (section === null) return [];
    if (places.get(id)) return [];
    return [{ id: `support-${id}`, what: `${name}: it has a section and no place`, where: 'stiffeners', kind: null }];
  });
  const open = boat.spaces.flatMap(({ id, name, kind }): NotCounted[] => {
    if (kind === 'compartment' || masses.some((mass) => mass.id === id)) return [];
    return [{ id: `space-${id}`, what: `${name}: nothing of it lies in the boat`, where: 'items', kind: null }];
  });
  const details = problems.map(({ name, problem }): NotCounted => ({
    id: `detail-${name}`,
    what: `${name}: ${problem}`,
    where: 'details',
    kind: null,
  }));
  return [...kinds, ...bare, ...lines, ...members, ...open, ...details];
}
