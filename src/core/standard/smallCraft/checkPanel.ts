import { remembered } from '../../job';
import { put, type Recorder } from '../../working';
import { invalid } from '../../error';
import { waterlinePosition, type ZoneGeometry } from '../../geometry';
import type { Check, PackFindings, PanelContext, Sheet, SkinSheet, Trace } from './check';
import type { Craft } from './craft';
import { isWood } from './checkWood';
import { minimumFibreMass, minimumSkins, minimumWood, type MinimumLocation } from './minimum';
import { SMALL_CRAFT_PACK, type SmallCraftPack } from './pack';
import {
  designPressure,
  headPressure,
  type HeadLocation,
  type PressureLocation,
  type PressureResult,
} from './pressure';
import { checkSandwich } from './checkSandwich';
import { checkSingleSkin } from './checkSingleSkin';

/** Where a zone is on the boat, and what the pack makes of it. */
export const ZONE_LOCATIONS = {
  bottom: { label: 'Hull bottom', pressure: 'bottom', minimum: 'bottom' },
  side: { label: 'Hull side', pressure: 'side', minimum: 'side' },
  transom: { label: 'Transom', pressure: 'side', minimum: 'side' },
  deck: { label: 'Deck', pressure: 'deck', minimum: 'deck' },
  cockpitSole: { label: 'Cockpit sole', pressure: 'deck', minimum: 'deck' },
  superstructureFront: { label: 'Superstructure, front', pressure: 'superstructureFront', minimum: null },
  superstructureSide: { label: 'Superstructure, side', pressure: 'superstructureSide', minimum: null },
  superstructureSideWalking: {
    label: 'Superstructure, side, walked on',
    pressure: 'superstructureSideWalking',
    minimum: null,
  },
  superstructureAft: { label: 'Superstructure, aft end', pressure: 'superstructureAft', minimum: null },
  superstructureTop: { label: 'Superstructure, top', pressure: 'superstructureTop', minimum: null },
  bulkhead: { label: 'Watertight bulkhead', pressure: null, minimum: null },
  collisionBulkhead: { label: 'Collision bulkhead', pressure: null, minimum: null },
  tank: { label: 'Tank boundary', pressure: null, minimum: null },
  liner: { label: 'Liner, walked on', pressure: 'deck', minimum: null },
} as const satisfies Record<
  string,
  { label: string; pressure: PressureLocation | null; minimum: MinimumLocation | null }
>;
export type ZoneLocation = keyof typeof ZONE_LOCATIONS;
/** Zones under a head of water, which presses from either side. */
export const isHead = (location: ZoneLocation): location is HeadLocation => ZONE_LOCATIONS[location].pressure === null;

export interface PanelCheckInput {
  /** Pressure on the panel where it is known already (Pa with its mode); computed where it is left out. */
  known?: PanelCheckResult['pressure'];
  /** Pressure typed for the zone (Pa), in the place of the pack's. */
  typed?: number | null;
  /** Height of the overflow of a tank above its top (m). */
  overflow?: number | null | undefined;
  craft: Craft;
  location: ZoneLocation;
  geometry: ZoneGeometry;
  /** From the mould face inward, by their properties across the panel, the way of its short side. */
  sheets: readonly Sheet[];
  /** The same by their properties along its long side; left out for a stack that is alike both ways. */
  sheetsAlong?: readonly Sheet[];
  /** Factor on the strengths of the laminate. */
  quality: number;
  /** Factors on the pressure and on the minima, for service beyond the method. */
  uplift?: { pressure: number; minimum: number };
}

export interface PanelCheckResult extends PackFindings {
  construction: 'single' | 'sandwich';
  pressure: PressureResult | { pressure: number; mode: 'head' | 'typed' };
}

/** What a panel check asks of a stack by itself; worked out once for all panels and packs. */
interface StackFacts {
  skins: SkinSheet[];
  /** Which of the pack's factors k5 it takes: some mat, all continuous glass, or mostly carbon or aramid. */
  fibreType: keyof SmallCraftPack['fibreTypeFactor'];
  hasWood: boolean;
}
const factsOf = remembered((sheets: readonly Sheet[]): StackFacts => {
  const skins: SkinSheet[] = [];
  let hasWood = false;
  let [light, fibre, mat] = [0, 0, 0];
  for (const sheet of sheets) {
    if (sheet.role !== 'skin') continue;
    skins.push(sheet);
    hasWood ||= isWood(sheet);
    light += sheet.lightFibreMass;
    fibre += sheet.fibreMass;
    mat += sheet.matMass;
  }
  const glass = mat > 0 ? 'someMat' : 'continuousGlass';
  return { skins, fibreType: light > 0.5 * fibre ? 'carbonOrAramid' : glass, hasWood };
});
/** Whether a face of a stack is bare wood. */
const bareWood = (sheets: readonly Sheet[]) =>
  [sheets[0]!, sheets.at(-1)!].some((sheet) => sheet.role === 'skin' && isWood(sheet));
const turnedOver = remembered((sheets: readonly Sheet[]): readonly Sheet[] => [...sheets].reverse());

/** Head of water on a boundary (m): of a tank up to its overflow, where that stands above its top. */
export const headAt = (
  { location, overflow }: { location: HeadLocation; overflow?: number | null | undefined },
  head: number,
): number => (location === 'tank' ? head + (overflow ?? 0) : head);

/**
 * Design pressure on a zone's panel: by its place on the boat, by the head of water of a bulkhead, or as typed (Pa).
 * @throws KeramosError `invalid` that names the zone's missing figure.
 * Source: ISO 12215-5:2008 method, F1 to F25.
 */
export function panelPressure(
  {
    craft,
    location,
    geometry: g,
    construction,
    typed = null,
    overflow,
  }: Pick<PanelCheckInput, 'craft' | 'location' | 'geometry' | 'overflow'> & {
    construction: PanelCheckResult['construction'];
    typed?: number | null | undefined;
  },
  record?: Recorder,
  pack = SMALL_CRAFT_PACK,
): PanelCheckResult['pressure'] {
  if (typed !== null) {
    record?.({
      quantity: 'Design pressure, typed for the zone',
      symbol: 'P',
      formula: 'P',
      inputs: [],
      value: typed,
      unit: 'Pa',
      source: 'Given by whoever designs the boat, in the place of what the pack asks',
    });
    return { pressure: typed, mode: 'typed' };
  }
  const place = ZONE_LOCATIONS[location];
  if (isHead(location)) {
    if (g.head === null) throw invalid('geometry.head', `${place.label}: its head of water is missing (m)`);
    const head = headAt({ location, overflow }, g.head);
    return { pressure: headPressure(location, head, record, pack), mode: 'head' };
  }
  const [shortSide, longSide] = [Math.min(g.panelLength, g.panelBreadth), Math.max(g.panelLength, g.panelBreadth)];
  return designPressure(
    {
      craft,
      location: place.pressure!,
      position: waterlinePosition(g.panelX, craft.waterlineLength),
      ...(g.edgeHeight === null ? {} : { edgeHeight: g.edgeHeight }),
      ...(g.centreHeight === null ? {} : { centreHeight: g.centreHeight }),
      member: { kind: 'panel', shortSide, longSide, construction },
    },
    record,
    pack,
  );
}

/** The lesser of both sides' reserves, check by check. */
function eitherSide(checks: Check[], reversed: Check[]): Check[] {
  return checks.map((check) => {
    const other = reversed.find(({ id }) => id === check.id);
    return other && other.reserveFactor < check.reserveFactor * (1 - 1e-9)
      ? { ...other, governs: `${other.governs}, pressed from the inner face` }
      : check;
  });
}

/** A panel counts as whole: what is cut into it leaves less, and its edges stand free. */
const OPENINGS = 'Openings cut into it: hatches, windows, doors';

/**
 * Check one zone's panel against the small-craft pack: pressure, then single-skin or sandwich requirements, then
 * minima.
 *
 * @returns every check with demand, capacity and reserve factor, and what was not checked.
 * @throws KeramosError `invalid` that names the zone's missing figure or the incomplete stack (a core without both
 * skins).
 * @example checkPanel({ craft, location: 'bottom', geometry, sheets, quality: 0.8 }).checks[0].reserveFactor
 * Source: ISO 12215-5:2008 method as restated in the functions of this folder.
 */
export function checkPanel(input: PanelCheckInput, trace?: Trace, pack = SMALL_CRAFT_PACK): PanelCheckResult {
  const {
    craft,
    location,
    geometry: g,
    sheets,
    quality,
    sheetsAlong = sheets,
    uplift = { pressure: 1, minimum: 1 },
  } = input;
  if (sheets.length === 0) throw invalid('layers', 'No layer covers this zone yet: cover it with at least one fabric');
  const shortSide = Math.min(g.panelLength, g.panelBreadth);
  const longSide = Math.max(g.panelLength, g.panelBreadth);
  const { skins, fibreType, hasWood } = factsOf(sheets);
  const construction = skins.length < sheets.length ? 'sandwich' : 'single';
  const place = ZONE_LOCATIONS[location];
  const inSection = (section: 'pressure' | 'requirement'): Recorder | undefined =>
    trace && ((step) => trace(section, step));

  const { known, typed, overflow } = input;
  const base =
    trace || !known
      ? panelPressure({ craft, location, geometry: g, construction, typed, overflow }, inSection('pressure'), pack)
      : known;
  const pressure = { ...base, pressure: base.pressure * uplift.pressure };
  if (uplift.pressure !== 1)
    inSection('pressure')?.({
      quantity: 'Pressure with the uplift for service',
      symbol: "P'",
      formula: 'f_P\\,P',
      inputs: [put('f_P', uplift.pressure), put('P', base.pressure, 'Pa')],
      value: pressure.pressure,
      unit: 'Pa',
      source: 'Workboat uplift',
    });

  const k5 = pack.fibreTypeFactor[fibreType];
  const minimumRecord = inSection('requirement');
  let minimum: PanelContext['minimum'] = null;
  if (place.minimum !== null) {
    const skinsMinimum = minimumSkins(
      craft,
      { location: place.minimum, k5 },
      construction === 'sandwich' ? minimumRecord : undefined,
      pack,
    );
    const at = place.minimum;
    minimum = {
      wood: (bendingStrength) =>
        uplift.minimum * minimumWood(craft, { location: at, bendingStrength }, minimumRecord, pack),
      fibre:
        uplift.minimum *
        minimumFibreMass(
          craft,
          { location: place.minimum, k5 },
          construction === 'single' && !hasWood ? minimumRecord : undefined,
          pack,
        ),
      outer: uplift.minimum * skinsMinimum.outer,
      inner: uplift.minimum * skinsMinimum.inner,
      coreShear: place.minimum === 'deck' ? null : skinsMinimum.coreShearStrength,
    };
  }

  const context: PanelContext = {
    pressure: pressure.pressure,
    shortSide,
    longSide,
    crown: g.crown,
    quality,
    along: sheetsAlong,
    minimum,
    trace,
  };
  const run = (stack: readonly Sheet[], own: PanelContext) =>
    construction === 'single' ? checkSingleSkin(factsOf(stack).skins, own, pack) : checkSandwich(stack, own, pack);
  const result = run(sheets, context);
  const { notChecked, unproven } = result;
  const checks = isHead(location)
    ? eitherSide(
        result.checks,
        run(turnedOver(sheets), { ...context, along: turnedOver(sheetsAlong), trace: undefined }).checks,
      )
    : result.checks;
  if (location === 'tank' && (input.overflow ?? null) === null)
    notChecked.push('An overflow above the top of the tank: say how high it stands');
  if (hasWood) {
    if (location === 'bulkhead' || location === 'collisionBulkhead')
      notChecked.push('A bulkhead of wood that carries rig, keel or girders: 7 mm per metre of its depth are usual');
    if (location === 'tank' && bareWood(sheets))
      unproven.push('Wood against the tank: a tank is bounded by a laminate on both faces of the wood');
  }
  if (minimum === null) notChecked.push(`Least fibre mass: the pack states none for ${place.label.toLowerCase()}`);
  notChecked.push('Stiffeners and panel edges', 'Point loads and fittings', OPENINGS, 'Buckling under in-plane load');
  return { construction, pressure, checks, notChecked, unproven };
}
