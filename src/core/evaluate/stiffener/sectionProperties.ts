import { KeramosError } from '../../error';
import { sheetProperties, sheetShear } from '../../standard';
import { type StiffenerSection } from '../../stiffener';
import type { Boat } from '../../document';
import { bookOf, layReference, type Book, type LaidLayer } from '../book';

/**
 * A run of layers as one member of a section: thickness (m), modulus and ultimate strengths along the stiffener,
 * in-plane shear (Pa).
 */
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
  /** Breadth of cloth (m) that each layer of the section takes, in its order. */
  breadths: number[];
  /** Proportions beyond which thin walls may buckle where no former holds them. */
  slender: string[];
}

const MOST_WEB = 30;
const MOST_CROWN = 20;

export function memberOf(book: Book, laid: readonly LaidLayer[]): SectionMember | null {
  const parts = laid.flatMap(({ layer, components }) =>
    components.map((component) => ({ component, angle: layer.angleDeg })),
  );
  if (parts.length === 0) return null;
  const rated = parts.map(({ component, angle }) => ({
    t: component.thickness,
    along: sheetProperties(component, angle, undefined, book.pack),
    shear: sheetShear(component, angle, book.pack),
  }));
  const lacking = rated.findIndex(({ along, shear }) => along === undefined || shear === undefined);
  if (lacking >= 0)
    throw new KeramosError(
      'invalid',
      `The pack has no strengths for ${parts[lacking]!.component.fibre.name} ${parts[lacking]!.component.form}`,
      'section.layers',
    );
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
    layers: section.layers.map(({ material, angleDeg }) => ({
      material,
      angleDeg,
      thickness: null,
      role: 'structure',
    })),
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
  const breadths = section.layers.map(
    (layer) =>
      (layer.crown && hat ? section.crownWidth : 0) +
      (layer.web ? slant * (hat ? 2 : 1) : 0) +
      (layer.flange ? section.flangeWidth * 2 : 0),
  );
  const perMetre = (pick: (layer: LaidLayer) => number) =>
    laid.reduce((total, layer, i) => total + breadths[i]! * pick(layer), 0);
  const [fibre, resin] = [perMetre((l) => l.fibreMass + l.bindingMass), perMetre((l) => l.resinMass)];
  const filled = hat && core?.kind === 'core' ? core.density.value * meanWidth * section.height : 0;
  const former = hat && core?.kind === 'core' ? { E: core.inPlaneModulus.value, width: meanWidth } : null;
  const slender: string[] = [];
  const ratio = (name: string, value: number, most: number) =>
    value > most && slender.push(`${name} ${value.toFixed(0)}, more than ${most}`);
  ratio('Web height over thickness', slant / web.thickness, MOST_WEB);
  if (crown) ratio('Crown width over thickness', section.crownWidth / crown.thickness, MOST_CROWN);
  return { crown, web, flange, former, mass: fibre + resin + filled, fibre, resin, core: filled, breadths, slender };
}
