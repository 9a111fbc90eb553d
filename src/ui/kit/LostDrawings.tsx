'use client';
import { Alert, Button } from 'react-bootstrap';
import type { Edit } from '@/core/edit';
import type { KitPieces } from '@/core/kit';
import { useDesign } from '../shared/boat';
import { useEditAs } from '../shared/useEdit';

/** What was drawn or placed by hand for pieces that the schedule does not have any more. */
export function LostDrawings({ lost }: { lost: KitPieces['lost'] }) {
  const { boat } = useDesign();
  const editAs = useEditAs();
  if (lost.length === 0) return null;
  const drawn = new Set(boat.pieceDrawings.map(({ id }) => id));
  const edits = lost.map(({ id }): Edit => ({
    type: drawn.has(id) ? 'pieceDrawing.remove' : 'jointPlacing.remove',
    id,
  }));
  return (
    <Alert variant="warning" className="d-flex gap-3 align-items-center flex-wrap">
      <span className="me-auto">
        △ Drawn or placed by hand for pieces that the schedule has no more: {lost.map(({ name }) => name).join('; ')}.
      </span>
      <Button
        size="sm"
        variant="outline-primary"
        onClick={() => editAs('drop what was drawn for pieces that are gone', ...edits)}
      >
        Drop them
      </Button>
    </Alert>
  );
}
