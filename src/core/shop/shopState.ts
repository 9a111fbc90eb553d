import type { BuildPlan, BuildState, StepKind } from '../build';
import { consumption, type ConsumableState } from './consumption';
import { messyWork, type MessyWork } from './messyWork';
import { mouldStates, type MouldState } from './mouldStates';
import { seriesRate, type SeriesRate } from './seriesRate';
import { mayNotWork, type Shop } from './shop';
import { toolLives, type ToolLife } from './toolLives';
import { mouldTurn, type MouldTurn } from './turn';
import { standingFacts, type KeptYardFact } from './yardFact';

/** What a boat's series comes to. */
export interface Series {
  boat: string;
  hull: string;
  turns: ({ part: string; mould: string } & MouldTurn)[];
  rate: SeriesRate;
  hours: Partial<Record<StepKind, number>>;
}
export interface ShopState {
  moulds: MouldState[];
  tools: ToolLife[];
  consumables: ConsumableState[];
  messy: MessyWork;
  series: Series[];
  facts: KeptYardFact[];
}

/** A series of a boat as the last of its hulls is planned: each part in its own mould. */
function seriesOf(plan: BuildPlan, shop: Shop): Series {
  const week = { shift: shop.shift, days: shop.days };
  const turns = plan.parts.map(({ id, name, mould }) => {
    const steps = plan.steps.filter(({ partId }) => partId === id);
    const places = shop.moulds.find((one) => one.name.toLowerCase() === mould.toLowerCase())?.places ?? 40;
    return { part: name, mould: mould || name, ...mouldTurn(steps, { places, week }) };
  });
  const hours: Partial<Record<StepKind, number>> = {};
  for (const { kind, minutes, people = 2 } of plan.steps)
    if (kind !== 'cure') hours[kind] = (hours[kind] ?? 0) + (minutes * people) / 60;
  // Parts that share a mould are pulled from it one after the other.
  const days = new Map<string, number>();
  for (const turn of turns) days.set(turn.mould, (days.get(turn.mould) ?? 0) + turn.days);
  const kinds = Object.keys(hours) as StepKind[];
  const people = shop.people.map(({ name, hours: own }) => {
    return { name, hours: own, may: kinds.filter((kind) => mayNotWork(shop.work, { kind, person: name }) === null) };
  });
  const moulds = [...days].map(([name, all]) => ({ name, days: all }));
  return { boat: plan.boat, hull: plan.hull, turns, hours, rate: seriesRate({ moulds, work: hours, people }) };
}

/** The latest facts that are shown. */
const SHOWN = 200;

/**
 * The whole shop as it stands.
 * @param builds every build of the yard, the newest first; those that are closed take no part in what comes next.
 */
export function shopState(
  shop: Shop,
  facts: readonly KeptYardFact[],
  builds: readonly { boatId: string; state: BuildState; closedAt: string | null }[],
): ShopState {
  const standing = standingFacts(facts);
  const all = builds.map(({ state }) => state);
  const open = builds.filter(({ closedAt }) => closedAt === null).map(({ state }) => state);
  const latest = new Map<string, BuildPlan>();
  for (const { boatId, state } of builds) if (!latest.has(boatId)) latest.set(boatId, state.plan);
  return {
    moulds: mouldStates(shop.moulds, standing, all),
    tools: toolLives(standing),
    consumables: consumption(shop.consumables, standing, all),
    messy: messyWork(open),
    series: [...latest.values()].map((plan) => seriesOf(plan, shop)),
    facts: [...facts].reverse().slice(0, SHOWN),
  };
}
