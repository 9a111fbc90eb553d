import type { DetailEvaluation } from '../../detail/kinds';
import type { Boat, Part } from '../../document';
import { stiffenerMasses, type ZoneEvaluation } from '../../evaluate';
import { invalid } from '../../error';
import type { Coating, Resin } from '../../material';
import { coreTakesUp, lapAreas } from '../../weight';
import type { Hardener, Mixing } from './mixing';
import { pasteStages } from './pasteStages';
import { stageOf, type ResinOfLayer, type Shot } from './stageOf';

/** What a batch wets of a layer. */
export interface Wetted {
  /** Layer of the part from the mould, from 1. */
  layerNumber: number;
  /** Share of its resin, and of what zones. */
  share: number;
  zones: string[];
}

export interface MixedBatch {
  /** kg; L. */
  resin: number;
  hardener: number;
  resinVolume: number;
  hardenerVolume: number;
  /** From the first of its stage (min). */
  startMinute: number;
  /** By when it is used up (min). */
  usedUp: number;
  wets: Wetted[];
}

/** What goes on in one go. */
export interface MixStage {
  /** The part, or the detail or stiffener that is glued. */
  part: string;
  partId: string | null;
  /** Which part of the number-off. */
  copy: number;
  kind: 'coating' | 'laminate' | 'fill' | 'paste';
  name: string;
  layers: number[];
  hardener: Hardener;
  /** kg with hardener: what stays; what a fill draws into what comes off again; what is mixed. */
  stays: number;
  besides: number;
  mixed: number;
  workingMinutes: number;
  batches: MixedBatch[];
  /** Parts of hardener by volume for one of resin. */
  byVolume: number;
  cautions: string[];
}

export interface MixingPlan {
  stages: MixStage[];
  /** kg of all resin and hardener, kg left over. */
  resin: number;
  hardener: number;
  leftOver: number;
  /** kg that fills draw into what comes off again. */
  besides: number;
  /** What could not be planned, and why. */
  problems: string[];
}

/** What a fill draws of one part besides its laminate: kg in mesh, peel ply, film and feed lines. */
export interface DrawnBesides {
  mass: number;
  /** Of all that is drawn, left in pots and hoses. */
  waste: number;
  /** What is not in it, in words. */
  notes: string[];
}
interface Besides {
  /** Whose layers, beads, bonds and fillets are mixed besides. */
  details?: readonly DetailEvaluation[];
  /** By part that is filled. */
  drawn?: ReadonlyMap<string, DrawnBesides>;
}

/**
 * What is mixed for every part, in the order in which it is laid: each batch within its pot and its working time at
 * the temperature of the shop, with the hardener that needs the fewest batches, of those the quickest; which layers
 * each batch wets.
 *
 * Layers of stiffeners and details are wetted out by hand, each of them in one go, whatever the process of the parts.
 *
 * @throws KeramosError `invalid` where the boat's resin has no hardener.
 */
export function mixingPlan(
  boat: Boat,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
  mixing: Mixing,
  { details = [], drawn = new Map() }: Besides = {},
): MixingPlan {
  const resin = boat.materials.find((one): one is Resin => one.kind === 'resin' && one.id === boat.brief.resin);
  if (!resin) throw invalid('brief.resin', 'The boat has no resin: choose one in the Brief');
  const hardeners = mixing.hardeners.filter(({ family }) => family === resin.family);
  if (hardeners.length === 0)
    throw invalid('hardeners', `No hardener for ${resin.name} in the yard's list: add one to it`);
  const filled = boat.brief.process === 'infusion';
  const impregnated = boat.brief.process === 'prepreg';
  const stages: MixStage[] = [];
  const problems: string[] = [];
  for (const part of boat.parts) {
    const layers = resinByLayer(boat, part, evaluations);
    const laid = layers.filter(({ resin: mass }) => mass > 0);
    if (layers.every(({ resin: mass, coating }) => mass + coating === 0)) continue;
    const shots: Shot[] = [];
    for (const one of layers.filter(({ coating }) => coating > 0))
      shots.push({ kind: 'coating', name: one.coat?.name ?? 'Coat', of: [{ ...one, resin: one.coating }] });
    if (impregnated && laid.length > 0)
      problems.push(`${part.name}: prepreg comes with its resin, nothing is mixed for it`);
    else if (filled) shots.push({ kind: 'fill', name: 'Fill', of: laid, drawn: drawn.get(part.id) });
    else
      for (let i = 0; i < laid.length; i += mixing.layersPerShot)
        shots.push({ kind: 'laminate', name: 'Lay', of: laid.slice(i, i + mixing.layersPerShot) });
    for (let copy = 1; copy <= part.number; copy++)
      for (const shot of shots.filter(({ of }) => of.length > 0)) {
        const coat = shot.kind === 'coating' ? (shot.of[0]?.coat ?? null) : null;
        const own = coat ? hardenersOf(coat, mixing) : hardeners;
        if (own.length === 0) problems.push(`${part.name}: ${shot.name} has no hardener in the yard's list`);
        else stages.push(stageOf({ part, copy, shot }, { resin, coat, hardeners: own, mixing }));
      }
  }
  const beside = laminateBeside(boat, details);
  if (impregnated && beside.length > 0)
    problems.push('Stiffeners and details: prepreg comes with its resin, nothing is mixed for their layers');
  else
    for (const { name, resin: mass } of beside) {
      const of = [{ layerNumber: 0, resin: mass, coating: 0, coat: null, zones: [] }];
      const shot: Shot = { kind: 'laminate', name: 'Its layers', of };
      stages.push(stageOf({ part: { id: null, name }, copy: 1, shot }, { resin, coat: null, hardeners, mixing }));
    }
  stages.push(...pasteStages(boat, { evaluations, details, resin, hardeners, mixing }));
  const sum = (pick: (stage: MixStage) => number) => stages.reduce((total, stage) => total + pick(stage), 0);
  const ofBatches = (pick: (batch: MixedBatch) => number) =>
    sum(({ batches }) => batches.reduce((all, one) => all + pick(one), 0));
  return {
    stages,
    // Adhesives are no resin: they are bought by themselves.
    resin: stages.reduce(
      (all, { hardener, batches }) =>
        all + (hardener.share > 0 ? batches.reduce((own, { resin: kg }) => own + kg, 0) : 0),
      0,
    ),
    hardener: ofBatches((batch) => batch.hardener),
    leftOver: sum(({ mixed, stays, besides }) => mixed - stays - besides),
    besides: sum(({ besides }) => besides),
    problems,
  };
}

/** kg of resin and of coating in every layer of one part, its overlaps and what its core takes up in a fill with it. */
function resinByLayer(boat: Boat, part: Part, evaluations: ReadonlyMap<string, ZoneEvaluation>): ResinOfLayer[] {
  const laps = lapAreas(boat, part, evaluations);
  // By hand kerfs are filled by the paste of the bedding, which is mixed by itself.
  const filled = boat.brief.process === 'infusion';
  return part.layers.map((layer, i) => {
    let resin = laps.reduce((sum, { laid, area }) => sum + (laid.layer.id === layer.id ? area * laid.resinMass : 0), 0);
    let coating = 0;
    let coat: Coating | null = null;
    for (const zone of part.zones) {
      const laid = evaluations.get(zone.id)?.layers.find((one) => one.layer.id === layer.id);
      if (!laid) continue;
      const kerf = filled ? coreTakesUp(boat, { layers: [laid] }).kerf : 0;
      resin += (laid.resinMass + kerf) * zone.geometry.area;
      coating += laid.coatingMass * zone.geometry.area;
      if (laid.material.kind === 'coating') coat = laid.material;
    }
    return { layerNumber: i + 1, resin, coating, coat: coat as Coating | null, zones: layer.zones };
  });
}

/** Resin in the layers of stiffeners and details (kg), each by itself. */
function laminateBeside(boat: Boat, details: readonly DetailEvaluation[]): { name: string; resin: number }[] {
  return [
    ...stiffenerMasses(boat).map(({ support: { name }, resin }) => ({ name, resin })),
    ...details.map(({ detail: { name }, mass, problem }) => ({ name, resin: problem === null ? mass.resin : 0 })),
  ].filter(({ resin }) => resin > 0);
}

/** What hardens a coating, by what it is made of. */
const hardenersOf = ({ base }: Coating, { hardeners }: Mixing): Hardener[] =>
  hardeners.filter(({ family }) => (base === 'epoxy' ? family === 'epoxy' : family === 'isoPolyester'));
