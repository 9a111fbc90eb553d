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
import { sectionStiffness, topHatElements, type SectionElement, type StiffenerSection } from '../../stiffener';
import { put, type Recorder } from '../../working';
import { type Boat, type Part, type Zone, craftOf } from '../../document';
import { layAll, sheetsOf, type Book } from '../book';
import type { SectionProperties } from './sectionProperties';

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
  id: 'web' | 'platingTension' | 'crownCompression' | 'platingCompression' | 'crownTension' | 'stiffness';
  name: string;
  demand: number;
  capacity: number;
  unit: 'm²' | 'N·m' | 'N·m²';
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
  stiffness: 'Stiffness',
};

/** A span as the pack loads it. */
export interface LoadedSpan {
  span: Span;
  zone: { part: Part; zone: Zone } | null;
  pressure: number;
  effectiveBreadth: number;
  platingThickness: number;
  EI: number;
  neutralAxis: number;
  checks: StiffenerCheck[];
}

/** Parts whose zones carry a span; any part where a zone is named itself. */
const KIND_UNDER = { zone: null, deck: 'deck', bottom: 'hull', side: 'hull' } as const;

/** The zone on whose laminate a span stands. */
function zoneUnder({ hull }: BoatShape, boat: Boat, support: Support, span: Span): { part: Part; zone: Zone } | null {
  const [x, , z] = span.middle;
  const wanted = KIND_UNDER[span.on];
  for (const part of boat.parts)
    for (const zone of part.zones) {
      if (support.kind === 'rib') {
        if (zone.id === support.zone) return { part, zone };
        continue;
      }
      const { region } = zone;
      if (region?.surface !== wanted || region === null || !('from' in region) || x < region.from || x > region.to)
        continue;
      if (region.surface !== 'hull') return { part, zone };
      const s = span.on === 'bottom' && Math.abs(span.middle[1]) < 1e-6 ? 0 : hull.sAtHeight(x, z);
      if (s >= edgeAt(hull, region.lower, x) - 1e-6 && s <= edgeAt(hull, region.upper, x) + 1e-6) return { part, zone };
    }
  return null;
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

/**
 * A span of a stiffener under the pressure of the zone it stands on.
 *
 * @throws KeramosError `invalid` when no zone lies under the span.
 */
export function loadSpan(stiffener: StandingStiffener, span: Span, record?: Recorder): LoadedSpan {
  const { shape, boat, book, support, section, properties } = stiffener;
  const found = zoneUnder(shape, boat, support, span);
  if (!found)
    throw new KeramosError(
      'invalid',
      `${support.name} stands on no zone at x = ` +
        `${span.middle[0].toFixed(2)} m: lay a zone there, or end the ` +
        'member before it',
      'support',
    );
  const { part, zone } = found;
  const { hull } = shape;
  const pack = book.pack;
  const [x, , z] = span.middle;
  const place = ZONE_LOCATIONS[zone.location];
  const { location } = zone;
  const byPack = () =>
    isHead(location)
      ? headPressure(location, headAt({ location, overflow: zone.overflow }, zone.geometry.head ?? 0.5), record, pack)
      : designPressure(
          {
            craft: craftOf(boat.brief),
            location: place.pressure!,
            position: Math.min(1, Math.max(0, x / boat.brief.waterlineLength)),
            edgeHeight: zone.geometry.edgeHeight ?? Math.max(0.05, hull.at(x, 2)[2] - hull.waterline),
            centreHeight: support.kind === 'rib' ? (zone.geometry.centreHeight ?? 0) : z - hull.waterline,
            member: { kind: 'stiffener', spacing: span.spacing, span: span.length },
          },
          record,
          pack,
        ).pressure;
  const pressure = zone.designPressure ?? byPack();
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
  const top = properties.crown ?? properties.web;
  const outer = skins.reduce<{ tension: number; compression: number }>(
    (low, { properties: p }) =>
      p
        ? {
            tension: Math.min(low.tension, p.tensileStrength / p.E),
            compression: Math.min(low.compression, p.compressiveStrength / p.E),
          }
        : low,
    { tension: Infinity, compression: Infinity },
  );
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
  const allowed = (strain: number, reach: number) => (strengthFactor * quality * strain * EI) / Math.max(1e-9, reach);
  const toTop = EI / sectionStiffnessTop;
  const webs = (section.kind === 'topHat' ? 2 : 1) * properties.web.thickness * section.height;
  // Half of the moment at the ends, in the other sense, in the middle; a head of water may press from either face.
  const otherWay = isHead(location) ? need.moment : need.moment / 2;
  const wanted: [StiffenerCheck['id'], number, number, StiffenerCheck['unit']][] = [
    ['web', need.webArea, webs, 'm²'],
    ['platingTension', need.moment, allowed(outer.tension, neutralAxis), 'N·m'],
    ['crownCompression', need.moment, allowed(top.compressiveStrength / top.E, toTop), 'N·m'],
    ['platingCompression', otherWay, allowed(outer.compression, neutralAxis), 'N·m'],
    ['crownTension', otherWay, allowed(top.tensileStrength / top.E, toTop), 'N·m'],
    ['stiffness', need.secondMoment * top.E, EI, 'N·m²'],
  ];
  const checks = wanted.map(([id, demand, capacity, unit]): StiffenerCheck => ({
    id,
    name: (isHead(location) && FROM_EITHER[id]) || STIFFENER_CHECKS[id],
    demand,
    capacity,
    unit,
    reserveFactor: capacity / demand,
  }));
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
              `plating ${(platingThickness * 1e3).toFixed(1)} mm, ` +
              `${(effectiveBreadth * 1e3).toFixed(0)} mm of it works with the stiffener.`
            : undefined,
      });
  return { span, zone: found, pressure, effectiveBreadth, platingThickness, EI, neutralAxis, checks };
}
