'use client';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import type { PieceDrawing } from '@/core/document';
import { otherHandOf, saidPiece, type At, type Piece } from '@/core/kit';
import { useDesign } from '../shared/boat';
import { Refusal } from '../shared/Refusal';
import { TextField } from '../shared/TextField';
import { useEdit } from '../shared/useEdit';
import { useUnits } from '../shared/units';
import { OutlineEditor } from './OutlineEditor';
import { OutlinePoints } from './OutlinePoints';
import { OutlineSource } from './OutlineSource';
import { saidPoints, WarpArrow } from './OutlineSvg';

const pairs = (points: readonly At[]): [number, number][] => points.map(([x, y]) => [x, y]);

/** One piece: as the schedule gives it, or as it was drawn by hand in place of that. */
export function PieceCard({ piece, onClose }: { piece: Piece; onClose: () => void }) {
  const { boat } = useDesign();
  const { full } = useUnits();
  const edit = useEdit();
  const [refusal, setRefusal] = useState<string | null>(null);
  const drawing = boat.pieceDrawings.find(({ id }) => id === piece.drawn?.id);
  // Drawn on the other hand, mirrored here: it is changed there.
  const mirrored = drawing !== undefined && drawing.piece !== null && drawing.piece !== piece.id;
  const set = (change: Partial<PieceDrawing>) => {
    if (drawing) setRefusal(edit({ type: 'pieceDrawing.set', item: { ...drawing, ...change } }) ?? null);
  };
  const draw = (outline: readonly At[]) => {
    const item: PieceDrawing = {
      id: nanoid(8),
      name: saidPiece(piece).slice(0, 80),
      piece: piece.id,
      bothHands: otherHandOf(piece.id) !== null,
      material: null,
      thickness: null,
      count: 1,
      outline: pairs(outline),
      notches: [],
      basis: pairs(piece.outline),
    };
    setRefusal(edit({ type: 'pieceDrawing.add', item, index: boat.pieceDrawings.length }) ?? null);
  };
  const canDraw =
    piece.kind === 'layer' || piece.kind === 'core' || piece.kind === 'detail' || piece.kind === 'stiffener';
  return (
    <Card body className="mb-3">
      <div className="d-flex gap-2 align-items-center flex-wrap mb-2">
        <h2 className="mb-0 me-auto">{saidPiece(piece)}</h2>
        {!drawing && canDraw && (
          <Button size="sm" onClick={() => draw(piece.outline)}>
            Draw it by hand
          </Button>
        )}
        {drawing && !mirrored && drawing.piece !== null && (
          <Button
            size="sm"
            variant="outline-primary"
            onClick={() => setRefusal(edit({ type: 'pieceDrawing.remove', id: drawing.id }) ?? null)}
          >
            Back to the schedule’s
          </Button>
        )}
        {drawing && drawing.piece === null && (
          <Button
            size="sm"
            variant="outline-primary"
            onClick={() => setRefusal(edit({ type: 'pieceDrawing.remove', id: drawing.id }) ?? null)}
          >
            Remove the piece
          </Button>
        )}
        <Button size="sm" variant="outline-primary" onClick={onClose}>
          Close
        </Button>
      </div>
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      {drawing && piece.drawn?.stale && !mirrored && (
        <div className="alert alert-warning d-flex gap-3 align-items-center flex-wrap py-2">
          <span className="me-auto">
            △ It no longer follows the schedule: the outline that it was drawn over (dashed) has changed.
          </span>
          <Button size="sm" variant="outline-primary" onClick={() => set({ basis: pairs(piece.drawn!.schedule) })}>
            The drawing still holds
          </Button>
        </div>
      )}
      {drawing && !mirrored ? (
        <OutlineEditor
          outline={drawing.outline}
          notches={drawing.notches}
          schedule={drawing.piece === null ? [] : piece.drawn!.schedule}
          onOutline={(outline) => set({ outline: pairs(outline) })}
          onNotches={(notches) => set({ notches: pairs(notches) })}
        />
      ) : (
        <PlainOutline piece={piece} />
      )}
      {mirrored && <p className="small mb-0">Drawn by hand on the other hand, mirrored here: change it there.</p>}
      {drawing && !mirrored && (
        <>
          <p className="small soft mb-2">
            Drag a point, or choose it and use the arrow keys (with Shift in larger steps); Delete takes it out, + puts
            one in. {piece.drawn && drawing.piece !== null && 'Dashed: the schedule’s. '}
            {full(piece.area, 'area')}
            {piece.notes.length > 0 && `; ${piece.notes.join('; ')}`}.
          </p>
          <div className="d-flex gap-3 align-items-center flex-wrap mb-2">
            {drawing.piece === null && (
              <TextField
                label="Name"
                value={drawing.name}
                maximum={80}
                onCommit={(name) => (set({ name }), undefined)}
              />
            )}
            {drawing.piece !== null && otherHandOf(piece.id) !== null && (
              <Form.Check
                id="both-hands"
                label="The other hand mirrored from it"
                checked={drawing.bothHands}
                onChange={({ target }) => set({ bothHands: target.checked })}
              />
            )}
            <Button
              size="sm"
              variant="outline-primary"
              onClick={() => set({ notches: [...drawing.notches, notchAt(drawing.outline)] })}
            >
              Add a notch
            </Button>
          </div>
          <OutlinePoints outline={drawing.outline} onOutline={(outline) => set({ outline: pairs(outline) })} />
        </>
      )}
      {canDraw && !mirrored && (
        <OutlineSource
          title="Outline from a drawing or from measures"
          onOutlines={([first]) => {
            if (!first) return;
            if (drawing) set({ outline: pairs(first.outline) });
            else draw(first.outline);
          }}
        />
      )}
    </Card>
  );
}

/** A notch in the middle of the longest edge, to be moved from there. */
function notchAt(outline: readonly At[]): [number, number] {
  const edges = outline.map(([x, y], i) => {
    const [u, v] = outline[(i + 1) % outline.length]!;
    return { long: Math.hypot(u - x, v - y), middle: [(x + u) / 2, (y + v) / 2] as [number, number] };
  });
  return edges.reduce((a, b) => (b.long > a.long ? b : a)).middle;
}

/** A piece as it is cut, with darts, cut-outs and notches. */
function PlainOutline({ piece }: { piece: Piece }) {
  const xs = piece.outline.map(([x]) => x);
  const ys = piece.outline.map(([, y]) => y);
  const [across, along] = [Math.max(...xs), Math.max(...ys)];
  const scale = Math.min(1000 / along, 320 / across);
  return (
    <svg
      viewBox={`-4 -4 1008 ${across * scale + 8}`}
      className="kit-picture"
      role="img"
      aria-label={`${saidPiece(piece)}, warp from left to right`}
    >
      <polygon points={saidPoints(piece.outline, scale)} className="kit-piece" />
      {piece.cuts.map((line, i) => (
        <polyline
          key={i}
          points={saidPoints(line.length > 2 ? [...line, line[0]!] : line, scale)}
          className={line.length > 2 ? 'kit-cut' : 'kit-dart'}
        />
      ))}
      {piece.notches.map(([x, y], i) => (
        <path key={i} d={`M${y * scale} ${x * scale - 7}l7 7-7 7-7-7Z`} className="kit-notch" />
      ))}
      <WarpArrow x={(along * scale) / 2 - 20} y={(across * scale) / 2} length={40} />
    </svg>
  );
}
