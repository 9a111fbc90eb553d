'use client';
import { useEffect, useState } from 'react';
import { Button, Modal } from 'react-bootstrap';
import { boxOf, HANDS, saidPiece, type Piece } from '@/core/kit';
import { useDesign } from '../shared/boat';
import { useUnits } from '../shared/units';

/** What a label's code says: boat, piece, copy. */
export const codeOf = (boatName: string, { id }: Piece, copy: number) => `${boatName}|${id}|${copy}`;

/** Labels of pieces with a code to scan, to be printed on sheets of labels. */
export function PieceLabels({ pieces, boatName }: { pieces: readonly Piece[]; boatName: string }) {
  const [open, setOpen] = useState(false);
  const labels = pieces.flatMap((piece) =>
    Array.from({ length: piece.count }, (_, copy) => ({ piece, copy: copy + 1 })),
  );
  return (
    <>
      <Button size="sm" variant="outline-primary" disabled={labels.length === 0} onClick={() => setOpen(true)}>
        Labels ({labels.length})
      </Button>
      <Modal show={open} onHide={() => setOpen(false)} size="xl" scrollable aria-labelledby="kit-labels">
        <Modal.Header closeButton>
          <Modal.Title id="kit-labels" as="h2">
            Labels
          </Modal.Title>
        </Modal.Header>
        <Modal.Body>
          <div className="kit-labels print-sheet">
            {labels.map(({ piece, copy }) => (
              <Label key={`${piece.id} ${copy}`} piece={piece} copy={copy} boatName={boatName} />
            ))}
          </div>
        </Modal.Body>
        <Modal.Footer className="d-print-none">
          <span className="soft me-auto">Three across, eight down on A4.</span>
          <Button onClick={() => window.print()}>Print</Button>
        </Modal.Footer>
      </Modal>
    </>
  );
}

function Label({ piece, copy, boatName }: { piece: Piece; copy: number; boatName: string }) {
  const { boat } = useDesign();
  const { full } = useUnits();
  const [code, setCode] = useState<string | null>(null);
  const text = codeOf(boatName, piece, copy);
  useEffect(() => {
    let wanted = true;
    void import('qrcode')
      .then(({ default: qr }) => qr.toDataURL(text, { margin: 0, width: 128 }))
      .then((url) => wanted && setCode(url));
    return () => {
      wanted = false;
    };
  }, [text]);
  const material = boat.materials.find(({ id }) => id === piece.material);
  const { maxX, maxY } = boxOf(piece.outline);
  return (
    <div className="kit-label">
      {/* A picture made here, of no file. */}
      {/* eslint-disable-next-line @next/next/no-img-element */}
      {code && <img src={code} alt="" width={64} height={64} />}
      <div>
        <strong>{boatName}</strong>
        <div>{saidPiece(piece)}</div>
        <div>
          {material && 'code' in material ? material.code : ''} {piece.angleDeg}° → {HANDS[piece.hand]}
          {piece.count > 1 && `, ${copy} of ${piece.count}`}
        </div>
        <div className="soft">
          {full(maxY, 'length')} × {full(maxX, 'length')}
        </div>
      </div>
    </div>
  );
}
