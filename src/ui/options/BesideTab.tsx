'use client';
import { useQuery } from '@tanstack/react-query';
import * as Comlink from 'comlink';
import { useEffect, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { Boat } from '@/core/document';
import { applyEdits } from '@/core/edit';
import type { Ledger, ScheduleSum } from '@/core/option';
import type { BoatSummary, Revision } from '@/core/revision';
import type { OptionsWorker } from '@/workers/options.worker';
import { api } from '../shared/api';
import { useDesign } from '../shared/boat';
import { useYard, type YardBooks } from '../shared/useYard';
import { lastFound } from '../shared/waitingTrial';
import { BesideView } from './BesideView';
import { LedgerView } from './LedgerView';
import { SearchCard } from './SearchCard';
import { useSearch } from './useSearch';

const MOST = 4;
/** A schedule to be set beside others: where it comes from, and the boat. */
export interface Schedule {
  key: string;
  name: string;
  boat: Boat;
}

/** Where a schedule can be taken from, by its key: the draft, what was found last, a revision, another boat. */
function useSources(boatId: string, boat: Boat) {
  const { data: revisions = [] } = useQuery({
    queryKey: ['revisions to compare', boatId],
    queryFn: () => api<Revision[]>('GET', `/api/boats/${boatId}/revisions`),
  });
  const { data: boats = [] } = useQuery({
    queryKey: ['boats to compare'],
    queryFn: () => api<BoatSummary[]>('GET', '/api/boats'),
  });
  const found = lastFound(boat);
  return [
    ...(found ? [{ key: 'found', name: `On trial: ${found.title}` }] : []),
    ...revisions.map(({ label }) => ({ key: `revision ${label}`, name: `Revision ${label}` })),
    ...boats
      .filter(({ id, archived }) => id !== boatId && !archived)
      .map(({ id, name, variantOf }) => ({
        key: `boat ${id}`,
        name: variantOf?.id === boatId ? `${name}, a variant` : name,
      })),
  ];
}

async function fetchSchedule(boatId: string, key: string): Promise<Boat> {
  const at = key.indexOf(' ');
  const [kind, id] = [key.slice(0, at), encodeURIComponent(key.slice(at + 1))];
  const url = kind === 'revision' ? `/api/boats/${boatId}/revisions/${id}` : `/api/boats/${id}`;
  return (await api<{ boat: Boat }>('GET', url)).boat;
}

/** What each schedule comes to, worked out aside of the page. */
function useSums(schedules: readonly Schedule[], yard: YardBooks | null): ReadonlyMap<Boat, ScheduleSum> {
  const [sums, setSums] = useState<ReadonlyMap<Boat, ScheduleSum>>(new Map());
  const missing = schedules.filter(({ boat }) => !sums.has(boat));
  const key = missing.map((one) => one.key).join();
  useEffect(() => {
    if (missing.length === 0 || yard === null) return;
    let wanted = true;
    const worker = new Worker(new URL('../../workers/options.worker.ts', import.meta.url), { type: 'module' });
    void Comlink.wrap<OptionsWorker>(worker)
      .sums(
        missing.map(({ boat }) => boat),
        yard,
      )
      .then((found) => {
        if (wanted) setSums((last) => new Map([...last, ...missing.map(({ boat }, i) => [boat, found[i]!] as const)]));
      })
      .finally(() => worker.terminate());
    return () => {
      wanted = false;
      worker.terminate();
    };
    // The list is made anew with every turn; what is missing is told by its key.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, schedules[0]?.boat, yard]);
  return sums;
}

/** Up to four schedules side by side, and the ledger from the first to another. */
export function BesideTab() {
  const { id: boatId, boat } = useDesign();
  const sources = useSources(boatId, boat);
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const { data: fetched = [], error } = useQuery({
    queryKey: ['schedules to compare', boatId, chosen],
    queryFn: () =>
      Promise.all(
        chosen.filter((key) => key !== 'found').map(async (key) => ({ key, boat: await fetchSchedule(boatId, key) })),
      ),
    structuralSharing: false,
    placeholderData: (last) => last,
  });
  const found = lastFound(boat);
  const schedules: Schedule[] = [
    { key: 'draft', name: 'As it stands', boat },
    ...chosen.flatMap((key): Schedule[] => {
      const name = sources.find((one) => one.key === key)?.name ?? key;
      if (key === 'found') return found ? [{ key, name, boat: foundBoat(boat, found.edits) }] : [];
      const own = fetched.find((one) => one.key === key);
      return own ? [{ key, name, boat: own.boat }] : [];
    }),
  ];
  const sums = useSums(schedules, useYard());
  const ledger = useSearch<{ key: string }, Ledger>('ledger', boat, (remote, ask, { boat: of, known, onStep }) => {
    const other = schedules.find(({ key }) => key === ask.key)!;
    return remote.ledger({ before: of, after: other.boat }, known, onStep) as Promise<Ledger | string>;
  });
  const rest = sources.filter(({ key }) => !chosen.includes(key));
  const complete = schedules.filter((one) => sums.has(one.boat));
  const related = schedules
    .slice(1)
    .filter((one) => one.boat.parts.some(({ id }) => boat.parts.some((own) => own.id === id)));
  const asked = schedules.find(({ key }) => key === ledger.asked?.key);
  return (
    <div className="one-page">
      <h2 className="d-none d-print-block">{boat.name}: schedules side by side</h2>
      <div className="d-flex gap-2 align-items-end flex-wrap mb-3 no-print">
        <Form.Group controlId="beside-add">
          <Form.Label className="mb-0">Set beside it</Form.Label>
          <Form.Select
            size="sm"
            value=""
            disabled={chosen.length >= MOST - 1 || rest.length === 0}
            onChange={(event) => setChosen([...chosen, event.target.value])}
          >
            <option value="">
              {chosen.length >= MOST - 1 ? 'Four at most' : 'A revision, a variant, another boat…'}
            </option>
            {rest.map(({ key, name }) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        {chosen.map((key) => (
          <Button
            key={key}
            size="sm"
            variant="outline-primary"
            onClick={() => setChosen(chosen.filter((own) => own !== key))}
          >
            Take out {sources.find((one) => one.key === key)?.name ?? key}
          </Button>
        ))}
        {related.map(({ key, name }) => (
          <Button key={key} size="sm" disabled={ledger.running} onClick={() => ledger.run({ key }, boat)}>
            Ledger to {name}
          </Button>
        ))}
        {complete.length > 1 && (
          <Button size="sm" variant="outline-primary" onClick={() => window.print()}>
            Print this page
          </Button>
        )}
      </div>
      {error && (
        <p className="verdict fails d-block" role="alert">
          ✕ {error.message}
        </p>
      )}
      {chosen.length === 0 && (
        <p className="soft">
          Choose what to set beside {boat.name} as it stands: a revision of it, a variant, another boat, or what was
          found last under the other headings.
        </p>
      )}
      {complete.length > 0 && <BesideView schedules={complete} sums={sums} />}
      <SearchCard search={ledger} boat={boat} wayOut="Choose another schedule." />
      {ledger.result !== null && typeof ledger.result !== 'string' && ledger.of === boat && asked && (
        <LedgerView ledger={ledger.result} from={boat} to={asked} />
      )}
    </div>
  );
}

const made = new WeakMap<object, Boat>();
/** The boat as found: the very same for the same edits, so that it is worked out once. */
function foundBoat(boat: Boat, edits: Parameters<typeof applyEdits>[1]): Boat {
  const known = made.get(edits);
  if (known) return known;
  const after = applyEdits(boat, edits).boat;
  made.set(edits, after);
  return after;
}
