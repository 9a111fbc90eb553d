import type { StiffenerSection } from '../../stiffener';
import type { Boat } from '../../document';
import { bookOf, layReference, type Book, type LaidLayer } from '../book';
import { memberOf, type SectionMember } from './sectionMember';
import { wallsOf, type Walls } from './walls';

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
  /** Before which its walls give way sideways. */
  walls: Walls;
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
  const properties = ofBook.get(section) ?? propertiesOf(boat, book, section);
  ofBook.set(section, properties);
  return properties;
}

function propertiesOf(boat: Boat, book: Book, section: StiffenerSection): SectionProperties {
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
  const walls = wallsOf(boat, book, {
    section,
    laid: { crown: of('crown'), web: of('web') },
    crown: crown ?? web,
    slant,
    former: hat && core?.kind === 'core' ? core : null,
  });
  return { crown, web, flange, former, mass: fibre + resin + filled, fibre, resin, core: filled, breadths, walls };
}
