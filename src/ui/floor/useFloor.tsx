'use client';
import { nanoid } from 'nanoid';
import { createContext, useContext, useEffect, useState, useSyncExternalStore, type ReactNode } from 'react';
import type { BuildState, RecordKind } from '@/core/build';
import { onPersonHere, personHere } from '../shared/api';
import { useWho } from '../shared/who';
import { keepOpen } from './keepOpen';
import { FloorStore, type FloorSnapshot } from './floorStore';
import { httpWire } from './httpWire';
import { idbKeeper } from './idbKeeper';
import type { FloorBuild } from './keeper';

const DEVICE = 'keramos.device';
/** This device, by a name that it gave itself. */
function deviceHere(): string {
  try {
    const known = localStorage.getItem(DEVICE);
    if (known) return known;
    const made = nanoid(10);
    localStorage.setItem(DEVICE, made);
    return made;
  } catch {
    return 'unnamed';
  }
}

interface Floor extends FloorSnapshot {
  store: FloorStore;
  build: FloorBuild;
  state: BuildState;
  /** Who stands here: signed in, changed over to, or by the name they gave. */
  person: string;
  setPerson: (name: string | null) => void;
  note: (kind: RecordKind, body: object, corrects?: string | null) => Promise<string | null>;
}
const Context = createContext<Floor | null>(null);
export function useFloor(): Floor {
  const floor = useContext(Context);
  if (!floor) throw new Error('Outside of a build');
  return floor;
}

/** One build, on this device and on the server. */
export function FloorProvider({
  buildId,
  initial,
  children,
}: {
  buildId: string;
  initial: FloorBuild | null;
  children: ReactNode;
}) {
  const { who } = useWho();
  const named = useSyncExternalStore(onPersonHere, personHere, () => '');
  const [changed, setPerson] = useState<string | null>(null);
  const [store] = useState(
    () =>
      new FloorStore(buildId, {
        keeper: idbKeeper,
        wire: httpWire,
        now: () => new Date().toISOString(),
        newId: () => nanoid(16),
        device: typeof window === 'undefined' ? '' : deviceHere(),
      }),
  );
  const snapshot = useSyncExternalStore(store.subscribe, store.getSnapshot, store.getSnapshot);
  useEffect(() => {
    void store.start(initial);
    keepOpen().catch(() => {});
    const back = () => void store.sync();
    window.addEventListener('online', back);
    document.addEventListener('visibilitychange', back);
    return () => {
      store.stop();
      window.removeEventListener('online', back);
      document.removeEventListener('visibilitychange', back);
    };
  }, [store, initial]);
  const { build, state } = snapshot;
  if (!build || !state)
    return (
      <p className="floor-wait" role="status">
        Opening the build…
      </p>
    );
  const person = changed ?? who?.name ?? named;
  const note: Floor['note'] = (kind, body, corrects = null) => store.note(kind, body, { person, corrects });
  return <Context value={{ ...snapshot, store, build, state, person, setPerson, note }}>{children}</Context>;
}
