import { Clipper, EndType, FillRule, JoinType, type Path64 } from '@countertype/clipper2-ts';
import { shapeOf, type Boat, type FillLine, type FillPlan, type Part } from '../../document';
import { invalid } from '../../error';
import type { ZoneEvaluation } from '../../evaluate';
import { nearestOnEdge, signedArea, type FlatPoint } from '../../geometry';
import { GUESS, TOLD } from '../../kit';
import type { Resin } from '../../material';
import { coreTakesUp, lapAreas } from '../../weight';
import type { Filling } from '../filling';
import { inside } from '../simulate/mesh';
import type { FillInlet, FillInput, FillRegion, FillVent } from '../simulate/simulate';
import { skinsOf, type FillSkin } from '../skin/skins';
import { resinFlowAt, type ResinFlow } from './resinAt';
import { stackFlow, type StackFlow } from './stackFlow';

/** A plan with all that it stands on: the skin, how each zone lets resin through, the resin, what is simulated. */
export interface FillCase {
  plan: FillPlan;
  part: Part;
  skin: FillSkin;
  resin: Resin;
  flow: ResinFlow;
  filling: Filling;
  /** By zone of the skin: as it is filled, and without mesh. */
  stacks: ReadonlyMap<string, StackFlow>;
  input: FillInput;
  /** Resin in overlaps and run-outs at the lines of its zones (kg). */
  inLaps: number;
  /** What keeps it from being filled, whatever the simulation says. */
  problems: string[];
  notes: string[];
}

export interface FillCaseInput {
  boat: Boat;
  plan: FillPlan;
  filling: Filling;
  evaluations: ReadonlyMap<string, ZoneEvaluation>;
  /** Triangles, about. */
  cells?: number | undefined;
}

/** Radius of a point feed (m). */
const POINT = 0.015;
const MICRO = 1e6;
/** A line may lie so far off the edge of the skin (m). */
const OFF = 0.02;
/** Simulated no longer than so many pot lives: what is dry then stays dry. */
const LONGEST = 2;

/**
 * What a plan asks to be simulated.
 * @throws KeramosError `invalid` where the boat has no resin, the skin is gone, nothing is laid in one of its zones, or
 * no line feeds.
 */
export function fillCase({ boat, plan, filling, evaluations, cells }: FillCaseInput): FillCase {
  const resin = boat.materials.find((one): one is Resin => one.kind === 'resin' && one.id === boat.brief.resin);
  if (!resin) throw invalid('brief.resin', 'The boat has no resin: choose one in the Brief');
  const part = boat.parts.find(({ id }) => id === plan.part)!;
  const skin = skinsOf(shapeOf(boat), part).find(({ id }) => id === plan.skin);
  if (!skin || skin.outline.length < 3)
    throw invalid('skin', `${plan.name}: the skin that it was drawn for is no more: choose another one`);
  const flow = resinFlowAt(resin, plan, filling);
  const [problems, notes] = [[] as string[], [...skin.notes]];
  if (plan.celsius < GUESS.low || plan.celsius > GUESS.high)
    notes.push(`At ${plan.celsius} °C viscosity and pot life are a guess: told at ${TOLD.low} and ${TOLD.high} °C`);
  const [stacks, naked] = [new Map<string, StackFlow>(), new Map<string, StackFlow>()];
  for (const { id, name } of skin.zones) {
    const zone = part.zones.find((one) => one.id === id)!;
    const of = (mesh: boolean) => stackFlow(evaluations.get(id)!, { zone, filling, resin, mesh });
    const own = of(!plan.bare.some((one) => one.zone === id));
    const bare = of(false);
    if (!own || !bare) throw invalid('skin', `${name}: nothing is laid in it that resin fills: lay its schedule first`);
    stacks.set(id, { ...own, inPart: own.inPart + coreTakesUp(boat, evaluations.get(id)!).kerf });
    naked.set(id, bare);
    problems.push(...own.problems);
    notes.push(...own.notes);
  }
  const feeds = plan.lines.filter(({ role }) => role === 'feed');
  if (feeds.length === 0) throw invalid('lines', `${plan.name}: draw a feed line, or have lines proposed`);
  for (const line of plan.lines)
    if (!line.points.some((point) => onSkin(skin, point))) problems.push(`${line.name} lies off the skin`);
  if (flow.life <= 0) throw invalid('potLife', 'The resin is past its pot life before the clamp opens');
  const slowest = [...stacks.values()].reduce((a, b) => (b.k2 < a.k2 ? b : a));
  const regions = [
    ...skin.zones.map(({ id, outline }) => regionOf(outline, stacks.get(id)!)),
    ...brakes(skin, plan).map(({ zone, outline }) => regionOf(outline, naked.get(zone)!)),
  ];
  const vents = plan.lines.filter(({ role }) => role === 'vent').map(ventOf);
  const input: FillInput = {
    ...regionOf(skin.outline, slowest),
    holes: skin.holes,
    regions,
    viscosity: flow.viscosity,
    viscosityRate: flow.rate,
    pressure: plan.pressure,
    inlets: feeds.map(inletOf),
    vents: vents.length > 0 ? vents : undefined,
    lift: skin.lift,
    density: plan.gravity ? resin.density.value : undefined,
    cells,
    maximumTime: LONGEST * (flow.life + filling.lead),
  };
  const inLaps = lapAreas(boat, part, evaluations)
    .filter(({ zone }) => skin.zones.some(({ id }) => id === zone))
    .reduce((sum, { laid, area }) => sum + area * laid.resinMass, 0);
  return { plan, part, skin, resin, flow, filling, stacks, input, inLaps, problems, notes: [...new Set(notes)] };
}

const regionOf = (outline: FlatPoint[], { k1, k2, angleDeg, porosity, thickness }: StackFlow): FillRegion => ({
  outline,
  // Holes of a core let nothing through along it: a hair keeps the equations whole.
  permeability: { k1, k2: Math.max(k2, 1e-4 * k1), angleDeg },
  porosity,
  thickness,
});

const placeOf = ({ points }: FillLine): { at: FlatPoint; radius: number } | { line: FlatPoint[] } =>
  points.length === 1 ? { at: points[0]!, radius: POINT } : { line: points };

function inletOf(line: FillLine): FillInlet {
  const { opens, at, closes } = line;
  return {
    ...placeOf(line),
    ...(opens === 'clock' && { openAt: at }),
    ...(opens === 'arrival' && { onArrival: { delay: 0 } }),
    ...(closes !== null && { closeAt: closes }),
  };
}

function ventOf(line: FillLine): FillVent {
  const place = placeOf(line);
  return 'line' in place ? { line: place.line } : { at: place.at };
}

/** Whether a place lies on a skin, or a hair off its edge. */
export function onSkin({ outline, holes }: FillSkin, [x, y]: FlatPoint): boolean {
  if (inside(outline, x, y) && !holes.some((hole) => inside(hole, x, y))) return true;
  return [outline, ...holes].some((ring) =>
    ring.some((a, i) => {
      const [u, v] = nearestOnEdge(a, ring[(i + 1) % ring.length]!, [x, y]);
      return Math.hypot(u - x, v - y) < OFF;
    }),
  );
}

/** Strips beside the vacuum lines on which no mesh lies, zone by zone. */
function brakes({ zones }: FillSkin, { lines, brake }: FillPlan): { zone: string; outline: FlatPoint[] }[] {
  if (brake <= 0) return [];
  const vents = lines.filter(({ role }) => role === 'vent');
  return vents.flatMap(({ points }) => {
    const strip = Clipper.inflatePaths([pathOf(points)], brake * MICRO, JoinType.Round, EndType.Round, 2, MICRO / 200);
    return zones.flatMap(({ id, outline }) =>
      Clipper.intersect(strip, [pathOf(outline)], FillRule.NonZero)
        .map((path) => path.map(({ x, y }): FlatPoint => [x / MICRO, y / MICRO]))
        .filter((ring) => Math.abs(signedArea(ring)) > 1e-5)
        .map((ring) => ({ zone: id, outline: ring })),
    );
  });
}

const pathOf = (points: readonly FlatPoint[]): Path64 =>
  points.map(([x, y]) => ({ x: Math.round(x * MICRO), y: Math.round(y * MICRO) }));
