'use client';
import { Card } from 'react-bootstrap';
import { CUT_WAYS, type CutWay } from '@/core/kit';
import { formatNumber } from '@/core/quantity';
import { useUnits } from '../shared/units';

/** Ways to cut a fabric side by side: roll, knife, minutes, money. */
export function WaysTable({
  ways,
  way,
  currency,
  onChoose,
}: {
  ways: readonly CutWay[];
  way: CutWay;
  currency: string;
  onChoose: (at: number) => void;
}) {
  const { show, unit } = useUnits();
  const money = (value: number | null) => (value === null ? 'no price' : formatNumber(value, 0));
  return (
    <Card className="mb-3">
      <Card.Body className="p-0 table-responsive">
        <table className="table table-sm mb-0" aria-label="Ways to cut it">
          <thead>
            <tr>
              <th scope="col">Way</th>
              <th scope="col" className="num">
                of roll, {unit('length')}
              </th>
              <th scope="col" className="num">
                in pieces
              </th>
              <th scope="col" className="num">
                knife, {unit('length')}
              </th>
              <th scope="col" className="num">
                pieces
              </th>
              <th scope="col" className="num">
                minutes
              </th>
              <th scope="col" className="num">
                cloth, {currency}
              </th>
              <th scope="col" className="num">
                cutting
              </th>
              <th scope="col" className="num">
                together
              </th>
              <th scope="col" className="num">
                of it falls away
              </th>
            </tr>
          </thead>
          <tbody>
            {ways.map((one, i) => (
              <tr key={one.name} className={one === way ? 'table-active' : undefined}>
                <th scope="row" className="fw-normal">
                  <button
                    type="button"
                    className="btn btn-link btn-sm p-0 text-start"
                    aria-pressed={one === way}
                    onClick={() => onChoose(i)}
                  >
                    {CUT_WAYS[one.name]}
                  </button>
                </th>
                <td className="num">{show(one.length, 'length')}</td>
                <td className="num">{formatNumber(100 * one.utilisation, 0)} %</td>
                <td className="num">{show(one.cutLength, 'length')}</td>
                <td className="num">{one.cuts}</td>
                <td className="num">{formatNumber(one.minutes, 0)}</td>
                <td className="num">{money(one.clothMoney)}</td>
                <td className="num">{money(one.labourMoney)}</td>
                <td className="num">{one.clothMoney === null ? '?' : money(one.clothMoney + one.labourMoney)}</td>
                <td className="num">{money(one.wasteMoney)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Card.Body>
    </Card>
  );
}
