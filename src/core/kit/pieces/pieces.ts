import type { DetailEvaluation } from '../../detail/kinds';
import { coverOf, type Boat, type Layer, type Part } from '../../document';
import type { ZoneEvaluation } from '../../evaluate';
import { linesOfPart, piecesOf, type LayerAtLine, type LineState } from '../../lines';
import type { Core, Fabric } from '../../material';
import type { Cutting } from '../cutting';
import { boxPieces } from '../box/boxPieces';
import { signedArea, type At } from '../nest/convexParts';
import { coreFormFor } from './coreForm';
import { flattened, type Flat } from './flatten';
import { Joints, rolled, type RolledRun } from './joints';
import { boxOf, fromZero, moved } from './outline';
import type { Hand, Piece } from './piece';
import type { Beyond } from './runPatch';
import { redrawn } from './redrawn';
import { detailPieces, stiffenerPieces } from './strips';

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

/** A run of a layer before the roll parts it, and whose it is. */
export interface KitRun extends RolledRun {
  run: string;
  partId: string;
  layerId: string;
  layerNumber: number;
  zones: string[];
  hands: Hand[];
}

export interface KitPieces {
  pieces: Piece[];
  runs: KitRun[];
  /** What somebody drew or placed and the schedule does not have any more. */
  lost: { id: string; name: string }[];
  counts: PieceCount[];
  /** Why the kit cannot be cut. */
  problems: string[];
}

/** A piece may be developed so much smaller than its zones are (share). */
const SHORT = 0.02;

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
  const given: Piece[] = [];
  const counted: Omit<PieceCount, 'problem'>[] = [];
  const cutRuns: KitRun[] = [];
  for (const part of boat.parts) {
    const lines = linesOfPart(boat, part, evaluations);
    const joints = new Joints();
    const twice = new Map<string, number>();
    const onceMore = ({ zones }: Layer): number => {
      const key = zones.join('|');
      const found = twice.get(key) ?? overlaid(boat, part, zones);
      twice.set(key, found);
      return found;
    };
    let turn = 0;
    for (const [index, { runs, count }] of piecesOf(boat, part).entries()) {
      const layer = part.layers[index]!;
      const material = boat.materials.find(({ id }) => id === layer.material);
      if (!material || (material.kind !== 'fabric' && material.kind !== 'core') || layer.zones.length === 0) continue;
      const made = piecesOfLayer(input, { part, layer, index, material, runs, lines, joints, turn });
      if (material.kind === 'fabric') turn += 1;
      given.push(...made.pieces);
      cutRuns.push(...made.runs);
      const covers = layer.zones.reduce((sum, id) => {
        return sum + (part.zones.find((zone) => zone.id === id)?.geometry.area ?? 0);
      }, 0);
      const hands = Math.max(...runs.map((run) => run.hands));
      const own = { runs: runs.length, hands, numberOff: part.number, wanted: count, made: made.whole };
      const net = (covers - onceMore(layer)) * part.number;
      counted.push({
        partId: part.id,
        part: part.name,
        layerNumber: index + 1,
        layerId: layer.id,
        material: material.code,
        ...own,
        cut: made.pieces.reduce((sum, one) => sum + one.count, 0),
        covers: net,
        has: made.area,
      });
    }
  }
  given.push(
    ...detailPieces(boat, details, input.cutting),
    ...stiffenerPieces(boat, input.cutting),
    ...boxPieces(boat, input.cutting),
  );
  const { pieces, bare, lost, short } = redrawn(boat, given, input.cutting.trim);
  const counts = counted.map((one): PieceCount => {
    const whole = { ...one, has: one.has - (bare.get(one.layerId) ?? 0) };
    return { ...whole, problem: problemOf(whole) };
  });
  const uncounted = counts.flatMap(({ part, layerNumber, problem }) =>
    problem === null ? [] : [`${part}, layer ${layerNumber}: ${problem}`],
  );
  const problems = [...uncounted, ...short];
  const known = new Set(cutRuns.map(({ run }) => run));
  const gone = [...lost, ...boat.jointPlacings.filter(({ run }) => !known.has(run))].map(({ id, name }) => ({
    id,
    name,
  }));
  return { pieces, runs: cutRuns, counts, problems, lost: gone };
}

/** Surfaces on which zones that overlap are cut in one. */
const IN_ONE = ['hull', 'deck'] as const;
/** Zones of a layer that lie on one another, as bottom and topside in an overhang: it is laid there once (m²). */
function overlaid(boat: Boat, part: Part, ids: readonly string[]): number {
  return IN_ONE.reduce((sum, surface) => {
    const zones = part.zones.filter(({ id, region }) => ids.includes(id) && region?.surface === surface);
    const [hand] = zones.map((zone) => zone.hand);
    if (zones.length < 2 || zones.some((zone) => zone.hand !== hand)) return sum;
    const twice = coverOf({ ...boat, parts: [{ ...part, zones }] }).reduce((all, one) => all + one.twice, 0);
    return sum + (hand === 'both' ? twice : twice / 2);
  }, 0);
}

function problemOf({ wanted, made, covers, has }: Pick<PieceCount, 'wanted' | 'made' | 'covers' | 'has'>) {
  if (made !== wanted) return `${made} pieces are drawn, the lay-up asks for ${wanted}`;
  if (has < covers * (1 - SHORT))
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
  joints: Joints;
  /** Which of the cloths of the part it is. */
  turn: number;
}

/** Every run of a layer, cut for every hand; how many whole pieces that is, and of what net area. */
function piecesOfLayer({ boat, cutting }: PiecesInput, of: LayerInput) {
  const { part, layer, index, material, runs, lines, joints, turn } = of;
  const pieces: Piece[] = [];
  const cutRuns: KitRun[] = [];
  let whole = 0;
  let area = 0;
  for (const [r, { zones, hands }] of runs.entries()) {
    const copies = part.number * copiesOf(part, zones);
    whole += hands * copies;
    const overCentre = hands === 1 && lines.some(({ line }) => line.a === line.b && zones.includes(line.a));
    const beyond = beyondOf(part, layer, zones, lines);
    const flats = flattened({ boat, part, material, zones, hands, overCentre, beyond, cutting, turn });
    for (const [f, flat] of flats.entries()) {
      const onHands = handsOf(part, zones, flat);
      area += copies * onHands.length * flat.net;
      const run = `${layer.id}.${r + 1}.${f + 1}`;
      const placed = boat.jointPlacings.find((one) => one.run === run)?.joints;
      const { cut, whole: rolledRun } = rolled(flat, { material, layer, joints, cutting, placed });
      const at = { partId: part.id, layerId: layer.id, layerNumber: index + 1, zones: flat.zones };
      if (rolledRun) cutRuns.push({ ...rolledRun, ...at, run, hands: onHands });
      const form = formNote(boat, of, flat.zones);
      for (const hand of onHands)
        cut.forEach(({ outline, cuts, notes }, n) => {
          const mirrored = hand === 'port' ? moved(outline, { mirror: true }).reverse() : outline;
          const { minX, minY } = boxOf(mirrored);
          const inPlace = ([x, y]: At): At => [(hand === 'port' ? -x : x) - minX, y - minY];
          pieces.push({
            id: `${run}.${hand}.${n + 1}`,
            run,
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
            cuts: cuts.map((line) => line.map(inPlace)),
            notches: [],
            drawn: null,
            area: Math.abs(signedArea(mirrored)),
            shearDeg: flat.shear,
            notes: [...flat.notes, ...notes, ...(form ? [form] : []), ...(byTwo(outline, cutting) ? [BY_TWO] : [])],
          });
        });
    }
  }
  joints.settle();
  // Piece n of m of its layer on its hand.
  for (const hand of new Set(pieces.map((piece) => piece.hand))) {
    const own = pieces.filter((piece) => piece.hand === hand);
    own.forEach((piece, n) => Object.assign(piece, { n: n + 1, m: own.length }));
  }
  return { pieces, runs: cutRuns, whole, area };
}

const BY_TWO = 'two people carry and lay it';
/** Whether a piece is longer than one can carry. */
function byTwo(outline: readonly At[], { alone }: Cutting): boolean {
  const { minX, maxX, minY, maxY } = boxOf(outline);
  return Math.max(maxX - minX, maxY - minY) > alone;
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

function handsOf(part: Part, zones: readonly string[], { half, hand }: Flat): Hand[] {
  const own = part.zones.find(({ id }) => id === zones[0])?.hand;
  if (own === 'port' || own === 'starboard') return [own];
  if (hand) return [hand];
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
