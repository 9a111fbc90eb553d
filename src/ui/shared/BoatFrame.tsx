'use client';
import dynamic from 'next/dynamic';
import { usePathname } from 'next/navigation';
import { useEffect, useState, type ReactNode } from 'react';
import Link from 'next/link';
import { Alert, Button } from 'react-bootstrap';
import { QuestionCircle } from 'react-bootstrap-icons';
import { placeOfEdits, type EditScreen, type HistoryEntry } from '@/core/edit';
import { targetOf, zoneCounts } from '@/core/evaluate';
import { boatWeight } from '@/core/weight';
import { formatNumber, reaches } from '@/core/quantity';
import { useBoat, useBoatStore, useDesign } from './boat';
import { Frame, STEPS } from './Frame';
import { useDetails, useStiffeners } from './useLater';
import { useLatest } from './useLatest';
import { useSettled } from './useSettled';
import { SCREEN_HELP } from '../help/helpData';
import { PersonField } from './PersonField';
import { HouseUnitsProvider, UnitsSwitch, useUnits } from './units';
import { focusField, useTurned } from './useTurned';

const QuestionHelp = dynamic(() => import('../help/QuestionHelp').then((module) => module.QuestionHelp), {
  ssr: false,
});
const ConflictDialog = dynamic(() => import('./ConflictDialog').then((module) => module.ConflictDialog), {
  ssr: false,
});

const SAVE_WORDS = {
  saved: 'Saved',
  saving: 'Saving…',
  offline: 'Server not reached: kept here, trying again',
  conflict: 'Not saved: changed by somebody else',
} as const;

function isTyping(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && (target.matches('input, textarea, select') || target.isContentEditable);
}

/** What the whole boat comes to, in one line. */
function Standing() {
  const { boat, evaluations } = useDesign();
  const { full } = useUnits();
  const target = targetOf(boat);
  const { all, failing, thin, notProven: unproven, notChecked: open } = zoneCounts(evaluations.values(), target);
  // Stiffeners follow when the boat has stood still for a moment: they are no part of what a key must bring up to date.
  const settled = useSettled(boat);
  const weak = (useStiffeners(settled) ?? []).filter(
    (e) => e.governing && !reaches(e.governing.reserveFactor, 1),
  ).length;
  const details = useDetails(settled);
  const weight = details && boatWeight(boat, evaluations, details);
  const broken = (details ?? []).filter(
    (e) => e.problem !== null || !reaches(e.governing?.reserveFactor ?? 1, 1),
  ).length;
  return (
    <span className="small" data-testid="standing">
      {failing > 0 && (
        <span className="verdict fails">
          ✕ {failing} {failing === 1 ? 'zone fails' : 'zones fail'}
        </span>
      )}
      {failing === 0 && thin > 0 && <span className="verdict thin">△ {thin} thin</span>}
      {unproven > 0 && <span className="verdict unproven ms-1">? {unproven} not proven</span>}
      {failing === 0 && thin === 0 && unproven === 0 && open < all && (
        <span
          className="verdict meets"
          title="By the rule, at planned values; Check shows what scatter does, and analysis"
        >
          ✓ every checked zone meets {formatNumber(target, 2)} as planned
        </span>
      )}
      {weak > 0 && (
        <span className="verdict fails ms-1">
          ✕ {weak} {weak === 1 ? 'stiffener fails' : 'stiffeners fail'}
        </span>
      )}
      {broken > 0 && (
        <span className="verdict fails ms-1">
          ✕ {broken} {broken === 1 ? 'detail fails' : 'details fail'}
        </span>
      )}
      {open > 0 && <span className="verdict ample ms-1">{open} not checked</span>}
      {weight && (
        <span className={`verdict ms-1 ${weight.over > 0 ? 'thin' : 'meets'}`}>
          {weight.over > 0 ? '△' : '✓'} {full(weight.mass, 'mass')},
          {` ${formatNumber(Math.abs(weight.overShare) * 100, 1)} %`} {weight.over > 0 ? 'over target' : 'in hand'}
        </span>
      )}
    </span>
  );
}

type Turn = 'undo' | 'redo';
const TURNS: Record<Turn, { name: string; took: string; keys: string; none: string }> = {
  undo: { name: 'Undo', took: 'Take back', keys: 'Ctrl+Z', none: 'Nothing to take back' },
  redo: { name: 'Redo', took: 'Do again', keys: 'Ctrl+Y', none: 'Nothing to do again' },
};

/** The screen that shows a change, where the one that is open does not; null where it does. */
function elsewhere(entry: HistoryEntry, here: string): (typeof STEPS)[number] | null {
  const { screens } = placeOfEdits(entry.inverse);
  // What Options lays in a zone it shows itself.
  if (screens.includes((here === 'options' ? 'layup' : here) as EditScreen)) return null;
  return STEPS.find(({ path }) => path === screens[0]) ?? null;
}

/**
 * Undo and redo: what this screen shows is turned at once; what another one shows is named first, and turned when that
 * is asked for.
 */
function useTurning(here: string) {
  const store = useBoatStore();
  const { history } = useBoat();
  const [asked, setAsked] = useState<{ turn: Turn; entry: HistoryEntry } | null>(null);
  const stands = asked !== null && history[asked.turn].at(-1) === asked.entry;
  const turn = (which: Turn, further = false) => {
    // The store may be ahead of what is drawn: keys come faster than pictures.
    const entry = store.getState().history[which].at(-1);
    if (!entry) return;
    const ask = !further && elsewhere(entry, here) !== null;
    setAsked(ask ? { turn: which, entry } : null);
    if (!ask) store[which]();
  };
  useTurned(({ label }) => {
    if (label !== null) focusField(label);
  });
  return { turn, asked: stands ? asked : null, leave: () => setAsked(null) };
}

function TurnButton({ which, here, onTurn }: { which: Turn; here: string; onTurn: (which: Turn) => void }) {
  const { history } = useBoat();
  const { words } = useUnits();
  const { name, took, keys, none } = TURNS[which];
  const last = history[which].at(-1);
  const other = last ? elsewhere(last, here) : null;
  const title = last ? `${took}: ${words(last.description)}${other ? `, on ${other.name}` : ''} (${keys})` : none;
  return (
    <Button size="sm" variant="outline-primary" onClick={() => onTurn(which)} disabled={!last} title={title}>
      {name}
    </Button>
  );
}

function Inside({ children }: { children: ReactNode }) {
  const store = useBoatStore();
  const { id, boat, save, notice, archived, conflict } = useBoat();
  const { words } = useUnits();
  const here = usePathname();
  const step = STEPS.find(({ path }) => here.endsWith(`/${path}`));
  const path = step?.path ?? '';
  const [helped, setHelped] = useState(false);
  const { turn, asked, leave } = useTurning(path);
  const turnNow = useLatest(turn);
  const other = asked && elsewhere(asked.entry, path);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || isTyping(event.target)) return;
      const key = event.key.toLowerCase();
      if (key === 'z' && !event.shiftKey) turnNow.current('undo');
      else if (key === 'y' || (key === 'z' && event.shiftKey)) turnNow.current('redo');
      else return;
      event.preventDefault();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, [turnNow]);

  const head = (
    <>
      <h1>
        {boat.name} <span className="soft fw-normal fs-6">{step?.name}</span>
      </h1>
      {step && (
        <button
          type="button"
          className="plain-button help-button"
          aria-label={`What ${step.name} answers`}
          title={`What ${step.name} answers`}
          onClick={() => setHelped(true)}
        >
          <QuestionCircle aria-hidden="true" />
        </button>
      )}
      <Standing />
      <span className="spacer" />
      <span
        className={`save-state ${save === 'saved' || save === 'saving' ? 'soft' : 'trouble'}`}
        role="status"
        data-testid="save-state"
      >
        {archived ? 'Archived' : SAVE_WORDS[save]}
      </span>
      <TurnButton which="undo" here={path} onTurn={turn} />
      <TurnButton which="redo" here={path} onTurn={turn} />
      <PersonField />
      <UnitsSwitch />
    </>
  );
  return (
    <Frame boatId={id} head={head}>
      {notice && (
        <Alert
          variant={notice.kind === 'refused' ? 'danger' : 'light'}
          dismissible
          onClose={store.dismiss}
          className="py-2 border"
        >
          {words(notice.text)}
        </Alert>
      )}
      {asked && other && (
        <Alert variant="light" className="py-2 border d-flex flex-wrap gap-2 align-items-center" role="alertdialog">
          <span>
            The last change was made on {other.name}: {words(asked.entry.description)}.
          </span>
          <Button size="sm" onClick={() => turn(asked.turn, true)} autoFocus>
            {TURNS[asked.turn].took} all the same
          </Button>
          <Link className="btn btn-sm btn-outline-primary" prefetch={false} href={`/boats/${id}/${other.path}`}>
            Show {other.name}
          </Link>
          <Button size="sm" variant="outline-primary" onClick={leave}>
            Leave it
          </Button>
        </Alert>
      )}
      {children}
      {helped && step && (
        <QuestionHelp name={step.name} help={SCREEN_HELP[step.path]} onClose={() => setHelped(false)} />
      )}
      {conflict && <ConflictDialog />}
    </Frame>
  );
}

/** The frame of every screen of a boat. */
export function BoatFrame({ children }: { children: ReactNode }) {
  const { boat } = useDesign();
  return (
    <HouseUnitsProvider units={boat.brief.units}>
      <Inside>{children}</Inside>
    </HouseUnitsProvider>
  );
}
