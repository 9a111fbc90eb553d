'use client';
import { Card } from 'react-bootstrap';
import { targetOf } from '@/core/evaluate';
import type { OpenPoint, Revision } from '@/core/revision';
import { boatWeight } from '@/core/weight';
import { HullSketch } from '../brief/HullSketch';
import { PointList } from '../revisions/OpenPoints';
import { useDesign } from '../shared/boat';
import { Moment } from '../shared/Moment';
import { useUnits } from '../shared/units';
import { useDetails, useOpenPoints } from '../shared/useLater';
import { ZoneVerdict } from '../shared/Verdict';

const Open = ({ points }: { points: readonly OpenPoint[] | null }) => {
  if (points === null) return <p className="soft mb-0">Looking through everything that is proved…</p>;
  if (points.length === 0) return <p className="mb-0">Nothing is open.</p>;
  return (
    <>
      <p className="mb-1">Said open in it:</p>
      <PointList points={points} />
    </>
  );
};

/** An issued revision as it was signed: by whom, what for, what was open and the answer to it. */
function Issued({ revision: { label, author, issuedAt, note, open } }: { revision: Revision }) {
  return (
    <>
      <h2>Revision {label}</h2>
      <p>
        Issued by {author}, <Moment iso={issuedAt} />: {note}
      </p>
      {open === null ? (
        <p className="soft mb-0">What was open was not recorded when it was issued.</p>
      ) : (
        <>
          <Open points={open.points} />
          {open.answer && <p className="mb-0">Issued all the same: {open.answer}</p>}
        </>
      )}
    </>
  );
}

/** The draft as it would be printed now: part by part, and what is open. */
function Draft() {
  const { boat, evaluations } = useDesign();
  const { show, full, unit } = useUnits();
  const points = useOpenPoints(boat);
  const target = targetOf(boat);
  const details = useDetails(boat);
  const weight = details && boatWeight(boat, evaluations, details);
  const least = (zones: readonly { id: string }[]) =>
    zones
      .map(({ id }) => evaluations.get(id)!)
      .filter(({ governing }) => governing !== null)
      .sort((a, b) => a.governing!.reserveFactor - b.governing!.reserveFactor)[0];
  return (
    <>
      <h2>The draft as it stands</h2>
      <table className="table table-sm" aria-label="Parts in the print">
        <thead>
          <tr>
            <th>Part</th>
            <th className="num">Zones</th>
            <th className="num">Layers</th>
            <th className="num">
              Mass <span className="unit">{unit('mass')}</span>
            </th>
            <th className="num">Least reserve</th>
          </tr>
        </thead>
        <tbody>
          {boat.parts.map(({ id, name, zones, layers }) => {
            const weakest = least(zones);
            return (
              <tr key={id}>
                <td>{name}</td>
                <td className="num">{zones.length}</td>
                <td className="num">{layers.length}</td>
                <td className="num">
                  {weight && show(weight.parts.find(({ partId }) => partId === id)?.mass ?? 0, 'mass')}
                </td>
                <td className="num">
                  {weakest ? <ZoneVerdict evaluation={weakest} target={target} /> : <span className="soft">none</span>}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p>
        {boat.supports.length} supports, {boat.details.length} details
        {weight && `, ${full(weight.mass, 'mass')} in all`}.
      </p>
      <Open points={points} />
    </>
  );
}

/** What the print will say, in short: the boat, its parts, and what is open. */
export function Contents({ revision }: { revision: Revision | undefined }) {
  const { boat } = useDesign();
  return (
    <Card className="mb-3">
      <Card.Body className="pack-contents">
        {!revision && <HullSketch boat={boat} />}
        <div>{revision ? <Issued revision={revision} /> : <Draft />}</div>
      </Card.Body>
    </Card>
  );
}
