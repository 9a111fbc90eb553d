import type { DetailEvaluation } from '../../detail/kinds';
import type { Boat, Part } from '../../document';
import type { ZoneEvaluation } from '../../evaluate';
import { invalid } from '../../error';
import type { Coating, Resin } from '../../material';
import { batchesOf } from './batches';
import type { Hardener, Mixing } from './mixing';
import { pasteStages } from './pasteStages';
import { GUESS, potLifeAt, potLifeFrom25, TOLD } from './potLife';

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
  /** kg of resin that stays, that is mixed. */
  stays: number;
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
  /** What could not be planned, and why. */
  problems: string[];
}

/**
 * What is mixed for every part, in the order in which it is laid: each batch within its pot and its working time at
 * the temperature of the shop, with the hardener that needs the fewest batches, of those the quickest; which layers
 * each batch wets.
 *
 * @param details whose beads, bonds and fillets are mixed besides.
 * @throws KeramosError `invalid` where the boat's resin has no hardener.
 */
export function mixingPlan(
  boat: Boat,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
  mixing: Mixing,
  details: readonly DetailEvaluation[] = [],
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
    const layers = resinByLayer(part, evaluations);
    const laid = layers.filter(({ resin: mass }) => mass > 0);
    if (layers.every(({ resin: mass, coating }) => mass + coating === 0)) continue;
    const shots: Shot[] = [];
    for (const one of layers.filter(({ coating }) => coating > 0))
      shots.push({ kind: 'coating', name: one.coat?.name ?? 'Coat', of: [{ ...one, resin: one.coating }] });
    if (impregnated && laid.length > 0)
      problems.push(`${part.name}: prepreg comes with its resin, nothing is mixed for it`);
    else if (filled) shots.push({ kind: 'fill', name: 'Fill', of: laid });
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
    leftOver: sum(({ mixed, stays }) => mixed - stays),
    problems,
  };
}

/** kg of resin and of coating in every layer of one part, with the zones. */
function resinByLayer(part: Part, evaluations: ReadonlyMap<string, ZoneEvaluation>) {
  return part.layers.map((layer, i) => {
    let [resin, coating] = [0, 0];
    let coat: Coating | null = null;
    for (const zone of part.zones) {
      const laid = evaluations.get(zone.id)?.layers.find((one) => one.layer.id === layer.id);
      if (!laid) continue;
      resin += laid.resinMass * zone.geometry.area;
      coating += laid.coatingMass * zone.geometry.area;
      if (laid.material.kind === 'coating') coat = laid.material;
    }
    return { layerNumber: i + 1, resin, coating, coat: coat as Coating | null, zones: layer.zones };
  });
}

/** What hardens a coating, by what it is made of. */
const hardenersOf = ({ base }: Coating, { hardeners }: Mixing): Hardener[] =>
  hardeners.filter(({ family }) => (base === 'epoxy' ? family === 'epoxy' : family === 'isoPolyester'));

interface Shot {
  kind: MixStage['kind'];
  name: string;
  of: ReturnType<typeof resinByLayer>;
}

function stageOf(
  { part, copy, shot: { kind, name, of } }: { part: Part; copy: number; shot: Shot },
  {
    resin,
    coat,
    hardeners,
    mixing,
  }: { resin: Resin; coat: Coating | null; hardeners: readonly Hardener[]; mixing: Mixing },
): MixStage {
  const density = (coat ?? resin).density.value;
  const { temperature, people, wetOut, draw, workingShare, waste } = mixing;
  const stays = of.reduce((sum, one) => sum + one.resin, 0);
  const mixed = stays * (1 + waste);
  const rate = kind === 'fill' ? draw : people * wetOut;
  const tried = hardeners.map((hardener) => {
    const pot = coat ? potLifeFrom25(60 * mixing.coatPotLife, resin, temperature) : potLifeAt(resin, temperature);
    const workingMinutes = (pot * hardener.potLife * workingShare) / 60;
    const found = batchesOf({
      resinMass: mixed,
      maximumBatch: hardener.largest,
      workingMinutes,
      wetOutRate: rate,
      hardenerShare: hardener.share,
    });
    return { hardener, workingMinutes, ...found };
  });
  const best = tried.reduce((a, b) => {
    const fewer = b.batches.length - a.batches.length;
    return fewer < 0 || (fewer === 0 && b.workingMinutes < a.workingMinutes) ? b : a;
  });
  const { hardener, workingMinutes } = best;
  let from = 0;
  const batches = best.batches.map((batch, i): MixedBatch => {
    const to = stays * ((i + 1) / best.batches.length);
    const wets = wettedOf(of, from, to);
    from = to;
    return {
      ...batch,
      resinVolume: (1000 * batch.resin) / density,
      hardenerVolume: (1000 * batch.hardener) / hardener.density,
      usedUp: batch.startMinute + (batch.resin + batch.hardener) / rate,
      wets,
    };
  });
  const cautions: string[] = [];
  if (coat)
    cautions.push(
      `a pot life of ${mixing.coatPotLife} min at 25 °C by the yard: what ${coat.name} says itself goes before it`,
    );
  if (temperature < GUESS.low || temperature > GUESS.high)
    cautions.push(`at ${temperature} °C the pot life is a guess: it is told at ${TOLD.low} and ${TOLD.high} °C`);
  if (batches.some((batch) => batch.resin > 0.8 * hardener.largest))
    cautions.push('a full pot heats itself up: keep it shallow, spread it at once, never leave it');
  return {
    part: part.name,
    partId: part.id,
    copy,
    kind,
    name,
    layers: of.map(({ layerNumber }) => layerNumber),
    hardener,
    stays,
    mixed,
    workingMinutes,
    batches,
    byVolume: (hardener.share * density) / hardener.density,
    cautions,
  };
}

/** What of the layers lies between two masses of resin, in the order in which they are laid. */
function wettedOf(of: ReturnType<typeof resinByLayer>, from: number, to: number): Wetted[] {
  let at = 0;
  return of.flatMap(({ layerNumber, resin, zones }) => {
    const start = at;
    at += resin;
    const share = resin > 0 ? (Math.min(to, at) - Math.max(from, start)) / resin : 0;
    return share > 1e-9 ? [{ layerNumber, share, zones: [...zones] }] : [];
  });
}
