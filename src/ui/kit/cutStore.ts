import * as Comlink from 'comlink';
import { useSyncExternalStore } from 'react';
import type { CutInput, CutPlace, CutStep, CutWay } from '@/core/kit';
import type { KitWorker } from '@/workers/kit.worker';
import { kitWorker } from './usePieces';

/** What is known of the ways to cut one fabric. */
export interface CutState {
  running: boolean;
  /** It was stopped, or the page was left while it was looking: what stands is the best until then. */
  stopped: boolean;
  progress: CutStep | null;
  /** Ways as they were found, from the least time to the least cloth; empty where nothing was looked for. */
  ways: CutWay[];
  refusal: string | null;
  /** Copies that lie fast, by piece and copy. */
  fast: string[];
  /** Lays before each move by hand: the last is gone back to. */
  before: CutWay[][];
  /** What was laid out is cut and booked. */
  booked: boolean;
}
interface Entry {
  /** Of all that it depends on: with another one nothing is known. */
  mark: string;
  state: CutState;
}

const NOTHING: CutState = {
  running: false,
  stopped: false,
  progress: null,
  ways: [],
  refusal: null,
  fast: [],
  before: [],
  booked: false,
};
const entries = new Map<string, Entry>();
const workers = new Map<string, Worker>();
const listeners = new Set<() => void>();
const PREFIX = 'keramos.cut.';
/** While it looks, a better lay is kept over a reload no more often than this (ms). */
const KEEP_EVERY = 1500;
let lastKept = 0;
/** Moves by hand that can be taken back. */
const MOST_BEFORE = 30;

export const nameOfPlace = ({ pieceId, copy }: Pick<CutPlace, 'pieceId' | 'copy'>) => `${pieceId} ${copy}`;

function read(key: string): Entry | undefined {
  const known = entries.get(key);
  if (known) return known;
  try {
    const text = typeof sessionStorage === 'undefined' ? null : sessionStorage.getItem(PREFIX + key);
    if (text === null) return undefined;
    const kept = JSON.parse(text) as Entry;
    // Nothing runs in a page that has just come up.
    const state = { ...NOTHING, ...kept.state, running: false, stopped: kept.state.stopped || kept.state.running };
    entries.set(key, { mark: kept.mark, state });
  } catch {
    return undefined;
  }
  return entries.get(key);
}

/** Fabrics whose lays are kept over a reload; room is left for what is typed. */
const MOST_KEPT = 4;
const recent: string[] = [];
/** Only the last few fabrics are kept. */
function makeRoom(key: string): void {
  const at = recent.indexOf(key);
  if (at >= 0) recent.splice(at, 1);
  recent.push(key);
  if (recent.length > MOST_KEPT) sessionStorage.removeItem(PREFIX + recent.shift()!);
}

function write(key: string, entry: Entry, keep: boolean): void {
  entries.set(key, entry);
  const due = !entry.state.running || performance.now() - lastKept > KEEP_EVERY;
  if (keep && due)
    try {
      lastKept = performance.now();
      const { before: _before, progress: _progress, ...state } = entry.state;
      makeRoom(key);
      sessionStorage.setItem(PREFIX + key, JSON.stringify({ mark: entry.mark, state }));
    } catch {
      // It is kept as long as the page stands.
    }
  listeners.forEach((listener) => listener());
}

const change = (key: string, mark: string, by: Partial<CutState>, keep = true) => {
  const entry = read(key);
  const state = entry?.mark === mark ? entry.state : NOTHING;
  write(key, { mark, state: { ...state, ...by } }, keep);
};
const withWay = (ways: readonly CutWay[], way: CutWay): CutWay[] => {
  const at = ways.findIndex(({ name }) => name === way.name);
  return at < 0 ? [...ways, way] : ways.map((one, i) => (i === at ? way : one));
};

function halt(key: string): void {
  workers.get(key)?.terminate();
  workers.delete(key);
}

/**
 * Looks for ways to cut a fabric aside of the page: goes on while other tabs are open, keeps each better lay as it is
 * found, and over a reload.
 */
export async function runCut(key: string, mark: string, asked: CutInput): Promise<void> {
  halt(key);
  const known = read(key);
  const ways = known?.mark === mark ? known.state.ways : [];
  const worker = kitWorker();
  workers.set(key, worker);
  change(key, mark, {
    running: true,
    stopped: false,
    refusal: null,
    progress: null,
    ways: asked.fast || asked.from ? ways : [],
  });
  const own = () => workers.get(key) === worker;
  try {
    const found = (await Comlink.wrap<KitWorker>(worker).cut(
      asked,
      Comlink.proxy((progress: CutStep) => {
        if (!own()) return;
        const state = read(key)!.state;
        if (progress.best) change(key, mark, { progress, ways: withWay(state.ways, progress.best) });
        else change(key, mark, { progress }, false);
      }),
    )) as CutWay[] | string;
    if (!own()) return;
    const done = typeof found === 'string' ? { refusal: found, ways: [] } : { ways: found };
    change(key, mark, { running: false, booked: false, before: [], ...done });
  } catch {
    if (own()) change(key, mark, { running: false, refusal: 'The nesting broke off: look again' });
  } finally {
    if (own()) halt(key);
  }
}

export function stopCut(key: string, mark: string): void {
  halt(key);
  change(key, mark, { running: false, stopped: true });
}

/** A way that was changed by hand, in place of what it was. */
export function putWay(key: string, mark: string, way: CutWay): void {
  const { ways, before } = read(key)?.state ?? NOTHING;
  change(key, mark, { ways: withWay(ways, way), before: [...before, ways].slice(-MOST_BEFORE), booked: false });
}
/** Back to the lay before the last move. */
export function takeBackMove(key: string, mark: string): void {
  const { before } = read(key)?.state ?? NOTHING;
  const last = before.at(-1);
  if (last) change(key, mark, { ways: last, before: before.slice(0, -1) });
}
export const setFast = (key: string, mark: string, fast: string[]) => change(key, mark, { fast });
export const setBooked = (key: string, mark: string) => change(key, mark, { booked: true });

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
  };
};

/** What is known of a fabric; nothing where what it depends on has another mark. */
export function useCut(key: string, mark: string): CutState {
  const entry = useSyncExternalStore(
    subscribe,
    () => read(key),
    () => undefined,
  );
  return entry?.mark === mark ? entry.state : NOTHING;
}
