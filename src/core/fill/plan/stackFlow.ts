import type { LaidLayer, ZoneEvaluation } from '../../evaluate';
import { coreFormFor } from '../../kit';
import type { Zone } from '../../document';
import type { Core, Fabric, Resin } from '../../material';
import type { Filling } from '../filling';
import { seriesFill } from '../series';

/** m² in a µm². */
const MICRO2 = 1e-12;

/** How resin moves in the stack of one zone. */
export interface StackFlow {
  /** Along two axes of the zone's reference (m²), the first at an angle to it; share of the thickness that fills. */
  k1: number;
  k2: number;
  angleDeg: number;
  porosity: number;
  /** m, flow mesh and core channels with it. */
  thickness: number;
  /** kg/m² that stay in the part; in mesh, peel ply and film. */
  inPart: number;
  inMedia: number;
  /** m of cloth, and its share of fibre by volume. */
  clothThickness: number;
  fibreFraction: number;
  /** From the side of the mesh to the mould: lengths (m), permeabilities (m²) and porosities, one behind the other. */
  through: { length: number; permeability: number; porosity: number }[];
  /** Why a part of the stack is not reached. */
  problems: string[];
  notes: string[];
}

interface Sheet {
  thickness: number;
  along: number;
  across: number;
  angleDeg: number;
  porosity: number;
}

/**
 * The stack of a zone as resin sees it: cloths by their table at the fraction to which vacuum presses them, grooves and
 * holes of the core by what they take up, the flow mesh on top where it lies. Sheets fill side by side: the mean over
 * the thickness, which leaves out how far the last one lags (`through`).
 *
 * Source: Kozeny and Carman for another fraction, K ∝ (1 − V)³ / V²; turned sheets by their tensors.
 * @returns null for a stack that holds nothing to fill.
 */
export function stackFlow(
  { layers }: Pick<ZoneEvaluation, 'layers'>,
  {
    zone,
    filling,
    resin,
    mesh,
  }: { zone: Pick<Zone, 'name' | 'geometry'>; filling: Filling; resin: Resin; mesh: boolean },
): StackFlow | null {
  const density = resin.density.value;
  const [problems, notes]: string[][] = [[], []];
  const sheets: Sheet[] = [];
  const through: StackFlow['through'] = [];
  let [inPart, clothThickness, fibre] = [0, 0, 0];
  // From the bag to the mould: that is how it is reached.
  for (const laid of [...layers].reverse()) {
    inPart += laid.resinMass;
    const { material } = laid;
    if (material.kind === 'fabric') {
      const own = clothFlow(laid, material, filling);
      if (!own) notes!.push(`${material.code}: no figure for this cloth, taken as biaxial`);
      const flow = own ?? clothFlow(laid, { ...material, family: 'biaxial' }, filling)!;
      sheets.push(flow.sheet);
      through.push({ length: laid.thickness, permeability: flow.through, porosity: flow.sheet.porosity });
      clothThickness += laid.thickness;
      fibre += laid.thickness * (1 - flow.sheet.porosity);
    } else if (material.kind === 'core' && laid.thickness > 0) {
      const found = coreFlow(laid, material, { zone, filling, density });
      if (found.sheet) sheets.push(found.sheet);
      if (found.through) through.push(found.through);
      if (found.problem) problems!.push(found.problem);
    }
  }
  if (sheets.length === 0) return null;
  if (mesh) {
    const { thickness, permeability, porosity } = filling.media;
    const k = permeability * MICRO2;
    sheets.push({ thickness, along: k, across: k, angleDeg: 0, porosity });
  }
  const inMesh = mesh ? filling.media.thickness * filling.media.porosity * density : 0;
  const thickness = sheets.reduce((sum, one) => sum + one.thickness, 0);
  return {
    ...meanOf(sheets, thickness),
    thickness,
    inPart,
    inMedia: inMesh + filling.peelPly,
    clothThickness,
    fibreFraction: clothThickness > 0 ? fibre / clothThickness : 0,
    through,
    problems: problems!,
    notes: notes!,
  };
}

/** A cloth at the fraction to which it is pressed; null where the table has nothing for its family. */
function clothFlow(laid: LaidLayer, { family }: Fabric, filling: Filling): { sheet: Sheet; through: number } | null {
  const row = filling.fabrics.find((one) => one.family === family);
  if (!row) return null;
  const { components, thickness, layer } = laid;
  const own = components.reduce((sum, one) => sum + one.thickness * one.fibreVolumeFraction, 0) / thickness;
  const fraction = Math.min(0.85, Math.max(0.02, own));
  const carman = (v: number) => (1 - v) ** 3 / v ** 2;
  const carbon = components.filter(({ fibre }) => fibre.family.startsWith('carbon'));
  const mostly = carbon.reduce((sum, one) => sum + one.thickness, 0) > thickness / 2;
  const scale = (MICRO2 * (mostly ? filling.carbon : 1) * carman(fraction)) / carman(row.fraction);
  return {
    sheet: {
      thickness,
      along: row.along * scale,
      across: row.across * scale,
      angleDeg: layer.angleDeg,
      porosity: 1 - fraction,
    },
    through: row.through * scale,
  };
}

/** A core by the form that it is taken in where it lies. */
function coreFlow(
  { thickness, resinMass }: LaidLayer,
  core: Core,
  { zone, filling, density }: { zone: Pick<Zone, 'name' | 'geometry'>; filling: Filling; density: number },
): { sheet?: Sheet; through?: StackFlow['through'][number]; problem?: string } {
  // What it takes up, as a film of resin.
  const film = resinMass / density;
  if (core.family === 'flowMat') {
    const k = filling.flowCore * MICRO2;
    const porosity = Math.min(0.95, Math.max(0.02, film / thickness));
    return {
      sheet: { thickness, along: k, across: k, angleDeg: 0, porosity },
      through: { length: thickness, permeability: k, porosity },
    };
  }
  const { form, why } = coreFormFor(core, thickness, { zones: [zone], infused: true });
  if (form === null || form === 'plain')
    return { problem: `${zone.name}: no resin comes through ${core.code} to the mould side (${why})` };
  const holes = { length: thickness, permeability: filling.holes * MICRO2, porosity: Math.max(0.01, film / thickness) };
  if (form === 'perforated') {
    const sheet = film > 0 ? { thickness: film, along: 0, across: 0, angleDeg: 0, porosity: 1 } : undefined;
    return { ...(sheet && { sheet }), through: holes };
  }
  const k = filling.grooves * MICRO2;
  return {
    ...(film > 0 && { sheet: { thickness: film, along: k, across: k, angleDeg: 0, porosity: 1 } }),
    through: holes,
  };
}

/** Sheets side by side: their tensors by thickness, turned to the axes along which they let most and least through. */
function meanOf(sheets: readonly Sheet[], thickness: number): Pick<StackFlow, 'k1' | 'k2' | 'angleDeg' | 'porosity'> {
  let [kxx, kyy, kxy, pores] = [0, 0, 0, 0];
  for (const { thickness: own, along, across, angleDeg, porosity } of sheets) {
    const [c, s] = [Math.cos((angleDeg * Math.PI) / 180), Math.sin((angleDeg * Math.PI) / 180)];
    const share = own / thickness;
    kxx += share * (along * c * c + across * s * s);
    kyy += share * (along * s * s + across * c * c);
    kxy += share * (along - across) * c * s;
    pores += share * porosity;
  }
  const [middle, half] = [(kxx + kyy) / 2, Math.hypot((kxx - kyy) / 2, kxy)];
  return {
    k1: middle + half,
    k2: middle - half,
    angleDeg: half > 1e-6 * middle ? (Math.atan2(2 * kxy, kxx - kyy) * 90) / Math.PI : 0,
    porosity: pores,
  };
}

/**
 * How much later than the front at the mesh the last sheet on the mould is wet (s), with half of what drives it: behind
 * the front pressure rises from nothing.
 */
export const throughTime = (
  { through }: Pick<StackFlow, 'through'>,
  { viscosity, pressure }: { viscosity: number; pressure: number },
): number => seriesFill({ segments: through, viscosity, pressure: pressure / 2 }).fillTime ?? Infinity;
