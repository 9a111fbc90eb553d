'use client';
import { ArrowDown, ArrowUp } from 'react-bootstrap-icons';
import { useState } from 'react';
import { Button, Card } from 'react-bootstrap';
import { PART_KINDS, type Boat, type Part } from '@/core/document';
import { Choice } from '../shared/Choice';
import { Refusal } from '../shared/Refusal';
import { TextField } from '../shared/TextField';
import { useEdit } from '../shared/useEdit';
import { CopyPart } from './CopyPart';

/** A part as a whole: name, kind, place among the others, and gone again. */
export function PartEditor({ boat, part, onRemoved }: { boat: Boat; part: Part; onRemoved: () => void }) {
  const edit = useEdit();
  const [refusal, setRefusal] = useState<string | null>(null);
  const at = boat.parts.findIndex(({ id }) => id === part.id);
  const move = (by: 1 | -1) => setRefusal(edit({ type: 'part.move', partId: part.id, index: at + by }) ?? null);
  return (
    <>
      <Card>
        <Card.Body className="d-grid gap-2">
          <h2 className="mb-0">{part.name}</h2>
          <Refusal text={refusal} onClose={() => setRefusal(null)} />
          <TextField
            label="Name of part"
            value={part.name}
            maximum={80}
            onCommit={(name) => edit({ type: 'part.set', partId: part.id, patch: { name } })}
          />
          <Choice
            label="Kind of part"
            value={part.kind}
            options={PART_KINDS}
            hint="a bulkhead holds panels; a small part keeps its size when it is copied"
            onChoose={(kind) => setRefusal(edit({ type: 'part.set', partId: part.id, patch: { kind } }) ?? null)}
          />
          <div className="d-flex flex-wrap align-items-center gap-2">
            <span className="soft">
              Part {at + 1} of {boat.parts.length}
            </span>
            <Button size="sm" variant="outline-primary" disabled={at === 0} onClick={() => move(-1)}>
              <ArrowUp aria-hidden /> Earlier
            </Button>
            <Button size="sm" variant="outline-primary" disabled={at === boat.parts.length - 1} onClick={() => move(1)}>
              <ArrowDown aria-hidden /> Later
            </Button>
          </div>
          <div>
            <Button
              size="sm"
              variant="outline-primary"
              onClick={() => {
                const said = edit({ type: 'part.remove', partId: part.id });
                setRefusal(said ?? null);
                if (!said) onRemoved();
              }}
            >
              Remove this part
            </Button>{' '}
            <span className="form-text">
              With its {part.zones.length} {part.zones.length === 1 ? 'zone' : 'zones'} and {part.layers.length}{' '}
              {part.layers.length === 1 ? 'layer' : 'layers'}. Undo brings it back.
            </span>
          </div>
        </Card.Body>
      </Card>
      <CopyPart boat={boat} />
    </>
  );
}
