'use client';
import { useState } from 'react';
import { Card } from 'react-bootstrap';
import { evaluateDetails } from '@/core/detail/kinds';
import { stackWorking } from '@/core/evaluate';
import { boatWeight, STIFFENERS, weightWorking } from '@/core/weight';
import { useDesign } from '../shared/boat';
import { Onward } from '../shared/Onward';
import { useUnits } from '../shared/units';
import { WeightBars } from './WeightBars';
import { WorkingPanel, type WorkingRequest } from '../shared/WorkingPanel';

const MATTERS = ['fibre', 'resin', 'core', 'coating'] as const;

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
