'use client';
import { Card } from 'react-bootstrap';
import type { KitPieces } from '@/core/kit';
import { useUnits } from '../shared/units';

/** Pieces of a part counted against its lay-up, layer by layer. */
export function CountsTable({
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
