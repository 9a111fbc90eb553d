'use client';
import { useMemo } from 'react';
import { Alert, Card } from 'react-bootstrap';
import { KeramosError } from '@/core/error';
import { saidPiece, sheetPlan, type Cutting, type Piece } from '@/core/kit';
import type { Core } from '@/core/material';
import { formatNumber } from '@/core/quantity';
import { useUnits } from '../shared/units';
import { saidPoints } from './OutlineSvg';

const WIDE = 320;
const layerOf = ({ of, layerNumber }: Piece) => `${of}, layer ${layerNumber}`;

/** Pieces of a core of one thickness on its sheets. */
export function OfCore({ core, pieces, cutting }: { core: Core; pieces: readonly Piece[]; cutting: Cutting }) {
  const { full } = useUnits();
  const plan = useMemo(() => {
    try {
      return sheetPlan(core, pieces, cutting);
    } catch (error) {
      if (error instanceof KeramosError) return error.text;
      throw error;
    }
  }, [core, pieces, cutting]);
  if (typeof plan === 'string')
    return (
      <Alert variant="danger" role="alert">
        ✕ {plan}.
      </Alert>
    );
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  const scale = WIDE / cutting.sheetLength;
  const deep = cutting.sheetWidth * scale;
  const bends = [...new Set(pieces.flatMap(({ notes }) => notes))];
  const bentSo = (note: string) =>
    [...new Set(pieces.filter(({ notes }) => notes.includes(note)).map(layerOf))].join('; ');
  const size = `${full(cutting.sheetWidth, 'length')} × ${full(cutting.sheetLength, 'length')}`;
  const share = formatNumber((100 * plan.pieceArea) / plan.sheetArea, 0);
  return (
    <>
      <p>
        {plan.sheets.length} sheets of {size}, {share} % in pieces, {full(plan.cutLength, 'length')} of saw; its faces
        and cuts take up {full(plan.resin, 'mass')} of resin.
      </p>
      <ul className="small">
        {bends.map((note) => (
          <li key={note}>
            {bentSo(note)}: {note}
          </li>
        ))}
      </ul>
      <div className="kit-sheets mb-3">
        {plan.sheets.map(({ id, places, utilisation }, i) => (
          <Card body key={id}>
            <h3>
              Sheet {i + 1} <span className="soft fw-normal">{formatNumber(100 * utilisation, 0)} %</span>
            </h3>
            <svg
              viewBox={`0 0 ${WIDE} ${deep}`}
              className="kit-picture"
              role="img"
              aria-label={`${places.length} pieces on sheet ${i + 1}`}
            >
              <rect x={0} y={0} width={WIDE} height={deep} className="kit-cloth" />
              {places.map(({ pieceId, copy, outline }) => (
                <polygon key={`${pieceId} ${copy}`} points={saidPoints(outline, scale)} className="kit-piece">
                  <title>{byId.has(pieceId) ? saidPiece(byId.get(pieceId)!) : pieceId}</title>
                </polygon>
              ))}
            </svg>
            <p className="small mb-0">
              {places.map(({ pieceId }) => (byId.has(pieceId) ? saidPiece(byId.get(pieceId)!) : pieceId)).join('; ')}
            </p>
          </Card>
        ))}
      </div>
      <p className="small soft">Goggles and a mask at the saw; balsa and foam dust burn: extract it, no flame near.</p>
    </>
  );
}
