'use client';
import { Button, Card, Form } from 'react-bootstrap';
import type { CutPlace, CutWay } from '@/core/kit';
import { Refusal } from '../shared/Refusal';

/** What can be done with the chosen piece of a lay: held fast, turned, put on another cloth; moves are taken back. */
export function PieceMoves({
  place,
  said,
  cloths,
  isFast,
  fastCount,
  moved,
  refusal,
  onRefusalClosed,
  onFast,
  onLoose,
  onTurn,
  onCloth,
  onBack,
}: {
  place: CutPlace | null;
  said: string;
  cloths: CutWay['cloth'];
  isFast: boolean;
  fastCount: number;
  /** How many moves can be taken back. */
  moved: number;
  refusal: string | null;
  onRefusalClosed: () => void;
  onFast: () => void;
  onLoose: () => void;
  onTurn: () => void;
  onCloth: (clothId: string) => void;
  onBack: () => void;
}) {
  return (
    <Card body className="mb-3 d-print-none kit-moves">
      <Refusal text={refusal} onClose={onRefusalClosed} />
      <div className="d-flex gap-2 align-items-center flex-wrap">
        <span className="me-auto">
          {place ? said : 'Drag a piece to another place, or choose one: it snaps to where there is room.'}
        </span>
        {place && (
          <>
            <Button size="sm" variant="outline-primary" onClick={onFast}>
              {isFast ? 'Let it loose' : 'Hold it fast'}
            </Button>
            <Button size="sm" variant="outline-primary" onClick={onTurn}>
              Turn it round
            </Button>
            {cloths.length > 1 && (
              <Form.Select
                size="sm"
                className="w-auto"
                aria-label="Put it on"
                value={place.clothId}
                onChange={({ target }) => onCloth(target.value)}
              >
                {cloths.map(({ id, name }) => (
                  <option key={id} value={id}>
                    on {name}
                  </option>
                ))}
              </Form.Select>
            )}
          </>
        )}
        {fastCount > 0 && (
          <Button size="sm" variant="outline-primary" onClick={onLoose}>
            Let all loose ({fastCount})
          </Button>
        )}
        {moved > 0 && (
          <Button size="sm" variant="outline-primary" onClick={onBack}>
            Take back the last move
          </Button>
        )}
      </div>
    </Card>
  );
}
