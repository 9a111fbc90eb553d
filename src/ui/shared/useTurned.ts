import { useEffect } from 'react';
import type { EditPlace } from '@/core/edit';
import { useBoatStore } from './boat';
import { useLatest } from './useLatest';

/** Go to the place of what was taken back or done again, on the screen that shows it. */
export function useTurned(go: (place: EditPlace) => void): void {
  const store = useBoatStore();
  const latest = useLatest(go);
  useEffect(() => store.onTurned((place) => latest.current(place)), [store, latest]);
}

const FIELDS = 'input, select, textarea';

/** Put the focus on the field with this label, once the screen shows it; nowhere when it does not. */
export function focusField(label: string): void {
  requestAnimationFrame(() =>
    requestAnimationFrame(() => {
      const wanted = label.toLowerCase();
      const found = [...document.querySelectorAll<HTMLLabelElement>('#work label')].find((one) =>
        (one.textContent ?? '').trim().toLowerCase().startsWith(wanted),
      );
      const field = found?.control ?? found?.parentElement?.querySelector<HTMLElement>(FIELDS);
      if (!(field instanceof HTMLElement)) return;
      field.focus();
      field.scrollIntoView({ block: 'nearest' });
    }),
  );
}
