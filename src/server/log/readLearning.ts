import type { Boat } from '@/core/document';
import { parseOrThrow } from '@/core/error';
import { makeEvaluator, targetOf } from '@/core/evaluate';
import { evaluateDetails } from '@/core/detail/kinds';
import {
  bookWithLearned,
  learn,
  learnRates,
  observationsOf,
  rateObservations,
  withoutLearned,
  type LearnedUse,
  type LearningPage,
  type LearningEffect,
  type Observation,
  type RateObservation,
} from '@/core/log';
import { workHours } from '@/core/cost';
import type { Fabric, Resin } from '@/core/material';
import { standingFacts, yardFactSchema, type KeptYardFact } from '@/core/shop';
import { boatWeight } from '@/core/weight';
import { allow, inTransaction, type StoreContext } from '../context';
import { listBoats, readBoat } from '../stores/boats';
import { listBuilds } from '../stores/builds';
import { readRevision } from '../stores/revisions';
import { listShelf, saveShelfMaterials } from '../stores/shelf';
import { keepYardFact, listYardFacts } from '../stores/yardFacts';
import { readSetting } from '../stores/settings';
import { logOf } from './readLog';

/** Boats whose change is computed before something is put to use: those changed last. */
const MOST_BOATS = 12;
type LearnedFact = Extract<KeptYardFact, { kind: 'learned' }>;

const inUse = async (context: StoreContext): Promise<LearnedFact[]> => {
  const standing = standingFacts(await listYardFacts(context, ['learned'])) as LearnedFact[];
  // Of one form and process the last that was put to use holds.
  return [...new Map(standing.map((fact) => [`${fact.body.process}|${fact.body.form}`, fact])).values()];
};

/** What all hulls teach, and what of it is in use. */
export async function readLearning(context: StoreContext): Promise<LearningPage> {
  const builds = await listBuilds(context);
  const observations: Observation[] = [];
  const ofRates: RateObservation[] = [];
  const rates = await readSetting(context, 'rates');
  for (const build of builds) {
    const { log } = await logOf(context, build);
    const { boat } = await readRevision(context, build.boatId, build.revision);
    const { process } = boat.brief;
    const hours = workHours(boat, makeEvaluator()(boat), evaluateDetails(boat), rates.body);
    const hoursOf = (id: string) => hours.reduce((sum, one) => sum + (one.partId === id ? one.hours : 0), 0);
    ofRates.push(...rateObservations({ hull: build.hull, process, hoursOf }, log));
    observations.push(...observationsOf({ boat: build.boat, hull: build.hull, process }, log));
  }
  const used = await inUse(context);
  return {
    learned: learn(observations),
    rates: learnRates(rates.body, ofRates),
    ratesVersion: rates.version,
    inUse: used.map(({ id, body, author }) => ({ id, author, ...body })),
  };
}

const resinOf = (boat: Boat) =>
  boat.materials.find((one): one is Resin => one.kind === 'resin' && one.id === boat.brief.resin);
function standingOf(boat: Boat): { mass: number; least: number | null } {
  const evaluations = makeEvaluator()(boat);
  const reserves = [...evaluations.values()].flatMap(({ governing }) => (governing ? [governing.reserveFactor] : []));
  return {
    mass: boatWeight(boat, evaluations, evaluateDetails(boat)).mass,
    least: reserves.length > 0 ? Math.min(...reserves) : null,
  };
}

/** What putting something to use would change, on which boats: nothing is kept. */
export async function learningEffect(context: StoreContext, use: LearnedUse): Promise<LearningEffect[]> {
  const listed = (await listBoats(context)).slice(0, MOST_BOATS);
  const effects: LearningEffect[] = [];
  for (const { id } of listed) {
    const { boat } = await readBoat(context, id);
    const materials = bookWithLearned(boat.materials, resinOf(boat), use);
    if (boat.brief.process !== use.process || JSON.stringify(materials) === JSON.stringify(boat.materials)) continue;
    const [before, after] = [standingOf(boat), standingOf({ ...boat, materials })];
    effects.push({ id, name: boat.name, before, after, target: targetOf(boat) });
  }
  return effects;
}

/**
 * Put what was learned to use, or take it back: the fabrics of the Shelf carry it as tested by the yard from then on;
 * boats take it over when somebody says so.
 * @throws KeramosError `invalid`, `conflict`, `forbidden`.
 */
export async function putToUse(context: StoreContext, raw: unknown): Promise<void> {
  allow(context, 'design');
  const fact = parseOrThrow(yardFactSchema, raw, 'fact') as LearnedFact;
  await inTransaction(context, async (inside) => {
    const there = (await listYardFacts(inside, ['learned'])).some(({ id }) => id === fact.id);
    await keepYardFact(inside, fact);
    if (there) return;
    const shelf = await listShelf(inside);
    const materials = shelf.map(({ material }) => material);
    const next = fact.void
      ? materials.map((one) => (one.kind === 'fabric' ? withoutLearned(one, fact.body) : one))
      : bookWithLearned(
          materials,
          materials.find((one): one is Resin => one.kind === 'resin'),
          fact.body,
        );
    const changed = next.filter(
      (one, i): one is Fabric => one.kind === 'fabric' && JSON.stringify(one) !== JSON.stringify(materials[i]),
    );
    if (changed.length > 0) await saveShelfMaterials(inside, changed);
  });
}
