import type { BuildState } from '../build';
import type { Mould } from './shop';
import type { YardFact } from './yardFact';

/** How a mould stands. */
export interface MouldState {
  name: string;
  pulls: number;
  /** Release coats since it was last stripped down, those of builds with those of the shop. */
  coats: number;
  /** Pulls since it was last serviced, and how many are left until it is due; below 0 it is overdue. */
  sinceService: number;
  left: number | null;
  repairs: number;
  stripped: string | null;
  serviced: string | null;
  /** What stands in it now: boat, hull and part; null where it is free. */
  holds: string | null;
  /** Nobody wrote it down as a mould of the shop; it was named when a build began. */
  isUnlisted: boolean;
}

interface Event {
  on: string;
  what: 'coat' | 'pulled' | 'stripped' | 'serviced' | 'repaired';
  count: number;
}

/** What the builds tell of a mould: coats put on, parts pulled, what stands in it. */
function ofBuilds(name: string, states: readonly BuildState[]): { events: Event[]; holds: string | null } {
  const events: Event[] = [];
  let holds: string | null = null;
  for (const { plan, steps } of states)
    for (const part of plan.parts.filter(({ mould }) => mould.trim().toLowerCase() === name.toLowerCase())) {
      const own = plan.steps.filter(({ partId }) => partId === part.id).map(({ id }) => steps.get(id)!);
      for (const { coats } of own) for (const { at } of coats) events.push({ on: at, what: 'coat', count: 1 });
      const pull = own.find(({ step, done }) => step.kind === 'demould' && done !== null);
      if (pull) events.push({ on: pull.done!.at, what: 'pulled', count: 1 });
      else if (own.some(({ begun }) => begun !== null)) holds = `${plan.boat}, hull ${plan.hull}: ${part.name}`;
    }
  return { events, holds };
}

/**
 * How every mould stands, by what was recorded of builds and of the shop: a part taken out is a pull, a release coat is
 * a coat.
 *
 * @param facts that stand. @param builds every build of the yard.
 * @returns those of the shop first, then moulds that builds name and the shop does not.
 */
export function mouldStates(
  moulds: readonly Mould[],
  facts: readonly YardFact[],
  builds: readonly BuildState[],
): MouldState[] {
  const named = new Set(
    builds.flatMap(({ plan }) => plan.parts.map(({ mould }) => mould.trim()).filter((mould) => mould !== '')),
  );
  const listed = new Set(moulds.map(({ name }) => name.toLowerCase()));
  const others = [...named].filter((name) => !listed.has(name.toLowerCase()));
  return [...moulds, ...others.map((name) => ({ name, pullsBefore: 0, serviceEvery: 0 }))].map((mould) => {
    const { events, holds } = ofBuilds(mould.name, builds);
    for (const fact of facts) {
      if (fact.kind !== 'mould' || fact.body.mould.toLowerCase() !== mould.name.toLowerCase()) continue;
      const { what, count, on } = fact.body;
      events.push({ on, what: what === 'coats' ? 'coat' : what, count });
    }
    events.sort((a, b) => a.on.localeCompare(b.on));
    const last = (what: Event['what']) => events.findLast((event) => event.what === what)?.on ?? null;
    const since = (what: Event['what'], from: string | null) =>
      events.reduce((sum, event) => sum + (event.what === what && event.on >= (from ?? '') ? event.count : 0), 0);
    const [stripped, serviced] = [last('stripped'), last('serviced')];
    const sinceService = since('pulled', serviced) + (serviced === null ? mould.pullsBefore : 0);
    return {
      name: mould.name,
      pulls: mould.pullsBefore + since('pulled', null),
      coats: since('coat', stripped),
      sinceService,
      left: mould.serviceEvery > 0 ? mould.serviceEvery - sinceService : null,
      repairs: since('repaired', null),
      stripped,
      serviced,
      holds,
      isUnlisted: !listed.has(mould.name.toLowerCase()),
    };
  });
}
