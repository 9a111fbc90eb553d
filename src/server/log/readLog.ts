import {
  buildLog,
  causesOf,
  plannedOf,
  yardView,
  type BuildLog,
  type LogOfBuild,
  type LogOfYard,
  type Planned,
} from '@/core/log';
import type { StoreContext } from '../context';
import { listBuilds } from '../stores/builds';
import { readRevision } from '../stores/revisions';
import { listWeighIns } from '../stores/weighIns';

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

type Listed = Awaited<ReturnType<typeof listBuilds>>[number];
export async function logOf(context: StoreContext, build: Listed): Promise<{ log: BuildLog; planned: Planned }> {
  const planned = await plannedFor(context, build.boatId, build.revision);
  return { planned, log: buildLog(build.state, planned, await listWeighIns(context, build.boatId)) };
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
  return {
    boats: views,
    builds: builds.map(({ id, boat, hull, revision, createdAt, closedAt }) => {
      return { id, boat, hull, revision, createdAt, closedAt };
    }),
  };
}
