import type { CautionRule } from './rule';

/**
 * What the shop records of a boat, as far as a caution hangs on it. The floor's log will fill it; until then it is
 * empty, and these rules are silent.
 */
export interface ShopRecords {
  /** Holes drilled for a detail, and whether their core was sealed. */
  holes: readonly { zoneId: string; name: string; sealed: boolean }[];
  /** Fabric as it was when it was laid. */
  fabrics: readonly { zoneId: string; layerId: string; state: 'sound' | 'wet' | 'folded' }[];
  /** Foam before it was bonded: abraded, and its cut cells closed with resin. */
  foams: readonly { zoneId: string; layerId: string; abraded: boolean; closed: boolean }[];
  /** Bonds to a cured face: hours since it cured, the window of the resin in hours, whether it was prepared anew. */
  bonds: readonly { zoneId: string; name: string; hours: number; window: number; prepared: boolean }[];
  /** Buoyancy foam by compartment. */
  buoyancy: readonly { zoneId: string; name: string; openToBilge: boolean }[];
  /** Items closed in by a part, and whether a hatch reaches them. */
  closedIn: readonly { zoneId: string; item: string; access: boolean }[];
}
export const NO_RECORDS: ShopRecords = { holes: [], fabrics: [], foams: [], bonds: [], buoyancy: [], closedIn: [] };

/** Something the records show at a zone, or at one of its layers. */
export interface RecordFinding {
  zoneId: string;
  layerId?: string;
  detail: string;
}
export interface RecordRule extends Omit<CautionRule, 'find'> {
  find: (records: ShopRecords) => RecordFinding[];
}

export const RECORD_RULES: readonly RecordRule[] = [
  {
    id: 'hole-unsealed',
    severity: 'warning',
    title: 'A hole in the core is not sealed',
    reason: 'Water runs along the bolt into the core, and a wet core rots, freezes or lets go.',
    wayOut: 'Drill oversize, fill with thickened epoxy, drill again; sealant under the fitting.',
    source: 'Practice of hardware on sandwich',
    find: ({ holes }) => holes.filter(({ sealed }) => !sealed).map(({ zoneId, name }) => ({ zoneId, detail: name })),
  },
  {
    id: 'fabric-unsound',
    severity: 'warning',
    title: 'Fabric laid wet or folded',
    reason: 'Damp glass and flax do not wet out, and a fold stays as a crack in the fibre.',
    wayOut: 'Dry it, or cut the fold out and lap a new piece.',
    source: 'Practice of laying up',
    find: ({ fabrics }) =>
      fabrics
        .filter(({ state }) => state !== 'sound')
        .map(({ zoneId, layerId, state }) => ({ zoneId, layerId, detail: state })),
  },
  {
    id: 'foam-not-prepared',
    severity: 'warning',
    title: 'Foam not abraded or not closed',
    reason: 'A moulded skin of foam holds no resin, and open cells drink what the bond needs.',
    wayOut: 'Abrade it, and prime the cut cells with resin before it is bedded.',
    source: 'Practice of core bonding',
    find: ({ foams }) =>
      foams
        .filter(({ abraded, closed }) => !abraded || !closed)
        .map(({ zoneId, layerId, abraded }) => ({ zoneId, layerId, detail: abraded ? 'cells open' : 'not abraded' })),
  },
  {
    id: 'bond-past-window',
    severity: 'danger',
    title: 'Bonded past its window without preparation',
    reason: 'A face that has cured through takes no chemical bond, and an unprepared one hardly any other.',
    wayOut: 'Abrade to a dull face and clean it, or grind off what was bonded and bond again.',
    source: 'Secondary bonding practice; window of the resin',
    find: ({ bonds }) =>
      bonds
        .filter(({ hours, window, prepared }) => hours > window && !prepared)
        .map(({ zoneId, name, hours, window }) => ({ zoneId, detail: `${name}: ${hours} h, window ${window} h` })),
  },
  {
    id: 'buoyancy-open',
    severity: 'danger',
    title: 'Buoyancy foam open to the bilge',
    reason: 'Foam that stands in water takes it up over the years and floats nothing when it is needed.',
    wayOut: 'Close the compartment and drain it, or take closed-cell blocks that can be lifted out.',
    source: 'Flotation practice for small craft',
    find: ({ buoyancy }) =>
      buoyancy.filter(({ openToBilge }) => openToBilge).map(({ zoneId, name }) => ({ zoneId, detail: name })),
  },
  {
    id: 'closed-in',
    severity: 'warning',
    title: 'Something is closed in without access',
    reason: 'A tank, seacock or fastener that cannot be reached cannot be looked after.',
    wayOut: 'Cut a hatch before the part goes on, or move the item.',
    source: 'Assembly practice',
    find: ({ closedIn }) =>
      closedIn.filter(({ access }) => !access).map(({ zoneId, item }) => ({ zoneId, detail: item })),
  },
];
