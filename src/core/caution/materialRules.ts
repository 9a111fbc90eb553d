import { isStyrenated } from '../material';
import { said, saidLength } from '../quantity';
import { each, families, wet, type CautionRule } from './rule';

const PRACTICE = 'Workshop practice and material data sheets';

/** Materials that do not go together, or not into this place. */
/** Details that bring metal to the laminate. */
const FASTENED: ReadonlySet<string> = new Set(['bolted', 'strap', 'transom', 'flange']);

export const MATERIAL_RULES: readonly CautionRule[] = [
  {
    id: 'styrene-dissolves-core',
    severity: 'danger',
    title: 'Styrene dissolves this core',
    reason: 'Polystyrene foams turn to liquid under polyester and vinylester; the skin is left over a hollow.',
    wayOut: 'Lay it in epoxy, or take a cross-linked PVC, SAN or PET foam.',
    source: PRACTICE,
    find: ({ resin, cores }) =>
      isStyrenated(resin)
        ? each(
            cores,
            ({ material }) => material.styrene === 'dissolves',
            ({ material }) => `${material.code} under ${resin.name}`,
          )
        : [],
  },
  {
    id: 'styrene-swells-core',
    severity: 'warning',
    title: 'Styrene swells this core',
    reason: 'Linear PVC takes up styrene and softens while the resin is wet; the bond is weak afterwards.',
    wayOut: 'Seal it with a fast-curing coat first, or choose another core or epoxy.',
    source: PRACTICE,
    find: ({ resin, cores }) =>
      isStyrenated(resin)
        ? each(
            cores,
            ({ material }) => material.styrene === 'swells',
            ({ material }) => `${material.code} under ${resin.name}`,
          )
        : [],
  },
  {
    id: 'emulsion-binder-epoxy',
    severity: 'warning',
    title: 'The binder of this mat needs styrene',
    reason: 'An emulsion binder dissolves in styrene only; in epoxy the mat stays stiff, dry and full of air.',
    wayOut: 'Take a powder-bound mat or a stitched fabric.',
    source: PRACTICE,
    find: ({ resin, fabrics }) =>
      isStyrenated(resin)
        ? []
        : each(
            fabrics,
            ({ material }) => material.binder === 'emulsion',
            ({ material }) => `${material.code} in ${resin.name}`,
          ),
  },
  {
    id: 'core-temperature',
    severity: 'danger',
    title: 'The process is hotter than this core stands',
    reason: 'The foam softens, shrinks away from the skin or blows while the laminate cures.',
    wayOut: 'Cure cooler and longer, or take a core for the temperature (PET, PMI, balsa).',
    source: 'Core data sheets, temperature in process',
    find: ({ cores, process }) =>
      each(
        cores,
        ({ material }) => material.temperatureLimit.value < process.peakCelsius,
        ({ material }) =>
          `${material.code} stands ${said(material.temperatureLimit.value, 'temperature')}, ` +
          `${process.name.toLowerCase()} reaches about ${said(process.peakCelsius, 'temperature')}`,
      ),
  },
  {
    id: 'gelcoat-epoxy',
    severity: 'warning',
    title: 'Epoxy on a polyester gelcoat',
    reason: 'Epoxy bonds poorly to polyester gelcoat that is still chemically active, and amines keep it soft.',
    wayOut: 'Use an epoxy primer, or lay a tie coat that suits both.',
    source: PRACTICE,
    find: ({ resin, evaluation }) =>
      isStyrenated(resin)
        ? []
        : each(
            evaluation.layers.slice(0, 1),
            ({ material }) => material.kind === 'coating' && material.base === 'polyester',
            ({ material }) => `${material.name} under ${resin.name}`,
          ),
  },
  {
    id: 'ortho-below-water',
    severity: 'warning',
    title: 'Orthophthalic polyester below the waterline',
    reason: 'It takes up more water than iso or vinylester: blisters and lost strength after years afloat.',
    wayOut: 'Isophthalic or vinylester at least for the skin coat.',
    source: 'Published osmosis studies; usual practice',
    find: ({ resin, zone }) => (resin.family === 'orthoPolyester' && wet(zone) ? [{ detail: resin.name }] : []),
  },
  {
    id: 'heat-deflection-deck',
    severity: 'warning',
    title: 'The resin softens near deck temperatures',
    reason:
      `Decks in the sun reach ${said(60, 'temperature', 80)}; within 15 to 20 K ` +
      'of heat deflection the laminate creeps and prints through.',
    wayOut: 'A resin with more heat deflection, a post-cure, or a light colour.',
    source: 'Service ceiling of heat deflection less 15 to 20 K',
    find: ({ resin, zone }) =>
      (zone.location === 'deck' || zone.location.startsWith('superstructure')) && resin.heatDeflection.value < 78
        ? [{ detail: `${resin.name}: ${said(resin.heatDeflection.value, 'temperature')}` }]
        : [],
  },
  {
    id: 'balsa-below-water',
    severity: 'warning',
    title: 'Balsa below the waterline',
    reason: 'Water that finds one unsealed hole travels through the end grain and rots it.',
    wayOut: 'Foam in the bottom, or seal every edge and hole with thickened resin and say so in the steps.',
    source: PRACTICE,
    find: ({ zone, cores }) =>
      wet(zone)
        ? each(
            cores,
            ({ material }) => material.family === 'balsa',
            ({ material }) => material.code,
          )
        : [],
  },
  {
    id: 'plywood-unsealed',
    severity: 'warning',
    title: 'Plywood core: seal it',
    reason: 'Edges and holes drink water; the plies rot between sound skins.',
    wayOut: 'Coat all faces and edges before bedding; drill oversize, fill, drill again.',
    source: PRACTICE,
    find: ({ zone, cores }) =>
      wet(zone) || zone.location === 'transom'
        ? each(
            cores,
            ({ material }) => material.family === 'plywood',
            ({ material }) => material.code,
          )
        : [],
  },
  {
    id: 'wood-unsealed',
    severity: 'warning',
    title: 'Bare wood: seal it',
    reason: 'Faces, edges and holes drink water: the sheet swells, its joints open, and rot starts out of sight.',
    wayOut: 'Sheathe it, or coat all faces and edges before it is fitted; drill oversize, fill, drill again.',
    source: PRACTICE,
    find: ({ laid }) =>
      each(
        [...new Set([laid[0]!, laid.at(-1)!])].filter(Boolean),
        ({ material }) => material.kind === 'wood',
        ({ material }) => `${material.kind === 'wood' ? material.code : ''} is a face of the panel`,
      ),
  },
  {
    id: 'honeycomb-infusion',
    severity: 'danger',
    title: 'Infusion fills the cells of a honeycomb',
    reason: 'Open cells take the resin the skins need; the part becomes heavy and dry at once.',
    wayOut: 'Hand lay-up, wet bag or prepreg; or a closed foam.',
    source: PRACTICE,
    find: ({ boat, cores }) =>
      boat.brief.process === 'infusion'
        ? each(
            cores,
            ({ material }) => material.behaviour === 'honeycomb',
            ({ material }) => material.code,
          )
        : [],
  },
  {
    id: 'core-without-bleeder',
    severity: 'warning',
    title: 'No way through this core for air and resin',
    reason: 'Under vacuum the resin must pass to the skin beneath; a plain sheet leaves it dry.',
    wayOut: `Order it perforated or scored, or drill it on a grid of ${saidLength(0.03)}.`,
    source: 'Infusion practice',
    find: ({ boat, cores }) =>
      boat.brief.process === 'infusion' || boat.brief.process === 'wetBag'
        ? each(
            cores,
            ({ material }) => material.behaviour !== 'honeycomb' && material.forms.every((form) => form === 'plain'),
            ({ material }) => `${material.code} comes plain only`,
          )
        : [],
  },
  {
    id: 'hygroscopic-core',
    severity: 'advice',
    title: 'This core takes up moisture from the air',
    reason: 'Damp foam steams in the oven and spoils the bond.',
    wayOut: 'Dry it for hours before use and keep it wrapped.',
    source: 'Core data sheets',
    find: ({ cores }) =>
      each(
        cores,
        ({ material }) => material.family === 'pmi',
        ({ material }) => material.code,
      ),
  },
  {
    id: 'flax-moisture',
    severity: 'advice',
    title: 'Flax carries water',
    reason: 'It holds 7 to 10 % moisture; wet fibre bonds badly and leaves voids.',
    wayOut: 'Dry the cloth before laying; keep resin and shop warm.',
    source: 'Published natural-fibre practice',
    find: ({ fabrics }) =>
      each(
        fabrics,
        (one) => families([one]).includes('flax'),
        ({ material }) => material.code,
      ),
  },
  {
    id: 'carbon-bare-face',
    severity: 'warning',
    title: 'Carbon at the surface',
    reason:
      `Dark laminate in the sun passes ${said(80, 'temperature')}, and carbon ` +
      'touching aluminium or steel fittings eats them in salt water.',
    wayOut: 'A light coating or a glass layer over it; insulate every fitting with glass and sealant.',
    source: 'Galvanic series in sea water; service temperature of resins',
    find: ({ evaluation, zone }) =>
      zone.location === 'bulkhead' || evaluation.layers[0]?.material.kind === 'coating'
        ? []
        : each(
            evaluation.layers.slice(0, 1),
            ({ components }) => components.some(({ fibre }) => fibre.family === 'carbon'),
            ({ material }) => material.name,
          ),
  },
  {
    id: 'carbon-near-hardware',
    severity: 'warning',
    title: 'Carbon where metal is fastened',
    reason:
      'Carbon stands near +0.2 V in sea water; aluminium and carbon ' +
      'steel beside it corrode fast, stainless in crevices.',
    wayOut: 'Titanium or bronze fittings, or a glass layer and sealant between.',
    source: 'Galvanic series in sea water',
    find: ({ boat, fabrics, zone }) =>
      boat.details.some((detail) => detail.zone === zone.id && FASTENED.has(detail.kind))
        ? each(
            fabrics,
            (one) => families([one]).includes('carbon'),
            ({ material }) => material.code,
          )
        : [],
  },
  {
    id: 'aramid-exposed',
    severity: 'warning',
    title: 'Aramid at the surface',
    reason: 'Sunlight weakens it, and it fuzzes when it is sanded or chafed.',
    wayOut: 'Cover it with glass and a coating.',
    source: 'Fibre data sheets',
    find: ({ evaluation }) => {
      const faces = [evaluation.layers[0], evaluation.layers.at(-1)].filter((one) => one !== undefined);
      return each(
        [...new Set(faces)],
        ({ components }) => components.some(({ fibre }) => fibre.family === 'aramid'),
        ({ material }) => material.name,
      );
    },
  },
];
