import { KeramosError } from '../error';
import { same } from '../field';
import type { ZoneGeometry } from '../geometry';
import type { SmallCraftPack } from '../standard';
import type { Boat, Zone } from './boat';
import { methodOf, shapeOf, supportsOf } from './shape';
import {
  panelsIn,
  pressuresOn,
  shapeOfPanel,
  type PanelPressures,
  type PanelsBoat,
  type ZonePanels,
} from './zonePanels';

/** A panel as the checks of a zone take it. */
export interface CheckedPanel {
  /** What it stands between, in words; empty where the zone's figures are typed in. */
  name: string;
  geometry: ZoneGeometry;
  /** Of a panel that tapers, its breadths at even steps along it (m); null for a rectangle, or one that is typed. */
  breadths: readonly number[] | null;
  /** By the boat's method, as single skin and as sandwich; null where it has to be asked for, and may be refused. */
  pressures: PanelPressures | null;
}
/** What the panels of a zone depend on besides the zone. */
interface PanelsOf {
  hull: Boat['hull'];
  deck: Boat['deck'];
  brief: Boat['brief'];
  supports: Boat['supports'];
  pack: SmallCraftPack;
  bulkheads: string;
  panels: readonly CheckedPanel[];
}
const checkedPanels = new WeakMap<Zone, PanelsOf>();
const bulkheadsOf = new WeakMap<Boat['parts'][number]['zones'], string>();
const bulkheadIn = ({ name, region }: Zone): string[] =>
  region?.surface === 'section' ? [`${name}@${region.x}^${region.top}`] : [];
const bulkheadKey = (parts: Boat['parts']): string =>
  parts
    .map(({ zones }) => {
      const known = bulkheadsOf.get(zones) ?? zones.flatMap(bulkheadIn).join();
      bulkheadsOf.set(zones, known);
      return known;
    })
    .join();

/**
 * Every panel of a zone that a check may fail at, with the zone's typed figures in the place of its own. Left out is a
 * panel that another one of the zone outdoes in every respect: as broad and as long or more, as flat or flatter, under
 * as much pressure or more, whatever is laid. A zone whose panel is typed has that one.
 *
 * Which of them is the worst depends on the laminate.
 */
export function panelsToCheck(boat: PanelsBoat, zone: Zone): readonly CheckedPanel[] {
  const ground = groundOf(boat);
  const known = checkedPanels.get(zone);
  if (known && sameGround(known, ground)) return known.panels;
  return keepPanels(ground, zone, findPanels(boat, zone));
}

/** The panels of every zone of a boat by the zone's id: pure data, to be handed to whoever reads the same boat. */
export const panelsOfZones = (boat: Boat): Record<string, readonly CheckedPanel[]> =>
  Object.fromEntries(
    boat.parts.flatMap(({ zones }) => zones.map((zone) => [zone.id, panelsToCheck(boat, zone)] as const)),
  );

/**
 * Take the panels of a boat from where they were found before, by the same release for the same boat: to find them
 * again costs more than all its zones.
 *
 * @param found as {@link panelsOfZones} gives them; a zone that it lacks finds its own.
 */
export function takePanels(boat: Boat, found: Readonly<Record<string, readonly CheckedPanel[]>>): void {
  const ground = groundOf(boat);
  for (const zone of boat.parts.flatMap(({ zones }) => zones)) {
    const panels = found[zone.id];
    if (panels) checkedPanels.set(zone, { ...ground, panels });
  }
}

/** Whether the panels of a zone are found on the same: then they are the same. */
export const sameGround = (a: Omit<PanelsOf, 'panels'>, b: Omit<PanelsOf, 'panels'>): boolean =>
  GROUND.every((key) => a[key] === b[key]);
/** Whether the panel of a zone is typed: its checks look at that one. */
export const hasTypedPanel = ({ overridden }: Pick<Zone, 'overridden'>): boolean =>
  overridden.some((key) => key === 'panelLength' || key === 'panelBreadth');
const GROUND = ['hull', 'deck', 'brief', 'supports', 'pack', 'bulkheads'] as const;
export const groundOf = (boat: PanelsBoat): Omit<PanelsOf, 'panels'> => ({
  hull: boat.hull,
  deck: boat.deck,
  brief: boat.brief,
  supports: boat.supports,
  pack: methodOf(boat),
  bulkheads: bulkheadKey(boat.parts),
});

/** Keep the panels of a zone; the very list of before where nothing of it changed, so that what hangs on it stands. */
export function keepPanels(
  ground: Omit<PanelsOf, 'panels'>,
  zone: Zone,
  found: CheckedPanel[],
): readonly CheckedPanel[] {
  const before = checkedPanels.get(zone)?.panels;
  const panels = before && same(before, found) ? before : found;
  checkedPanels.set(zone, { ...ground, panels });
  return panels;
}

function findPanels(boat: PanelsBoat, zone: Zone): CheckedPanel[] {
  const shape = shapeOf(boat);
  if (!shape || !zone.region) return [typedPanel(zone)];
  try {
    return ratedPanels(boat, zone, panelsIn({ shape, supports: supportsOf(boat), boat }, zone, zone.region).panels);
  } catch (error) {
    // A zone that lost its surface is refused where it is edited; its figures stand until then.
    if (!(error instanceof KeramosError)) throw error;
    return [typedPanel(zone)];
  }
}

const typedPanel = (zone: Zone): CheckedPanel => ({
  name: '',
  geometry: zone.geometry,
  breadths: null,
  pressures: null,
});

/** Of the panels of a zone those that no other outdoes, each with its pressures and the zone's typed figures. */
export function ratedPanels(boat: PanelsBoat, zone: Zone, panels: ZonePanels['panels']): CheckedPanel[] {
  if (hasTypedPanel(zone)) return [typedPanel(zone)];
  const typed = Object.fromEntries(zone.overridden.map((key) => [key, zone.geometry[key]]));
  const rated = panels.map(({ panel, geometry: derived, pressures }): CheckedPanel => {
    const { along, across } = panel.between;
    const name = `${along[0]} to ${along[1]}, ${across[0]} to ${across[1]}`;
    const breadths = shapeOfPanel(panel);
    if (zone.overridden.length === 0) return { name, geometry: derived, breadths, pressures };
    const geometry: ZoneGeometry = { ...derived, ...typed };
    return { name, geometry, breadths, pressures: pressuresOn(boat, zone, geometry) };
  });
  const outdone = (one: (typeof rated)[number], i: number) =>
    rated.some((other, j) => j !== i && outdoes(other, one) && (j < i || !outdoes(one, other)));
  return rated.filter((one, i) => !outdone(one, i));
}

const sidesOf = ({ panelLength, panelBreadth, crown }: ZoneGeometry) => {
  const [short, long] = [Math.min(panelLength, panelBreadth), Math.max(panelLength, panelBreadth)];
  return { short, long, flat: -crown / short, turned: panelBreadth <= panelLength };
};
/** Whether a panel asks at least as much of every laminate as another. */
function outdoes(a: CheckedPanel, b: CheckedPanel): boolean {
  const [p, q] = [sidesOf(a.geometry), sidesOf(b.geometry)];
  const atLeast = (kind: 'single' | 'sandwich') =>
    a.pressures !== null && b.pressures !== null && a.pressures[kind].pressure >= b.pressures[kind].pressure;
  return (
    p.turned === q.turned &&
    p.short >= q.short &&
    p.long >= q.long &&
    p.flat >= q.flat &&
    atLeast('single') &&
    atLeast('sandwich')
  );
}
