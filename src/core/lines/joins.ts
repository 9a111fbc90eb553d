import { formatNumber, saidLength } from '../quantity';
import type { Boat, Join, Layer, Part } from '../document';
import { massOf, type LaidLayer, type ZoneEvaluation } from '../evaluate';
import { neighboursOf, type ZoneLine } from './neighbours';

/** One layer at a line. */
export interface LayerAtLine {
  layer: Layer;
  index: number;
  laid: LaidLayer;
  /** Which sides it covers; one that stops ends `past` the line in the other zone (m). */
  covers: 'both' | 'a' | 'b';
  /** Overlap of a layer that covers both (m); null where it runs on in one piece. */
  lap: number | null;
  past: number;
}
export interface LineFinding {
  kind: 'steep' | 'bevel' | 'off';
  layerId: string | null;
  text: string;
}
/** What happens at one line of a part. */
export interface LineState {
  line: ZoneLine;
  join: Join;
  layers: LayerAtLine[];
  thicknessA: number;
  thicknessB: number;
  /** Greatest thickness where layers lap, and the width over which anything laps (m). */
  lapThickness: number;
  lapWidth: number;
  /** Core bevel run per thickness in use here. */
  bevel: number;
  /** Material that laps and run-outs add (kg); null where the length of the line is unknown. */
  mass: number | null;
  findings: LineFinding[];
}

const NO_JOIN = { lap: null, laps: [], ends: [], bevel: null, length: null };
const LEAST_BEVEL = 3;
export const joinKey = ({ a, b }: Pick<Join, 'a' | 'b'>) => `${a}|${b}`;

/**
 * The join of a line as it is set, or as layers do by themselves: run on where they cover both zones, stop at the
 * line where they do not.
 */
export function joinAt(part: Part, line: Pick<ZoneLine, 'a' | 'b'>): Join {
  return part.joins.find(({ a, b }) => a === line.a && b === line.b) ?? { a: line.a, b: line.b, ...NO_JOIN };
}

/** Fabrics that stop at the line on one side of it, nearest end first. */
function stopping(layers: readonly LayerAtLine[], side: 'a' | 'b'): LayerAtLine[] {
  return layers
    .filter(
      ({ covers, laid, layer }) => covers === side && laid.material.kind === 'fabric' && layer.role !== 'comesOff',
    )
    .sort((p, q) => p.past - q.past || q.index - p.index);
}

/**
 * Length over which a core that stops at the line runs down (m): to solid, or to the core of the other zone where
 * there is one to butt against.
 * 0 for what is no core, or runs on.
 */
export function coreRun(layers: readonly LayerAtLine[], { covers, laid }: LayerAtLine, bevel: number): number {
  return laid.material.kind === 'core' && covers !== 'both'
    ? bevel * Math.max(0, laid.thickness - coreBeyond(layers, covers))
    : 0;
}
/** Thickness of the cores that stop on the other side of the line (m). */
export const coreBeyond = (layers: readonly LayerAtLine[], covers: 'a' | 'b') =>
  Math.max(
    0,
    ...layers
      .filter((other) => other.covers === (covers === 'a' ? 'b' : 'a') && other.laid.material.kind === 'core')
      .map(({ laid }) => laid.thickness),
  );

function findingsOf(part: Part, line: ZoneLine, layers: readonly LayerAtLine[], bevel: number): LineFinding[] {
  const findings: LineFinding[] = [];
  for (const side of ['a', 'b'] as const) {
    const ends = stopping(layers, side);
    const reach = side === 'a' ? line.reachB : line.reachA;
    const steep = ends.slice(1).flatMap((next, i) => {
      const last = ends[i]!;
      const wanted = part.dropRatio * last.laid.thickness;
      return next.past - last.past < wanted - 1e-6 ? [{ next, wanted, has: next.past - last.past }] : [];
    });
    if (steep.length > 0) {
      const worst = steep.reduce((a, b) => (b.wanted - b.has > a.wanted - a.has ? b : a));
      findings.push({
        kind: 'steep',
        layerId: worst.next.layer.id,
        text:
          `${ends.length} layers stop ` +
          (ends.at(-1)!.past === ends[0]!.past
            ? 'together: '
            : `within ${saidLength(ends.at(-1)!.past - ends[0]!.past)}: `) +
          `layer ${worst.next.index + 1} needs ${saidLength(worst.wanted)} after the one ` +
          `before it (${formatNumber(part.dropRatio, 0)} : 1), has ${saidLength(worst.has)}`,
      });
    }
    const far = ends.at(-1);
    if (far && reach !== null && far.past > reach)
      findings.push({
        kind: 'off',
        layerId: far.layer.id,
        text:
          `layer ${far.index + 1} runs ${saidLength(far.past)} past the ` +
          `line; the zone there is only ${saidLength(reach)} wide`,
      });
  }
  const tapering = layers
    .map((one) => ({ core: one, run: coreRun(layers, one, bevel) }))
    .sort((p, q) => q.run - p.run)[0];
  const core = tapering && tapering.run > 0 ? tapering.core : undefined;
  if (core && bevel < LEAST_BEVEL)
    findings.push({
      kind: 'bevel',
      layerId: core.layer.id,
      text:
        `the core ends in a bevel of 1 : ${formatNumber(bevel, 1)}, steeper ` +
        `than 1 : ${LEAST_BEVEL}; skins turn too sharply there`,
    });
  if (core) {
    const { run } = tapering!;
    const own = core.covers === 'a' ? line.reachA : line.reachB;
    if (own !== null && run > own)
      findings.push({
        kind: 'off',
        layerId: core.layer.id,
        text: `the core's bevel needs ${saidLength(run)}; its zone is only ${saidLength(own)} wide`,
      });
  }
  return findings;
}

const sidesOf = (inA: boolean, inB: boolean): 'a' | 'b' | 'both' => {
  if (!inB) return 'a';
  return inA ? 'both' : 'b';
};

/** Mass along a line, kg; null where its length is not known. */
function massAlong(added: number, length: number | null): number | null {
  if (added === 0) return 0;
  return length === null ? null : added * length;
}

/**
 * What every layer does at every line between zones of a part: runs on, laps or stops; thickness of the laps; whether
 * drops are staggered and bevels gentle.
 *
 * @param evaluations of every zone by id.
 * @returns lines at which at least one zone has layers. A drop must be followed by `part.dropRatio` times the
 * thickness of the layer that ended.
 * @example linesOfPart(boat, hull, evaluations)[0].lapThickness // 0.0246
 * Source: ply drop-off at 20 times the ply thickness, core edges at 1 : 3 or gentler, usual practice for laminated
 * boats.
 */
export function linesOfPart(
  boat: Pick<Boat, 'hull' | 'deck' | 'brief'>,
  part: Part,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
): LineState[] {
  return neighboursOf(boat, part).flatMap((line) => {
    const join = joinAt(part, line);
    const laidIn = (zone: string) => new Map(evaluations.get(zone)!.layers.map((laid) => [laid.layer.id, laid]));
    const [inA, inB] = [laidIn(line.a), laidIn(line.b)];
    if (inA.size + inB.size === 0) return [];
    const layers = part.layers.flatMap((layer, index): LayerAtLine[] => {
      const laid = inA.get(layer.id) ?? inB.get(layer.id);
      if (!laid) return [];
      const covers = sidesOf(inA.has(layer.id), inB.has(layer.id));
      const own = join.laps.find((one) => one.layer === layer.id);
      const laps = covers === 'both' && laid.material.kind === 'fabric' ? (own ?? join).lap : null;
      return [
        {
          layer,
          index,
          laid,
          covers,
          lap: laps === 0 ? null : laps,
          past: covers === 'both' ? 0 : (join.ends.find((end) => end.layer === layer.id)?.past ?? 0),
        },
      ];
    });
    const thickness = (side: 'a' | 'b') =>
      layers.reduce((sum, { covers, laid }) => sum + (covers === 'both' || covers === side ? laid.thickness : 0), 0);
    const [thicknessA, thicknessB] = [thickness('a'), thickness('b')];
    const doubled = layers.reduce((sum, { lap, laid }) => sum + (lap === null ? 0 : laid.thickness), 0);
    const length = join.length ?? line.length;
    const added = layers.reduce((sum, { lap, past, laid }) => sum + ((lap ?? 0) + past) * massOf(laid), 0);
    const bevel = join.bevel ?? part.coreBevel;
    return [
      {
        line,
        join,
        layers,
        thicknessA,
        thicknessB,
        lapThickness: Math.max(thicknessA, thicknessB) + doubled,
        lapWidth: layers.reduce((most, { lap }) => Math.max(most, lap ?? 0), 0),
        bevel,
        mass: massAlong(added, length),
        findings: findingsOf(part, line, layers, bevel),
      },
    ];
  });
}

/** A part's joins with one put in place of that line's. */
export const withJoin = (part: Part, join: Join): Join[] => [
  ...part.joins.filter((old) => joinKey(old) !== joinKey(join)),
  join,
];

const STEP = 0.005;
/**
 * The join with its drops laid out as a stair: the layer laid last ends on the line, each one under it a step
 * further, as long as the drop-off ratio asks, rounded up to 5 mm.
 * @example staggered(hull, state).ends // [{ layer: 'l4', past: 0.02 }]
 */
export function staggered(part: Part, { join, layers }: Pick<LineState, 'join' | 'layers'>): Join {
  const ends = (['a', 'b'] as const).flatMap((side) => {
    let past = 0;
    return stopping(layers, side)
      .sort((p, q) => q.index - p.index)
      .map(({ layer, laid }) => {
        const end = { layer: layer.id, past };
        past = Number((past + Math.ceil((part.dropRatio * laid.thickness) / STEP - 1e-9) * STEP).toFixed(3));
        return end;
      });
  });
  return { ...join, ends };
}
