'use client';
import { useState } from 'react';
import { Card } from 'react-bootstrap';
import { evaluateDetails } from '@/core/detail/kinds';
import { stackWorking } from '@/core/evaluate';
import { boatWeight, weightWorking, type PartMass, type ZoneMass } from '@/core/weight';
import { useDesign } from '../shared/boat';
import { Onward } from '../shared/Onward';
import { useUnits } from '../shared/units';
import { WorkingPanel, type WorkingRequest } from '../shared/WorkingPanel';
import { WeightBars } from './WeightBars';
import { WeightTable } from './WeightTable';

/** Does it meet the scales? */
export function WeightsScreen() {
  const { boat, evaluations } = useDesign();
  const { full } = useUnits();
  const weight = boatWeight(boat, evaluations, evaluateDetails(boat));
  const [working, setWorking] = useState<WorkingRequest | null>(null);
  const openBoat = () => setWorking({ title: 'Laminate mass and centre', record: () => weightWorking(weight) });
  /** A zone by its stack; laps, stiffeners and details as a share of the boat. */
  const openZone = ({ partId }: PartMass, { zoneId }: ZoneMass) => {
    const part = boat.parts.find(({ id }) => id === partId);
    const zone = part?.zones.find(({ id }) => id === zoneId);
    if (!part || !zone) return openBoat();
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
        <Card.Body className="p-0 table-responsive">
          <WeightTable weight={weight} onZone={openZone} onBoat={openBoat} />
        </Card.Body>
      </Card>
      <p className="small soft mt-2">
        Centre of gravity {full(weight.centreX, 'length')} forward of the aft end of the waterline,{' '}
        {full(weight.centreZ, 'length')} above the baseline, from the centroids of zones, stiffeners and details.
        Counted: laminate, core with the resin it takes up, coatings, overlaps and run-outs at lines of known length,
        stiffeners that have a section, details with their metal and adhesive. Not counted: bonding of parts to one
        another, fittings, paint, equipment.
      </p>
      <Onward to="revisions">Revisions: sign what stands</Onward>
      <WorkingPanel request={working} onClose={() => setWorking(null)} />
    </>
  );
}
