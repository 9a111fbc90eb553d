import { useSyncExternalStore } from 'react';
import { TOUR } from './helpData';

const KEY = 'keramos.tour';
const listeners = new Set<() => void>();
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
  };
};

/** Where the tour stands: 'new' until it was begun or declined, its stop, 'left:3' when it was put aside there. */
function read(): string {
  try {
    return localStorage.getItem(KEY) ?? 'new';
  } catch {
    return 'left:0';
  }
}
function write(state: string): void {
  try {
    localStorage.setItem(KEY, state);
  } catch {
    // A browser that keeps nothing is not asked again on this page.
  }
  listeners.forEach((listener) => listener());
}
const stopOf = (text: string) => Math.min(TOUR.length - 1, Math.max(0, Number(text) || 0));

export interface TourState {
  /** Nobody has begun or declined it in this browser. */
  isNew: boolean;
  /** The stop it stands at; null while it is not under way. */
  at: number | null;
  /** Where it is taken up again. */
  leftAt: number;
  go: (stop: number) => void;
  leave: () => void;
}

/** The tour of this browser: begun, put aside, taken up again where it was left. */
export function useTour(): TourState {
  const state = useSyncExternalStore(subscribe, read, () => 'left:0');
  const left = state.startsWith('left:');
  const stop = stopOf(state.replace('left:', ''));
  return {
    isNew: state === 'new',
    at: left || state === 'new' ? null : stop,
    leftAt: stop,
    go: (to) => write(String(stopOf(String(to)))),
    leave: () => write(`left:${stop}`),
  };
}
