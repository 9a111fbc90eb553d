import { beforeEach, describe, expect, it, vi } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import { applyEdits, EMPTY_HISTORY, type Edit } from '@/core/edit';
import { boatToJson, type Boat } from '@/core/document';
import { BoatStore } from './boatStore';

const layerId = merrow().parts[0]!.layers[3]!.id;
const turn = (angleDeg: number): Edit => ({ type: 'layer.set', layerId, patch: { angleDeg } });
const angleOf = (boat: Boat) => boat.parts[0]!.layers.find((layer) => layer.id === layerId)?.angleDeg;

/** A server of one boat, as the page sees it. */
class FakeServer {
  boat = merrow();
  version = 1;
  reachable = true;
  imported: string[] = [];
  refuse: string | null = null;
  trouble: string | null = null;
  edit(...edits: Edit[]) {
    this.boat = applyEdits(this.boat, edits).boat;
    this.version += 1;
  }
  fetch = async (url: string, init?: RequestInit): Promise<Response> => {
    if (!this.reachable) throw new TypeError('fetch failed');
    const answer = (status: number, body: unknown) => new Response(JSON.stringify(body), { status });
    if (url.endsWith('/import')) {
      this.imported.push(String(init!.body));
      return answer(201, { id: 'copy' });
    }
    if (!url.endsWith('/edits'))
      return answer(200, { id: 'b', version: this.version, archived: false, boat: this.boat, history: EMPTY_HISTORY });
    const { baseVersion, actions } = JSON.parse(String(init!.body)) as {
      baseVersion: number;
      actions: { edits: Edit[] }[];
    };
    if (this.trouble) return answer(503, { error: { code: 'unavailable', message: this.trouble, path: '' } });
    if (this.refuse) return answer(422, { error: { code: 'invalid', message: this.refuse, path: '' } });
    if (baseVersion !== this.version)
      return answer(409, { error: { code: 'conflict', message: 'changed', path: '', version: this.version } });
    for (const { edits } of actions) this.edit(...edits);
    return answer(200, { version: this.version });
  };
}

let server: FakeServer;
let kept: Map<string, string>;
const newStore = () =>
  new BoatStore(
    { id: 'b', version: server.version, archived: false, boat: server.boat, history: EMPTY_HISTORY },
    {
      keys: () => [...kept.keys()],
      get: (key) => kept.get(key) ?? null,
      set: (key, value) => void kept.set(key, value),
      remove: (key) => void kept.delete(key),
    },
  );
const settled = (store: BoatStore, state: string) =>
  vi.waitFor(() => expect(store.getState().save).toBe(state), 60_000);

beforeEach(() => {
  server = new FakeServer();
  kept = new Map();
  vi.stubGlobal('fetch', server.fetch);
  vi.stubGlobal('localStorage', { getItem: () => null });
});

describe('the boat on the page', () => {
  it('shows an edit at once and saves it; undo and redo are saved too', async () => {
    const store = newStore();
    expect(store.act(turn(90))).toBe(true);
    expect(angleOf(store.getState().boat)).toBe(90);
    expect(store.getState().save).toBe('saving');
    await settled(store, 'saved');
    expect(angleOf(server.boat)).toBe(90);
    store.undo();
    await settled(store, 'saved');
    expect(angleOf(server.boat)).toBe(0);
    store.redo();
    await settled(store, 'saved');
    expect(angleOf(server.boat)).toBe(90);
    expect(server.version).toBe(4);
  });
  it('refuses what does not fit, in words, and keeps the boat', () => {
    const store = newStore();
    expect(store.act({ type: 'layer.set', layerId, patch: { angleDeg: 200 } })).toBe(false);
    expect(store.getState().notice).toMatchObject({
      kind: 'refused',
      text: expect.stringContaining('Angle must be between') as string,
    });
    expect(store.act({ type: 'layer.remove', layerId: 'nothing' })).toBe(false);
    expect(boatToJson(store.getState().boat)).toBe(boatToJson(merrow()));
    expect(store.getState().history.undo).toEqual([]);
  });
  it('sends many quick edits in order', async () => {
    const store = newStore();
    for (let i = 1; i <= 30; i++) store.act(turn(i));
    await settled(store, 'saved');
    expect(angleOf(server.boat)).toBe(30);
    expect(boatToJson(server.boat)).toBe(boatToJson(store.getState().boat));
  });
  it('keeps edits while the server is away, through a reload, and saves them when it is back', async () => {
    const store = newStore();
    server.reachable = false;
    store.act(turn(45));
    await settled(store, 'offline');
    expect(kept.size).toBe(1);
    store.resume()();
    const reloaded = newStore();
    server.reachable = true;
    reloaded.resume();
    expect(angleOf(reloaded.getState().boat)).toBe(45);
    await settled(reloaded, 'saved');
    expect(angleOf(server.boat)).toBe(45);
    expect(kept.size).toBe(0);
  });
  it('gives back what the server would not take, and says so', async () => {
    const store = newStore();
    server.refuse = 'Not today';
    store.act(turn(45));
    await vi.waitFor(
      () =>
        expect(store.getState().notice?.text).toBe(
          'Not saved (1 change): turned layer 4 (TX 900) of Hull to 45°: Not today',
        ),
      60_000,
    );
    expect(angleOf(store.getState().boat)).toBe(0);
  });
  it('keeps what the disk of the server would not take, says so, and saves it when there is room', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    const store = newStore();
    server.trouble = 'The disk of the server is full';
    store.act(turn(45));
    await vi.advanceTimersByTimeAsync(200);
    expect(store.getState()).toMatchObject({ save: 'offline', notice: { text: 'The disk of the server is full' } });
    expect(angleOf(store.getState().boat)).toBe(45);
    server.trouble = null;
    await vi.advanceTimersByTimeAsync(4000);
    vi.useRealTimers();
    await settled(store, 'saved');
    expect(angleOf(server.boat)).toBe(45);
  });
  it('cleans what is pasted of what cannot be kept', async () => {
    const store = newStore();
    store.act({ type: 'boat.rename', name: 'Mer\u0000row \ud83d85' } as Edit);
    await settled(store, 'saved');
    expect(server.boat.name).toBe('Merrow 85');
  });
  it('takes over what another window saved when it looks again', async () => {
    const store = newStore();
    server.edit(turn(60));
    await store.lookAgain();
    expect(angleOf(store.getState().boat)).toBe(60);
    expect(store.getState().notice?.text).toContain('Changed in another window: Hull, Layer 4, TX 900');
  });
});

describe('when somebody else was quicker', () => {
  const other = merrow().parts[0]!.layers[5]!.id;
  const clash = async () => {
    const store = newStore();
    server.edit({ type: 'layer.remove', layerId: other });
    store.act(turn(45));
    await settled(store, 'conflict');
    return store;
  };
  it('shows what both sides changed', async () => {
    const { conflict } = (await clash()).getState();
    expect(conflict!.theirChanges!.map(({ kind, subject }) => `${kind} ${subject}`)).toEqual([
      'removed Layer 6, BX45 600',
    ]);
    expect(conflict!.ourChanges.some(({ details }) => details.includes('Angle: {{angle 0}} → {{angle 45}}'))).toBe(
      true,
    );
  });
  it('puts ours on top of theirs', async () => {
    const store = await clash();
    await store.settle('onTop');
    await settled(store, 'saved');
    expect(angleOf(server.boat)).toBe(45);
    expect(server.boat.parts[0]!.layers.some(({ id }) => id === other)).toBe(false);
  });
  it('takes theirs', async () => {
    const store = await clash();
    await store.settle('theirs');
    expect(store.getState().save).toBe('saved');
    expect(boatToJson(store.getState().boat)).toBe(boatToJson(server.boat));
  });
  it('keeps ours as a boat of its own', async () => {
    const store = await clash();
    await store.settle('apart');
    expect(server.imported).toHaveLength(1);
    expect(server.imported[0]).toContain('Merrow 84 (mine)');
    expect(angleOf(store.getState().boat)).toBe(0);
  });
  it('says which of ours no longer fits', async () => {
    const store = newStore();
    server.edit({ type: 'layer.remove', layerId });
    store.act(turn(45));
    await settled(store, 'conflict');
    await store.settle('onTop');
    expect(store.getState().notice).toMatchObject({
      kind: 'refused',
      text: expect.stringContaining('Could not be put on top') as string,
    });
    expect(store.getState().save).toBe('saved');
  });
  it('an archived boat is not edited', () => {
    const store = new BoatStore({ id: 'b', version: 1, archived: true, boat: merrow(), history: EMPTY_HISTORY });
    expect(store.act(turn(1))).toBe(false);
    expect(store.getState().notice?.text).toContain('archived');
  });
});

describe('words of an action', () => {
  it('go with it: into the history, to the server, and into the notice of its undo', async () => {
    const sent: unknown[] = [];
    vi.stubGlobal(
      'fetch',
      vi.fn(async (_url: string, init: { body: string }) => {
        sent.push(JSON.parse(init.body));
        return new Response(JSON.stringify({ version: 2 }), {
          status: 200,
          headers: { 'content-type': 'application/json' },
        });
      }),
    );
    const boat = merrow();
    const store = new BoatStore({ id: 'b', version: 1, archived: false, boat, history: EMPTY_HISTORY });
    const layerId = boat.parts[0]!.layers[3]!.id;
    expect(store.actAs('laid it across', { type: 'layer.set', layerId, patch: { angleDeg: 90 } })).toBe(true);
    expect(store.getState().history.undo.at(-1)!.description).toBe('laid it across');
    await vi.waitFor(() => expect(store.getState().save).toBe('saved'), 60_000);
    // A store of the test before this one may still be sending.
    expect(JSON.stringify(sent)).toContain('"label":"laid it across"');
    store.undo();
    expect(store.getState().notice).toEqual({ kind: 'done', text: 'Took back: laid it across' });
    expect(store.getState().boat).toEqual(boat);
  });
});
