'use client';
import { useRef } from 'react';
import { Alert, Button, Card, Form } from 'react-bootstrap';
import { type Cutting, type KitPieces, type Piece, type PieceKind } from '@/core/kit';
import { useDesign } from '../shared/boat';
import { useKept } from '../shared/useKept';
import type { Kept } from '../shared/useSetting';
import { CuttingCard } from './CuttingCard';
import { AddPieces } from './AddPieces';
import { CountsTable } from './CountsTable';
import { LostDrawings } from './LostDrawings';
import { PieceCard } from './PieceCard';
import { PieceLabels } from './PieceLabels';
import { PiecesPicture } from './PiecesPicture';
import { PiecesTable } from './PiecesTable';
import { RunCard } from './RunCard';
import { usePieces } from './usePieces';

/** Every piece of the boat, layer by layer, counted against the lay-up. */
export function PiecesTab({ cutting, onKept }: { cutting: Kept<Cutting>; onKept: (kept: Kept<Cutting>) => void }) {
  const { boat } = useDesign();
  const found = usePieces(boat, cutting.body);
  return (
    <>
      {found === null && (
        <p className="soft" role="status">
          Developing the pieces…
        </p>
      )}
      {typeof found === 'string' && (
        <Alert variant="danger" role="alert">
          ✕ {found}.
        </Alert>
      )}
      {found !== null && typeof found !== 'string' && <Found found={found} />}
      <AddPieces />
      <CuttingCard cutting={cutting} onKept={onKept} />
    </>
  );
}

const groupOf = (piece: Piece) => piece.partId ?? piece.kind;
/** Groups that are of no part. */
const GROUPS = {
  detail: 'Details',
  stiffener: 'Stiffeners',
  box: 'Boxes',
  own: 'Pieces of their own',
  layer: 'Layers',
  core: 'Cores',
} as const satisfies Record<PieceKind, string>;

function Found({ found }: { found: KitPieces }) {
  const { id: boatId, boat } = useDesign();
  const groups = new Map(
    found.pieces.map((piece) => [groupOf(piece), piece.partId ? piece.of : GROUPS[piece.kind]] as const),
  );
  const [kept, setGroup] = useKept<string>('kit.part', '', (id) => groups.has(id));
  const group = groups.has(kept) ? kept : ([...groups.keys()][0] ?? '');
  const own = found.pieces.filter((piece) => groupOf(piece) === group);
  const numbers = [...new Set(own.map(({ layerNumber }) => layerNumber))].sort((a, b) => a - b);
  const [layerKept, setLayer] = useKept<string>(`kit.layer.${group}`, '', () => true);
  const layer = numbers.includes(Number(layerKept)) ? Number(layerKept) : (numbers[0] ?? 0);
  // What is of no layer stands together.
  const byLayer = group !== 'box' && group !== 'own';
  const shown = byLayer ? own.filter(({ layerNumber }) => layerNumber === layer) : own;
  const [pieceKept, keepPiece] = useKept<string>('kit.piece', '', (id) => shown.some((one) => one.id === id));
  const desk = useRef<HTMLDivElement>(null);
  const setPiece = (id: string) => {
    keepPiece(id);
    requestAnimationFrame(() => desk.current?.scrollIntoView({ block: 'nearest' }));
  };
  const piece = shown.find(({ id }) => id === pieceKept) ?? null;
  const run = found.runs.find((one) => one.run === piece?.run) ?? null;
  const total = found.pieces.reduce((sum, { count }) => sum + count, 0);
  if (found.pieces.length === 0)
    return <p className="soft">Nothing is laid yet: lay a first schedule in the Lay-up, and its pieces stand here.</p>;
  return (
    <>
      {found.problems.length > 0 ? (
        <Alert variant="danger" role="alert">
          <p className="mb-1 fw-semibold">✕ The kit stops: its pieces do not add up.</p>
          <ul className="mb-0">
            {found.problems.map((text) => (
              <li key={text}>{text}.</li>
            ))}
          </ul>
        </Alert>
      ) : (
        <p className="mb-1">
          ✓ {total} pieces for one boat; every layer has as many as its zones, hands and number-off ask, and covers
          them.
        </p>
      )}
      {found.problems.length === 0 && (
        <p className="small soft mb-2">
          Not checked: how a piece lies where it says that it is darted, the strength of a lap or a joint, and the
          outlines against the mould itself: try the first of a shape in film or paper before the cloth is cut.
        </p>
      )}
      <LostDrawings lost={found.lost} />
      <div className="d-flex gap-3 align-items-end flex-wrap mb-2">
        <Form.Group controlId="kit-part">
          <Form.Label className="mb-0">Of</Form.Label>
          <Form.Select size="sm" value={group} onChange={(event) => setGroup(event.target.value)}>
            {[...groups].map(([id, name]) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        {byLayer && (
          <Form.Group controlId="kit-layer">
            <Form.Label className="mb-0">Layer</Form.Label>
            <Form.Select size="sm" value={layer} onChange={(event) => setLayer(event.target.value)}>
              {numbers.map((number) => {
                const [first] = own.filter(({ layerNumber }) => layerNumber === number);
                const code = boat.materials.find(({ id }) => id === first?.material);
                return (
                  <option key={number} value={number}>
                    {number}: {code && 'code' in code ? code.code : ''} {first?.angleDeg ? `${first.angleDeg}°` : ''}
                  </option>
                );
              })}
            </Form.Select>
          </Form.Group>
        )}
        <PieceLabels
          count={shown.reduce((sum, { count }) => sum + count, 0)}
          all={total}
          group={group}
          layer={byLayer ? layer : null}
        />
        <Button as="a" size="sm" variant="outline-primary" href={`/api/boats/${boatId}/kit?format=xlsx`}>
          All pieces, XLSX
        </Button>
        <Button as="a" size="sm" variant="outline-primary" href={`/api/boats/${boatId}/kit?format=pdf`}>
          PDF
        </Button>
        <Button as="a" size="sm" variant="outline-primary" href={`/api/boats/${boatId}/kit?format=csv`}>
          CSV
        </Button>
      </div>
      <Card body className="mb-3">
        <PiecesPicture pieces={shown} chosen={piece?.id ?? null} onChoose={setPiece} />
      </Card>
      {piece && (
        <div ref={desk}>
          <PieceCard key={piece.id} piece={piece} onClose={() => setPiece('')} />
        </div>
      )}
      {run && <RunCard key={run.run} run={run} />}
      <PiecesTable pieces={shown} chosen={piece?.id ?? null} onChoose={setPiece} />
      <CountsTable counts={found.counts.filter(({ partId }) => partId === group)} chosen={layer} onChoose={setLayer} />
    </>
  );
}
