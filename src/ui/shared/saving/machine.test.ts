import fc from 'fast-check';
import { expect, it } from 'vitest';
import { merrow } from '../../../../tests/helpers/merrow';
import { KeramosError } from '@/core/error';
import type { Boat } from '@/core/document';
import { applyEdits } from '@/core/edit';
import { nextBatch, openSaving, saveStep, type Pending, type Saving, type SavingEvent, type Theirs } from './machine';
import { GONE_AFTER, Unsent, type UnsentStorage } from './unsent';

const NO_PLANS = { fillPlans: [], curePlans: [] };
/** A small boat is enough: what is edited are its laminates, one a token. */
const start: Boat = { ...merrow(), parts: [], details: [], supports: [], acceptances: [], references: [], ...NO_PLANS };
const fabric = start.materials.find(({ kind }) => kind === 'fabric')!.id;
const add = (token: string): Pending['edits'] => [
  {
    type: 'reference.add',
    item: {
      id: token,
      name: token,
      note: '',
      layers: [{ material: fabric, angleDeg: 0, thickness: null, role: 'structure' }],
    },
    index: 0,
  },
];
const holds = (boat: Boat, token: string) => boat.references.some(({ id }) => id === token);

type Answer =
  { status: 'ok'; version: number } | { status: 'conflict' } | { status: 'refused'; clientId: string | null };

/**
 * A server of one boat that is now and then away, slow, or refuses; it knows actions by their ids as the real one
 * does.
 */
class Server {
  state: Theirs = { boat: start, version: 1 };
  log: { clientId: string; version: number }[] = [];
  unwanted = new Set<string>();
  /** Whether a refusal says which action it is about. */
  tells = true;

  edit(base: number, actions: readonly Pending[]): Answer {
    const done = actions.flatMap(({ clientId }) => this.log.filter((one) => one.clientId === clientId));
    if (done.length === actions.length) return { status: 'ok', version: done.at(-1)!.version };
    const made = done.at(-1)?.version ?? base;
    if (made !== this.state.version) return { status: 'conflict' };
    let { boat } = this.state;
    const rest = actions.slice(done.length);
    for (const { clientId, edits } of rest) {
      const token = (edits[0] as { item: { id: string } }).item.id;
      if (this.unwanted.has(token)) return { status: 'refused', clientId: this.tells ? clientId : null };
      try {
        boat = applyEdits(boat, edits).boat;
      } catch (error) {
        if (!(error instanceof KeramosError)) throw error;
        return { status: 'refused', clientId: this.tells ? clientId : null };
      }
    }
    rest.forEach(({ clientId }, i) => this.log.push({ clientId, version: made + i + 1 }));
    this.state = { boat, version: made + rest.length };
    return { status: 'ok', version: this.state.version };
  }
}

/** One page with its machine; what is on its way may arrive, be lost on the way, or be lost on the way back. */
class Page {
  saving: Saving;
  unsent: Unsent;
  flying: { base: number; batch: readonly Pending[] } | null = null;
  told: string[] = [];
  constructor(
    private server: Server,
    storage: UnsentStorage,
    id: string,
    clock: () => number,
    private newId: () => string,
  ) {
    this.unsent = new Unsent(storage, 'b', id, clock);
    this.saving = openSaving(server.state, this.unsent.takeOver());
  }
  step(event: SavingEvent) {
    const before = this.saving.refused.length;
    this.saving = saveStep(this.saving, event);
    this.told.push(...this.saving.refused.slice(before).map(({ what }) => what));
    this.unsent.keep(this.saving.base, this.saving.queue);
  }
  type(token: string) {
    this.step({ type: 'typed', pending: { clientId: this.newId(), action: 'do', edits: add(token), label: token } });
  }
  send() {
    const batch = nextBatch(this.saving);
    if (batch.length === 0) return;
    this.flying = { base: this.saving.base, batch };
    this.step({ type: 'sent', count: batch.length });
  }
  land(how: 'arrives' | 'lost' | 'answerLost') {
    const flying = this.flying;
    if (!flying) return;
    this.flying = null;
    const answer = how === 'lost' ? null : this.server.edit(flying.base, flying.batch);
    if (answer === null || how === 'answerLost') return this.step({ type: 'unreachable' });
    if (answer.status === 'ok') this.step({ type: 'acknowledged', version: answer.version });
    else if (answer.status === 'refused') this.step({ type: 'refused', why: 'no', clientId: answer.clientId });
    else this.step({ type: 'metOthers', theirs: this.server.state });
  }
}

const command = fc.oneof(
  { weight: 8, arbitrary: fc.record({ do: fc.constant('type' as const), tab: fc.nat(1), unwanted: fc.nat(9) }) },
  { weight: 6, arbitrary: fc.record({ do: fc.constant('send' as const), tab: fc.nat(1) }) },
  {
    weight: 7,
    arbitrary: fc.record({
      do: fc.constant('land' as const),
      tab: fc.nat(1),
      how: fc.constantFrom('arrives' as const, 'arrives' as const, 'lost' as const, 'answerLost' as const),
    }),
  },
  { weight: 2, arbitrary: fc.record({ do: fc.constant('look' as const), tab: fc.nat(1) }) },
  {
    weight: 2,
    arbitrary: fc.record({
      do: fc.constant('settle' as const),
      tab: fc.nat(1),
      way: fc.constantFrom('onTop' as const, 'theirs' as const),
    }),
  },
  { weight: 2, arbitrary: fc.record({ do: fc.constant('reload' as const), tab: fc.nat(1), cleanly: fc.boolean() }) },
  { weight: 1, arbitrary: fc.record({ do: fc.constant('others' as const), tab: fc.nat(1) }) },
);

it(
  'what the user typed is at every moment on screen, stored, told as ' +
    'refused, dropped by the user, or kept for the next page',
  () => {
    fc.assert(
      fc.property(fc.array(command, { minLength: 10, maxLength: 60 }), fc.boolean(), (commands, tells) => {
        const server = new Server();
        server.tells = tells;
        const shelf = new Map<string, string>();
        const storage: UnsentStorage = {
          keys: () => [...shelf.keys()],
          get: (key) => shelf.get(key) ?? null,
          set: (key, value) => void shelf.set(key, value),
          remove: (key) => void shelf.delete(key),
        };
        let [now, ids] = [0, 0];
        const open = () =>
          new Page(
            server,
            storage,
            `page-${++ids}`,
            () => now,
            () => `action-${++ids}`,
          );
        const pages = [open(), open()];
        const tokens: string[] = [];
        const dropped = new Set<string>();
        const isSomewhere = (token: string) =>
          holds(server.state.boat, token) ||
          dropped.has(token) ||
          pages.some((page) => holds(page.saving.boat, token) || page.told.includes(token)) ||
          [...shelf.values()].some((text) => text.includes(`"${token}"`));

        for (const one of commands) {
          const page = pages[one.tab]!;
          now += 100;
          if (one.do === 'type') {
            const token = `t${tokens.length}`;
            tokens.push(token);
            if (one.unwanted === 0) server.unwanted.add(token);
            page.type(token);
            expect(holds(page.saving.boat, token)).toBe(true);
          } else if (one.do === 'send') page.send();
          else if (one.do === 'land') page.land(one.how);
          else if (one.do === 'look') page.step({ type: 'fetched', theirs: server.state });
          else if (one.do === 'others') server.state = { boat: server.state.boat, version: server.state.version + 1 };
          else if (one.do === 'settle') {
            if (page.saving.theirs === null) continue;
            const of = page.saving.queue;
            if (one.way === 'theirs') of.forEach(({ label }) => dropped.add(label!));
            page.step({ type: 'settled', way: one.way, of, newId: () => `action-${++ids}` });
          } else {
            if (one.cleanly) page.unsent.keep(page.saving.base, page.saving.queue, true);
            else now += GONE_AFTER + 1;
            // The other page lives on and says so.
            const other = pages[1 - one.tab]!;
            other.unsent.keep(other.saving.base, other.saving.queue);
            const told = page.told;
            pages[one.tab] = open();
            pages[one.tab]!.told.push(...told);
          }
          for (const token of tokens) expect(isSomewhere(token), `${token} after ${one.do}`).toBe(true);
          // What a page says is saved is saved.
          for (const { saving } of pages) if (saving.mode === 'saved') expect(saving.queue).toEqual([]);
        }

        // Left alone, every page comes to rest with everything in one of the three places.
        for (let round = 0; round < 400; round++)
          for (const page of pages) {
            if (page.saving.theirs)
              page.step({ type: 'settled', way: 'onTop', of: page.saving.queue, newId: () => `action-${++ids}` });
            page.send();
            page.land('arrives');
            if (page.saving.queue.length === 0) page.step({ type: 'fetched', theirs: server.state });
          }
        for (const page of pages) expect([page.saving.mode, page.saving.queue.length]).toEqual(['saved', 0]);
        const told = new Set(pages.flatMap((page) => page.told));
        for (const token of tokens)
          expect(
            holds(server.state.boat, token) ||
              told.has(token) ||
              dropped.has(token) ||
              [...shelf.values()].some((text) => text.includes(`"${token}"`)),
            token,
          ).toBe(true);
        for (const token of server.unwanted) expect(holds(server.state.boat, token)).toBe(false);
      }),
      { numRuns: 300, seed: 56 },
    );
  },
  120_000,
);

it('one page alone on a bad line never meets a conflict', () => {
  fc.assert(
    fc.property(
      fc.array(fc.constantFrom('type', 'send', 'arrives', 'lost', 'answerLost'), { maxLength: 60 }),
      (steps) => {
        const server = new Server();
        let ids = 0;
        const storage: UnsentStorage = { keys: () => [], get: () => null, set: () => {}, remove: () => {} };
        const page = new Page(
          server,
          storage,
          'p',
          () => 0,
          () => `a${++ids}`,
        );
        for (const step of steps) {
          if (step === 'type') page.type(`t${++ids}`);
          else if (step === 'send') page.send();
          else page.land(step as 'arrives');
          expect(page.saving.theirs).toBeNull();
        }
      },
    ),
    { numRuns: 500, seed: 7 },
  );
});

it('unsent edits of two pages do not share a place, and those of a living page are left to it', () => {
  const shelf = new Map<string, string>();
  const storage: UnsentStorage = {
    keys: () => [...shelf.keys()],
    get: (key) => shelf.get(key) ?? null,
    set: (key, value) => void shelf.set(key, value),
    remove: (key) => void shelf.delete(key),
  };
  let now = 0;
  const [a, b] = ['a', 'b'].map((id) => new Unsent(storage, 'b', id, () => now)) as [Unsent, Unsent];
  const pending = (clientId: string): Pending => ({ clientId, action: 'do', edits: add(clientId) });
  a.keep(3, [pending('one')]);
  b.keep(4, [pending('two')]);
  expect(shelf.size).toBe(2);
  expect(new Unsent(storage, 'b', 'c', () => now).takeOver()).toBeNull();
  now = GONE_AFTER + 1;
  b.keep(4, [pending('two')]);
  expect(new Unsent(storage, 'b', 'd', () => now).takeOver()).toMatchObject({
    version: 3,
    queue: [{ clientId: 'one' }],
  });
  b.keep(4, [pending('two')], true);
  expect(new Unsent(storage, 'b', 'e', () => now).takeOver()).toMatchObject({
    version: 4,
    queue: [{ clientId: 'two' }],
  });
  expect(new Unsent(storage, 'other', 'f', () => now).takeOver()).toBeNull();
});
