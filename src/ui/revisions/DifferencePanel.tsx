'use client';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import { Card, Form } from 'react-bootstrap';
import { alignTo, difference, type Change } from '@/core/edit';
import { targetOf } from '@/core/evaluate';
import type { BoatSummary, Revision } from '@/core/revision';
import type { Boat } from '@/core/document';
import { api, wordsOf } from '../shared/api';
import { useDesign } from '../shared/boat';
import { ChangeList } from '../shared/ChangeList';
import { EffectOf } from '../shared/EffectOf';
import { useEffectBetween } from '../shared/useProofs';

const DRAFT = 'draft';

/** A state by its key: the draft as it is on the page, a boat or a revision as the server has it. */
function useStateOf(key: string, onTrouble: (text: string) => void): Boat | undefined {
  const { id, boat } = useDesign();
  const [kind, first, second] = key.split('|') as [string, string, string | undefined];
  const path = kind === 'boat' ? `/api/boats/${first}` : `/api/boats/${second ?? id}/revisions/${first}`;
  const { data, error } = useQuery({
    queryKey: ['state', path],
    queryFn: () => api<{ boat: Boat }>('GET', path),
    enabled: key !== DRAFT,
  });
  useEffect(() => {
    if (error) onTrouble(wordsOf(error));
  }, [error, onTrouble]);
  return key === DRAFT ? boat : data?.boat;
}

/** What differs between any two states: the draft, its revisions, other boats and their newest revisions. */
export function DifferencePanel({
  revisions,
  boats,
  onTrouble,
}: {
  revisions: readonly Revision[];
  boats: readonly BoatSummary[];
  onTrouble: (text: string) => void;
}) {
  const { id } = useDesign();
  const [from, setFrom] = useState(revisions[0] ? `revision|${revisions[0].label}` : DRAFT);
  const [to, setTo] = useState(DRAFT);
  const [before, after] = [useStateOf(from, onTrouble), useStateOf(to, onTrouble)];
  const aligned = useMemo(() => (before && after ? alignTo(before, after) : null), [before, after]);
  const changes: Change[] | null = before && aligned ? difference(before, aligned) : null;
  const differs = changes !== null && changes.length > 0;
  const { effect, current } = useEffectBetween(differs ? before! : null, differs ? aligned : null);
  const others = boats.filter((other) => other.id !== id);
  const choose = (label: string, value: string, set: (key: string) => void) => (
    <Form.Select
      size="sm"
      className="w-auto"
      aria-label={label}
      value={value}
      onChange={(event) => set(event.target.value)}
    >
      <option value={DRAFT}>Draft</option>
      {revisions.map((revision) => (
        <option key={revision.id} value={`revision|${revision.label}`}>
          Revision {revision.label}
        </option>
      ))}
      {others.length > 0 && (
        <optgroup label="Other boats and variants">
          {others.flatMap((other) => [
            <option key={other.id} value={`boat|${other.id}`}>
              {other.name}
              {other.variantOf ? ` (variant of ${other.variantOf.name})` : ''}
            </option>,
            ...(other.revision === null
              ? []
              : [
                  <option key={`${other.id}-${other.revision}`} value={`revision|${other.revision}|${other.id}`}>
                    {other.name}, revision {other.revision}
                  </option>,
                ]),
          ])}
        </optgroup>
      )}
    </Form.Select>
  );
  return (
    <Card className="mt-3">
      <Card.Body>
        <div className="d-flex gap-2 align-items-center mb-2">
          <h2 className="mb-0">Difference</h2>
          <span>from</span>
          {choose('From', from, setFrom)}
          <span>to</span>
          {choose('To', to, setTo)}
        </div>
        {changes ? (
          <ChangeList changes={changes} empty={from === to ? 'Choose two states to compare.' : 'Nothing differs.'} />
        ) : (
          <p className="soft mb-0">Fetching it…</p>
        )}
        {differs && (
          <EffectOf
            effect={effect}
            current={current}
            target={targetOf(aligned!)}
            note="Both by the engine of today, by the rule, at planned values."
          />
        )}
      </Card.Body>
    </Card>
  );
}
