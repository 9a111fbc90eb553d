import { useCallback, useEffect, useMemo, useState } from 'react';
import { KeramosError } from '@/core/error';
import { applyEdits, describeEdits, type Edit } from '@/core/edit';
import { makeEvaluator, type ZoneEvaluation } from '@/core/evaluate';
import type { Boat } from '@/core/document';
import { useBoatStore, useDesign } from '../shared/boat';
import { useLatest } from '../shared/useLatest';
import { trialShown, waitingTrial } from '../shared/waitingTrial';

interface Trial {
  base: Boat;
  boat: Boat;
  edits: Edit[];
  titles: string[];
}

/** What is shown in Lay-up, and how it is acted upon: at once, or on trial until it is kept or dropped. */
export interface LayupState {
  boat: Boat;
  evaluations: ReadonlyMap<string, ZoneEvaluation>;
  /** What the boat comes to without the trial; null while there is none. */
  before: ReadonlyMap<string, ZoneEvaluation> | null;
  titles: readonly string[];
  tryFirst: boolean;
  setTryFirst: (on: boolean) => void;
  /** Act, in words of its own or those of the edits. @returns why not, or nothing. */
  act: (label: string | null, ...edits: Edit[]) => string | undefined;
  /** Show a change on trial, whatever the habit is. */
  propose: (title: string, edits: Edit[]) => void;
  keep: () => void;
  drop: () => void;
}

/** What another screen gave to be looked at here. */
function handedOver(boat: Boat): Trial | null {
  const given = waitingTrial(boat);
  if (!given) return null;
  return { base: boat, boat: applyEdits(boat, given.edits).boat, edits: given.edits, titles: [given.title] };
}

/** Changes that are looked at before they are taken; they end when the boat itself moves on. */
export function useTrial(): LayupState {
  const store = useBoatStore();
  const { boat, evaluations } = useDesign();
  const [held, setHeld] = useState<Trial | null>(() => handedOver(boat));
  useEffect(trialShown, []);
  const [tryFirst, setTryFirst] = useState(false);
  const [evaluate] = useState(() => makeEvaluator());
  const trial = held?.base === boat ? held : null;
  const shown = useMemo(() => (trial ? evaluate(trial.boat) : evaluations), [trial, evaluations, evaluate]);
  // Read by callbacks that must not change with every edit.
  const nowRef = useLatest({ trial, tryFirst });

  const extend = useCallback(
    (base: Trial | null, title: string | null, edits: Edit[]): string | undefined => {
      const state = store.getState().boat;
      try {
        const from = base ?? { base: state, boat: state, edits: [], titles: [] };
        const said = title ?? describeEdits(from.boat, edits);
        setHeld({
          base: state,
          boat: applyEdits(from.boat, edits).boat,
          edits: [...from.edits, ...edits],
          titles: [...from.titles, said],
        });
        return undefined;
      } catch (error) {
        if (!(error instanceof KeramosError)) throw error;
        return error.text;
      }
    },
    [store],
  );
  const act = useCallback(
    (label: string | null, ...edits: Edit[]): string | undefined => {
      if (edits.length === 0) return undefined;
      const { trial: open, tryFirst: first } = nowRef.current;
      if (open || first) return extend(open, label, edits);
      if (label === null ? store.act(...edits) : store.actAs(label, ...edits)) return undefined;
      const { notice } = store.getState();
      store.dismiss();
      return notice?.text ?? 'This change was refused.';
    },
    [extend, store, nowRef],
  );
  const drop = useCallback(() => setHeld(null), []);
  const keep = useCallback(() => {
    const { trial: open } = nowRef.current;
    setHeld(null);
    if (open) store.actAs(open.titles.join('; '), ...open.edits);
  }, [store, nowRef]);
  const propose = useCallback((title: string, edits: Edit[]) => void extend(null, title, edits), [extend]);
  return {
    boat: trial?.boat ?? boat,
    evaluations: shown,
    before: trial ? evaluations : null,
    titles: trial?.titles ?? [],
    tryFirst,
    setTryFirst,
    act,
    propose,
    keep,
    drop,
  };
}
