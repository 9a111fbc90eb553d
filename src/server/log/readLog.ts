import { PROCESSES } from '@/core/material';
import { standingFacts, type KeptYardFact } from '@/core/shop';
import {
  buildLog,
  causesOf,
  LEARNABLES,
  LEARNED_FORMS,
  LEARNED_RATES,
  plannedOf,
  subjectOf,
  yardView,
  type BuildLog,
  type LogOfBuild,
  type LogOfYard,
  type Planned,
  type ResinLimits,
} from '@/core/log';
import type { StoreContext } from '../context';
import { listBuilds } from '../stores/builds';
import { readRevision } from '../stores/revisions';
import { readSetting } from '../stores/settings';
import { listWeighIns } from '../stores/weighIns';
import { listYardFacts } from '../stores/yardFacts';

/** What a revision plans: it never changes, so it is found once. */
const plans = new Map<string, Planned>();
const KEPT = 40;

async function plannedFor(context: StoreContext, boatId: string, label: string): Promise<Planned> {
  const revision = await readRevision(context, boatId, label);
  const key = `${boatId}|${label}|${revision.hash}`;
  const known = plans.get(key);
  if (known) return known;
  const planned = plannedOf(revision.boat);
  plans.set(key, planned);
  if (plans.size > KEPT) plans.delete(plans.keys().next().value!);
  return planned;
}

/** What the yard's list asks of a laminate of the resin of a plan; null where it says nothing of it. */
export async function resinLimits(context: StoreContext, { resinFamily }: Planned): Promise<ResinLimits | null> {
  const { families } = (await readSetting(context, 'curing')).body;
  return families.find(({ family }) => family === resinFamily) ?? null;
}

type Listed = Awaited<ReturnType<typeof listBuilds>>[number];
export async function logOf(context: StoreContext, build: Listed): Promise<{ log: BuildLog; planned: Planned }> {
  const planned = await plannedFor(context, build.boatId, build.revision);
  const weighIns = await listWeighIns(context, build.boatId);
  return { planned, log: buildLog(build.state, planned, { weighIns, resin: await resinLimits(context, planned) }) };
}

/** What was read of one hull beside what was planned. @returns null where there is no such build. */
export async function readLog(context: StoreContext, buildId: string): Promise<LogOfBuild | null> {
  const build = (await listBuilds(context)).find(({ id }) => id === buildId);
  if (!build) return null;
  const { log, planned } = await logOf(context, build);
  const { id, boatId, boat, hull, revision, createdAt, closedAt, state } = build;
  return {
    id,
    boatId,
    boat,
    hull,
    revision,
    units: state.plan.units,
    createdAt,
    closedAt,
    log,
    causes: log.parts.flatMap((part) => {
      const found = causesOf(part, planned.parts.find((one) => one.id === part.partId)?.number ?? 1);
      return found ? [{ partId: part.partId, found }] : [];
    }),
    skins: state.plan.parts.map((part) => ({ partId: part.id, skins: part.skins })),
  };
}

/** What is in use of what was learned: of each subject the last, in words. */
function lastInUse(facts: readonly KeptYardFact[]): LogOfYard['learned'] {
  const said = standingFacts(facts).flatMap((fact): [string, LogOfYard['learned'][number]][] => {
    const { author } = fact;
    if (fact.kind === 'learnedRate') {
      const { rate, process, value, on } = fact.body;
      const says = `${PROCESSES[process].name}, ${LEARNED_RATES[rate]}: ${value.toFixed(2)}`;
      return [[`${rate}|${process}`, { says, on, author }]];
    }
    if (fact.kind !== 'learned') return [];
    const { property = 'fibreShare', process, form, material = '', factor, on } = fact.body;
    const what = material === '' ? `${LEARNED_FORMS[form]}, ${PROCESSES[process].name.toLowerCase()}` : material;
    const says = `${LEARNABLES[property].name} of ${what}: ${factor.toFixed(3)} of what is published`;
    return [[subjectOf({ property, process, form, material }), { says, on, author }]];
  });
  return [...new Map(said).values()];
}

/** What all hulls say together, boat by boat. */
export async function readYardLog(context: StoreContext): Promise<LogOfYard> {
  const builds = await listBuilds(context);
  const boats = new Map<string, Listed[]>();
  for (const build of [...builds].reverse()) boats.set(build.boatId, [...(boats.get(build.boatId) ?? []), build]);
  const views = [];
  for (const [boatId, own] of boats) {
    const logged = [];
    for (const build of own) {
      const { log } = await logOf(context, build);
      logged.push({ boat: build.boat, hull: build.hull, state: build.state, log });
    }
    views.push({ boatId, boat: own[0]!.boat, hulls: own.map(({ hull }) => hull), view: yardView(logged) });
  }
  const learned = lastInUse(await listYardFacts(context, ['learned', 'learnedRate']));
  return {
    learned,
    boats: views,
    builds: builds.map(({ id, boat, hull, revision, createdAt, closedAt }) => {
      return { id, boat, hull, revision, createdAt, closedAt };
    }),
  };
}
