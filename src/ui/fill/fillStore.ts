import * as Comlink from 'comlink';
import { useSyncExternalStore } from 'react';
import type { Filled, FillAsked, FillNews, FillWorker, WhatIfFound } from '@/workers/fill.worker';

/** What is known of one plan. */
export interface FillState {
  running: 'fill' | 'whatIfs' | null;
  news: FillNews | null;
  filled: Filled | null;
  whatIfs: WhatIfFound[];
  refusal: string | null;
}
interface Entry {
  /** Of all that it depends on: with another one nothing is known. */
  mark: string;
  state: FillState;
}

const NOTHING: FillState = { running: null, news: null, filled: null, whatIfs: [], refusal: null };
const entries = new Map<string, Entry>();
const workers = new Map<string, Worker>();
const listeners = new Set<() => void>();

const fillWorker = () => new Worker(new URL('../../workers/fill.worker.ts', import.meta.url), { type: 'module' });

function change(key: string, mark: string, by: Partial<FillState>): void {
  const entry = entries.get(key);
  const state = entry?.mark === mark ? entry.state : NOTHING;
  entries.set(key, { mark, state: { ...state, ...by } });
  listeners.forEach((listener) => listener());
}

function halt(key: string): void {
  workers.get(key)?.terminate();
  workers.delete(key);
}

/** Work aside of the page; what it says is kept as long as the page stands, also while other tabs are open. */
async function run(
  key: string,
  mark: string,
  work: (worker: Comlink.Remote<FillWorker>, own: () => boolean) => Promise<Partial<FillState>>,
): Promise<void> {
  halt(key);
  const worker = fillWorker();
  workers.set(key, worker);
  const own = () => workers.get(key) === worker;
  try {
    const done = await work(Comlink.wrap<FillWorker>(worker), own);
    if (own()) change(key, mark, { ...done, running: null });
  } catch {
    if (own()) change(key, mark, { running: null, refusal: 'The simulation broke off: run it again' });
  } finally {
    if (own()) halt(key);
  }
}

/** Simulate a plan, the front told as it moves. */
export const runFill = (key: string, mark: string, asked: FillAsked): Promise<void> => {
  change(key, mark, { running: 'fill', news: null, refusal: null, whatIfs: [] });
  return run(key, mark, async (worker, own) => {
    const onNews = Comlink.proxy((news: FillNews) => own() && change(key, mark, { news }));
    const found = (await worker.fill(asked, onNews as never)) as Filled | string;
    return typeof found === 'string' ? { refusal: found, filled: null, news: null } : { filled: found, news: null };
  });
};

/** Simulate what may go otherwise, one after the other. */
export const runWhatIfs = (key: string, mark: string, asked: FillAsked): Promise<void> => {
  change(key, mark, { running: 'whatIfs', refusal: null, whatIfs: [] });
  return run(key, mark, async (worker, own) => {
    const onFound = Comlink.proxy((one: WhatIfFound) => {
      if (own()) change(key, mark, { whatIfs: [...entries.get(key)!.state.whatIfs, one] });
    });
    const found = (await worker.whatIfs(asked, onFound)) as true | string;
    return typeof found === 'string' ? { refusal: found } : {};
  });
};

export function stopFill(key: string, mark: string): void {
  halt(key);
  change(key, mark, { running: null, news: null });
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
  };
};

/** What is known of a plan; nothing where what it depends on has another mark. */
export function useFill(key: string, mark: string): FillState {
  const entry = useSyncExternalStore(
    subscribe,
    () => entries.get(key),
    () => undefined,
  );
  return entry?.mark === mark ? entry.state : NOTHING;
}

let known: object = {};
/** What is known of every plan, for a look at several: by plan, with the mark that it had. */
export function useEveryFill(): ReadonlyMap<string, Entry> {
  useSyncExternalStore(subscribe, snapshot, snapshot);
  return entries;
}
let count = -1;
/** Another one whenever something changed. */
function snapshot(): object {
  let now = entries.size;
  for (const { state } of entries.values()) now = now * 31 + state.whatIfs.length + (state.filled ? 7 : 0);
  if (now !== count) {
    count = now;
    known = {};
  }
  return known;
}
