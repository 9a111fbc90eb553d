'use client';
import { useMemo } from 'react';
import { Card } from 'react-bootstrap';
import { curedBy, cureOutcome, inShopOf, type Cured, type CureOutcome, type Curing } from '@/core/cure';
import type { CurePlan } from '@/core/document';
import { formatNumber } from '@/core/quantity';
import { useDesign } from '../shared/boat';
import { useAfterPaint } from '../shared/useAfterPaint';
import { useUnits } from '../shared/units';
import { limitWord, MARKS, minutes } from './minutes';

/** The same schedule in a hotter and in a colder shop: what breaks there, and whether it hardens at all. */
export function CureWhatIf({ plan, cured, curing }: { plan: CurePlan; cured: Cured; curing: Curing }) {
  const { boat } = useDesign();
  const { full } = useUnits();
  // Three times the work of the schedule itself: once that is drawn.
  const asked = useAfterPaint(useMemo(() => ({ boat, plan, curing }), [boat, plan, curing]));
  const others = useMemo(() => {
    const { hotShop, coldShop } = asked.curing;
    const at = [Math.max(asked.plan.start, hotShop), Math.min(asked.plan.start, coldShop)];
    return at.map((celsius) => ({ celsius, found: curedBy(asked.boat, inShopOf(celsius, asked.plan), asked.curing) }));
  }, [asked]);
  const rows = [{ celsius: plan.start, found: cured as Cured | string }, ...others];
  return (
    <Card body>
      <h2>What if the shop is hotter or colder?</h2>
      <div className="table-responsive">
        <table className="table table-sm mb-1" aria-label="In a hotter or colder shop">
          <thead>
            <tr>
              <th scope="col">Shop</th>
              <th scope="col">nearest to its limit</th>
              <th scope="col">all gelled after</th>
              <th scope="col">demould after</th>
              <th scope="col">cured at the end</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ celsius, found }, i) => (
              <tr key={i}>
                <th scope="row" className="fw-normal">
                  {full(celsius, 'temperature')}
                  {i === 0 ? ', as planned' : ''}
                </th>
                {typeof found === 'string' ? (
                  <td colSpan={4}>△ {found}</td>
                ) : (
                  <Cells outcome={cureOutcome(found.zones)} />
                )}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="small soft mb-0">
        Each by itself, by the same card. A tent or an oven keeps what it heats to; all else goes with the shop. How hot
        and how cold your shop gets is in the list below.
      </p>
    </Card>
  );
}

function Cells({ outcome: { nearest, gel, demould, warm, degree } }: { outcome: CureOutcome }) {
  const { full } = useUnits();
  const left = nearest.limit - nearest.hottest;
  return (
    <>
      <td>
        {MARKS[limitWord(left)]} {full(nearest.hottest, 'temperature')} of {full(nearest.limit, 'temperature')}:{' '}
        {nearest.name}, {nearest.zone}
      </td>
      <td>{gel === null ? `${MARKS.fails} never: this part would be lost` : minutes(gel)}</td>
      <td>
        {demould === null ? `${MARKS.thin} ${warm ? 'not before it cools' : 'not by the end'}` : minutes(demould)}
      </td>
      <td>{formatNumber(100 * degree, 0)} %</td>
    </>
  );
}
