import { checkBoat, scaleBoat, type Boat, type NewParticulars } from '../document';
import { invalid } from '../error';
import { referencesIn } from '../field';
import { detailSchema } from '../detail/kinds';
import type { Material, Process } from '../material';
import { firstLayup } from './firstLayup';
import { USUAL_HABITS } from './habits';
import { growSections } from './growSections';
import { takeMaterials } from './takeMaterials';

/** What a new boat is to be, made from another one or from a template. */
export interface NewBoatOrder {
  name: string;
  /** m, kg, kn, degrees; what is not given follows from what is. */
  particulars: NewParticulars;
  /** Null for that of the source. */
  process: Process | null;
  /** The layers of the source as they are, a first lay-up for the process, or none at all. */
  layup: 'source' | 'first' | 'none';
  /** Ids of the parts it takes over; null for all. */
  parts: readonly string[] | null;
}

/** Of a boat only some of its parts, with what stands on them. */
function withParts(boat: Boat, ids: readonly string[] | null): Boat {
  if (ids === null) return boat;
  const parts = boat.parts.filter(({ id }) => ids.includes(id));
  if (parts.length === 0) throw invalid('parts', 'Choose at least one part that the new boat takes over');
  const zones = new Set(parts.flatMap((part) => part.zones.map(({ id }) => id)));
  const supports = boat.supports.filter((support) => support.kind !== 'rib' || zones.has(support.zone));
  const there: Partial<Record<string, ReadonlySet<string>>> = {
    zones,
    supports: new Set(supports.map(({ id }) => id)),
  };
  const details = boat.details.filter((detail) =>
    referencesIn(detailSchema, detail).every(({ reference, id }) => there[reference.list]?.has(id) ?? true),
  );
  return {
    ...boat,
    parts,
    // Plans of parts that are left behind stay behind.
    fillPlans: boat.fillPlans.filter(({ part }) => ids.includes(part)),
    curePlans: boat.curePlans.filter(({ part }) => ids.includes(part)),
    supports,
    details,
    loads: boat.loads.filter(
      ({ id }) =>
        [...details, ...supports].some(({ load }) => load === id) || !boat.details.some(({ load }) => load === id),
    ),
  };
}

const bare = (boat: Boat): Boat => ({
  ...boat,
  parts: boat.parts.map((part) => ({ ...part, layers: [], groups: [], joins: [] })),
});

/** The boat for a process, its resin that of before where the process is, else the usual one. */
function withProcess(boat: Boat, process: Process, shelf: readonly Material[]): Boat {
  if (process === boat.brief.process) return boat;
  const { resin } = USUAL_HABITS[process];
  return { ...takeMaterials(boat, [resin], shelf), brief: { ...boat.brief, process, resin } };
}

/** The new boat, and the zones that its first lay-up does not bring to the target. */
export interface NewBoat {
  boat: Boat;
  lacking: string[];
}

/**
 * A new boat from another one or from a template: scaled to its particulars, with all or some of its parts, laid as the
 * source is or anew for its process; with a first lay-up the stiffeners grow until they hold. Cautions that somebody
 * accepted for the source are not accepted here, and what it must match stays what it was.
 *
 * @throws KeramosError `invalid` when the particulars contradict each other or the Shelf lacks a material.
 */
export function newBoatFrom(source: Boat, order: NewBoatOrder, shelf: readonly Material[]): NewBoat {
  const { name, particulars, process, layup, parts } = order;
  const chosen = { ...withParts(source, parts), name, acceptances: [] };
  const scaled = scaleBoat(layup === 'none' ? bare(chosen) : chosen, particulars);
  const wanted = process ?? scaled.brief.process;
  if (layup === 'first') {
    const { boat, lacking } = firstLayup(scaled, shelf, wanted);
    const grown = growSections(boat);
    checkBoat(grown);
    return { boat: grown, lacking };
  }
  const boat = withProcess(scaled, wanted, shelf);
  checkBoat(boat);
  return { boat, lacking: [] };
}
