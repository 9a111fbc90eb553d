'use client';
import dynamic from 'next/dynamic';
import { usePathname } from 'next/navigation';
import { useEffect, type ReactNode } from 'react';
import { Alert, Button } from 'react-bootstrap';
import { targetOf, zoneCounts } from '@/core/evaluate';
import { boatWeight } from '@/core/weight';
import { formatNumber } from '@/core/quantity';
import { useBoat, useBoatStore, useDesign } from './boat';
import { Frame, STEPS } from './Frame';
import { useDetails, useStiffeners } from './useLater';
import { useSettled } from './useSettled';
import { PersonField } from './PersonField';
import { HouseUnitsProvider, UnitsSwitch, useUnits } from './units';

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
  const weak = (useStiffeners(settled) ?? []).filter((e) => e.governing && e.governing.reserveFactor < 1).length;
  const details = useDetails(settled);
  const weight = details && boatWeight(boat, evaluations, details);
  const broken = (details ?? []).filter((e) => e.problem !== null || (e.governing?.reserveFactor ?? 1) < 1).length;
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

function Inside({ children }: { children: ReactNode }) {
  const store = useBoatStore();
  const { id, boat, save, notice, history, archived, conflict } = useBoat();
  const { words } = useUnits();
  const here = usePathname();
  const step = STEPS.find(({ path }) => here.endsWith(`/${path}`));

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || isTyping(event.target)) return;
      const key = event.key.toLowerCase();
      if (key === 'z' && !event.shiftKey) store.undo();
      else if (key === 'y' || (key === 'z' && event.shiftKey)) store.redo();
      else return;
      event.preventDefault();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, [store]);

  const head = (
    <>
      <h1>
        {boat.name} <span className="soft fw-normal fs-6">{step?.name}</span>
      </h1>
      <Standing />
      <span className="spacer" />
      <span
        className={`save-state ${save === 'saved' || save === 'saving' ? 'soft' : 'trouble'}`}
        role="status"
        data-testid="save-state"
      >
        {archived ? 'Archived' : SAVE_WORDS[save]}
      </span>
      <Button
        size="sm"
        variant="outline-primary"
        onClick={store.undo}
        disabled={history.undo.length === 0}
        title={
          history.undo.length
            ? `Take back: ${words(history.undo.at(-1)!.description)} (Ctrl+Z)`
            : 'Nothing to take back'
        }
      >
        Undo
      </Button>
      <Button
        size="sm"
        variant="outline-primary"
        onClick={store.redo}
        disabled={history.redo.length === 0}
        title="Do again (Ctrl+Y)"
      >
        Redo
      </Button>
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
      {children}
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
