'use client';
import { useState } from 'react';
import { Card } from 'react-bootstrap';
import { formatNumber } from '@/core/quantity';
import { evaluateDetails } from '@/core/detail/kinds';
import { stackWorking } from '@/core/evaluate';
import { boatWeight, STIFFENERS, weightWorking, type BoatWeight } from '@/core/weight';
import { useDesign } from '../shared/boat';
import { Onward } from '../shared/Onward';
import { useUnits } from '../shared/units';
import { WorkingPanel, type WorkingRequest } from '../shared/WorkingPanel';

const FILLS = { fibre: '#6b6156', resin: '#c9a27c', core: '#efe1c3', coating: '#ffffff' } as const;
const MATTERS = Object.keys(FILLS) as (keyof typeof FILLS)[];

/** Mass by zone as bars in fibre, resin, core and coating, and the total against its target. */
function WeightBars({ weight }: { weight: BoatWeight }) {
  const { show, unit, full } = useUnits();
  const rows = weight.parts.flatMap((part) => part.zones.map((zone) => ({ part, zone })));
  const most = Math.max(1, ...rows.map(({ zone }) => zone.mass));
  const height = rows.length * 19 + 66;
  const total = Math.max(weight.mass, weight.target) * 1.04;
  const wide = (mass: number) => (mass / total) * 690;
  return (
    <>
      <svg
        viewBox={`0 0 880 ${height}`}
        width="100%"
        role="img"
        aria-label={`Laminate ${full(weight.mass, 'mass')} against a target of ${full(weight.target, 'mass')}`}
      >
        <text x="0" y="18" fontSize="13" fontWeight="600">
          Total
        </text>
        <rect
          x="130"
          y="4"
          width={wide(weight.mass)}
          height="20"
          fill={weight.over > 0 ? '#e6c9a6' : '#bcd6db'}
          stroke="#2b2622"
        />
        <line
          x1={130 + wide(weight.target)}
          x2={130 + wide(weight.target)}
          y1="-2"
          y2="32"
          stroke="#9a4527"
          strokeWidth="2.4"
        />
        <text x={130 + wide(weight.target)} y="45" fontSize="12" fill="#9a4527" textAnchor="end">
          target {full(weight.target, 'mass')}
        </text>
        <text x="138" y="18" fontSize="12.5" fontWeight="600">
          {full(weight.mass, 'mass')}: {full(Math.abs(weight.over), 'mass')} {weight.over > 0 ? 'over' : 'in hand'} (
          {formatNumber(Math.abs(weight.overShare) * 100, 1)} %)
        </text>
        {rows.map(({ part, zone }, row) => {
          const y = 60 + row * 19;
          let x = 190;
          return (
            <g key={zone.zoneId}>
              <text x="0" y={y + 11} fontSize="12">
                {zone.name}
              </text>
              <text x="182" y={y + 11} fontSize="10.5" fill="#5f574d" textAnchor="end">
                {part.name}
              </text>
              {MATTERS.map((matter) => {
                const width = (zone[matter] / most) * 560;
                const at = x;
                x += width;
                return (
                  width > 0 && (
                    <rect
                      key={matter}
                      x={at}
                      y={y}
                      width={width}
                      height="14"
                      fill={FILLS[matter]}
                      stroke="#2b2622"
                      strokeWidth="0.6"
                    />
                  )
                );
              })}
              <text x={x + 6} y={y + 11} fontSize="12">
                {show(zone.mass, 'mass')} {unit('mass')}
              </text>
            </g>
          );
        })}
      </svg>
      <div className="small">
        {MATTERS.map((matter) => (
          <span key={matter} className="me-3">
            <svg width="14" height="12" aria-hidden="true">
              <rect x="1" y="1" width="12" height="10" fill={FILLS[matter]} stroke="#2b2622" />
            </svg>{' '}
            {matter}
          </span>
        ))}
        (in this order along each bar)
      </div>
    </>
  );
}

/** Does it meet the scales? */
export function WeightsScreen() {
  const { boat, evaluations } = useDesign();
  const { show, full, unit } = useUnits();
  const weight = boatWeight(boat, evaluations, evaluateDetails(boat));
  const [working, setWorking] = useState<WorkingRequest | null>(null);
  const openBoat = () => setWorking({ title: 'Laminate mass and centre', record: () => weightWorking(weight) });
  const openZone = (partId: string, zoneId: string) => {
    if (partId === STIFFENERS) return openBoat();
    const part = boat.parts.find((candidate) => candidate.id === partId)!;
    const zone = part.zones.find((candidate) => candidate.id === zoneId)!;
    setWorking({ title: `${zone.name}: mass`, record: () => stackWorking(boat, part, zone) });
  };
  return (
    <>
      <p className="question">
        Does it meet the scales? Planned laminate against the target of the Brief, and where its centre lies.
      </p>
      <Card className="mb-3">
        <Card.Body>
          <WeightBars weight={weight} />
        </Card.Body>
      </Card>
      <Card>
        <Card.Body className="p-0">
          <table className="table" aria-label="Weights by part and zone">
            <thead>
              <tr>
                <th>Part, zone</th>
                {MATTERS.map((matter) => (
                  <th key={matter} className="num">
                    {matter[0]!.toUpperCase() + matter.slice(1)} <span className="unit">{unit('mass')}</span>
                  </th>
                ))}
                <th className="num">
                  Mass <span className="unit">{unit('mass')}</span>
                </th>
                <th className="num">
                  Along <span className="unit">{unit('length')}</span>
                </th>
                <th className="num">
                  Above baseline <span className="unit">{unit('length')}</span>
                </th>
              </tr>
            </thead>
            {weight.parts.map((part) => (
              <tbody key={part.partId}>
                <tr className="fw-semibold">
                  <td>{part.name}</td>
                  <td colSpan={4} />
                  <td className="num">{show(part.mass, 'mass')}</td>
                  <td className="num">{show(part.centreX, 'length')}</td>
                  <td className="num">{show(part.centreZ, 'length')}</td>
                </tr>
                {part.zones.map((zone) => (
                  <tr key={zone.zoneId}>
                    <td className="ps-4">{zone.name}</td>
                    {MATTERS.map((matter) => (
                      <td key={matter} className="num">
                        {show(zone[matter], 'mass')}
                      </td>
                    ))}
                    <td className="num">
                      <button
                        type="button"
                        className="plain-button opens"
                        onClick={() => openZone(part.partId, zone.zoneId)}
                        title={`How the mass of ${zone.name} comes about`}
                      >
                        {show(zone.mass, 'mass')}
                      </button>
                    </td>
                    <td className="num soft">{show(zone.centreX, 'length')}</td>
                    <td className="num soft">{show(zone.centreZ, 'length')}</td>
                  </tr>
                ))}
              </tbody>
            ))}
            <tfoot>
              <tr className="fw-bold">
                <td>Boat</td>
                <td colSpan={4} />
                <td className="num">
                  <button
                    type="button"
                    className="plain-button opens fw-bold"
                    data-testid="total-mass"
                    onClick={openBoat}
                    title="How the total and its centre come about"
                  >
                    {show(weight.mass, 'mass')}
                  </button>
                </td>
                <td className="num">{show(weight.centreX, 'length')}</td>
                <td className="num">{show(weight.centreZ, 'length')}</td>
              </tr>
            </tfoot>
          </table>
        </Card.Body>
      </Card>
      <p className="small soft mt-2">
        Centre of gravity {full(weight.centreX, 'length')} forward of the aft end of the waterline,{' '}
        {full(weight.centreZ, 'length')} above the baseline, from the zone centroids. Not counted: overlaps at zone
        edges, bonding, fittings, stiffeners, paint.
      </p>
      <Onward to="revisions">Revisions: sign what stands</Onward>
      <WorkingPanel request={working} onClose={() => setWorking(null)} />
    </>
  );
}
