import type { DetailEvaluation } from '../../detail/kinds';
import { shapeOf, type Boat, type Layer, type Part } from '../../document';
import { membersOf, sectionProperties, type ZoneEvaluation } from '../../evaluate';
import { KeramosError } from '../../error';
import { develop, patchArea, type Patch } from '../../geometry';
import { linesOfPart, piecesOf, type LayerAtLine, type LineState } from '../../lines';
import { hasDirection, type Core, type Fabric } from '../../material';
import type { Cutting } from '../cutting';
import { signedArea, type At } from '../nest/convexParts';
import { boxOf, grown, moved, simpler } from './outline';
import { coreFormFor } from './coreForm';
import { runPatches, type Beyond, type RunPatch } from './runPatch';
import { shearOf } from './shear';
import { cutToRoll } from './cutToRoll';

/** To which side of the boat a piece goes. */
export const HANDS = { starboard: 'starboard', port: 'port', across: 'across', none: '' } as const;
export type Hand = keyof typeof HANDS;

/** What a piece is of. */
export const PIECE_KINDS = { layer: 'Layer', core: 'Core', detail: 'Detail', stiffener: 'Stiffener' } as const;
export type PieceKind = keyof typeof PIECE_KINDS;

/** A piece to cut. */
export interface Piece {
  id: string;
  kind: PieceKind;
  /** A fabric or a core. */
  material: string;
  /** Of a core (m). */
  thickness: number | null;
  /** Part, detail or stiffener by its name, and the part's id where it is one. */
  of: string;
  partId: string | null;
  layerId: string | null;
  /** Layer of the part from the mould, from 1; 0 where it is none. */
  layerNumber: number;
  zones: string[];
  /** From the zone's reference direction (degrees). */
  angleDeg: number;
  hand: Hand;
  /** Piece n of m that the layer is cut in on this hand. */
  n: number;
  m: number;
  /** How many of it for one boat. */
  count: number;
  /** m: x across the roll, y along it; from 0. */
  outline: At[];
  /** m², of one. */
  area: number;
  /** Degrees that cloth shears in it; 0 where it is flat. */
  shearDeg: number;
  /** What whoever cuts or lays it should know. */
  notes: string[];
}

/** Whether the pieces of a layer are as many, and cover as much, as the lay-up asks. */
export interface PieceCount {
  partId: string;
  part: string;
  layerNumber: number;
  layerId: string;
  material: string;
  /** Runs of zones in one piece, on how many hands, parts of the number-off. */
  runs: number;
  hands: number;
  numberOff: number;
  wanted: number;
  /** Whole pieces, before a roll parts them; and what is cut. */
  made: number;
  cut: number;
  /** m² that the layer covers, and that its pieces have without laps and trim. */
  covers: number;
  has: number;
  /** Why it does not add up; null where it does. */
  problem: string | null;
}

export interface KitPieces {
  pieces: Piece[];
  counts: PieceCount[];
  /** Why the kit cannot be cut. */
  problems: string[];
}

/** A piece may cover so much less than its zones, and is cut no finer than this (m). */
const SHORT = 0.01;
const FINE = 0.003;
/** Most stretches that a piece is parted into for its shear. */
const MOST_STRETCHES = 4;

export interface PiecesInput {
  boat: Boat;
  evaluations: ReadonlyMap<string, ZoneEvaluation>;
  details: readonly DetailEvaluation[];
  cutting: Cutting;
}

/**
 * Every piece of cloth and core of one boat: each run of zones that a layer covers developed flat, with laps and
 * run-outs, parted where the cloth cannot shear so far and where the roll is too narrow, joints staggered from layer
 * to layer, both hands, trim all round; then the layers of details and stiffeners.
 *
 * The counts are those of the lay-up, reckoned without the outlines: a layer whose pieces do not add up, in number or
 * in area, stops the kit.
 */
export function kitPieces(input: PiecesInput): KitPieces {
  const { boat, evaluations, details } = input;
  const pieces: Piece[] = [];
  const counts: PieceCount[] = [];
  for (const part of boat.parts) {
    const lines = linesOfPart(boat, part, evaluations);
    const joints: number[][] = [];
    for (const [index, { runs, count }] of piecesOf(boat, part).entries()) {
      const layer = part.layers[index]!;
      const material = boat.materials.find(({ id }) => id === layer.material);
      if (!material || (material.kind !== 'fabric' && material.kind !== 'core') || layer.zones.length === 0) continue;
      const made = piecesOfLayer(input, { part, layer, index, material, runs, lines, joints });
      pieces.push(...made.pieces);
      const covers = layer.zones.reduce((sum, id) => {
        return sum + (part.zones.find((zone) => zone.id === id)?.geometry.area ?? 0);
      }, 0);
      const hands = Math.max(...runs.map((run) => run.hands));
      const own = { runs: runs.length, hands, numberOff: part.number, wanted: count, made: made.whole };
      const net = covers * part.number;
      counts.push({
        partId: part.id,
        part: part.name,
        layerNumber: index + 1,
        layerId: layer.id,
        material: material.code,
        ...own,
        cut: made.pieces.reduce((sum, one) => sum + one.count, 0),
        covers: net,
        has: made.area,
        problem: problemOf({ ...own, covers: net, has: made.area }),
      });
    }
  }
  pieces.push(...detailPieces(boat, details, input.cutting), ...stiffenerPieces(boat, input.cutting));
  const problems = counts.flatMap(({ part, layerNumber, problem }) =>
    problem === null ? [] : [`${part}, layer ${layerNumber}: ${problem}`],
  );
  return { pieces, counts, problems };
}

function problemOf({ wanted, made, covers, has }: Pick<PieceCount, 'wanted' | 'made' | 'covers' | 'has'>) {
  if (made !== wanted) return `${made} pieces are drawn, the lay-up asks for ${wanted}`;
  if (has < covers * (1 - 2 * SHORT))
    return `its pieces have ${has.toFixed(2)} m², its zones ${covers.toFixed(2)} m²: an outline is too small`;
  return null;
}

interface LayerInput {
  part: Part;
  layer: Layer;
  index: number;
  material: Fabric | Core;
  runs: { zones: string[]; hands: 1 | 2 }[];
  lines: readonly LineState[];
  /** Joints of the layers before, by direction; this layer's are put with them. */
  joints: number[][];
}

function piecesOfLayer({ boat, cutting }: PiecesInput, of: LayerInput) {
  const { part, layer, index, material, runs, lines } = of;
  const pieces: Piece[] = [];
  let whole = 0;
  let area = 0;
  for (const [r, { zones, hands }] of runs.entries()) {
    const copies = part.number * copiesOf(part, zones);
    whole += hands * copies;
    const overCentre = hands === 1 && lines.some(({ line }) => line.a === line.b && zones.includes(line.a));
    const beyond = beyondOf(part, layer, zones, lines);
    for (const [f, flat] of flattened(boat, { of, zones, hands, overCentre, beyond, lap: cutting.lap }).entries()) {
      const onHands = handsOf(part, zones, flat.half);
      area += copies * onHands.length * flat.net;
      const cut = rolled(flat.outline, { of, cutting });
      const form = formNote(boat, of, flat.zones);
      for (const hand of onHands)
        cut.forEach(({ part: one, notes }, n) => {
          const mirrored = hand === 'port' ? moved(one, { mirror: true }).reverse() : one;
          pieces.push({
            id: `${layer.id}.${r + 1}.${f + 1}.${hand}.${n + 1}`,
            kind: material.kind === 'core' ? 'core' : 'layer',
            material: material.id,
            thickness: material.kind === 'core' ? layer.thickness : null,
            of: part.name,
            partId: part.id,
            layerId: layer.id,
            layerNumber: index + 1,
            zones: flat.zones,
            angleDeg: layer.angleDeg,
            hand,
            n: 0,
            m: 0,
            count: copies,
            outline: fromZero(mirrored),
            area: Math.abs(signedArea(mirrored)),
            shearDeg: flat.shear,
            notes: [...flat.notes, ...notes, ...(form ? [form] : [])],
          });
        });
    }
  }
  // Piece n of m of its layer on its hand.
  for (const hand of new Set(pieces.map((piece) => piece.hand))) {
    const own = pieces.filter((piece) => piece.hand === hand);
    own.forEach((piece, n) => Object.assign(piece, { n: n + 1, m: own.length }));
  }
  return { pieces, whole, area };
}

/** In what form a core is taken where it lies; null of a fabric. */
function formNote({ brief }: Boat, { part, layer, material }: LayerInput, zones: readonly string[]): string | null {
  if (material.kind !== 'core' || layer.thickness === null) return null;
  const own = part.zones.filter(({ id }) => zones.includes(id));
  return coreFormFor(material, layer.thickness, { zones: own, infused: brief.process === 'infusion' }).why;
}

/** Of a rectangle that the boat has several times, as many. */
function copiesOf(part: Part, zones: readonly string[]): number {
  const [only] = zones;
  const region = zones.length === 1 ? part.zones.find(({ id }) => id === only)?.region : null;
  return region?.surface === 'rectangle' ? region.count : 1;
}

function handsOf(part: Part, zones: readonly string[], half: boolean): Hand[] {
  const own = part.zones.find(({ id }) => id === zones[0])?.hand;
  if (own === 'port' || own === 'starboard') return [own];
  return half ? ['starboard', 'port'] : ['across'];
}

/** How far a layer reaches over a line (m): of two that lap the first zone's does, one that stops runs past it. */
function reachOver(own: LayerAtLine | undefined, first: boolean): number {
  if (!own) return 0;
  if (own.covers !== 'both') return own.past;
  return first ? (own.lap ?? 0) : 0;
}

/** How far a layer reaches over the lines at the ends of a run of zones. */
function beyondOf(part: Part, layer: Layer, zones: readonly string[], lines: readonly LineState[]): Beyond {
  const beyond: Beyond = { aft: 0, fore: 0, lower: 0, upper: 0 };
  const centreOf = (id: string) => part.zones.find((zone) => zone.id === id)!.geometry;
  for (const { line, layers } of lines) {
    const [inA, inB] = [zones.includes(line.a), zones.includes(line.b)];
    if (inA === inB) continue;
    const own = layers.find((one) => one.layer.id === layer.id);
    const reach = reachOver(own, inA);
    if (reach <= 0) continue;
    const [here, there] = inA ? [centreOf(line.a), centreOf(line.b)] : [centreOf(line.b), centreOf(line.a)];
    const further = line.runs === 'across' ? there.centroidX > here.centroidX : there.centroidZ > here.centroidZ;
    const [before, after] = line.runs === 'across' ? (['aft', 'fore'] as const) : (['lower', 'upper'] as const);
    const side = further ? after : before;
    beyond[side] = Math.max(beyond[side], reach);
  }
  return beyond;
}

const rectangle = (length: number, breadth: number): At[] => [
  [0, 0],
  [length, 0],
  [length, breadth],
  [0, breadth],
];
const within = ({ at, jumps }: Patch, from: number, to: number): Patch => ({
  count: 1,
  at: (u, v) => at(from + (to - from) * u, v),
  ...(jumps && { jumps: jumps.map((u) => (u - from) / (to - from)).filter((u) => u > 1e-4 && u < 1 - 1e-4) }),
});

interface Flat {
  outline: At[];
  zones: string[];
  half: boolean;
  shear: number;
  notes: string[];
  /** m² without laps, run-outs and trim. */
  net: number;
}

/** A development may be so far from the surface (share of its area) before the surface is parted. */
const FLAT_ENOUGH = 0.01;

/** What is flat of surfaces that were developed once: layers after each other cover the same. */
interface Developed {
  shear: number;
  flat: { outline: At[]; net: number }[];
  /** Developed over surface area, less 1. */
  off: number;
}
const known = new WeakMap<Boat, Map<string, Developed>>();

/** A patch in so many stretches along it, each developed by itself: outlines, the most shear, how far areas are off. */
function inStretches(boat: Boat, key: string, patch: Patch, stretches: number): Developed {
  const own = known.get(boat) ?? new Map<string, Developed>();
  known.set(boat, own);
  const name = `${key} ${stretches}`;
  const there = own.get(name);
  if (there) return there;
  let shear = 0;
  let [sum, surface] = [0, 0];
  const flat = Array.from({ length: stretches }, (_, i) => {
    const one = stretches === 1 ? patch : within(patch, i / stretches, (i + 1) / stretches);
    if (!patch.flat) shear = Math.max(shear, shearOf(one).most);
    const { outline } = develop(one, 32, one.jumps ?? []);
    const net = Math.abs(signedArea(outline));
    sum += net;
    surface += patchArea({ ...one, count: 1 }).area;
    return { outline: signedArea(outline) < 0 ? [...outline].reverse() : outline, net };
  });
  const found = { shear, flat, off: surface > 0 ? sum / surface - 1 : 0 };
  own.set(name, found);
  return found;
}

/** A run of zones as flat outlines: parted on the centreline where both hands do not lie flat, and for shear. */
function flattened(
  boat: Boat,
  {
    of: { part, material },
    zones,
    hands,
    overCentre,
    beyond,
    lap,
  }: { of: LayerInput; zones: string[]; hands: 1 | 2; overCentre: boolean; beyond: Beyond; lap: number },
): Flat[] {
  const shape = shapeOf(boat);
  const limit = material.kind === 'fabric' ? material.lockingAngle.value : Infinity;
  const most = Math.max(beyond.aft, beyond.fore, beyond.lower, beyond.upper);
  const keyOf = (own: RunPatch, across: boolean) => JSON.stringify([part.id, own.zones, across, beyond]);
  const patchesFor = (across: boolean) =>
    shape
      ? runPatches({
          shape,
          part,
          zones,
          overCentre: across,
          beyond: across ? beyond : { ...beyond, lower: Math.max(beyond.lower, overCentre ? lap / 2 : 0) },
        })
      : [];
  let surfaces = patchesFor(overCentre);
  const parted =
    overCentre &&
    surfaces.some((one) => {
      const { shear, off } = inStretches(boat, keyOf(one, true), one.patch, 1);
      return shear > limit || Math.abs(off) > FLAT_ENOUGH;
    });
  if (parted) surfaces = patchesFor(false);
  const flat = surfaces.flatMap((one): Flat[] => {
    const key = keyOf(one, overCentre && !parted);
    const notes: string[] = [];
    if (parted && one.half) notes.push('parted on the centreline, lapped: both hands do not lie flat in one');
    const whole = inStretches(boat, key, one.patch, 1).shear;
    const tried = Array.from({ length: MOST_STRETCHES }, (_, i) => i + 1);
    const isFlat = ({ off }: Developed) => Math.abs(off) <= FLAT_ENOUGH;
    const lies = (n: number) => isFlat(inStretches(boat, key, one.patch, n));
    const shears = (n: number) => inStretches(boat, key, one.patch, n).shear <= limit;
    // Parted where that helps; where it does not, in as few as lie flat, and darted.
    const stretches = tried.find((n) => lies(n) && shears(n)) ?? tried.find(lies) ?? MOST_STRETCHES;
    const found = inStretches(boat, key, one.patch, stretches);
    if (stretches > 1 && whole > limit && found.shear <= limit)
      notes.push(
        `parted in ${stretches}: in one it shears ${whole.toFixed(0)}°, the cloth locks at ${limit.toFixed(0)}°`,
      );
    else if (stretches > 1) notes.push(`parted in ${stretches}: in one it does not lie flat`);
    if (found.shear > limit)
      notes.push(
        `shears ${found.shear.toFixed(0)}°, the cloth locks at ${limit.toFixed(0)}°: dart it where it wrinkles`,
      );
    return found.flat.map(({ outline, net }) => ({
      outline: one.beyondIn || most === 0 ? outline : (grown(outline, most)[0] ?? outline),
      zones: one.zones,
      half: one.half,
      shear: found.shear,
      notes,
      net,
    }));
  });
  const placed = new Set(surfaces.flatMap((one) => one.zones));
  for (const id of zones.filter((zone) => !placed.has(zone))) {
    const { geometry, name } = part.zones.find((zone) => zone.id === id)!;
    const net = geometry.area / hands;
    const length = Math.max(geometry.panelLength, Math.sqrt(net));
    flat.push({
      outline: rectangle(length, net / length),
      zones: [id],
      half: hands === 2,
      shear: 0,
      notes: [`${name} has no place on the boat: a rectangle of its area`],
      net,
    });
  }
  return flat;
}

/** A flat outline turned to the roll, trimmed all round and cut to its width. */
function rolled(outline: readonly At[], { of, cutting }: { of: LayerInput; cutting: Cutting }) {
  const { layer, material, joints, index } = of;
  if (material.kind === 'core') return sheets(outline, cutting).map((part) => ({ part, notes: [] as string[] }));
  const [trimmed] = grown(outline, cutting.trim).sort((a, b) => signedArea(b) - signedArea(a));
  const width = material.width.value - 2 * cutting.selvage;
  // Warp along the roll: a layer at 0° has its reference direction along y.
  const turns = hasDirection(material) ? [90 - layer.angleDeg] : [90, 0];
  const tried = turns.map((turnDeg) => {
    const turned = simpler(moved(trimmed ?? outline, { turnDeg }), FINE);
    const before = joints.at(-1) ?? [];
    return cutToRoll(turned, { width, lap: cutting.lap, offset: cutting.offset, before });
  });
  const best = tried.reduce((a, b) => (b.parts.length < a.parts.length ? b : a));
  joints[index] = best.joints;
  const notes: string[] = [];
  if (best.joints.length > 0)
    notes.push(`joint${best.joints.length > 1 ? 's' : ''} lapped ${Math.round(cutting.lap * 1000)} mm`);
  if (!best.apart) notes.push(`a joint lies nearer than ${Math.round(cutting.offset * 1000)} mm to one below`);
  return best.parts.map((part) => ({ part, notes }));
}

/** An outline cut to sheets of core, butted: as few both ways as do. */
function sheets(outline: readonly At[], { sheetWidth, sheetLength }: Cutting): At[][] {
  const turned = moved(outline, { turnDeg: 90 });
  const { minX, maxX, minY, maxY } = boxOf(turned);
  const [across, along] = [Math.ceil((maxX - minX) / sheetWidth - 1e-9), Math.ceil((maxY - minY) / sheetLength - 1e-9)];
  const widths = cutToRoll(turned, { width: (maxX - minX) / across + 1e-6, lap: 0, offset: 1, before: [] }).parts;
  return widths.flatMap((part) => {
    const quarter = moved(part, { turnDeg: 90 });
    const long = (maxY - minY) / along + 1e-6;
    return cutToRoll(quarter, { width: long, lap: 0, offset: 1, before: [] }).parts.map((one) =>
      simpler(moved(one, { turnDeg: -90 }), FINE / 3),
    );
  });
}

function fromZero(outline: readonly At[]): At[] {
  const { minX, minY } = boxOf(outline);
  const round = (value: number) => Math.round(value * 1e5) / 1e5;
  return outline.map(([x, y]): At => [round(x - minX), round(y - minY)]);
}

/** Straps, tapes and patches of details, by their own size. */
function detailPieces(boat: Boat, details: readonly DetailEvaluation[], cutting: Cutting): Piece[] {
  return details.flatMap(({ detail, layers, problem }) =>
    (problem === null ? layers : []).flatMap(({ material, angleDeg, length, breadth, count }, i): Piece[] => {
      const fabric = boat.materials.find(({ id }) => id === material);
      if (fabric?.kind !== 'fabric' || length <= 0 || breadth <= 0) return [];
      const parts = rolledStrip(fabric, { length, breadth, angleDeg }, cutting);
      return parts.map((outline, n): Piece => ({
        ...BARE,
        id: `${detail.id}.${i + 1}.${n + 1}`,
        kind: 'detail',
        material,
        of: detail.name,
        layerNumber: i + 1,
        zones: [detail.zone],
        angleDeg,
        n: n + 1,
        m: parts.length,
        count: count * detail.number,
        outline,
        area: Math.abs(signedArea(outline)),
      }));
    }),
  );
}

/** Strips of the layers of stiffeners, one for each span. */
function stiffenerPieces(boat: Boat, cutting: Cutting): Piece[] {
  const places = membersOf(boat);
  return boat.supports.flatMap((support): Piece[] => {
    const section = boat.sections.find(({ id }) => id === support.section);
    const geometry = places.get(support.id);
    if (!section || !geometry || geometry.length === 0) return [];
    const own = geometry.spans.reduce((sum, { length }) => sum + length, 0);
    const hands = Math.max(1, Math.round(geometry.length / Math.max(own, 1e-9)));
    let breadths: number[];
    try {
      ({ breadths } = sectionProperties(boat, section));
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      return [];
    }
    return section.layers.flatMap(({ material, angleDeg }, i): Piece[] => {
      const fabric = boat.materials.find(({ id }) => id === material);
      if (fabric?.kind !== 'fabric' || !(breadths[i]! > 0)) return [];
      const parts = rolledStrip(fabric, { length: geometry.length / hands, breadth: breadths[i]!, angleDeg }, cutting);
      return parts.map((outline, n): Piece => ({
        ...BARE,
        id: `${support.id}.${i + 1}.${n + 1}`,
        kind: 'stiffener',
        material,
        of: support.name,
        layerNumber: i + 1,
        angleDeg,
        n: n + 1,
        m: parts.length,
        count: hands,
        outline,
        area: Math.abs(signedArea(outline)),
      }));
    });
  });
}

const BARE = {
  thickness: null,
  partId: null,
  layerId: null,
  zones: [] as string[],
  hand: 'none' as Hand,
  shearDeg: 0,
  notes: [] as string[],
};

/** A strip turned to the roll and cut to its width; a tape's own trim is in its size. */
function rolledStrip(
  fabric: Fabric,
  { length, breadth, angleDeg }: { length: number; breadth: number; angleDeg: number },
  { lap, offset, selvage }: Cutting,
): At[][] {
  const width = fabric.width.value - 2 * selvage;
  const turned = moved(rectangle(length, breadth), { turnDeg: hasDirection(fabric) ? 90 - angleDeg : 90 });
  return cutToRoll(turned, { width, lap, offset, before: [] }).parts.map(fromZero);
}
