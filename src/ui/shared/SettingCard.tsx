'use client';
import { useState, type ReactNode } from 'react';
import { Button, Card, Collapse } from 'react-bootstrap';
import { Refusal } from './Refusal';
import type { Kept } from './useSetting';

interface SettingCardProps {
  title: string;
  own: Kept<unknown>['own'];
  /** How it stands until the yard has said so, and what the buttons say. */
  words: { usual: string; show: string; fold: string; back: string; keep?: string };
  busy: boolean;
  changed: boolean;
  refusal?: string | null;
  onBack: () => void;
  /** Left out where it is kept elsewhere on the page. */
  onKeep?: () => void;
  onRead?: () => void;
  children: ReactNode;
}

/** A setting of the yard, folded away until it is to be changed: whose it is, back to the usual, kept for all boats. */
export function SettingCard(props: SettingCardProps) {
  const { title, own, words, busy, changed, refusal = null, onBack, onKeep, onRead, children } = props;
  const [shown, setShown] = useState(false);
  return (
    <Card className="mb-3 d-print-none">
      <Card.Body>
        <div className="d-flex justify-content-between flex-wrap gap-2">
          <h2>
            {title}{' '}
            <span className="soft fw-normal">
              {own ? `by ${own.author || 'somebody'}` : words.usual}, for all boats
            </span>
          </h2>
          <div className="d-flex gap-2">
            <Button size="sm" variant="outline-primary" aria-expanded={shown} onClick={() => setShown(!shown)}>
              {shown ? words.fold : words.show}
            </Button>
            <Button size="sm" variant="outline-primary" disabled={busy} onClick={onBack}>
              {words.back}
            </Button>
            {onKeep && (
              <Button size="sm" disabled={!changed || busy} onClick={onKeep}>
                {words.keep}
              </Button>
            )}
          </div>
        </div>
        {onRead && <Refusal text={refusal} onClose={onRead} />}
        <Collapse in={shown} mountOnEnter>
          <div>{children}</div>
        </Collapse>
      </Card.Body>
    </Card>
  );
}
