'use client';
import * as Comlink from 'comlink';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Alert, Button, Card } from 'react-bootstrap';
import { KeramosError } from '@/core/error';
import {
  onCloth,
  rectangle,
  saidPiece,
  sheetPlan,
  type Board,
  type Cutting,
  type Piece,
  type SheetPlan,
} from '@/core/kit';
import { formatNumber } from '@/core/quantity';
import type { KitWorker } from '@/workers/kit.worker';
import { useDesign } from '../shared/boat';
import { saveFile } from '../shared/saveFile';
import { useUnits } from '../shared/units';
import { BookSheets } from './BookSheets';
import { fileName } from './ClothCard';
import type { CutFor } from './cuttables';
import { saidPoints } from './OutlineSvg';
import { kitWorker } from './usePieces';
import { Progress } from '../shared/Progress';

const WIDE = 320;
/** Places looked at for true shapes on sheets. */
const LOOKS = 1_500_000;
const layerOf = ({ of, layerNumber }: Piece) => (layerNumber > 0 ? `${of}, layer ${layerNumber}` : of);

type Found = { plan: SheetPlan | string; nested: boolean };

/** Pieces of a core or a board of one thickness on its sheets. */
export function OfCore({
  board,
  pieces,
  cutting,
  cutFor,
}: {
  board: Board;
  pieces: readonly Piece[];
  cutting: Cutting;
  cutFor: CutFor;
}) {
  const rows = useMemo((): SheetPlan | string => {
    try {
      return sheetPlan(board, pieces, cutting);
    } catch (error) {
      if (error instanceof KeramosError) return error.text;
      throw error;
    }
  }, [board, pieces, cutting]);
  const { found, done, nest, stop } = useSheetNest({ board, pieces, cutting });
  const { plan, nested }: Found = found ?? { plan: rows, nested: false };
  if (typeof plan === 'string')
    return (
      <Alert variant="danger" role="alert">
        ✕ {plan}.
      </Alert>
    );
  return (
    <>
      <div className="d-flex gap-3 align-items-center flex-wrap mb-2">
        {done === null ? (
          <Button size="sm" onClick={nest}>
            Look for fewer sheets
          </Button>
        ) : (
          <>
            <Progress className="kit-progress" share={done} label="How far the sheets are" />
            <Button size="sm" variant="outline-primary" onClick={stop}>
              Stop
            </Button>
          </>
        )}
        <span className="soft" role="status">
          {nested ? 'By their true shapes.' : 'As boxes in rows, a saw cut between.'}
        </span>
      </div>
      <Sheets plan={plan} board={board} pieces={pieces} cutting={cutting} />
      <BookSheets board={board} count={plan.sheets.length} cutFor={cutFor} />
    </>
  );
}

/** Looks for fewer sheets aside of the page; what was found of other pieces is forgotten. */
function useSheetNest(asked: { board: Board; pieces: readonly Piece[]; cutting: Cutting }) {
  const [of, setOf] = useState<{ pieces: readonly Piece[]; cutting: Cutting; found: Found } | null>(null);
  const [done, setDone] = useState<number | null>(null);
  const worker = useRef<Worker | null>(null);
  const stop = () => {
    worker.current?.terminate();
    worker.current = null;
    setDone(null);
  };
  const nest = () => {
    const own = kitWorker();
    worker.current = own;
    setDone(0);
    const { pieces, cutting } = asked;
    void Comlink.wrap<KitWorker>(own)
      .sheets(
        { ...asked, looks: LOOKS, seed: 1 },
        Comlink.proxy((step: { done: number }) => worker.current === own && setDone(step.done)),
      )
      .then(
        (plan) => {
          if (worker.current !== own) return;
          setOf({ pieces, cutting, found: { plan: plan as SheetPlan | string, nested: true } });
        },
        () => {},
      )
      .finally(() => {
        if (worker.current === own) stop();
        else own.terminate();
      });
  };
  useEffect(() => () => worker.current?.terminate(), []);
  const found = of?.pieces === asked.pieces && of.cutting === asked.cutting ? of.found : null;
  return { found, done, nest, stop };
}

function Sheets({
  plan,
  board,
  pieces,
  cutting,
}: {
  plan: SheetPlan;
  board: Board;
  pieces: readonly Piece[];
  cutting: Cutting;
}) {
  const { boat } = useDesign();
  const { full } = useUnits();
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  const labelOf = (id: string) => (byId.has(id) ? saidPiece(byId.get(id)!) : id);
  const scale = WIDE / cutting.sheetLength;
  const deep = cutting.sheetWidth * scale;
  const notes = [...new Set(pieces.flatMap((piece) => piece.notes))];
  const noted = (note: string) =>
    [...new Set(pieces.filter((piece) => piece.notes.includes(note)).map(layerOf))].join('; ');
  const size = `${full(cutting.sheetWidth, 'length')} × ${full(cutting.sheetLength, 'length')}`;
  const share = formatNumber((100 * plan.pieceArea) / plan.sheetArea, 0);
  const dxf = async ({ id, places }: SheetPlan['sheets'][number]) => {
    const { cutDxf } = await import('@/core/kit/out/cutDxf');
    const edge = rectangle(cutting.sheetWidth, cutting.sheetLength);
    const text = cutDxf({ edge, places, pieces: byId, labelOf });
    saveFile(`${fileName(`${boat.name} ${board.name}`)}-${id}.dxf`, text, 'image/vnd.dxf');
  };
  return (
    <>
      <p>
        {plan.sheets.length} {plan.sheets.length === 1 ? 'sheet' : 'sheets'} of {size}, {share} % in pieces,{' '}
        {full(plan.cutLength, 'length')} of saw
        {board.kind === 'core' && `; its faces and cuts take up ${full(plan.resin, 'mass')} of resin`}.
        {board.kind === 'wood' && ' Grain along the sheet, along the longer side of each panel.'}
      </p>
      <ul className="small">
        {notes.map((note) => (
          <li key={note}>
            {noted(note)}: {note}
          </li>
        ))}
      </ul>
      <div className="kit-sheets mb-3">
        {plan.sheets.map((sheet, i) => (
          <Card body key={sheet.id}>
            <div className="d-flex justify-content-between align-items-center">
              <h3 className="mb-0">
                Sheet {i + 1} <span className="soft fw-normal">{formatNumber(100 * sheet.utilisation, 0)} %</span>
              </h3>
              <Button
                size="sm"
                variant="outline-primary"
                aria-label={`Sheet ${i + 1} as DXF`}
                onClick={() => void dxf(sheet)}
              >
                DXF
              </Button>
            </div>
            <svg
              viewBox={`0 0 ${WIDE} ${deep}`}
              className="kit-picture my-2"
              role="img"
              aria-label={`${sheet.places.length} pieces on sheet ${i + 1}`}
            >
              <rect x={0} y={0} width={WIDE} height={deep} className="kit-cloth" />
              {sheet.places.map((place) => (
                <g key={`${place.pieceId} ${place.copy}`}>
                  <polygon points={saidPoints(place.outline, scale)} className="kit-piece">
                    <title>{labelOf(place.pieceId)}</title>
                  </polygon>
                  {byId.get(place.pieceId)?.cuts.map((cut, k) => (
                    <polygon key={k} points={saidPoints(onCloth(place, cut), scale)} className="kit-cut" />
                  ))}
                </g>
              ))}
            </svg>
            <p className="small mb-0">{sheet.places.map(({ pieceId }) => labelOf(pieceId)).join('; ')}</p>
          </Card>
        ))}
      </div>
      <p className="small soft">Goggles and a mask at the saw; balsa and foam dust burn: extract it, no flame near.</p>
    </>
  );
}
