'use client';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { SEVERITIES, type Caution } from '@/core/caution';
import type { Boat } from '@/core/document';
import { useUnits } from './units';
import { useEdit } from './useEdit';

const MARKS = { danger: '✕', warning: '△', advice: 'i' } as const;
const LOOKS = { danger: 'fails', warning: 'thin', advice: 'ample' } as const;

/** Where a caution is, in words. */
export function placeOf(boat: Boat, { layerId, zoneIds }: Caution): string {
  const zones = boat.parts.flatMap((part) => part.zones).filter((zone) => zoneIds.includes(zone.id));
  const part = boat.parts.find((candidate) => candidate.layers.some((layer) => layer.id === layerId));
  const layer = part ? `layer ${part.layers.findIndex(({ id }) => id === layerId) + 1}, ` : '';
  return layer + (zones.length > 3 ? `${zones.length} zones` : zones.map((zone) => zone.name).join(', '));
}

function CautionItem({ boat, caution, withPlace }: { boat: Boat; caution: Caution; withPlace: boolean }) {
  const edit = useEdit();
  const { words } = useUnits();
  const [signing, setSigning] = useState(false);
  const [by, setBy] = useState('');
  const [note, setNote] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  const { rule, detail, subject, accepted } = caution;
  const sign = () => {
    const acceptance = {
      id: nanoid(10),
      rule: rule.id,
      subject,
      by: by.trim(),
      note: note.trim(),
      at: new Date().toISOString(),
    };
    const said = edit({ type: 'caution.accept', acceptance, index: boat.acceptances.length });
    setRefusal(said ?? null);
    if (!said) setSigning(false);
  };
  return (
    <li className="caution" data-testid={`caution-${rule.id}`}>
      <div>
        <span className={`verdict ${accepted ? 'ample' : LOOKS[rule.severity]}`}>
          <span aria-hidden="true">{accepted ? '✓' : MARKS[rule.severity]}</span>{' '}
          {accepted ? 'accepted' : SEVERITIES[rule.severity].toLowerCase()}
        </span>{' '}
        <strong>{rule.title}</strong>{' '}
        <span className="soft">{[words(detail), ...(withPlace ? [placeOf(boat, caution)] : [])].join('; ')}</span>
      </div>
      <div className="small">{words(rule.reason)}</div>
      <div className="small">
        <strong>Way out:</strong> {words(rule.wayOut)} <span className="soft">Source: {rule.source}.</span>
      </div>
      {accepted && (
        <div className="small">
          Accepted by {accepted.by}, {accepted.at.slice(0, 10)}: {accepted.note}{' '}
          <button
            type="button"
            className="reason-button"
            onClick={() => edit({ type: 'caution.withdraw', acceptanceId: accepted.id })}
          >
            Withdraw
          </button>
        </div>
      )}
      {!accepted && signing && (
        <Form
          className="d-grid gap-1 mt-1"
          onSubmit={(event) => {
            event.preventDefault();
            sign();
          }}
        >
          <Form.Control
            size="sm"
            aria-label="Accepted by"
            placeholder="Your name"
            maxLength={60}
            value={by}
            onChange={(event) => setBy(event.target.value)}
          />
          <Form.Control
            size="sm"
            aria-label="Why it is accepted"
            placeholder="Why it is right here"
            maxLength={600}
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
          {refusal && <div className="invalid-feedback d-block">{refusal}</div>}
          <div className="d-flex gap-2">
            <Button size="sm" type="submit" disabled={by.trim().length < 2 || note.trim().length < 3}>
              Sign and accept
            </Button>
            <Button size="sm" variant="outline-primary" onClick={() => setSigning(false)}>
              Cancel
            </Button>
          </div>
        </Form>
      )}
      {!accepted && !signing && (
        <button type="button" className="reason-button small" onClick={() => setSigning(true)}>
          Accept with a note
        </button>
      )}
    </li>
  );
}

/** Cautions with reason and way out; each can be answered for. */
export function CautionList({
  boat,
  cautions,
  withPlace = false,
  empty,
}: {
  boat: Boat;
  cautions: readonly Caution[];
  withPlace?: boolean;
  empty: string;
}) {
  if (cautions.length === 0) return <p className="soft mb-0">{empty}</p>;
  return (
    <ul className="list-unstyled mb-0">
      {cautions.map((caution) => (
        <CautionItem
          key={`${caution.rule.id}|${caution.subject}`}
          boat={boat}
          caution={caution}
          withPlace={withPlace}
        />
      ))}
    </ul>
  );
}

/** Mark of the gravest open caution, with how many there are. */
export function CautionMark({ cautions }: { cautions: readonly Caution[] }) {
  const open = cautions.filter(({ accepted }) => !accepted);
  const grave =
    open.find(({ rule }) => rule.severity === 'danger') ?? open.find(({ rule }) => rule.severity === 'warning');
  if (!grave) return null;
  return (
    <span
      className={`caution-mark ${LOOKS[grave.rule.severity]}`}
      title={open.map(({ rule }) => rule.title).join('; ')}
    >
      <span aria-hidden="true">{MARKS[grave.rule.severity]}</span>
      <span className="visually-hidden">{grave.rule.title}</span>
    </span>
  );
}
