import { edgesOfPanels, type Boat, type Zone } from '../document';
import type { Support } from '../geometry';
import { remembered } from '../job';
import { layersByZone } from './book';

/** What holds the panels of a zone on trust. */
export interface HeldOnTrust {
  /** Bulkheads that hold panels and of which nothing is laid: the panels are as wide as if there were none. */
  unproven: string[];
  /** Members that hold panels and have no section that could be checked; frames that hold a side if they reach it. */
  notChecked: string[];
}

/** Bulkheads of a boat of which nothing that carries is laid: place along the boat (m) and name. */
function emptyBulkheads({ parts }: Pick<Boat, 'parts'>): { x: number; name: string }[] {
  return parts.flatMap((part) => {
    const byZone = layersByZone(part);
    return part.zones.flatMap(({ id, name, region }) => {
      if (region?.surface !== 'section') return [];
      const laid = byZone.get(id) ?? [];
      return laid.some(({ layer }) => layer.role === 'structure') ? [] : [{ x: region.x, name }];
    });
  });
}

/** Supports of the hull, and of the deck. */
const ON: Readonly<Record<Exclude<Support['kind'], 'rib'>, 'hull' | 'deck'>> = {
  frame: 'hull',
  stringer: 'hull',
  beam: 'deck',
  girder: 'deck',
};

const onBoat = ({ region }: Zone) => (region?.surface === 'hull' || region?.surface === 'deck' ? region : null);
/** Whether a stretch of the boat (m) meets a zone of its hull or deck. */
function isWithin(zone: Zone, from: number, to = from): boolean {
  const region = onBoat(zone);
  return region !== null && to > region.from && from < region.to;
}
/** Whether a support parts a zone into panels. */
function holdsPanelsOf(zone: Zone, one: Support): boolean {
  if (one.kind === 'rib') return one.zone === zone.id;
  const region = onBoat(zone);
  if (ON[one.kind] !== region?.surface) return false;
  if (one.kind === 'frame' && one.upTo === 'chine' && region.surface === 'hull' && region.lower.kind === 'chine')
    return false;
  return 'x' in one ? isWithin(zone, one.x) : isWithin(zone, one.from, one.to);
}

/** Members of a boat that hold panels of some zone and have no section that could be checked. */
export const supportsOnTrust = ({ parts, supports }: Boat): Support[] =>
  supports.filter(
    (one) => one.section === null && parts.some(({ zones }) => zones.some((zone) => holdsPanelsOf(zone, one))),
  );

/** Frames that hold panels of a zone on the side, of which nobody has said that they do not end at the chine. */
function framesUpTheSide({ supports }: Boat, zone: Zone): Support[] {
  const { region } = zone;
  if (region?.surface !== 'hull' || region.upper.kind === 'chine' || region.upper.kind === 'centreline') return [];
  const onSide = region.lower.kind === 'chine' || region.upper.kind === 'deckEdge' || zone.location === 'side';
  const unsaid = supports.filter((one) => one.kind === 'frame' && one.upTo === 'notSaid');
  return onSide ? unsaid.filter((one) => holdsPanelsOf(zone, one)) : [];
}

const held = new WeakMap<Zone, { key: string; found: HeldOnTrust }>();

const emptyKey = remembered((part: Boat['parts'][number]) => JSON.stringify(emptyBulkheads({ parts: [part] })));
const memberKey = remembered((supports: Boat['supports']) =>
  JSON.stringify(supports.filter(({ section, kind }) => section === null || kind === 'frame')),
);
const tankKey = remembered((spaces: Boat['spaces']) => JSON.stringify(spaces.filter(({ kind }) => kind === 'tank')));
const keys = new WeakMap<Boat['parts'], Pick<Boat, 'supports' | 'spaces'> & { key: string }>();
/** What of a boat besides a zone itself its evaluation speaks of, so that it is known when that changes. */
export function trustKey({ parts, supports, spaces }: Boat): string {
  const known = keys.get(parts);
  if (known?.supports === supports && known.spaces === spaces) return known.key;
  const key = [memberKey(supports), tankKey(spaces), ...parts.map(emptyKey)].join('|');
  keys.set(parts, { supports, spaces, key });
  return key;
}

/**
 * What holds the panels of a zone without having been checked itself: bulkheads without a laminate, and members without
 * a section, that stand within it.
 * @example heldOnTrust(newBoat('Tern'), bottom).unproven[0] // 'Bulkhead holds panels here, and nothing of it is laid'
 */
export function heldOnTrust(boat: Boat, zone: Zone): HeldOnTrust {
  const key = trustKey(boat);
  const known = held.get(zone);
  if (known?.key === key) return known.found;
  const frames = framesUpTheSide(boat, zone).map(({ name }) => name);
  const bare = boat.supports
    .filter((one) => one.section === null && holdsPanelsOf(zone, one))
    .map(({ name }) => name)
    .sort();
  const found: HeldOnTrust = {
    unproven: emptyBulkheads(boat)
      .filter(({ x }) => isWithin(zone, x))
      .map(({ name }) => `${name} holds panels here, and nothing of it is laid yet`),
    notChecked: [
      ...(bare.length > 0
        ? [`Members without a section hold panels, and nothing says that they are stiff enough: ${bare.join('; ')}`]
        : []),
      ...(frames.length > 0
        ? [
            `Panels of the side if ${frames.join(', ')} ended at the chine: ` +
              'they are taken to the deck edge, and nothing says so',
          ]
        : []),
    ],
  };
  held.set(zone, { key, found });
  return found;
}

/** What no check of a zone's panels looks at, by rule or by analysis: panels beside it, and what holds its own. */
export function panelsNotChecked(boat: Boat, zone: Zone): string[] {
  const edges = edgesOfPanels(boat, zone);
  const beside = edges.length > 0 ? [`Panels of which it has an edge or an end alone: ${edges.join('; ')}`] : [];
  return [...beside, ...heldOnTrust(boat, zone).notChecked];
}
