import { KeramosError } from '../../error';
import { type BoatShape, type Span, type Support } from '../../geometry';
import { bondAllowed, BOND_STRENGTH, weakestCore } from '../../material';
import {
  curvatureFactor,
  designPressure,
  headAt,
  headPressure,
  isHead,
  ZONE_LOCATIONS,
  type Sheet,
} from '../../standard';
import { leastFlange, type StiffenerSection } from '../../stiffener';
import { put, type Recorder } from '../../working';
import { type Boat, type Zone, craftOf } from '../../document';
import { layAll, sheetsOf, type Book } from '../book';
import type { Under } from './crossed';
import type { SectionMember } from './sectionMember';
import { sectionOn, type Reach, type SectionOn } from './sectionOn';
import type { SectionProperties } from './sectionProperties';
import { spanActions, type Bending, type SpanActions } from './spanActions';
import { recordWalls } from './walls';

/** What is checked of a stiffener, in words. */
const STIFFENER_CHECKS = {
  web: 'Web in shear',
  platingTension: 'Plating, tension',
  crownCompression: 'Crown, compression',
  platingCompression: 'Plating, compression',
  crownTension: 'Crown, tension',
  webAlong: 'Webs along the stiffener',
  flangeAlong: 'Bonding flanges along the stiffener',
  crownBuckling: 'Crown, buckling or wrinkling',
  webBuckling: 'Web, buckling or wrinkling in shear',
  bond: 'Bond to the plating, in shear',
  platingCore: 'Core of the plating, in shear',
  stiffness: 'Stiffness',
  flangeWidth: 'Bonding flanges, width',
  flangeThickness: 'Bonding flanges, thickness',
} as const;

/** One thing a stiffener must have on its worst span. */
export interface StiffenerCheck {
  id: keyof typeof STIFFENER_CHECKS;
  /** With where it governs. */
  name: string;
  demand: number;
  capacity: number;
  unit: 'm' | 'm²' | 'N' | 'N·m' | 'N·m²' | 'Pa';
  reserveFactor: number;
}

/** A span as the pack loads it. */
export interface LoadedSpan extends Pick<SectionOn, 'effectiveBreadth' | 'platingThickness' | 'EI' | 'neutralAxis'> {
  span: Span;
  /** On whose laminate. */
  zone: Under;
  pressure: number;
  /** What it hands on at an end, at the pack's design level (N). */
  endForce: number;
  checks: StiffenerCheck[];
}

/** A stiffener on a boat: what it stands on, and what it is made as. */
export interface StandingStiffener {
  shape: BoatShape;
  boat: Boat;
  book: Book;
  support: Support;
  section: StiffenerSection;
  properties: SectionProperties;
}

/** A check, what it asks, what there is; where it governs, or what it counts as, behind its name. */
interface Wanted {
  id: StiffenerCheck['id'];
  demand: number;
  capacity: number;
  unit: StiffenerCheck['unit'];
  place?: string;
}

/** Strains along the stiffener that a member may have in design. */
interface Allowed {
  tension: number;
  compression: number;
}

/** Proportions of the bonding flanges: checks where they do not hold, and none where they do. */
function narrowFlanges({ kind, height, flangeWidth }: StiffenerSection, { web, flange }: SectionProperties): Wanted[] {
  const proportions: readonly Wanted[] = [
    { id: 'flangeWidth', demand: leastFlange(height), capacity: flange ? flangeWidth : 0, unit: 'm' },
    // A flat bar is a wall twice as thick as its tabs, or more: what they bond is looked at by itself.
    ...(kind === 'topHat'
      ? [{ id: 'flangeThickness', demand: web.thickness, capacity: flange?.thickness ?? 0, unit: 'm' } as const]
      : []),
  ];
  return proportions.filter(({ demand, capacity }) => capacity < demand * (1 - 1e-9));
}

/** The pressure on a span where it stands on a zone (Pa). */
function pressureOn(
  { shape, boat, book, support }: StandingStiffener,
  span: Span,
  zone: Zone,
  record?: Recorder,
): number {
  if (zone.designPressure !== null) return zone.designPressure;
  const { hull } = shape;
  const { location, overflow, geometry } = zone;
  if (isHead(location))
    return headPressure(location, headAt({ location, overflow }, geometry.head ?? 0.5), record, book.pack);
  const [x, , z] = span.middle;
  return designPressure(
    {
      craft: craftOf(boat.brief),
      location: ZONE_LOCATIONS[location].pressure!,
      position: Math.min(1, Math.max(0, x / boat.brief.waterlineLength)),
      edgeHeight: geometry.edgeHeight ?? Math.max(0.05, hull.at(x, 2)[2] - hull.waterline),
      centreHeight: support.kind === 'rib' ? (geometry.centreHeight ?? 0) : z - hull.waterline,
      member: { kind: 'stiffener', spacing: span.spacing, span: span.length },
    },
    record,
    book.pack,
  ).pressure;
}

/**
 * Where a member's strain comes nearest to what it may have: at either edge of it, stretched or pressed, in either
 * sense of bending. As moments; null for a member that nothing bends.
 */
function strained(
  { EI, neutralAxis }: Pick<SectionOn, 'EI' | 'neutralAxis'>,
  { stretched, pressed }: Pick<SpanActions, 'stretched' | 'pressed'>,
  [from, to]: Reach,
  allowed: Partial<Allowed>,
): { demand: number; capacity: number; place: string; how: keyof Allowed } | null {
  const cases = [from, to].flatMap((z) => {
    const under = neutralAxis - z;
    const at = ({ moment, place }: Bending, stretches: boolean) => {
      const how: keyof Allowed = stretches ? 'tension' : 'compression';
      const limit = allowed[how];
      if (limit === undefined || moment <= 0 || Math.abs(under) < 1e-9) return [];
      return [{ demand: moment, capacity: (limit * EI) / Math.abs(under), place, how }];
    };
    return [...at(stretched, under > 0), ...at(pressed, under < 0)];
  });
  if (cases.length === 0) return null;
  return cases.reduce((low, one) => (one.capacity / one.demand < low.capacity / low.demand ? one : low));
}

/** What the skins of a plating may be strained by in design: pulled, and pressed without wrinkling on their core. */
function platingStrains(plating: readonly Sheet[], { pack }: Book, share: number): Allowed {
  const plates = plating.flatMap((sheet) => (sheet.role === 'skin' && sheet.properties ? [sheet.properties] : []));
  const cores = plating.flatMap((sheet) => (sheet.role === 'core' ? [sheet.core] : []));
  const soft = cores.length > 0 ? weakestCore(cores, pack.coreStrengthFactor) : null;
  const least = (strains: readonly number[]) => Math.min(Infinity, ...strains);
  return {
    tension: least(plates.map((p) => (share * p.tensileStrength) / p.E)),
    compression: least(
      plates.map((p) => {
        const wrinkles = soft
          ? pack.wrinklingFactor * Math.cbrt(soft.compressiveModulus.value * p.E * soft.shearModulus.value)
          : Infinity;
        return Math.min(share * p.compressiveStrength, wrinkles) / p.E;
      }),
    ),
  };
}

/** The shear between a section and its plating: of its bond, and of the cores of the plating under its foot. */
function shearBelow(
  { book, section, properties }: StandingStiffener,
  { on: { flow, effectiveBreadth }, shear }: { on: SectionOn; shear: number },
): Wanted[] {
  const { pack } = book;
  const flanges = 2 * section.flangeWidth;
  const foot = flanges + (section.kind === 'topHat' ? section.baseWidth : properties.web.thickness);
  const cores = flow.cores.map((core): Wanted => ({
    id: 'platingCore',
    demand: (shear * core.flow) / Math.min(foot, effectiveBreadth),
    capacity: core.strength,
    unit: 'Pa',
  }));
  // Without flanges there is no bond: that they are missing fails by itself.
  if (!properties.flange) return cores;
  const glue = section.adhesive === null ? undefined : book.materials.get(section.adhesive);
  const glued = glue?.kind === 'adhesive' ? glue.shearStrength : null;
  const unsaid = glued === null && section.bonded === 'notSaid';
  const laminated = BOND_STRENGTH[section.bonded === 'notSaid' ? 'peel' : section.bonded];
  return [
    {
      id: 'bond',
      // From design to ultimate as joints of panels are: a bond is held to its mean strength over a factor of its own.
      demand: (shear * flow.foot) / (flanges * pack.skinStrengthFactor),
      capacity: bondAllowed(glued ?? laminated).value,
      unit: 'Pa',
      place: unsaid ? ', counted as after peel ply alone until it is said' : '',
    },
    ...cores,
  ];
}

/** Everything that a section on its plating is held to on a span. */
function wantedOf(
  stiffener: StandingStiffener,
  { on, actions, plating }: { on: SectionOn; actions: SpanActions; plating: readonly Sheet[] },
): Wanted[] {
  const { boat, book, section, properties } = stiffener;
  const { pack } = book;
  const quality = pack.qualityFactor[boat.brief.quality];
  const share = quality * pack.stiffener.strengthFactor;
  const { crown, web, flange, walls } = properties;
  const { reach, EI } = on;
  const { shear } = actions;
  const ofMember = ({ E, tensileStrength, compressiveStrength }: SectionMember): Allowed => ({
    tension: (share * tensileStrength) / E,
    compression: (share * compressiveStrength) / E,
  });
  const along = (id: Wanted['id'], where: Reach, allowed: Partial<Allowed>): Wanted[] => {
    const found = strained(on, actions, where, allowed);
    if (!found) return [];
    const { demand, capacity, place, how } = found;
    const said = Object.keys(allowed).length > 1 ? `, ${how} ${place}` : ` ${place}`;
    return [{ id, demand, capacity, unit: 'N·m', place: said }];
  };
  const plates = platingStrains(plating, book, share);
  const top = ofMember(crown ?? web);
  const webs = (section.kind === 'topHat' ? 2 : 1) * web.thickness * section.height;
  const flow = walls.web && quality * 2 * walls.web.flow * section.height;
  return [
    { id: 'web', demand: shear / (share * web.shearStrength), capacity: webs, unit: 'm²' },
    ...along('platingTension', reach.plating, { tension: plates.tension }),
    ...along('crownCompression', reach.crown, { compression: top.compression }),
    ...along('platingCompression', reach.plating, { compression: plates.compression }),
    ...along('crownTension', reach.crown, { tension: top.tension }),
    ...along('webAlong', reach.web, ofMember(web)),
    ...(flange && reach.flange ? along('flangeAlong', reach.flange, ofMember(flange)) : []),
    ...along('crownBuckling', reach.crown, { compression: quality * walls.crown.strain }),
    ...(flow === null ? [] : [{ id: 'webBuckling', demand: shear, capacity: flow, unit: 'N' } as const]),
    ...shearBelow(stiffener, { on, shear }),
    { id: 'stiffness', demand: actions.stiffness, capacity: EI, unit: 'N·m²' },
    ...narrowFlanges(section, properties),
  ];
}

/** Of several of one kind (the cores of a plating) the one with the least reserve. */
function leastOfEach(checks: readonly StiffenerCheck[]): StiffenerCheck[] {
  const least = new Map<StiffenerCheck['id'], StiffenerCheck>();
  for (const check of checks) {
    const known = least.get(check.id);
    if (!known || check.reserveFactor < known.reserveFactor) least.set(check.id, check);
  }
  return [...least.values()];
}

/**
 * A span of a stiffener on the laminate of one of the zones that it crosses, under the pressure at its middle: where
 * zones meet there, under the greater; and under the point load that stands on it.
 *
 * @throws KeramosError `invalid` where nothing is laid in the zone, or the load points nowhere.
 */
export function loadSpan(
  stiffener: StandingStiffener,
  span: Span,
  { on: zoned, middle }: { on: Under; middle: readonly Under[] },
  record?: Recorder,
): LoadedSpan {
  const { book, support, section, properties } = stiffener;
  const { part, zone } = zoned;
  const presses = middle
    .map((one) => ({ zone: one.zone, pressure: pressureOn(stiffener, span, one.zone) }))
    .reduce((most, one) => (one.pressure > most.pressure ? one : most));
  const pressure = record ? pressureOn(stiffener, span, presses.zone, record) : presses.pressure;
  const along =
    support.kind === 'stringer' || support.kind === 'girder' || (support.kind === 'rib' && support.run === 'along');
  const plating = sheetsOf(book, layAll(book, part, zone), along ? 0 : 90);
  if (plating.length === 0)
    throw new KeramosError('invalid', `${support.name}: nothing is laid yet in ${zone.name}`, 'layers');
  const base = section.kind === 'topHat' ? section.baseWidth : properties.web.thickness;
  const skins = plating.reduce((sum, sheet) => sum + (sheet.role === 'skin' ? sheet.thickness : 0), 0);
  const on = sectionOn(stiffener, plating, Math.min(span.spacing, 20 * skins + base), record);
  const { location } = presses.zone;
  const actions = spanActions(stiffener, { span, pressure, location }, record);
  const checks = leastOfEach(
    wantedOf(stiffener, { on, actions, plating }).map(({ id, demand, capacity, unit, place = '' }): StiffenerCheck => ({
      id,
      name: `${STIFFENER_CHECKS[id]}${place}`,
      demand,
      capacity,
      unit,
      reserveFactor: capacity / demand,
    })),
  );
  if (record) {
    recordWalls(record, properties.walls);
    recordChecks(record, { checks, on, span, zone, title: book.pack.title });
  }
  const { effectiveBreadth, platingThickness, EI, neutralAxis } = on;
  const endForce = actions.shear;
  return { span, zone: zoned, pressure, endForce, effectiveBreadth, platingThickness, EI, neutralAxis, checks };
}

/** Each check as a step of a working, and the flow of shear that bond and core are asked for. */
function recordChecks(
  record: Recorder,
  {
    checks,
    on,
    span,
    zone,
    title,
  }: { checks: readonly StiffenerCheck[]; on: SectionOn; span: Span; zone: Zone; title: string },
): void {
  for (const [where, flow] of [
    ['where the flanges stand on the plating', on.flow.foot],
    ...on.flow.cores.map((core) => [`in ${core.name}`, core.flow] as const),
  ] as const)
    record({
      quantity: `Shear flow over the shear force, ${where}`,
      symbol: 'q/V',
      formula: '\\frac{\\left|\\sum E_i A_i (z_i - z_n)\\right|}{EI}',
      inputs: [put('EI', on.EI, 'N·m²'), put('z_n', on.neutralAxis, 'm')],
      value: flow,
      unit: '1/m',
      source: 'Gere & Timoshenko, ch. 5: of what lies outside the plane',
    });
  for (const check of checks)
    record({
      quantity: `Reserve factor: ${check.name.charAt(0).toLowerCase()}${check.name.slice(1)}`,
      symbol: 'RF',
      formula: '\\frac{\\text{there}}{\\text{asked}}',
      inputs: [put('\\text{there}', check.capacity, check.unit), put('\\text{asked}', check.demand, check.unit)],
      value: check.reserveFactor,
      unit: '',
      source: title,
      note:
        check.id === 'stiffness'
          ? `Curvature factor ${curvatureFactor(span.rise, span.length).toFixed(2)}; ` +
            `plating of ${zone.name} ${(on.platingThickness * 1e3).toFixed(1)} mm, ` +
            `${(on.effectiveBreadth * 1e3).toFixed(0)} mm of it works with the stiffener.`
          : undefined,
    });
}
