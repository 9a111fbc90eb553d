'use client';
import { useQuery } from '@tanstack/react-query';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import { KeramosError } from '@/core/error';
import { copyPart } from '@/core/edit';
import type { Boat } from '@/core/document';
import type { BoatSummary } from '@/core/revision';
import { api } from '../shared/api';
import { Refusal } from '../shared/Refusal';
import { useEditAs } from '../shared/useEdit';

/** Brings a part of another boat into this one, with all that it names. */
export function CopyPart({ boat }: { boat: Boat }) {
  const editAs = useEditAs();
  const [open, setOpen] = useState(false);
  const [fromId, setFromId] = useState('');
  const [partId, setPartId] = useState('');
  const [said, setSaid] = useState<{ refused: boolean; text: string } | null>(null);
  const { data: boats = [] } = useQuery({
    queryKey: ['boats'],
    queryFn: () => api<BoatSummary[]>('GET', '/api/boats'),
    enabled: open,
  });
  const { data: from = null } = useQuery({
    queryKey: ['boat of parts', fromId],
    queryFn: async () => (await api<{ boat: Boat }>('GET', `/api/boats/${fromId}`)).boat,
    enabled: fromId !== '',
  });
  const part = from?.parts.find(({ id }) => id === partId) ?? from?.parts[0];
  const copy = () => {
    if (!from || !part) return;
    try {
      const edits = copyPart(boat, from, part.id, () => nanoid(10));
      const refusal = editAs(`copied ${part.name} from ${from.name}`, ...edits);
      setSaid(
        refusal ? { refused: true, text: refusal } : { refused: false, text: `${part.name} of ${from.name} is here.` },
      );
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      setSaid({ refused: true, text: error.text });
    }
  };
  return (
    <Card>
      <Card.Body className="d-grid gap-2">
        <h2 className="mb-0">Copy a part</h2>
        {!open && (
          <div>
            <Button size="sm" variant="outline-primary" onClick={() => setOpen(true)}>
              From another boat
            </Button>
          </div>
        )}
        {open && (
          <>
            <Form.Group controlId="copy-from">
              <Form.Label className="mb-0">From the boat</Form.Label>
              <Form.Select value={fromId} onChange={(event) => setFromId(event.target.value)}>
                <option value="">choose a boat</option>
                {boats
                  .filter(({ archived }) => !archived)
                  .map(({ id, name, updatedAt }) => (
                    <option key={id} value={id}>
                      {name}, changed {updatedAt.slice(0, 10)}
                    </option>
                  ))}
              </Form.Select>
            </Form.Group>
            {from && part && (
              <>
                <Form.Group controlId="copy-part">
                  <Form.Label className="mb-0">The part</Form.Label>
                  <Form.Select value={part.id} onChange={(event) => setPartId(event.target.value)}>
                    {from.parts.map(({ id, name, zones, layers }) => (
                      <option key={id} value={id}>
                        {name}: {zones.length} zones, {layers.length} layers
                      </option>
                    ))}
                  </Form.Select>
                </Form.Group>
                <div>
                  <Button size="sm" onClick={copy}>
                    Copy {part.name}
                  </Button>
                </div>
              </>
            )}
          </>
        )}
        {said && !said.refused && (
          <p className="small mb-0" role="status">
            ✓ {said.text}
          </p>
        )}
        <Refusal text={said?.refused ? said.text : null} onClose={() => setSaid(null)} />
        <p className="form-text mb-0">
          It lies where it does there, for the length and beam of this boat, and brings its materials, sections and
          laminates; of those that are here already, this boat’s own stand.
        </p>
      </Card.Body>
    </Card>
  );
}
