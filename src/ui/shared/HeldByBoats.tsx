'use client';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import type { HeldByBoat } from '@/core/revision';
import { api, wordsOf } from './api';
import { Refusal } from './Refusal';
import { Said } from './Said';

// Behind a button: what evaluates a boat is fetched when it is asked for.
const EffectOnBoat = dynamic(() => import('./EffectOnBoat').then((module) => module.EffectOnBoat), { ssr: false });

interface TakenOver {
  boatId: string;
  version: number | null;
  refusal: string | null;
}
const SHOWN = 4;

/** Boats that have a copy of something of the yard's, where theirs differs, what taking it over does, and taking it. */
export function HeldByBoats({
  url,
  of,
  none,
  why,
}: {
  /** Where they are asked for, and told to take it over. */
  url: string;
  /** What it is now: asked for again when that changes. */
  of: unknown;
  none: string;
  why: string;
}) {
  const client = useQueryClient();
  const key = ['boats of', url, of];
  const { data: boats, error } = useQuery({
    queryKey: key,
    queryFn: () => api<HeldByBoat[]>('GET', url),
  });
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const [opened, setOpened] = useState<string | null>(null);
  const [taken, setTaken] = useState<readonly TakenOver[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const differing = (boats ?? []).filter(({ edits }) => edits.length > 0);
  const chosen = differing.filter(({ boatId }) => ticked.includes(boatId));
  const take = async () => {
    setBusy(true);
    setTrouble(null);
    try {
      const asked = chosen.map(({ boatId, version }) => ({ boatId, version }));
      setTaken(await api<TakenOver[]>('POST', url, { boats: asked }));
      setTicked([]);
      await client.invalidateQueries({ queryKey: key });
    } catch (refused) {
      setTrouble(wordsOf(refused));
    } finally {
      setBusy(false);
    }
  };
  const nameOf = (id: string) => boats?.find(({ boatId }) => boatId === id)?.name ?? id;
  return (
    <Card>
      <Card.Body className="d-grid gap-2">
        <h2 className="mb-0">In boats</h2>
        <Refusal text={trouble ?? (error ? wordsOf(error) : null)} onClose={() => setTrouble(null)} />
        {boats?.length === 0 && <p className="soft mb-0">{none}</p>}
        {taken.map(({ boatId, version, refusal }) => (
          <p key={boatId} className="small mb-0" role="status">
            {version === null ? (
              <>
                ✕ {nameOf(boatId)}: <Said text={refusal ?? ''} />
              </>
            ) : (
              `✓ ${nameOf(boatId)} has these figures now; undo in the boat takes them back.`
            )}
          </p>
        ))}
        {(boats ?? []).map((boat) => (
          <div key={boat.boatId}>
            <div className="d-flex flex-wrap gap-2 align-items-baseline">
              <Form.Check
                id={`take-${boat.boatId}`}
                className="flex-grow-1 mb-0"
                disabled={boat.edits.length === 0}
                checked={ticked.includes(boat.boatId)}
                onChange={(event) =>
                  setTicked(event.target.checked ? [...ticked, boat.boatId] : ticked.filter((id) => id !== boat.boatId))
                }
                label={`${boat.name}, ${boat.held}`}
              />
              {boat.edits.length === 0 ? (
                <span className="small soft">the same figures</span>
              ) : (
                <Button
                  size="sm"
                  variant="outline-primary"
                  className="py-0 text-nowrap"
                  aria-expanded={opened === boat.boatId}
                  aria-label={`What it does to ${boat.name}`}
                  onClick={() => setOpened(opened === boat.boatId ? null : boat.boatId)}
                >
                  What it does
                </Button>
              )}
            </div>
            {boat.changes.length > 0 && (
              <ul className="small soft mb-0">
                {boat.changes.slice(0, SHOWN).map((change) => (
                  <li key={change}>
                    <Said text={change} />
                  </li>
                ))}
                {boat.changes.length > SHOWN && <li>and {boat.changes.length - SHOWN} more</li>}
              </ul>
            )}
            {opened === boat.boatId && <EffectOnBoat of={boat} />}
          </div>
        ))}
        {differing.length > 0 && (
          <div>
            <Button size="sm" disabled={chosen.length === 0 || busy} onClick={() => void take()}>
              Take over in {chosen.length} {chosen.length === 1 ? 'boat' : 'boats'}
            </Button>
          </div>
        )}
        <p className="form-text mb-0">{why}</p>
      </Card.Body>
    </Card>
  );
}
