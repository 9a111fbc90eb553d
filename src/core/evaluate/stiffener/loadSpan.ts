import { KeramosError } from '../../error';
import { edgeAt, type BoatShape, type Span, type Support } from '../../geometry';
import {
  curvatureFactor,
  designPressure,
  headAt,
  headPressure,
  isHead,
  stiffenerRequirement,
  ZONE_LOCATIONS,
  type Sheet,
} from '../../standard';
import {
  leastFlange,
  sectionStiffness,
  topHatElements,
  type SectionElement,
  type StiffenerSection,
} from '../../stiffener';
import { weakestCore } from '../../material';
import { put, type Recorder } from '../../working';
import { type Boat, type Part, type Zone, craftOf } from '../../document';
import { layAll, sheetsOf, type Book } from '../book';
import type { SectionProperties } from './sectionProperties';
import { recordWalls } from './walls';

/** The rectangles of a section on its plating, from the outer face inward. */
function elementsOf(
  section: StiffenerSection,
  properties: SectionProperties,
  plating: readonly Sheet[],
  breadth: number,
): { elements: SectionElement[]; platingThickness: number } {
  const elements: SectionElement[] = [];
  let z = 0;
  for (const sheet of plating) {
    const E = sheet.role === 'core' ? sheet.core.inPlaneModulus.value : (sheet.properties?.E ?? 0);
    if (E > 0) elements.push({ E, breadth, height: sheet.thickness, centroid: z + sheet.thickness / 2 });
    z += sheet.thickness;
  }
  const { crown, web, flange, former } = properties;
  if (section.kind === 'flatBar') {
    if (flange)
      elements.push({
        E: flange.E,
        breadth: section.flangeWidth,
        height: flange.thickness,
        centroid: z + flange.thickness / 2,
        count: 2,
      });
    elements.push({ E: web.E, breadth: web.thickness, height: section.height, centroid: z + section.height / 2 });
  } else {
    const lean = (Math.atan2((section.baseWidth - section.crownWidth) / 2, section.height) * 180) / Math.PI;
    const hat = topHatElements({
      plating: { E: 1, thickness: z, effectiveBreadth: 1 },
      flange: flange
        ? { E: flange.E, thickness: flange.thickness, width: section.flangeWidth }
        : { E: 1, thickness: 1e-6, width: 1e-6 },
      web: { E: web.E, thickness: web.thickness, height: section.height, angleDeg: lean },
      crown: { E: crown!.E, thickness: crown!.thickness, width: section.crownWidth },
      ...(former ? { former } : {}),
    });
    elements.push(...hat.slice(flange ? 1 : 2));
  }
  return { elements, platingThickness: z };
}

/** One thing a stiffener must have on its worst span. */
export interface StiffenerCheck {
  id:
    | 'web'
    | 'platingTension'
    | 'crownCompression'
    | 'platingCompression'
    | 'crownTension'
    | 'crownBuckling'
    | 'webBuckling'
    | 'stiffness'
    | 'flangeWidth'
    | 'flangeThickness';
  name: string;
  demand: number;
  capacity: number;
  unit: 'm' | 'm²' | 'N' | 'N·m' | 'N·m²';
  reserveFactor: number;
}
const FROM_EITHER: Partial<Record<StiffenerCheck['id'], string>> = {
  platingCompression: 'Plating, compression at the ends, pressed from the other face',
  crownTension: 'Crown, tension at the ends, pressed from the other face',
};
export const STIFFENER_CHECKS: Record<StiffenerCheck['id'], string> = {
  web: 'Web in shear',
  platingTension: 'Plating, tension at the ends',
  crownCompression: 'Crown, compression at the ends',
  platingCompression: 'Plating, compression at mid-span',
  crownTension: 'Crown, tension at mid-span',
  crownBuckling: 'Crown, buckling or wrinkling at the ends',
  webBuckling: 'Web, buckling or wrinkling in shear',
  stiffness: 'Stiffness',
  flangeWidth: 'Bonding flanges, width',
  flangeThickness: 'Bonding flanges, thickness',
};

/** A span as the pack loads it. */
export interface LoadedSpan {
  span: Span;
  /** On whose laminate. */
  zone: Under;
  pressure: number;
  effectiveBreadth: number;
  platingThickness: number;
  EI: number;
  neutralAxis: number;
  checks: StiffenerCheck[];
}

/** Zones that end so near each other meet (m, or as a share of the girth). */
const SAME = 1e-6;
/** Parts whose zones carry a span; any part where a zone is named itself. */
const KIND_UNDER = { zone: null, deck: 'deck', bottom: 'hull', side: 'hull' } as const;

/** A zone under a stiffener. */
export interface Under {
  part: Part;
  zone: Zone;
}
/** A span, and how far along the boat what it stands on reaches to either side of it (m). */
interface Standing {
  support: Support;
  span: Span;
  reach: number;
}
/** The zones on which a point of a span stands: two or more where they meet under it. */
function zonesAt({ hull }: BoatShape, boat: Boat, { support, span, reach }: Standing, at: number): Under[] {
  const all = boat.parts.flatMap((part) => part.zones.map((zone): Under => ({ part, zone })));
  if (support.kind === 'rib') return all.filter(({ zone }) => zone.id === support.zone);
  const [x] = span.points[at]!;
  const up = span.upHull?.[at];
  const wanted = KIND_UNDER[span.on];
  return all.filter(({ zone: { region } }) => {
    if (region?.surface !== wanted || region === null || !('from' in region)) return false;
    if (x < region.from - reach || x > region.to + reach) return false;
    if (region.surface !== 'hull' || up === undefined) return true;
    const place = Math.min(region.to, Math.max(region.from, x));
    return up >= edgeAt(hull, region.lower, place) - SAME && up <= edgeAt(hull, region.upper, place) + SAME;
  });
}
/** Half of what a stiffener stands on with (m). */
const halfFoot = (section: StiffenerSection): number =>
  (section.kind === 'topHat' ? section.baseWidth / 2 : 0) + section.flangeWidth;
/** What a span stands on: under its middle, whose pressure it bears, and all along it, whose laminate works with it. */
export interface Crossed {
  middle: Under[];
  all: Under[];
}
/**
 * The zones that a span crosses. Its ends are left out: there it passes on to what holds it.
 *
 * @throws KeramosError `invalid` when no zone lies under its middle.
 */
export function crossedBy(
  shape: BoatShape,
  boat: Boat,
  { support, section }: { support: Support; section: StiffenerSection },
  span: Span,
): Crossed {
  const across = support.kind === 'frame' || support.kind === 'beam';
  const standing = { support, span, reach: across ? halfFoot(section) : SAME };
  const inner = span.points.map((_, i) => i).slice(1, -1);
  const middle = zonesAt(shape, boat, standing, Math.floor(span.points.length / 2));
  if (middle.length === 0)
    throw new KeramosError(
      'invalid',
      `${support.name} stands on no zone at x = ` +
        `${span.middle[0].toFixed(2)} m: lay a zone there, or end the ` +
        'member before it',
      'support',
    );
  const all = [...middle, ...inner.flatMap((at) => zonesAt(shape, boat, standing, at))];
  return { middle, all: [...new Map(all.map((one) => [one.zone.id, one])).values()] };
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

/** A check, what it asks, what there is. */
type Wanted = readonly [StiffenerCheck['id'], number, number, StiffenerCheck['unit']];

/** Proportions of the bonding flanges: checks where they do not hold, and none where they do. */
function narrowFlanges({ kind, height, flangeWidth }: StiffenerSection, { web, flange }: SectionProperties): Wanted[] {
  const proportions: readonly Wanted[] = [
    ['flangeWidth', leastFlange(height), flange ? flangeWidth : 0, 'm'],
    // A flat bar is a wall twice as thick as its tabs, or more: what they bond is not looked at.
    ...(kind === 'topHat' ? [['flangeThickness', web.thickness, flange?.thickness ?? 0, 'm'] as const] : []),
  ];
  return proportions.filter(([, least, there]) => there < least * (1 - 1e-9));
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
 * A span of a stiffener on the laminate of one of the zones that it crosses, under the pressure at its middle: where
 * zones meet there, under the greater.
 */
export function loadSpan(
  stiffener: StandingStiffener,
  span: Span,
  { on, middle }: { on: Under; middle: readonly Under[] },
  record?: Recorder,
): LoadedSpan {
  const { boat, book, support, section, properties } = stiffener;
  const { part, zone } = on;
  const pack = book.pack;
  const presses = middle
    .map((one) => ({ zone: one.zone, pressure: pressureOn(stiffener, span, one.zone) }))
    .reduce((most, one) => (one.pressure > most.pressure ? one : most));
  const { location } = presses.zone;
  const pressure = record ? pressureOn(stiffener, span, presses.zone, record) : presses.pressure;
  const along =
    support.kind === 'stringer' || support.kind === 'girder' || (support.kind === 'rib' && support.run === 'along');
  const plating = sheetsOf(book, layAll(book, part, zone), along ? 0 : 90);
  if (plating.length === 0)
    throw new KeramosError('invalid', `${support.name}: nothing is laid yet in ${zone.name}`, 'layers');
  const skins = plating.filter((sheet) => sheet.role === 'skin');
  const base = section.kind === 'topHat' ? section.baseWidth : properties.web.thickness;
  const effectiveBreadth = Math.min(span.spacing, 20 * skins.reduce((sum, sheet) => sum + sheet.thickness, 0) + base);
  const { elements, platingThickness } = elementsOf(section, properties, plating, effectiveBreadth);
  const { EI, neutralAxis, sectionStiffnessTop } = sectionStiffness(elements, record);
  const quality = pack.qualityFactor[boat.brief.quality];
  const { strengthFactor } = pack.stiffener;
  const { walls } = properties;
  const top = properties.crown ?? properties.web;
  const strained = quality * strengthFactor;
  const plates = skins.flatMap(({ properties: p }) => (p ? [p] : []));
  const cores = plating.flatMap((sheet) => (sheet.role === 'core' ? [sheet.core] : []));
  const soft = cores.length > 0 ? weakestCore(cores, pack.coreStrengthFactor) : null;
  const least = (strains: readonly number[]) => Math.min(Infinity, ...strains);
  // What the plating's skins may be strained by in design: pulled, and pressed without wrinkling on their core.
  const outer = {
    tension: least(plates.map((p) => (strained * p.tensileStrength) / p.E)),
    compression: least(
      plates.map((p) => {
        const wrinkles = soft
          ? pack.wrinklingFactor * Math.cbrt(soft.compressiveModulus.value * p.E * soft.shearModulus.value)
          : Infinity;
        return Math.min(strained * p.compressiveStrength, wrinkles) / p.E;
      }),
    ),
  };
  const need = stiffenerRequirement(
    {
      pressure,
      spacing: span.spacing,
      span: span.length,
      rise: span.rise,
      tensileStrength: quality * top.tensileStrength,
      compressiveStrength: quality * top.compressiveStrength,
      shearStrength: quality * properties.web.shearStrength,
      E: top.E,
    },
    record,
    pack,
  );
  const allowed = (strain: number, reach: number) => (strain * EI) / Math.max(1e-9, reach);
  const toTop = EI / sectionStiffnessTop;
  const webs = (section.kind === 'topHat' ? 2 : 1) * properties.web.thickness * section.height;
  // Half of the moment at the ends, in the other sense, in the middle; a head of water may press from either face.
  const otherWay = isHead(location) ? need.moment : need.moment / 2;
  const wanted: readonly Wanted[] = [
    ['web', need.webArea, webs, 'm²'],
    ['platingTension', need.moment, allowed(outer.tension, neutralAxis), 'N·m'],
    ['crownCompression', need.moment, allowed((strained * top.compressiveStrength) / top.E, toTop), 'N·m'],
    ['platingCompression', otherWay, allowed(outer.compression, neutralAxis), 'N·m'],
    ['crownTension', otherWay, allowed((strained * top.tensileStrength) / top.E, toTop), 'N·m'],
    ['crownBuckling', need.moment, allowed(quality * walls.crown.strain, toTop), 'N·m'],
    ...(walls.web
      ? [['webBuckling', need.webArea * need.designShear, quality * 2 * walls.web.flow * section.height, 'N'] as const]
      : []),
    ['stiffness', need.secondMoment * top.E, EI, 'N·m²'],
    ...narrowFlanges(section, properties),
  ];
  const checks = wanted.map(([id, demand, capacity, unit]): StiffenerCheck => ({
    id,
    name: (isHead(location) && FROM_EITHER[id]) || STIFFENER_CHECKS[id],
    demand,
    capacity,
    unit,
    reserveFactor: capacity / demand,
  }));
  if (record) recordWalls(record, properties.walls);
  if (record)
    for (const check of checks)
      record({
        quantity: `Reserve factor: ${check.name.toLowerCase()}`,
        symbol: 'RF',
        formula: '\\frac{\\text{there}}{\\text{asked}}',
        inputs: [put('\\text{there}', check.capacity, check.unit), put('\\text{asked}', check.demand, check.unit)],
        value: check.reserveFactor,
        unit: '',
        source: pack.title,
        note:
          check.id === 'stiffness'
            ? `Curvature factor ${curvatureFactor(span.rise, span.length).toFixed(2)}; ` +
              `plating of ${zone.name} ${(platingThickness * 1e3).toFixed(1)} mm, ` +
              `${(effectiveBreadth * 1e3).toFixed(0)} mm of it works with the stiffener.`
            : undefined,
      });
  return { span, zone: on, pressure, effectiveBreadth, platingThickness, EI, neutralAxis, checks };
}
