'use client';
import { useSyncExternalStore } from 'react';

const listeners = new Set<() => void>();
let timer: ReturnType<typeof setInterval> | undefined;
let now = 0;
function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  now = Date.now();
  timer ??= setInterval(() => {
    now = Date.now();
    listeners.forEach((tell) => tell());
  }, 1000);
  return () => {
    listeners.delete(listener);
    if (listeners.size > 0) return;
    clearInterval(timer);
    timer = undefined;
  };
}

/** The time (ms), each second; one clock for everything that is shown. */
export const useNow = (): number =>
  useSyncExternalStore(
    subscribe,
    () => (now ||= Date.now()),
    () => 0,
  );

/** Minutes and seconds that are left, or over: 12:30, −0:45. */
export function clock(ms: number): string {
  const seconds = Math.abs(Math.ceil(ms / 1000));
  const [hours, rest] = [Math.floor(seconds / 3600), seconds % 3600];
  const two = (value: number) => String(value).padStart(2, '0');
  const minutes = Math.floor(rest / 60);
  const said = hours > 0 ? `${hours}:${two(minutes)}:${two(rest % 60)}` : `${minutes}:${two(rest % 60)}`;
  return ms < 0 ? `−${said}` : said;
}

/** Minutes as a yard says them: 40 min, 3 h, 2 days. */
export function lasts(minutes: number): string {
  if (minutes < 120) return `${Math.round(minutes)} min`;
  if (minutes < 2880) return `${Number((minutes / 60).toFixed(1))} h`;
  return `${Number((minutes / 1440).toFixed(1))} days`;
}
