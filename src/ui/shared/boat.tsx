'use client';
import { createContext, useContext, useEffect, useState, useSyncExternalStore, type ReactNode } from 'react';
import { BoatStore, type BoatDesign, type BoatState, type Initial } from './boatStore';

const StoreContext = createContext<BoatStore | null>(null);

export interface BoatProviderProps {
  initial: Initial;
  children: ReactNode;
}

/** Holds one boat for all its screens. */
export function BoatProvider({ initial, children }: BoatProviderProps) {
  const [store] = useState(() => new BoatStore(initial));
  useEffect(() => {
    const leave = store.resume();
    window.addEventListener('pagehide', leave);
    const look = () => document.visibilityState === 'visible' && void store.lookAgain();
    document.addEventListener('visibilitychange', look);
    return () => {
      leave();
      window.removeEventListener('pagehide', leave);
      document.removeEventListener('visibilitychange', look);
    };
  }, [store]);
  return <StoreContext value={store}>{children}</StoreContext>;
}

export function useBoatStore(): BoatStore {
  const store = useContext(StoreContext);
  if (!store) throw new Error('A boat screen stands outside its BoatProvider');
  return store;
}

/** The boat itself: a screen that asks for no more does not render again when a change is merely saved. */
export function useDesign(): BoatDesign {
  const store = useBoatStore();
  return useSyncExternalStore(store.subscribe, store.getDesign, store.getRenderedDesign);
}

/** The boat with how it is saved, its history and what was last said. */
export function useBoat(): BoatState {
  const store = useBoatStore();
  return useSyncExternalStore(store.subscribe, store.getState, store.getRenderedState);
}
