import type { Boat } from '@/core/document';
import { invalid, parseOrThrow } from '@/core/error';
import { makeEvaluator, targetOf } from '@/core/evaluate';
import { evaluateDetails } from '@/core/detail/kinds';
import {
  bookWithLearned,
  GAINS_NOTHING,
  learn,
  learnable,
  learnRates,
  observationOfCloth,
  observationsOf,
  rateObservations,
  ratesBefore,
  ratesTakenBack,
  ratesWithLearned,
  subjectOf,
  taughtBy,
  withBefore,
  type LearnedUse,
  type LearningEffect,
  type LearningPage,
  type Observation,
  type RateEffect,
  type RateObservation,
  type RateUse,
} from '@/core/log';
import { boatCost, workHours, type Rates } from '@/core/cost';
import { fabricArealWeight, type Fabric, type Material } from '@/core/material';
import { standingFacts, yardFactSchema, type KeptYardFact, type YardFactKind } from '@/core/shop';
import { boatWeight } from '@/core/weight';
import { allow, inTransaction, type StoreContext } from '../context';
import { listBoats, readBoat } from '../stores/boats';
import { listBuilds } from '../stores/builds';
import { readRevision } from '../stores/revisions';
import { listShelf, saveShelfMaterials } from '../stores/shelf';
import { keepYardFact, listYardFacts } from '../stores/yardFacts';
import { keepSetting, readSetting } from '../stores/settings';
import { logOf } from './readLog';
import { boatIfThere } from './readTrials';

/** Boats whose change is computed before something is put to use: those changed last. */
const MOST_BOATS = 12;
type FactOf<K extends YardFactKind> = Extract<KeptYardFact, { kind: K }>;

async function standing<K extends YardFactKind>(context: StoreContext, kind: K): Promise<FactOf<K>[]> {
  const facts = standingFacts(await listYardFacts(context, [kind])) as FactOf<K>[];
  // Those of an earlier version say less: what they leave out is filled in.
  return facts.map((fact) => {
    const { author, at, ...told } = fact;
    return { ...(yardFactSchema.parse(told) as FactOf<K>), author, at };
  });
}
/** Of one subject the last that was put to use holds. */
const lastOf = <F>(facts: readonly F[], subject: (fact: F) => string): F[] => [
  ...new Map(facts.map((fact) => [subject(fact), fact])).values(),
];
const inUse = async (context: StoreContext): Promise<FactOf<'learned'>[]> =>
  lastOf(await standing(context, 'learned'), ({ body }) => subjectOf(body));
const ratesInUse = async (context: StoreContext): Promise<FactOf<'learnedRate'>[]> =>
  lastOf(await standing(context, 'learnedRate'), ({ body }) => `${body.rate}|${body.process}`);

const materialsOf = async (context: StoreContext): Promise<Material[]> =>
  (await listShelf(context)).map(({ material }) => material);

/** What hulls say of their cloths, and of the rates as they were before anything was put into them. */
async function ofHulls(context: StoreContext, rates: Rates) {
  const observations: Observation[] = [];
  const ofRates: RateObservation[] = [];
  // Hulls of one revision go by the same hours.
  const known = new Map<string, { boat: Boat; hours: ReturnType<typeof workHours> }>();
  const planOf = async ({ boatId, revision }: { boatId: string; revision: string }) => {
    const key = `${boatId}|${revision}`;
    const before = known.get(key);
    if (before) return before;
    const { boat } = await readRevision(context, boatId, revision);
    const found = { boat, hours: workHours(boat, makeEvaluator()(boat), evaluateDetails(boat), rates) };
    known.set(key, found);
    return found;
  };
  for (const build of await listBuilds(context)) {
    const { log } = await logOf(context, build);
    const { boat, hours } = await planOf(build);
    const { process, resin } = boat.brief;
    const hoursOf = (id: string) => hours.reduce((sum, one) => sum + (one.partId === id ? one.hours : 0), 0);
    const teamOf = (partId: string) => build.state.plan.parts.find(({ id }) => id === partId)?.team ?? '';
    const hull = `${build.boat} ${build.hull}`;
    ofRates.push(...rateObservations({ hull: build.hull, process, hoursOf }, log));
    observations.push(...observationsOf({ hull, process, resin, teamOf }, log));
  }
  return { observations, ofRates };
}

/** What samples and cloth on the scales say, beside figures as they are published. */
async function ofTrials(context: StoreContext, used: readonly LearnedUse[], published: readonly Material[]) {
  const boats = new Map<string, Boat | null>();
  const observations: Observation[] = [];
  for (const { body } of await standing(context, 'trial')) {
    const boat = await boatIfThere(context, body.boat, boats);
    if (!boat) continue;
    const materials = bookWithLearned(boat.materials, { from: used, to: [] });
    observations.push(...taughtBy({ ...boat, materials }, body));
  }
  for (const { body } of await standing(context, 'clothWeighed'))
    observations.push(...observationOfCloth(published, body));
  return observations;
}

/** What hulls, samples and scales teach, and what of it is in use. */
export async function readLearning(context: StoreContext): Promise<LearningPage> {
  const [facts, rateFacts, shelf] = await Promise.all([inUse(context), ratesInUse(context), materialsOf(context)]);
  const used = facts.map(({ body }) => body);
  const published = bookWithLearned(shelf, { from: used, to: [] });
  const rates = rateFacts.reduce(
    (before, { body }) => ratesTakenBack(before, body),
    (await readSetting(context, 'rates')).body,
  );
  const { observations, ofRates } = await ofHulls(context, rates);
  const cloths = published.filter((one): one is Fabric => one.kind === 'fabric');
  return {
    learned: learn([...observations, ...(await ofTrials(context, used, published))], published),
    rates: learnRates(rates, ofRates),
    inUse: facts.map(({ id, body, author }) => ({ id, author, ...body })),
    ratesInUse: rateFacts.map(({ id, body, author }) => ({ id, author, ...body })),
    cloths: cloths
      .map((cloth) => {
        const { id, code, name, bindingWeight } = cloth;
        return { id, code, name, arealWeight: fabricArealWeight(cloth) + bindingWeight.value };
      })
      .sort((a, b) => a.name.localeCompare(b.name)),
  };
}

function standingOf(boat: Boat): { mass: number; least: number | null } {
  const evaluations = makeEvaluator()(boat);
  const reserves = [...evaluations.values()].flatMap(({ governing }) => (governing ? [governing.reserveFactor] : []));
  return {
    mass: boatWeight(boat, evaluations, evaluateDetails(boat)).mass,
    least: reserves.length > 0 ? Math.min(...reserves) : null,
  };
}

/** What is in use with one more, or with one less. */
const withUse = (used: readonly LearnedUse[], use: LearnedUse) => [
  ...used.filter((one) => subjectOf(one) !== subjectOf(use)),
  use,
];

/** What putting something to use would change, on which boats: nothing is kept. */
export async function learningEffect(context: StoreContext, use: LearnedUse): Promise<LearningEffect[]> {
  const listed = (await listBoats(context)).slice(0, MOST_BOATS);
  const used = (await inUse(context)).map(({ body }) => body);
  const effects: LearningEffect[] = [];
  for (const { id } of listed) {
    const { boat } = await readBoat(context, id);
    const materials = bookWithLearned(boat.materials, { from: used, to: withUse(used, use) });
    const isLaidSo = learnable(use.property).of !== 'form' || boat.brief.process === use.process;
    if (!isLaidSo || JSON.stringify(materials) === JSON.stringify(boat.materials)) continue;
    const [before, after] = [standingOf(boat), standingOf({ ...boat, materials })];
    effects.push({ id, name: boat.name, before, after, target: targetOf(boat) });
  }
  return effects;
}

/** What putting a rate to use would change, on which boats: nothing is kept. */
export async function rateEffect(context: StoreContext, use: RateUse): Promise<RateEffect[]> {
  const [{ body: rates }, { body: prices }] = [
    await readSetting(context, 'rates'),
    await readSetting(context, 'prices'),
  ];
  const own = (await ratesInUse(context)).find(({ body }) => body.rate === use.rate && body.process === use.process);
  const after = ratesWithLearned(own ? ratesTakenBack(rates, own.body) : rates, use);
  const effects: RateEffect[] = [];
  for (const { id } of (await listBoats(context)).slice(0, MOST_BOATS)) {
    const { boat } = await readBoat(context, id);
    if (boat.brief.process !== use.process) continue;
    const evaluations = makeEvaluator()(boat);
    const details = evaluateDetails(boat);
    const [now, then] = [rates, after].map((by) => {
      const { totals } = boatCost(boat, evaluations, details, { rates: by, offers: prices.offers });
      return { hours: totals.hours, cost: totals.cost };
    });
    effects.push({ id, name: boat.name, before: now!, after: then!, currency: rates.currency });
  }
  return effects;
}

/**
 * Put what was learned to use, or take it back: the materials of the Shelf carry it as tested by the yard from then on,
 * or the rates of Weights; boats take materials over when somebody says so.
 * @throws KeramosError `invalid`, `conflict`, `forbidden`.
 */
export async function putToUse(context: StoreContext, raw: unknown): Promise<void> {
  allow(context, 'design');
  const fact = parseOrThrow(yardFactSchema, raw, 'fact');
  if (fact.kind === 'learned') await putFigure(context, fact);
  else if (fact.kind === 'learnedRate') await putRate(context, fact);
  else throw invalid('kind', 'Only what was learned is put to use');
}

async function putFigure(context: StoreContext, fact: Omit<FactOf<'learned'>, 'author' | 'at'>): Promise<void> {
  const { least } = learnable(fact.body.property);
  if (!fact.void && fact.body.n < least) throw invalid('n', `${least} readings at least are wanted before it is used`);
  if (!fact.void && fact.body.property === 'thickness' && fact.body.factor > 1) throw invalid('factor', GAINS_NOTHING);
  await inTransaction(context, async (inside) => {
    const there = (await listYardFacts(inside, ['learned'])).find(({ id }) => id === fact.id) as
      typeof fact | undefined;
    // The same sent again is kept once; another under its id is refused.
    if (there) return void (await keepYardFact(inside, { ...fact, body: { ...fact.body, was: there.body.was } }));
    const used = (await inUse(inside)).map(({ body }) => body);
    const materials = await materialsOf(inside);
    const published = bookWithLearned(materials, { from: used, to: [] });
    const body = { ...fact.body, ...withBefore({ ...fact.body, was: [] }, published) };
    await keepYardFact(inside, { ...fact, body });
    const to = (await inUse(inside)).map((one) => one.body);
    const next = bookWithLearned(materials, { from: used, to });
    const changed = next.filter((one, i) => JSON.stringify(one) !== JSON.stringify(materials[i]));
    if (changed.length > 0) await saveShelfMaterials(inside, changed);
  });
}

async function putRate(context: StoreContext, fact: Omit<FactOf<'learnedRate'>, 'author' | 'at'>): Promise<void> {
  await inTransaction(context, async (inside) => {
    const there = (await listYardFacts(inside, ['learnedRate'])).find(({ id }) => id === fact.id) as
      typeof fact | undefined;
    if (there) return void (await keepYardFact(inside, { ...fact, body: { ...fact.body, was: there.body.was } }));
    const { body: rates, version } = await readSetting(inside, 'rates');
    const own = (await ratesInUse(inside)).find(
      ({ body }) => body.rate === fact.body.rate && body.process === fact.body.process,
    );
    const before = own ? ratesTakenBack(rates, own.body) : rates;
    await keepYardFact(inside, { ...fact, body: { ...fact.body, was: ratesBefore(before, fact.body) } });
    const [left] = (await ratesInUse(inside)).filter(
      ({ body }) => body.rate === fact.body.rate && body.process === fact.body.process,
    );
    await keepSetting(inside, 'rates', { body: left ? ratesWithLearned(before, left.body) : before, version });
  });
}
