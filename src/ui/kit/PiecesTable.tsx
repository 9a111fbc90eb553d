'use client';
import { Card } from 'react-bootstrap';
import { boxOf, HANDS, type Piece } from '@/core/kit';
import { formatNumber } from '@/core/quantity';
import { useDesign } from '../shared/boat';
import { useUnits } from '../shared/units';

/** Pieces of a layer with their sizes; one is chosen by its name. */
export function PiecesTable({
  pieces,
  chosen,
  onChoose,
}: {
  pieces: readonly Piece[];
  chosen: string | null;
  onChoose: (pieceId: string) => void;
}) {
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
                <tr key={piece.id} className={piece.id === chosen ? 'table-active' : undefined}>
                  <th scope="row" className="fw-normal text-nowrap">
                    <button type="button" className="btn btn-link btn-sm p-0" onClick={() => onChoose(piece.id)}>
                      {piece.n} of {piece.m} {HANDS[piece.hand]}
                    </button>
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
