import { useEffect } from 'react';
import { useLatest } from '../shared/useLatest';
import { keyOf } from './commands';

const VIEWS: Readonly<Record<string, string>> = { 'Alt+1': 'view-grid', 'Alt+2': 'view-section', 'Alt+3': 'view-book' };

/** Palette and views answer wherever the focus is; the views not while something is typed. */
export function useKeysEverywhere(doCommand: (id: string) => void): void {
  const doRef = useLatest(doCommand);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const key = keyOf(event);
      const typing = event.target instanceof HTMLElement && event.target.matches('input, textarea, select');
      const ofView = typing ? undefined : VIEWS[key];
      const command = key === 'Ctrl+K' ? 'palette' : ofView;
      if (!command || event.defaultPrevented) return;
      doRef.current(command);
      event.preventDefault();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, [doRef]);
}
