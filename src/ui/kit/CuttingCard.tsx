'use client';
import { useState } from 'react';
import { Button, Card, Collapse } from 'react-bootstrap';
import { formFields, writeAt } from '@/core/field';
import { cuttingSchema, USUAL_CUTTING, type Cutting } from '@/core/kit';
import { EntityForm } from '../shared/EntityForm';
import { Refusal } from '../shared/Refusal';
import { useSetting, type Kept } from '../shared/useSetting';

/** How the yard cuts: trim, laps, what is kept, what a cut takes. */
export function CuttingCard({ cutting, onKept }: { cutting: Kept<Cutting>; onKept: (kept: Kept<Cutting>) => void }) {
  const { draft, setDraft, refusal, setRefusal, busy, changed, keep } = useSetting<Cutting>('cutting', cutting, onKept);
  const [shown, setShown] = useState(false);
  return (
    <Card className="mb-3 d-print-none">
      <Card.Body>
        <div className="d-flex justify-content-between flex-wrap gap-2">
          <h2>
            How we cut{' '}
            <span className="soft fw-normal">
              {cutting.own ? `by ${cutting.own.author || 'somebody'}` : 'as is usual: put in your own'}, for all boats
            </span>
          </h2>
          <div className="d-flex gap-2">
            <Button size="sm" variant="outline-primary" aria-expanded={shown} onClick={() => setShown(!shown)}>
              {shown ? 'Fold it away' : 'Show and change it'}
            </Button>
            <Button size="sm" variant="outline-primary" disabled={busy} onClick={() => setDraft(USUAL_CUTTING)}>
              Back to the usual
            </Button>
            <Button size="sm" disabled={!changed || busy} onClick={() => void keep()}>
              Keep it
            </Button>
          </div>
        </div>
        <Refusal text={refusal} onClose={() => setRefusal(null)} />
        <Collapse in={shown} mountOnEnter>
          <div>
            <EntityForm
              fields={formFields(cuttingSchema, '', [], draft)}
              value={draft}
              optionsOf={() => []}
              additionTo={() => null}
              onSet={(key, value) => {
                setDraft(writeAt(draft, key, value));
                return undefined;
              }}
            />
          </div>
        </Collapse>
      </Card.Body>
    </Card>
  );
}
