'use client';
import { Alert, Button, Card, Form } from 'react-bootstrap';
import { boxOf, HANDS, PIECE_KINDS, type Cutting, type KitPieces, type Piece } from '@/core/kit';
import { formatNumber } from '@/core/quantity';
import { useDesign } from '../shared/boat';
import { useUnits } from '../shared/units';
import { useKept } from '../shared/useKept';
import type { Kept } from '../shared/useSetting';
import { CuttingCard } from './CuttingCard';
import { saidPoints, WarpArrow } from './OutlineSvg';
import { PieceLabels } from './PieceLabels';
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
      <CuttingCard cutting={cutting} onKept={onKept} />
    </>
  );
}

const groupOf = (piece: Piece) => piece.partId ?? piece.kind;

function Found({ found }: { found: KitPieces }) {
  const { id: boatId, boat } = useDesign();
  const groups = new Map(
    found.pieces.map((piece) => [groupOf(piece), piece.partId ? piece.of : `${PIECE_KINDS[piece.kind]}s`] as const),
  );
  const [kept, setGroup] = useKept<string>('kit.part', '', (id) => groups.has(id));
  const group = groups.has(kept) ? kept : ([...groups.keys()][0] ?? '');
  const own = found.pieces.filter((piece) => groupOf(piece) === group);
  const numbers = [...new Set(own.map(({ layerNumber }) => layerNumber))].sort((a, b) => a - b);
  const [layerKept, setLayer] = useKept<string>(`kit.layer.${group}`, '', () => true);
  const layer = numbers.includes(Number(layerKept)) ? Number(layerKept) : (numbers[0] ?? 0);
  const shown = own.filter(({ layerNumber }) => layerNumber === layer);
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
        <PieceLabels pieces={shown} boatName={boat.name} />
        <Button as="a" size="sm" variant="outline-primary" href={`/api/boats/${boatId}/kit?format=xlsx`}>
          All pieces, XLSX
        </Button>
        <Button as="a" size="sm" variant="outline-primary" href={`/api/boats/${boatId}/kit?format=csv`}>
          CSV
        </Button>
      </div>
      <Card body className="mb-3">
        <PiecesPicture pieces={shown} />
      </Card>
      <PiecesTable pieces={shown} />
      <CountsTable counts={found.counts.filter(({ partId }) => partId === group)} chosen={layer} onChoose={setLayer} />
    </>
  );
}

const WIDE = 1060;

const HIGH = 420;

/** Boxes in lines, all to one scale that lets them stand in a picture of a height. */
function arranged(boxes: readonly { maxX: number; maxY: number }[]) {
  const longest = Math.max(0.1, ...boxes.map(({ maxY }) => maxY));
  for (let scale = Math.min(WIDE / longest, 320); ; scale *= 0.85) {
    const places: { x: number; y: number; w: number; h: number }[] = [];
    let line = { x: 0, y: 0, deep: 0 };
    for (const { maxX, maxY } of boxes) {
      const [w, h] = [maxY * scale, maxX * scale];
      if (line.x > 0 && line.x + w > WIDE) line = { x: 0, y: line.y + line.deep + 26, deep: 0 };
      places.push({ x: line.x, y: line.y, w, h });
      line = { x: line.x + Math.max(w, w > 120 ? 190 : 96) + 18, y: line.y, deep: Math.max(line.deep, h) };
    }
    const high = line.y + line.deep + 22;
    if (high <= HIGH || scale < 20) return { places, scale, high };
  }
}

/** The pieces of a layer flat, one beside the other, all to the same scale, the warp from left to right. */
function PiecesPicture({ pieces }: { pieces: readonly Piece[] }) {
  const { full } = useUnits();
  const boxes = pieces.map((piece) => boxOf(piece.outline));
  const { places, scale, high } = arranged(boxes);
  return (
    <svg
      viewBox={`-2 -2 ${WIDE + 20} ${high + 4}`}
      className="kit-picture"
      role="img"
      aria-label={`${pieces.length} outlines, warp from left to right`}
    >
      {pieces.map((piece, i) => {
        const at = places[i]!;
        return (
          <g key={piece.id} transform={`translate(${at.x} ${at.y})`}>
            <polygon points={saidPoints(piece.outline, scale)} className="kit-piece" />
            <WarpArrow x={at.w / 2 - 14} y={at.h / 2} length={28} />
            <text x={at.w / 2} y={at.h + 14} textAnchor="middle" className="kit-text">
              {piece.n}/{piece.m}
              {HANDS[piece.hand] && ` ${HANDS[piece.hand]}`}
              {piece.count > 1 && ` × ${piece.count}`}
              {at.w > 120 && `, ${full(boxes[i]!.maxY, 'length')} × ${full(boxes[i]!.maxX, 'length')}`}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

function PiecesTable({ pieces }: { pieces: readonly Piece[] }) {
  const { boat } = useDesign();
  const { show, unit } = useUnits();
  const names = new Map(boat.parts.flatMap(({ zones }) => zones.map(({ id, name }) => [id, name])));
  return (
    <Card className="mb-3">
      <Card.Body className="p-0 table-responsive">
        <table className="table table-sm mb-0" aria-label="Pieces of the layer">
          <thead>
            <tr>
              <th scope="col">Piece</th>
              <th scope="col">Lies on</th>
              <th scope="col" className="num">
                along warp, {unit('length')}
              </th>
              <th scope="col" className="num">
                across, {unit('length')}
              </th>
              <th scope="col" className="num">
                {unit('area')}
              </th>
              <th scope="col" className="num">
                to cut
              </th>
              <th scope="col" className="num">
                shears
              </th>
              <th scope="col">To know</th>
            </tr>
          </thead>
          <tbody>
            {pieces.map((piece) => {
              const { maxX, maxY } = boxOf(piece.outline);
              return (
                <tr key={piece.id}>
                  <th scope="row" className="fw-normal text-nowrap">
                    {piece.n} of {piece.m} {HANDS[piece.hand]}
                    {piece.partId === null && ` ${piece.of}`}
                  </th>
                  <td className="small">{piece.zones.map((id) => names.get(id) ?? id).join(', ')}</td>
                  <td className="num">{show(maxY, 'length')}</td>
                  <td className="num">{show(maxX, 'length')}</td>
                  <td className="num">{show(piece.area, 'area')}</td>
                  <td className="num">{piece.count}</td>
                  <td className="num">{piece.shearDeg > 0.5 ? `${formatNumber(piece.shearDeg, 0)}°` : 'flat'}</td>
                  <td className="small">{piece.notes.join('; ')}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </Card.Body>
    </Card>
  );
}

function CountsTable({
  counts,
  chosen,
  onChoose,
}: {
  counts: KitPieces['counts'];
  chosen: number;
  onChoose: (layer: string) => void;
}) {
  const { show, unit } = useUnits();
  if (counts.length === 0) return null;
  return (
    <Card className="mb-3">
      <Card.Body className="p-0 table-responsive">
        <table className="table table-sm mb-0" aria-label="Pieces counted against the lay-up">
          <thead>
            <tr>
              <th scope="col">Layer</th>
              <th scope="col" className="num">
                runs of zones
              </th>
              <th scope="col" className="num">
                hands
              </th>
              <th scope="col" className="num">
                number-off
              </th>
              <th scope="col" className="num">
                asked
              </th>
              <th scope="col" className="num">
                drawn
              </th>
              <th scope="col" className="num">
                cut, by rolls and parting
              </th>
              <th scope="col" className="num">
                zones, {unit('area')}
              </th>
              <th scope="col" className="num">
                pieces, {unit('area')}
              </th>
              <th scope="col">Adds up</th>
            </tr>
          </thead>
          <tbody>
            {counts.map((one) => (
              <tr key={one.layerId} className={one.layerNumber === chosen ? 'table-active' : undefined}>
                <th scope="row" className="fw-normal">
                  <button
                    type="button"
                    className="btn btn-link btn-sm p-0"
                    onClick={() => onChoose(String(one.layerNumber))}
                  >
                    {one.layerNumber}: {one.material}
                  </button>
                </th>
                <td className="num">{one.runs}</td>
                <td className="num">{one.hands}</td>
                <td className="num">{one.numberOff}</td>
                <td className="num">{one.wanted}</td>
                <td className="num">{one.made}</td>
                <td className="num">{one.cut}</td>
                <td className="num">{show(one.covers, 'area')}</td>
                <td className="num">{show(one.has, 'area')}</td>
                <td>{one.problem === null ? '✓' : `✕ ${one.problem}`}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Card.Body>
    </Card>
  );
}
