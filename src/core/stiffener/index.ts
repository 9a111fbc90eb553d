/** Stiffeners as beams with the plating they work with. */
export { sectionStiffness, type SectionElement, type SectionStiffness } from './section';
export { crownBuckling, edgeBuckling, webBuckling, type WallStiffness } from './wallBuckling';
export { leastFlange } from './leastFlange';
export { spanForces, type HeldEnds, type SpanForces, type SpanLoad } from './spanForces';
export { topHatElements, topHatSection, type TopHat } from './topHat';
export { uniformBeam, type UniformBeamInput } from './uniformBeam';
export {
  SECTION_KINDS,
  sectionLayerSchema,
  stiffenerSectionSchema,
  type SectionLayer,
  type StiffenerSection,
} from './sectionSchema';
