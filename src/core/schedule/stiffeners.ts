import { KeramosError } from '../error';
import { edgeAt, memberGeometry, type BoatShape, type MemberGeometry, type Span, type Support } from '../geometry';
import { curvatureFactor, designPressure, headPressure, isHead, sheetProperties, sheetShear, stiffenerRequirement, ZONE_LOCATIONS, type Sheet } from '../standard';
import { sectionStiffness, topHatElements, type SectionElement, type StiffenerSection } from '../stiffener';
import { put, type Recorder, type WorkingStep } from '../working';
import type { Boat, Part, Zone } from './boat';
import { craftOf } from './brief';
import { bookOf, layAll, layReference, sheetsOf, type Book, type LaidLayer } from './book';
import { shapeOf, supportsOf } from './shape';

/** A run of layers as one member of a section: thickness (m), modulus and ultimate strengths along the stiffener, in-plane shear (Pa). */
export interface SectionMember {
  thickness: number;
  E: number;
  tensileStrength: number;
  compressiveStrength: number;
  shearStrength: number;
}

/** What a section of the library comes to by itself. */
export interface SectionProperties {
  crown: SectionMember | null;
  web: SectionMember;
  flange: SectionMember | null;
  former: { E: number; width: number } | null;
  /** kg/m, and what of it is fibre with its stitching, resin, and former. */
  mass: number;
  fibre: number;
  resin: number;
  core: number;
  /** Proportions beyond which thin walls may buckle where no former holds them. */
  slender: string[];
}

const MOST_WEB = 30;
const MOST_CROWN = 20;

export function memberOf(book: Book, laid: readonly LaidLayer[]): SectionMember | null {
  const parts = laid.flatMap(({ layer, components }) => components.map((component) => ({ component, angle: layer.angleDeg })));
  if (parts.length === 0) return null;
  const rated = parts.map(({ component, angle }) => ({
    t: component.thickness,
    along: sheetProperties(component, angle, undefined, book.pack),
    shear: sheetShear(component, angle, book.pack),
  }));
  const lacking = rated.findIndex(({ along, shear }) => along === undefined || shear === undefined);
  if (lacking >= 0) throw new KeramosError('invalid', `The pack has no strengths for ${parts[lacking]!.component.fibre.name} ${parts[lacking]!.component.form}`, 'section.layers');
  const thickness = rated.reduce((sum, { t }) => sum + t, 0);
  const E = rated.reduce((sum, { t, along }) => sum + t * along!.E, 0) / thickness;
  const G = rated.reduce((sum, { t, shear }) => sum + t * shear!.G, 0) / thickness;
  const least = (pick: (one: (typeof rated)[number]) => number) => Math.min(...rated.map(pick));
  return {
    thickness,
    E,
    tensileStrength: E * least(({ along }) => along!.tensileStrength / along!.E),
    compressiveStrength: E * least(({ along }) => along!.compressiveStrength / along!.E),
    shearStrength: G * least(({ shear }) => shear!.shearStrength / shear!.G),
  };
}

/** Many stiffeners share a section, and it stands while the layers of the zones change. */
const known = new WeakMap<Book, WeakMap<StiffenerSection, SectionProperties>>();

/**
 * Members, mass and proportions of a section with the boat's process and pack.
 * @throws KeramosError `invalid` where the pack has no strengths for a fibre.
 */
export function sectionProperties(boat: Boat, section: StiffenerSection): SectionProperties {
  const book = bookOf(boat, 0);
  const ofBook = known.get(book) ?? new WeakMap<StiffenerSection, SectionProperties>();
  known.set(book, ofBook);
  const properties = ofBook.get(section) ?? propertiesOf(book, section);
  ofBook.set(section, properties);
  return properties;
}

function propertiesOf(book: Book, section: StiffenerSection): SectionProperties {
  const laid = layReference(book, {
    id: section.id,
    name: section.name,
    note: '',
    layers: section.layers.map(({ material, angleDeg }) => ({ material, angleDeg, thickness: null, role: 'structure' })),
  });
  const of = (place: 'crown' | 'web' | 'flange') => laid.filter((_, i) => section.layers[i]![place]);
  const hat = section.kind === 'topHat';
  const web = memberOf(book, of('web'))!;
  const crown = hat ? memberOf(book, of('crown')) : null;
  const flange = memberOf(book, of('flange'));
  const core = section.former === null ? undefined : book.materials.get(section.former);
  const meanWidth = (section.baseWidth + section.crownWidth) / 2;
  const slant = hat ? Math.hypot(section.height, (section.baseWidth - section.crownWidth) / 2) : section.height;
  // A flat bar's web is one wall of all its layers; a top-hat has two.
  const perMetre = (pick: (layer: LaidLayer) => number) => {
    const sum = (layers: readonly LaidLayer[]) => layers.reduce((total, layer) => total + pick(layer), 0);
    return sum(of('crown')) * (hat ? section.crownWidth : 0) + sum(of('web')) * slant * (hat ? 2 : 1) + sum(of('flange')) * section.flangeWidth * 2;
  };
  const [fibre, resin] = [perMetre((l) => l.fibreMass + l.bindingMass), perMetre((l) => l.resinMass)];
  const filled = hat && core?.kind === 'core' ? core.density.value * meanWidth * section.height : 0;
  const former = hat && core?.kind === 'core' ? { E: core.inPlaneModulus.value, width: meanWidth } : null;
  const slender: string[] = [];
  const ratio = (name: string, value: number, most: number) => value > most && slender.push(`${name} ${value.toFixed(0)}, more than ${most}`);
  ratio('Web height over thickness', slant / web.thickness, MOST_WEB);
  if (crown) ratio('Crown width over thickness', section.crownWidth / crown.thickness, MOST_CROWN);
  return { crown, web, flange, former, mass: fibre + resin + filled, fibre, resin, core: filled, slender };
}

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
    if (flange) elements.push({ E: flange.E, breadth: section.flangeWidth, height: flange.thickness, centroid: z + flange.thickness / 2, count: 2 });
    elements.push({ E: web.E, breadth: web.thickness, height: section.height, centroid: z + section.height / 2 });
  } else {
    const lean = (Math.atan2((section.baseWidth - section.crownWidth) / 2, section.height) * 180) / Math.PI;
    const hat = topHatElements({
      plating: { E: 1, thickness: z, effectiveBreadth: 1 },
      flange: flange ? { E: flange.E, thickness: flange.thickness, width: section.flangeWidth } : { E: 1, thickness: 1e-6, width: 1e-6 },
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

export interface StiffenerEvaluation {
  support: Support;
  section: StiffenerSection | null;
  geometry: MemberGeometry | null;
  /** kg, both hands. */
  mass: number;
  /** The span with the least reserve. */
  worst: LoadedSpan | null;
  governing: StiffenerCheck | null;
  slender: string[];
  problem: string | null;
}

/** The zone on whose laminate a span stands. */
function zoneUnder({ hull }: BoatShape, boat: Boat, support: Support, span: Span): { part: Part; zone: Zone } | null {
  const [x, , z] = span.middle;
  const wanted = span.on === 'zone' ? null : span.on === 'deck' ? 'deck' : 'hull';
  for (const part of boat.parts)
    for (const zone of part.zones) {
      if (support.kind === 'rib') {
        if (zone.id === support.zone) return { part, zone };
        continue;
      }
      const { region } = zone;
      if (region?.surface !== wanted || region === null || !('from' in region) || x < region.from || x > region.to) continue;
      if (region.surface !== 'hull') return { part, zone };
      const s = span.on === 'bottom' && Math.abs(span.middle[1]) < 1e-6 ? 0 : hull.sAtHeight(x, z);
      if (s >= edgeAt(hull, region.lower, x) - 1e-6 && s <= edgeAt(hull, region.upper, x) + 1e-6) return { part, zone };
    }
  return null;
}

function loadSpan(shape: BoatShape, boat: Boat, book: Book, support: Support, section: StiffenerSection, properties: SectionProperties, span: Span, record?: Recorder): LoadedSpan {
  const found = zoneUnder(shape, boat, support, span);
  if (!found)
    throw new KeramosError('invalid', `${support.name} stands on no zone at x = ${span.middle[0].toFixed(2)} m: lay a zone there, or end the member before it`, 'support');
  const { part, zone } = found;
  const { hull } = shape;
  const pack = book.pack;
  const [x, , z] = span.middle;
  const place = ZONE_LOCATIONS[zone.location];
  const pressure = isHead(zone.location)
    ? headPressure(zone.location, zone.geometry.head ?? 0.5, record, pack)
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
  const along = support.kind === 'stringer' || support.kind === 'girder' || (support.kind === 'rib' && support.run === 'along');
  const plating = sheetsOf(book, layAll(book, part, zone), along ? 0 : 90);
  if (plating.length === 0) throw new KeramosError('invalid', `${support.name}: nothing is laid yet in ${zone.name}`, 'layers');
  const skins = plating.filter((sheet) => sheet.role === 'skin');
  const base = section.kind === 'topHat' ? section.baseWidth : properties.web.thickness;
  const effectiveBreadth = Math.min(span.spacing, 20 * skins.reduce((sum, sheet) => sum + sheet.thickness, 0) + base);
  const { elements, platingThickness } = elementsOf(section, properties, plating, effectiveBreadth);
  const { EI, neutralAxis, sectionStiffnessTop } = sectionStiffness(elements, record);
  const quality = pack.qualityFactor[boat.brief.quality];
  const { strengthFactor } = pack.stiffener;
  const top = properties.crown ?? properties.web;
  const outer = skins.reduce<{ tension: number; compression: number }>(
    (low, { properties: p }) => (p ? { tension: Math.min(low.tension, p.tensileStrength / p.E), compression: Math.min(low.compression, p.compressiveStrength / p.E) } : low),
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
  const wanted: [StiffenerCheck['id'], number, number, StiffenerCheck['unit']][] = [
    ['web', need.webArea, webs, 'm²'],
    ['platingTension', need.moment, allowed(outer.tension, neutralAxis), 'N·m'],
    ['crownCompression', need.moment, allowed(top.compressiveStrength / top.E, toTop), 'N·m'],
    ['platingCompression', need.moment / 2, allowed(outer.compression, neutralAxis), 'N·m'],
    ['crownTension', need.moment / 2, allowed(top.tensileStrength / top.E, toTop), 'N·m'],
    ['stiffness', need.secondMoment * top.E, EI, 'N·m²'],
  ];
  const checks = wanted.map(([id, demand, capacity, unit]): StiffenerCheck => ({ id, name: STIFFENER_CHECKS[id], demand, capacity, unit, reserveFactor: capacity / demand }));
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
            ? `Curvature factor ${curvatureFactor(span.rise, span.length).toFixed(2)}; plating ${(platingThickness * 1e3).toFixed(1)} mm, ${(effectiveBreadth * 1e3).toFixed(0)} mm of it works with the stiffener.`
            : undefined,
      });
  return { span, zone: found, pressure, effectiveBreadth, platingThickness, EI, neutralAxis, checks };
}

const leastOf = (checks: readonly StiffenerCheck[]) => checks.reduce((low, check) => (check.reserveFactor < low.reserveFactor ? check : low));

/** The shape of every member, kept while what it depends on stays. */
const placed = new WeakMap<Boat['supports'], { key: unknown[]; members: Map<string, MemberGeometry | null> }>();
function placesOf(boat: Boat, shape: BoatShape): Map<string, MemberGeometry | null> {
  const regions = JSON.stringify(boat.parts.map((part) => part.zones.map(({ id, region }) => [id, region])));
  const key = [boat.hull, boat.deck, boat.brief, regions];
  const known = placed.get(boat.supports);
  if (known && known.key.every((value, i) => value === key[i])) return known.members;
  const supports = supportsOf(boat);
  const zones = new Map(boat.parts.flatMap((part) => part.zones.map((zone) => [zone.id, zone.region])));
  const members = new Map(boat.supports.map((support) => [support.id, memberGeometry(shape, supports, support, (id) => zones.get(id) ?? null)]));
  placed.set(boat.supports, { key, members });
  return members;
}

/** Where every support of the boat runs, by its id; null for one that is nowhere on it. Empty without a hull shape. */
export function membersOf(boat: Boat): ReadonlyMap<string, MemberGeometry | null> {
  const shape = shapeOf(boat);
  return shape ? placesOf(boat, shape) : new Map();
}

/** Mass of every stiffener with a section by what it is made of, kg, and its centre (m). */
export function stiffenerMasses(boat: Boat): { support: Support; mass: number; fibre: number; resin: number; core: number; centreX: number; centreZ: number }[] {
  if (boat.sections.length === 0 || !boat.supports.some(({ section }) => section !== null)) return [];
  const places = membersOf(boat);
  return boat.supports.flatMap((support) => {
    const section = boat.sections.find(({ id }) => id === support.section);
    const geometry = places.get(support.id);
    if (!section || !geometry) return [];
    try {
      const { length, centre } = geometry;
      const { mass, fibre, resin, core } = sectionProperties(boat, section);
      return [{ support, mass: length * mass, fibre: length * fibre, resin: length * resin, core: length * core, centreX: centre[0], centreZ: centre[2] }];
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      return [];
    }
  });
}

/**
 * Every support of the boat: where it runs, what it weighs, and on its worst span what the pack asks of it against what its section has.
 *
 * @returns one a support, in their order; a problem in words where it cannot be checked.
 * Source: ISO 12215-5:2008 method, F46 to F50; section by transformed moduli.
 */
export function evaluateStiffeners(boat: Boat): StiffenerEvaluation[] {
  const shape = shapeOf(boat);
  const book = bookOf(boat, 0);
  const places = membersOf(boat);
  return boat.supports.map((support): StiffenerEvaluation => {
    const section = boat.sections.find(({ id }) => id === support.section) ?? null;
    const geometry = places.get(support.id) ?? null;
    const base = { support, section, geometry, mass: 0, worst: null, governing: null, slender: [], problem: null };
    if (shape === null) return { ...base, problem: 'The boat has no hull shape yet' };
    if (geometry === null) return { ...base, problem: `${support.name} is nowhere on the boat: it lies off the surface` };
    if (section === null) return base;
    try {
      const properties = sectionProperties(boat, section);
      const loaded = geometry.spans.filter(({ length, spacing }) => length > 0.03 && spacing > 0.01).map((span) => loadSpan(shape, boat, book, support, section, properties, span));
      const worst = loaded.length ? loaded.reduce((a, b) => (leastOf(b.checks).reserveFactor < leastOf(a.checks).reserveFactor ? b : a)) : null;
      return { ...base, mass: geometry.length * properties.mass, worst, governing: worst && leastOf(worst.checks), slender: properties.former ? [] : properties.slender };
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      return { ...base, problem: error.message };
    }
  });
}

/** The working of a stiffener on its worst span. @throws KeramosError when it cannot be checked. */
export function stiffenerWorking(boat: Boat, evaluation: StiffenerEvaluation): WorkingStep[] {
  const shape = shapeOf(boat);
  if (!shape || !evaluation.section || !evaluation.worst) return [];
  const steps: WorkingStep[] = [];
  loadSpan(shape, boat, bookOf(boat, 0), evaluation.support, evaluation.section, sectionProperties(boat, evaluation.section), evaluation.worst.span, (step) => steps.push(step));
  return steps;
}
