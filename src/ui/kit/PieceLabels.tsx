'use client';
import { useState } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import { LABEL_SHEETS, type LabelSheet } from '@/core/kit';
import { useDesign } from '../shared/boat';
import { useUnits } from '../shared/units';
import { useFocusBack } from '../shared/useFocusBack';

/** Labels with a code to scan, as a PDF on the sheets of labels that the yard has. */
export function PieceLabels({
  count,
  all,
  group,
  layer,
}: {
  /** Labels of what is shown, and of the whole boat. */
  count: number;
  all: number;
  group: string;
  layer: number | null;
}) {
  const { id: boatId } = useDesign();
  const { system } = useUnits();
  const [open, setOpen] = useState(false);
  const focus = useFocusBack(open);
  const [sheet, setSheet] = useState<LabelSheet>('a4-24');
  const [whole, setWhole] = useState(false);
  const [start, setStart] = useState(1);
  const { across, down } = LABEL_SHEETS[sheet];
  const from = Math.min(start, across * down);
  const query = new URLSearchParams({ sheet, start: String(from), units: system });
  if (!whole) query.set('group', group);
  if (!whole && layer !== null) query.set('layer', String(layer));
  return (
    <>
      <Button size="sm" variant="outline-primary" disabled={count === 0} onClick={() => setOpen(true)}>
        Labels ({count})
      </Button>
      <Modal {...focus} show={open} onHide={() => setOpen(false)} aria-labelledby="kit-labels">
        <Modal.Header closeButton>
          <Modal.Title id="kit-labels" as="h2">
            Labels
          </Modal.Title>
        </Modal.Header>
        <Modal.Body className="d-grid gap-3">
          <Form.Group controlId="label-of">
            <Form.Label className="mb-0">Of</Form.Label>
            <Form.Select value={whole ? 'all' : 'shown'} onChange={({ target }) => setWhole(target.value === 'all')}>
              <option value="shown">what is shown here: {count}</option>
              <option value="all">the whole boat: {all}</option>
            </Form.Select>
          </Form.Group>
          <Form.Group controlId="label-sheet">
            <Form.Label className="mb-0">On</Form.Label>
            <Form.Select value={sheet} onChange={({ target }) => setSheet(target.value as LabelSheet)}>
              {Object.entries(LABEL_SHEETS).map(([key, { name }]) => (
                <option key={key} value={key}>
                  {name}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
          {across * down > 1 && (
            <Form.Group controlId="label-start">
              <Form.Label className="mb-0">First label that is left on the sheet, of {across * down}</Form.Label>
              <Form.Control
                type="number"
                min={1}
                max={across * down}
                value={from}
                onChange={({ target }) => setStart(Math.max(1, Math.round(Number(target.value) || 1)))}
              />
            </Form.Group>
          )}
          <p className="small soft mb-0">
            Each has boat, part, layer, piece, fabric with its direction, hand, place and laying order, and a code to
            scan. Print at full size, not fitted to the page.
          </p>
        </Modal.Body>
        <Modal.Footer>
          <Button as="a" href={`/api/boats/${boatId}/kit/labels?${query}`}>
            Labels as PDF
          </Button>
        </Modal.Footer>
      </Modal>
    </>
  );
}
