'use client';
import { useState } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import type { Edit } from '@/core/edit';
import type { Part } from '@/core/document';
import { KeyDialog } from '../shared/KeyDialog';
import { QuantityField } from '../shared/QuantityField';
import { Said } from '../shared/Said';

interface PartSettingsProps {
  part: Part;
  act: (label: string | null, ...edits: Edit[]) => string | undefined;
  onClose: () => void;
}

/** How often a part is made and on which hands, and how its layers may end. */
export function PartSettings({ show, onClosed, ...rest }: PartSettingsProps & { show: boolean; onClosed: () => void }) {
  return (
    <KeyDialog
      id="part"
      show={show}
      title={`${rest.part.name}: hands, number-off, ends of layers`}
      onClose={rest.onClose}
      onClosed={onClosed}
    >
      <Entries {...rest} />
    </KeyDialog>
  );
}

function Entries({ part, act, onClose }: PartSettingsProps) {
  const [number, setNumber] = useState(String(part.number));
  const [hands, setHands] = useState(part.hands);
  const [oddNote, setOddNote] = useState(part.oddNote);
  const [refusal, setRefusal] = useState<string | null>(null);
  const odd = hands === 'two' && Number(number) % 2 === 1;
  const save = () => {
    const said = /^\d+$/.test(number.trim())
      ? act(null, { type: 'part.set', partId: part.id, patch: { hands, number: Number(number), oddNote } })
      : 'Number-off must be a whole number';
    setRefusal(said ?? null);
    if (!said) onClose();
  };
  const set = (patch: Partial<Pick<Part, 'dropRatio' | 'coreBevel'>>) =>
    act(null, { type: 'part.set', partId: part.id, patch });
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <Modal.Body className="d-grid gap-3">
        <Form.Group controlId="part-hands">
          <Form.Label className="mb-0">Made</Form.Label>
          <Form.Select
            autoFocus
            value={hands}
            onChange={(event) => {
              setHands(event.target.value as Part['hands']);
              if (event.target.value === 'two' && number === '1') setNumber('2');
            }}
          >
            <option value="one">in one hand: symmetrical, or the same to both sides</option>
            <option value="two">in two hands: to port and to starboard</option>
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="part-number">
          <Form.Label className="mb-0">Number-off, all hands together</Form.Label>
          <Form.Control
            className="num"
            inputMode="numeric"
            value={number}
            maxLength={4}
            onChange={(event) => setNumber(event.target.value)}
          />
        </Form.Group>
        {odd && (
          <Form.Group controlId="part-odd">
            <Form.Label className="mb-0">Two-handed and odd: why is one hand short?</Form.Label>
            <Form.Control value={oddNote} maxLength={200} onChange={(event) => setOddNote(event.target.value)} />
          </Form.Group>
        )}
        <div className="row g-2">
          <div className="col">
            <QuantityField
              label="Step per thickness that drops, 1 to"
              kind="ratio"
              value={part.dropRatio}
              minimum={1}
              maximum={100}
              hint="20 is usual"
              onCommit={(dropRatio) => set({ dropRatio: dropRatio! })}
            />
          </div>
          <div className="col">
            <QuantityField
              label="Core bevel, 1 to"
              kind="ratio"
              value={part.coreBevel}
              minimum={1}
              maximum={50}
              hint="3 or gentler"
              onCommit={(coreBevel) => set({ coreBevel: coreBevel! })}
            />
          </div>
        </div>
        {refusal && (
          <p className="verdict fails d-block text-wrap mb-0" role="alert">
            <Said text={refusal} />
          </p>
        )}
      </Modal.Body>
      <Modal.Footer>
        <Button variant="outline-primary" onClick={onClose}>
          Leave it
        </Button>
        <Button type="submit">Take it</Button>
      </Modal.Footer>
    </Form>
  );
}
